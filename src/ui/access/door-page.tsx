import type { ReactNode } from 'react';
import { HouseMark } from '../kit/house-mark';

/** A page before one is in. */
export const DoorPage = ({ heading, children }: { heading: string; children: ReactNode }) => (
  <main className="letter">
    <p className="d-flex align-items-center gap-2 fw-bold">
      <span className="small-mark">
        <HouseMark />
      </span>{' '}
      Aftermist
    </p>
    <h1>{heading}</h1>
    {children}
  </main>
);

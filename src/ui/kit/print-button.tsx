'use client';
import type { ReactNode } from 'react';

export const PrintButton = ({ children }: { children: ReactNode }) => (
  <button type="button" className="btn btn-outline-secondary no-print" onClick={() => window.print()}>
    {children}
  </button>
);

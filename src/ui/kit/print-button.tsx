'use client';
import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';

export function PrintButton({ children }: { children: ReactNode }) {
  return (
    <Button variant="outline-secondary" className="no-print" onClick={() => window.print()}>
      {children}
    </Button>
  );
}

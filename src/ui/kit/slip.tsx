'use client';
import type { ReactNode } from 'react';
import { Offcanvas } from 'react-bootstrap';

/** Paper-like panel from the side for one thing; never a dialog over a dialog. */
export function Slip({ title, open, onClose, children }: { title: string; open: boolean; onClose: () => void; children: ReactNode }) {
  return (
    <Offcanvas show={open} onHide={onClose} placement="end" className="slip" aria-label={title}>
      <Offcanvas.Header closeButton>
        <Offcanvas.Title as="h2">{title}</Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>{children}</Offcanvas.Body>
    </Offcanvas>
  );
}

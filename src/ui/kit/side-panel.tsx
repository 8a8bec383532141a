'use client';
import type { ReactNode } from 'react';
import { Offcanvas } from 'react-bootstrap';

/**
 * Paper-like panel from the side for one thing; never a dialog over a dialog. With `beside` the page stays in sight and
 * in reach.
 */
export function SidePanel({
  title,
  open,
  onClose,
  beside,
  children,
}: {
  title: string;
  open: boolean;
  onClose: () => void;
  beside?: boolean;
  children: ReactNode;
}) {
  return (
    <Offcanvas
      show={open}
      onHide={onClose}
      placement="end"
      {...(beside ? { backdrop: false, scroll: true, enforceFocus: false } : {})}
      className="slip"
      aria-label={title}
    >
      <Offcanvas.Header closeButton>
        <Offcanvas.Title as="h2">{title}</Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>{children}</Offcanvas.Body>
    </Offcanvas>
  );
}

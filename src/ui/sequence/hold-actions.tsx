'use client';
import { routes } from '@/contract/routes';
import Link from 'next/link';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { HoldView } from '@/contract/views/job';
import { expectHold, releaseHold, reopenHold } from '@/contract/commands/sites';
import { useSend } from '../kit/use-send';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';

/** Settles a hold, or sets another day for its answer. */
export function HoldActions({ hold, job }: { hold: HoldView; job: string }) {
  const { busy, give } = useSend();
  const [moving, setMoving] = useState(false);
  const { id, version } = hold;
  if (hold.request)
    return (
      <Link className="small-text no-print" href={routes.requests(job, hold.request)}>
        Settle it where it was asked for<Hidden>: {hold.text}</Hidden>
      </Link>
    );
  if (moving) {
    return (
      <Form
        className="d-flex gap-2 mt-1"
        onSubmit={(event) => {
          event.preventDefault();
          const expectedOn = new FormData(event.currentTarget).get('expectedOn');
          void give(
            expectHold,
            { id, version, expectedOn: typeof expectedOn === 'string' ? expectedOn : '' },
            { text: `${hold.label}: another day was set; the plan follows.` },
          ).then((ok) => ok && setMoving(false));
        }}
      >
        <Form.Control
          size="sm"
          type="date"
          name="expectedOn"
          defaultValue={hold.expectedOn}
          aria-label={`Expected day of ${hold.label}`}
          required
        />
        <Button size="sm" type="submit" disabled={busy}>
          Set
        </Button>
        <Button size="sm" variant="link" onClick={() => setMoving(false)}>
          Leave
        </Button>
      </Form>
    );
  }
  return (
    <div className="no-print">
      <LinkButton
        className="me-3"
        disabled={busy}
        onClick={() =>
          void give(
            releaseHold,
            { id, version },
            {
              text: `${hold.label} is settled; the plan follows.`,
              undo: () => void give(reopenHold, { id, version: version + 1 }, { text: `${hold.label} holds again.` }),
            },
          )
        }
      >
        Settled<Hidden>: {hold.label}</Hidden>
      </LinkButton>
      <LinkButton disabled={busy} onClick={() => setMoving(true)}>
        Another day<Hidden> for {hold.label}</Hidden>
      </LinkButton>
    </div>
  );
}

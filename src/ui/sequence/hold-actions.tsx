'use client';
import { routes } from '@/contract/routes';
import Link from 'next/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { HoldView } from '@/contract/views/job';
import { expectHold, releaseHold } from '@/contract/commands/sites';
import { CommandForm, TextField } from '../kit/form';
import { useToast } from '../kit/toast';
import { useSend } from '../kit/use-send';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';

/** Settles a hold, or sets another day for its answer. */
export function HoldActions({ hold, job }: { hold: HoldView; job: string }) {
  const { busy, give } = useSend();
  const say = useToast();
  const [moving, setMoving] = useState(false);
  const { id, version } = hold;
  if (hold.request)
    return (
      <Link className="small-text no-print" href={routes.requests(job, hold.request)}>
        Settle it where it was asked for<Hidden>: {hold.text}</Hidden>
      </Link>
    );
  if (moving)
    return (
      <CommandForm
        kind={expectHold}
        about={id}
        className="mt-1"
        start={() => ({ id, version, expectedOn: hold.expectedOn })}
        submit="Set"
        beside={
          <Button size="sm" variant="link" onClick={() => setMoving(false)}>
            Cancel
          </Button>
        }
        onDone={() => {
          setMoving(false);
          say({ text: `${hold.label}: another day was set; the plan follows.` });
        }}
      >
        <TextField name="expectedOn" label={`Expected day of ${hold.label}`} type="date" />
      </CommandForm>
    );
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
              back: `${hold.label} holds again.`,
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

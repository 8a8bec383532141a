'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { HoldView } from '@/contract/views/job';
import { openAnyway } from '@/contract/commands/schedule';
import { expectHold, releaseHold } from '@/contract/commands/sites';
import { newId } from '../offline/send';
import { ProveService } from '../scope/prove-service';
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
  if (hold.settled) return <SettledElsewhere hold={hold} job={job} settled={hold.settled} />;
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

/** Settles what nobody put on hold: where it is, by a decision with its reason, or by a name that proves it. */
function SettledElsewhere({
  hold,
  job,
  settled,
}: {
  hold: HoldView;
  job: string;
  settled: NonNullable<HoldView['settled']>;
}) {
  const say = useToast();
  const [open, setOpen] = useState(false);
  if (settled.by === 'room')
    return (
      <Link className="small-text no-print" href={routes.room(job, hold.areaId)}>
        To the room<Hidden>: {hold.text}</Hidden>
      </Link>
    );
  if (!open)
    return (
      <LinkButton className="no-print" onClick={() => setOpen(true)}>
        {settled.by === 'decision' ? 'Open all the same' : 'Proved or marked'}
        <Hidden>: {hold.text}</Hidden>
      </LinkButton>
    );
  const cancel = (
    <Button size="sm" variant="link" onClick={() => setOpen(false)}>
      Cancel
    </Button>
  );
  return settled.by === 'decision' ? (
    <CommandForm
      kind={openAnyway}
      about={hold.id}
      className="mt-1"
      submit="Open all the same"
      beside={cancel}
      start={() => ({ id: newId(), area: settled.area, phase: settled.phase, reason: '' })}
      onDone={() => say({ text: 'Kept as your decision; the plan follows.' })}
    >
      <TextField name="reason" label="Why it is opened all the same" rows={2} />
    </CommandForm>
  ) : (
    <ProveService finding={settled.finding} version={hold.version} beside={cancel} />
  );
}

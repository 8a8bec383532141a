'use client';
import { dropPin, setPin } from '@/contract/commands/schedule';
import type { BoardBlock } from '@/contract/views/plan';
import { CommandForm, TextField } from '../kit/form';
import { DayAndHalf } from '../kit/day-and-half';
import { FormEffect } from '../kit/effect';
import { useSend } from '../kit/use-send';
import { LinkButton } from '../kit/link-button';

/** Where a block was dropped, or where it stands. */
export interface Moved {
  day: string;
  half: 0 | 1;
}

/** Pins a block to a half-day, with why; what keeps it from there is said beside the day. */
export function MoveForm({ block, to, onDone }: { block: BoardBlock; to: Moved; onDone: () => void }) {
  const { busy, give } = useSend();
  return (
    <>
      {block.pin && (
        <p>
          Pinned here: {block.pin}.{' '}
          <LinkButton
            className="align-baseline"
            disabled={busy}
            onClick={() =>
              void give(
                dropPin,
                { task: block.task },
                {
                  text: 'The pin is out; the plan follows.',
                  back: 'Pinned again.',
                },
              )
            }
          >
            Take the pin out
          </LinkButton>
        </p>
      )}
      <CommandForm
        key={`${block.task}${to.day}${to.half}`}
        kind={setPin}
        submit="Pin it there"
        onDone={onDone}
        start={() => ({ task: block.task, day: to.day, half: to.half, reason: '' })}
        beside={<FormEffect kind={setPin} />}
      >
        <DayAndHalf />
        <TextField name="reason" label="Because" hint="Said wherever this day decides another." />
      </CommandForm>
    </>
  );
}

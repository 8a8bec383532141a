'use client';
import { useState } from 'react';
import { addWorkedDay, dropWorkedDay } from '@/contract/commands/worked-day';
import type { SequenceView } from '@/contract/views/plan';
import { CommandForm, TextField } from '../kit/form';
import { FormEffect } from '../kit/effect';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { FoldedBlock } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

/** Saturdays and other days off on which the job is worked all the same. */
export function WorkedDays({ view }: { view: SequenceView }) {
  const [open, setOpen] = useState(false);
  const { busy, give } = useSend();
  return (
    <FoldedBlock
      heading="Worked Saturdays"
      says={view.workedDays.length > 0 ? view.workedDays.map(({ text }) => text).join(', ') : 'none'}
      beside={
        <LinkButton className="push" onClick={() => setOpen(true)}>
          Add<Hidden> a day off that is worked</Hidden>
        </LinkButton>
      }
    >
      {view.workedDays.length === 0 && (
        <p className="soft mt-2 small-text">None. A Saturday or a holiday on which work goes on is said here.</p>
      )}
      <Lines className="small-text">
        {view.workedDays.map(({ id, text, words }) => (
          <Line
            key={id}
            beside={
              <LinkButton
                disabled={busy}
                onClick={() =>
                  void give(dropWorkedDay, { id }, { text: `${text} is a day off again.`, back: 'It is worked again.' })
                }
              >
                Remove<Hidden> {text}</Hidden>
              </LinkButton>
            }
          >
            {text} <span className="soft">{words}</span>
          </Line>
        ))}
      </Lines>
      <SidePanel title="Work on a day off" open={open} onClose={() => setOpen(false)}>
        <CommandForm
          kind={addWorkedDay}
          submit="Work on it"
          onDone={() => setOpen(false)}
          beside={<FormEffect kind={addWorkedDay} />}
          start={() => ({ id: newId(), job: view.job.id, words: '' })}
        >
          <TextField name="day" label="Which day" type="date" hint="A Saturday, a Sunday or a holiday." />
          <TextField name="words" label="Who agreed to it" hint="Ask the neighbours before anything loud." />
        </CommandForm>
      </SidePanel>
    </FoldedBlock>
  );
}

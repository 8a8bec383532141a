'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { settleJobTask } from '@/contract/commands/schedule';
import type { SequenceView } from '@/contract/views/plan';
import { CommandForm, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
import { Line, Lines } from '../kit/lines';
import { Block } from '../kit/page';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';

/** What belongs to the whole job and no walk sees: dust doors, alarms, heat, the final inspection; each by a name. */
export function JobTasks({ view }: { view: SequenceView }) {
  const [open, setOpen] = useState<string>();
  const { busy, give } = useSend();
  if (view.jobTasks.length === 0) return null;
  return (
    <Block heading="Of the whole job">
      <Lines>
        {view.jobTasks.map(({ task, label, when, done, named }) => (
          <Line
            key={task}
            small
            mark={<StateIcon kind={done ? 'done' : 'waiting'} />}
            beside={
              done && !named ? undefined : done ? (
                <LinkButton
                  disabled={busy}
                  onClick={() =>
                    void give(settleJobTask, { job: view.job.id, task, by: '' }, { text: `${label} is open again.` })
                  }
                >
                  Open again<Hidden>: {label}</Hidden>
                </LinkButton>
              ) : (
                <LinkButton onClick={() => setOpen(open === task ? undefined : task)}>
                  Done…<Hidden>: {label}</Hidden>
                </LinkButton>
              )
            }
          >
            <span className="fw-bold">{label}</span> <span className="soft">{done ?? when}</span>
            {open === task && !done && (
              <CommandForm
                kind={settleJobTask}
                about={task}
                className="mt-1"
                submit="Save"
                beside={
                  <Button size="sm" variant="link" onClick={() => setOpen(undefined)}>
                    Cancel
                  </Button>
                }
                start={() => ({ job: view.job.id, task, by: '', day: view.today })}
                onDone={() => setOpen(undefined)}
              >
                <TextField name="by" label={task === 'final-inspection' ? 'Who passed it' : 'Who did it'} />
                <TextField name="day" label="On" type="date" />
              </CommandForm>
            )}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { dropPin, setPin, settleJobTask } from '@/contract/commands/schedule';
import type { SequenceView } from '@/contract/views/plan';
import { CommandForm, TextField } from '../kit/form';
import { DayAndHalf } from '../kit/day-and-half';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
import { Line, Lines } from '../kit/lines';
import { FoldedBlock } from '../kit/page';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';

type JobTaskView = SequenceView['jobTasks'][number];
type Asked = 'done' | 'booked';

/** What belongs to the whole job and no walk sees: dust doors, alarms, heat, the final inspection; each by a name. */
export function JobTasks({ view }: { view: SequenceView }) {
  const [open, setOpen] = useState<{ task: string; asked: Asked }>();
  if (view.jobTasks.length === 0) return null;
  const close = (): void => setOpen(undefined);
  return (
    <FoldedBlock heading="Of the whole job" says={standing(view.jobTasks)}>
      <Lines>
        {view.jobTasks.map((entry) => {
          const { task, label, when, done, booked } = entry;
          const asked = open?.task === task && !done ? open.asked : undefined;
          return (
            <Line
              key={task}
              small
              mark={<StateIcon kind={done ? 'done' : 'open'} />}
              beside={
                <Answers
                  job={view.job.id}
                  entry={entry}
                  onAsk={(which) => (asked === which ? close() : setOpen({ task, asked: which }))}
                />
              }
            >
              <span className="fw-bold">{label}</span> <span className="soft">{done ?? when}</span>
              {booked && !done && <div className="soft">booked: {booked}</div>}
              {asked === 'done' && <DoneForm view={view} entry={entry} onDone={close} />}
              {asked === 'booked' && <BookForm entry={entry} onDone={close} />}
            </Line>
          );
        })}
      </Lines>
    </FoldedBlock>
  );
}

/** How many are done, and which comes next. */
function standing(tasks: readonly JobTaskView[]): string {
  const next = tasks.find(({ done }) => !done);
  const done = tasks.filter((task) => task.done).length;
  return `${done} of ${tasks.length} done${next ? `, next: ${next.label}, ${next.when}` : ''}`;
}

interface AnswerTerms {
  job: string;
  entry: JobTaskView;
  onAsk: (which: Asked) => void;
}

/** What can be said of it now. */
function Answers({ job, entry, onAsk }: AnswerTerms) {
  const { busy, give } = useSend();
  const { task, piece, label, done, named, booked } = entry;
  if (done)
    return named ? (
      <LinkButton
        disabled={busy}
        onClick={() => void give(settleJobTask, { job, task, by: '' }, { text: `${label} is open again.` })}
      >
        Open again<Hidden>: {label}</Hidden>
      </LinkButton>
    ) : null;
  return (
    <span className="text-nowrap">
      {task === 'final-inspection' &&
        (booked ? (
          <LinkButton
            className="me-2"
            disabled={busy}
            onClick={() => void give(dropPin, { task: piece }, { text: 'No day is booked any more.' })}
          >
            Cancelled<Hidden>: {label}</Hidden>
          </LinkButton>
        ) : (
          <LinkButton className="me-2" onClick={() => onAsk('booked')}>
            Booked…<Hidden>: {label}</Hidden>
          </LinkButton>
        ))}
      <LinkButton onClick={() => onAsk('done')}>
        Done…<Hidden>: {label}</Hidden>
      </LinkButton>
    </span>
  );
}

const Cancel = ({ onDone }: { onDone: () => void }) => (
  <Button size="sm" variant="link" onClick={onDone}>
    Cancel
  </Button>
);

function DoneForm({ view, entry, onDone }: { view: SequenceView; entry: JobTaskView; onDone: () => void }) {
  const { task } = entry;
  return (
    <CommandForm
      kind={settleJobTask}
      about={task}
      className="mt-1"
      submit="Save"
      beside={<Cancel onDone={onDone} />}
      start={() => ({ job: view.job.id, task, by: '', day: view.today })}
      onDone={onDone}
    >
      <TextField name="by" label={task === 'final-inspection' ? 'Who passed it' : 'Who did it'} />
      <TextField name="day" label="On" type="date" />
    </CommandForm>
  );
}

/** The day that was made with the office: it is held in the plan, or refused with what keeps it from there. */
const BookForm = ({ entry, onDone }: { entry: JobTaskView; onDone: () => void }) => (
  <CommandForm
    kind={setPin}
    about={entry.task}
    className="mt-1"
    submit="Save"
    beside={<Cancel onDone={onDone} />}
    start={() => ({ task: entry.piece, day: entry.day, half: entry.half, reason: '' })}
    onDone={onDone}
  >
    <DayAndHalf label="Booked for" />
    <TextField name="reason" label="With whom" hint="like “the building office, Inspector Lund”" />
  </CommandForm>
);

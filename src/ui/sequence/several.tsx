'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { giveToOthers, MOST_STEPS, tickSteps, untickSteps } from '@/contract/commands/schedule';
import { giveVisits } from '@/contract/commands/visits';
import type { SequenceView, StepView } from '@/contract/views/plan';
import { isPassedByName } from '@/core/sequence/inspections';
import type { Phase } from '@/core/sequence/phases';
import { TRADES } from '@/core/sequence/trades';
import { counted } from '@/core/words/count';
import { CommandForm, TextField } from '../kit/form';
import { SidePanel } from '../kit/side-panel';
import { useToast } from '../kit/toast';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { OthersFields } from './others-fields';

type Tickable = StepView & { area: string; phase: Phase };

/** A step of an area that is done in one piece; what is done in parts is said on a walk, how far. */
const isTickable = (step: StepView): step is Tickable =>
  step.area !== null && step.phase !== null && step.time?.parts.length === 0;

/** Somebody of ours comes for it, and has not begun: what can go to another sub. */
const isVisitToCome = ({ state, trade, time }: StepView): boolean =>
  state === 'waiting' && trade !== 'nobody' && !time?.others;

/** Many steps at once: ticked, then said to be done, or given to whoever comes for them. */
export function Several({ view, steps, office }: { view: SequenceView; steps: readonly StepView[]; office: boolean }) {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [asked, setAsked] = useState<'passed' | 'others'>();
  const { busy, give } = useSend();
  const say = useToast();
  const all = steps.filter(isTickable);
  const chosen = all.filter(({ task }) => ticked.has(task));
  const turn = (task: string, on: boolean): void => {
    const next = new Set(ticked);
    if (on) next.add(task);
    else next.delete(task);
    setTicked(next);
  };
  const over = (): void => {
    setAsked(undefined);
    setTicked(new Set());
  };
  const ends = chosen.map(({ area, phase }) => ({ area, phase }));
  const done = () => ({
    ...{ walk: newId(), job: view.job.id, by: '' },
    steps: ends.map((end) => ({ id: newId(), ...end })),
  });
  const what = counted(chosen.length, 'step');
  const visits = chosen.filter(isVisitToCome);
  const tickAsDone = async (): Promise<void> => {
    if (chosen.some(({ phase }) => isPassedByName(phase))) return setAsked('passed');
    const given = done();
    if (!(await give(tickSteps, given))) return;
    over();
    sayDone(given);
  };
  const sayDone = ({ walk, steps: records }: ReturnType<typeof done>): void => {
    const taken = records.map(({ id, area }) => ({ id: newId(), area, about: id }));
    say({
      text: `${what} down as done.`,
      undo: () => void give(untickSteps, { walk, steps: taken }, { text: `${what} open again.` }),
    });
  };
  const giveTo = async (sub: SequenceView['subs'][number]): Promise<void> => {
    const told = {
      text: `${sub.name} comes for ${counted(visits.length, 'step')}; the plan follows.`,
      back: 'Whoever came before comes again.',
    };
    if (await give(giveVisits, { tasks: visits.map(({ task }) => task), sub: sub.id }, told)) over();
  };
  if (all.length === 0) return <p className="soft">No steps that can be ticked.</p>;
  return (
    <>
      <div className="several" role="group" aria-label="Steps to tick">
        <Form.Check
          id="tick-all"
          className="all"
          label={`All ${all.length > MOST_STEPS ? `of the first ${MOST_STEPS}` : all.length}`}
          checked={chosen.length === Math.min(all.length, MOST_STEPS)}
          onChange={({ target }) =>
            setTicked(new Set(target.checked ? all.slice(0, MOST_STEPS).map(({ task }) => task) : []))
          }
        />
        {all.map((step) => (
          <div key={step.task} className="step">
            <Form.Check
              id={`tick-${step.task}`}
              checked={ticked.has(step.task)}
              onChange={({ target }) => turn(step.task, target.checked)}
              label={
                <>
                  <span className="fw-bold">{step.short}</span> {step.place}{' '}
                  <span className="soft">{TRADES[step.trade].toLowerCase()}</span>
                </>
              }
            />
            <span className="when soft">{step.days}</span>
          </div>
        ))}
      </div>
      {chosen.length > 0 && (
        <div className="several-foot actions no-print" role="group" aria-label={`${what} ticked`}>
          <span className="fw-bold">{what}</span>
          <Button disabled={busy} onClick={() => void tickAsDone()}>
            Done
          </Button>
          {office && <GiveTo view={view} steps={visits} busy={busy} onGive={(sub) => void giveTo(sub)} />}
          <Button variant="outline-secondary" disabled={busy} onClick={() => setAsked('others')}>
            Somebody else does them…
          </Button>
          <Button variant="link" onClick={over}>
            None
          </Button>
        </div>
      )}
      <SidePanel title={what} open={asked !== undefined} onClose={() => setAsked(undefined)}>
        {asked === 'passed' && (
          <CommandForm kind={tickSteps} submit="Done" onDone={over} start={done}>
            <TextField name="by" label="Who passed it" hint="An inspection counts by the name of who looked." />
          </CommandForm>
        )}
        {asked === 'others' && (
          <CommandForm kind={giveToOthers} submit="Save" onDone={over} start={() => ({ steps: ends, who: '' })}>
            <OthersFields />
          </CommandForm>
        )}
      </SidePanel>
    </>
  );
}

/** Subs to whom all of them can go; none where they are of several trades or only one sub does that trade. */
function GiveTo({
  view,
  steps,
  busy,
  onGive,
}: {
  view: SequenceView;
  steps: readonly StepView[];
  busy: boolean;
  onGive: (sub: SequenceView['subs'][number]) => void;
}) {
  const trades = new Set(steps.map(({ trade }) => trade));
  const subs = view.subs.filter((sub) => [...trades].every((trade) => sub.trades.includes(trade)));
  if (trades.size === 0 || subs.length < 2) return null;
  return (
    <Form.Select
      className="mid-field"
      aria-label="Give them to"
      disabled={busy}
      value=""
      onChange={({ target }) => {
        const sub = subs.find(({ id }) => id === target.value);
        if (sub) onGive(sub);
      }}
    >
      <option value="">Give them to …</option>
      {subs.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Form.Select>
  );
}

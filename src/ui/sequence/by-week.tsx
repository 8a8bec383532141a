'use client';
import { More } from '../kit/folded';
import { useState } from 'react';
import type { SequenceView, StepView } from '@/contract/views/plan';
import { groupBy } from '@/core/group-by';
import { counted } from '@/core/words/count';
import { STAGE_KEYS, STAGES } from '@/core/sequence/stages';
import { addDays, formatDay, formatMonth, mondayOf, type Day } from '@/core/units/day';
import { Hidden } from '../kit/hidden';
import { StateIcon } from '../kit/state-icon';

/** Weeks that are told by themselves; what comes later is told by month. */
const BY_WEEK = 6;

interface Span {
  key: string;
  label: string;
  steps: StepView[];
}

/** The weeks in which something begins, the near ones each, the far ones by month. */
function spansOf(steps: readonly StepView[], today: Day): Span[] {
  const first = mondayOf(today);
  const far = addDays(first, 7 * BY_WEEK);
  const key = (step: StepView): string => {
    const week = mondayOf(step.day < today ? today : step.day);
    return week < far ? week : week.slice(0, 7);
  };
  // Steps come in the order of their days, and so do the weeks.
  return [...groupBy(steps, key)].map(([at, list]) => ({ key: at, label: labelOf(at, first), steps: list }));
}

function labelOf(key: string, first: Day): string {
  if (key === first) return 'This week';
  if (key === addDays(first, 7)) return 'Next week';
  if (key.length === 7)
    return `${addDays(first, 7 * BY_WEEK).startsWith(key) ? 'rest of ' : ''}${formatMonth(`${key}-01`)}`;
  return `from ${formatDay(key)}`;
}

/** The order of the house: stages across, weeks down; this week open, later ones a line until one asks. */
export function ByWeek({ view, onStep }: { view: SequenceView; onStep: (task: string) => void }) {
  const spans = spansOf(view.steps, view.today);
  const [open, setOpen] = useState<readonly string[]>(() => spans.slice(0, 1).map(({ key }) => key));
  const turn = (key: string): void =>
    setOpen(open.includes(key) ? open.filter((other) => other !== key) : [...open, key]);
  return (
    <div className="by-week" role="table" aria-label="The order of the house by week">
      <div className="heads" role="row">
        <span role="columnheader">
          <Hidden>Week</Hidden>
        </span>
        {STAGE_KEYS.map((stage) => {
          const { done, of } = view.stages[stage];
          return (
            <span key={stage} role="columnheader">
              <span className="fw-bold">{STAGES[stage]}</span>{' '}
              <span className="soft small-text">
                {done} of {of}
              </span>
              <span className="level" style={{ '--done': `${of === 0 ? 0 : (100 * done) / of}%` } as never} />
            </span>
          );
        })}
      </div>
      {spans.map((span) => (
        <Week key={span.key} span={span} open={open.includes(span.key)} onTurn={() => turn(span.key)} onStep={onStep} />
      ))}
    </div>
  );
}

function Week({
  span: { key, label, steps },
  open,
  onTurn,
  onStep,
}: {
  span: Span;
  open: boolean;
  onTurn: () => void;
  onStep: (task: string) => void;
}) {
  const byStage = groupBy(steps, (step) => step.stage);
  return (
    <div className={`week ${open ? 'open' : ''}`} role="row" id={`week-${key}`}>
      <span role="rowheader">
        <button type="button" className="turn" aria-expanded={open} onClick={onTurn}>
          {label}
        </button>
        <span className="how-many soft small-text">{counted(steps.length, 'step')}</span>
      </span>
      {STAGE_KEYS.map((stage) => (
        <span key={stage} role="cell" className="cell" data-stage={STAGES[stage]}>
          {open ? (
            <Entries steps={byStage.get(stage) ?? []} onStep={onStep} />
          ) : (
            <Summary steps={byStage.get(stage) ?? []} />
          )}
        </span>
      ))}
    </div>
  );
}

/** Steps of one stage in one week that are shown before one asks for more: those that begin first. */
const SHOWN = 3;

function Entries({ steps, onStep }: { steps: readonly StepView[]; onStep: (task: string) => void }) {
  const drawn = (step: StepView) => <Entry key={step.task} step={step} onStep={onStep} />;
  // One more is no longer than the words that would stand in its place.
  const shown = steps.length === SHOWN + 1 ? SHOWN + 1 : SHOWN;
  return (
    <>
      {steps.slice(0, shown).map(drawn)}
      {steps.length > shown && <More words={`${steps.length - shown} more`}>{steps.slice(shown).map(drawn)}</More>}
    </>
  );
}

/** How many, and in which rooms, in a line. */
function Summary({ steps }: { steps: readonly StepView[] }) {
  if (steps.length === 0) return null;
  const places = [...new Set(steps.map((step) => step.place).filter(Boolean))];
  return (
    <span className="small-text">
      <span className="fw-bold">{steps.length}</span> {places.slice(0, 2).join(', ')}
      {places.length > 2 && ` +${places.length - 2}`}
    </span>
  );
}

function Entry({ step, onStep }: { step: StepView; onStep: (task: string) => void }) {
  return (
    <div className="entry">
      <StateIcon
        kind={step.state === 'under-way' ? 'under-way' : step.trade === 'nobody' ? 'will-stop' : 'not-begun'}
      />
      <span>
        {step.time ? (
          <button type="button" className="name" onClick={() => onStep(step.task)}>
            <span className="fw-bold">{step.short}</span> {step.place}
          </button>
        ) : (
          <span>
            <span className="fw-bold">{step.short}</span> {step.place}
          </span>
        )}{' '}
        {step.because && (
          <details className="because in-line">
            <summary className="soft">why</summary>
            {step.because}
          </details>
        )}
      </span>
      <span className="when">{step.days}</span>
    </div>
  );
}

/** What carries the end of the job, from now to the end. */
export function Carrying({ view }: { view: SequenceView }) {
  const { carrying } = view;
  if (!carrying || carrying.steps.length === 0) return null;
  return (
    <div className="carrying">
      <p className="mb-1">
        <span className={carrying.late ? 'bad fw-bold' : 'fw-bold'}>{carrying.end}</span>{' '}
        {carrying.first && <span>{carrying.first}</span>}
      </p>
      <ol aria-label="What carries the end">
        {carrying.steps.map((step) => (
          <li key={step.task} style={{ flexGrow: Math.max(1, step.days) }}>
            <span className="fw-bold">{step.label}</span> <span className="soft">{step.when}</span>
          </li>
        ))}
      </ol>
    </div>
  );
}

'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useMemo, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { BenchView } from '@/contract/views/layout';
import type { CalculationView } from '@/contract/views/scope';
import { MEASURES, type Measure } from '@/core/layout/measures';
import { GROUPS, type AnyCalculator } from '@/core/quantities/calculator';
import { calculatorNamed } from '@/core/quantities/registry';
import type { Ask } from '@/core/quantities/ask';
import { typedAmount } from '@/core/quantities/units';
import { emptyNamed, readTyped, writeTyped, type TypedInput } from '@/core/quantities/typed';
import { feedsFor, recalculate, usualFeeds } from '@/core/scope/feed';
import { doubtsOf } from '@/core/quantities/doubts';
import { sayResult } from '@/core/quantities/say';
import { give } from '@/core/quantities/ask';
import type { LengthSystem } from '@/core/units/length';
import { SidePanel } from '../kit/side-panel';
import { AskFields } from './ask-fields';
import { KeepForm } from './keep-form';
import { HowComputed, Results } from './results';
import type { Problem } from '@/core/problem';
import { capital } from '@/core/words/letters';
import { Hidden } from '../kit/hidden';
import { PageHead } from '../kit/page';
import { Sheet } from '../kit/sheet';

type Area = BenchView['jobs'][number]['areas'][number] & { job: string; jobName: string; units: LengthSystem };

export const areasOfBench = (view: BenchView): Area[] =>
  view.jobs.flatMap((job) => job.areas.map((area) => ({ ...area, job: job.id, jobName: job.name, units: job.units })));

/** One calculator: typed in, answered at once, opened, and kept in an area if it is wanted there. */
export function CalculatorPage({
  name,
  view,
  area: startArea,
  kept,
}: {
  name: string;
  view: BenchView;
  area: string | undefined;
  kept: CalculationView | undefined;
}) {
  const calculator = calculatorNamed(name);
  return calculator ? <Calculating calculator={calculator} view={view} startArea={startArea} kept={kept} /> : null;
}

const feedsIn = (calculator: AnyCalculator, area: Area | undefined): Record<string, Measure> =>
  area ? usualFeeds(calculator.asks, area.measures) : {};

/** What comes out of what is typed and drawn: an answer, or what is missing; and what can hardly be meant. */
function answered(
  calculator: AnyCalculator,
  values: TypedInput,
  fed: Record<string, Measure>,
  area: Area | undefined,
  system: LengthSystem,
) {
  const typed = readTyped(calculator.asks, values, system);
  const outcome =
    area && Object.keys(fed).length > 0
      ? recalculate({ calculator: calculator.name, input: typed.input, fed }, area.measures, system)
      : calculator.run(typed.input, system);
  // What the drawing gives need not be typed.
  const unread = typed.problem && !((typed.problem.field?.split(/[.[]/)[0] ?? '') in fed) ? typed.problem : undefined;
  const problem = unread ?? (outcome.ok ? undefined : outcome.problem);
  const shownInput =
    outcome.ok && 'output' in outcome.value ? (outcome.value.input as Record<string, unknown>) : typed.input;
  const output = outcome.ok
    ? 'output' in outcome.value && 'purchases' in outcome.value
      ? (outcome.value.output as Record<string, unknown>)
      : outcome.value
    : undefined;
  const doubts = output ? doubtsOf(calculator.asks, withoutFed(shownInput, fed), area?.measures ?? {}, system) : [];
  return { typed, problem, shownInput, output, doubts };
}

function Calculating({
  calculator,
  view,
  startArea,
  kept,
}: {
  calculator: AnyCalculator;
  view: BenchView;
  startArea: string | undefined;
  kept: CalculationView | undefined;
}) {
  const areas = useMemo(() => areasOfBench(view), [view]);
  const [areaId, setAreaId] = useState(kept?.areaId ?? startArea);
  const area = areas.find((entry) => entry.id === areaId);
  const [system, setSystem] = useState<LengthSystem>(area?.units ?? 'metric');
  const [values, setValues] = useState<TypedInput>(() =>
    // In an area of a job nothing stands that nobody has typed or drawn; elsewhere the example shows how it is meant.
    area && !kept
      ? emptyNamed(calculator.asks)
      : writeTyped(calculator.asks, kept?.input ?? calculator.example, area?.units ?? 'metric'),
  );
  const [fed, setFed] = useState<Record<string, Measure>>(() => kept?.fed ?? feedsIn(calculator, area));
  const [keeping, setKeeping] = useState(false);

  const { typed, problem, shownInput, output, doubts } = answered(calculator, values, fed, area, system);

  const rewrite = (next: LengthSystem): void => {
    setSystem(next);
    if (!typed.problem) setValues(writeTyped(calculator.asks, typed.input, next));
  };
  const enter = (id: string): void => {
    setAreaId(id === '' ? undefined : id);
    const next = areas.find((entry) => entry.id === id);
    setFed(feedsIn(calculator, next));
    if (next && next.units !== system) rewrite(next.units);
  };
  const feed = (name: string): React.ReactNode => {
    const choices = feedsFor(calculator.asks, name).filter((measure) => area && measure in area.measures);
    if (!area || choices.length === 0) return null;
    return (
      <label className="feed small-text">
        <Hidden>{calculator.asks[name]?.label} comes from </Hidden>
        <select
          value={fed[name] ?? ''}
          onChange={(event) =>
            setFed((now) => {
              const { [name]: _, ...rest } = now;
              return event.target.value ? { ...rest, [name]: event.target.value as Measure } : rest;
            })
          }
        >
          <option value="">as typed above</option>
          {choices.map((measure) => (
            <option key={measure} value={measure}>
              from the drawing: {MEASURES[measure].label}
              {measureText(measure, area.measures[measure], area.units)}
            </option>
          ))}
        </select>
      </label>
    );
  };
  return (
    <div className="page">
      <p className="mb-1 small-text">
        <Link href={routes.bench()} className="soft">
          Bench
        </Link>{' '}
        <span className="soft">· {GROUPS[calculator.group]}</span>
      </p>
      <DrawingFed calculator={calculator} areaId={areaId} enter={enter} view={view} system={system} rewrite={rewrite} />
      <div className="bench">
        <SizesFromDrawing
          calculator={calculator}
          values={values}
          problem={problem}
          feed={feed}
          fed={fed}
          area={area}
          setValues={setValues}
          system={system}
          setFed={setFed}
        />
        <AnswerBlock
          output={output}
          calculator={calculator}
          shownInput={shownInput}
          system={system}
          problem={problem}
          setKeeping={setKeeping}
          kept={kept}
          doubts={doubts}
        />
      </div>
      <KeepPanel
        kept={kept}
        keeping={keeping}
        setKeeping={setKeeping}
        calculator={calculator}
        typed={typed}
        area={area}
        fed={fed}
        areas={areas}
      />
    </div>
  );
}

/** What was typed: what the drawing gives is not doubted against itself. */
const withoutFed = (input: Record<string, unknown>, fed: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(input).filter(([name]) => !(name in fed)));

/** Sizes as typed, or as drawn. */
function SizesFromDrawing({
  calculator,
  values,
  problem,
  feed,
  fed,
  area,
  setValues,
  system,
  setFed,
}: {
  calculator: AnyCalculator;
  values: TypedInput;
  problem: Problem | undefined;
  feed: (name: string) => React.ReactNode;
  fed: Record<string, Measure | 'riseIn12'>;
  area: Area | undefined;
  setValues: (next: TypedInput) => void;
  system: LengthSystem;
  setFed: (next: Record<string, Measure | 'riseIn12'>) => void;
}) {
  return (
    <section aria-label="What goes in">
      <AskFields
        asks={calculator.asks}
        system={system}
        values={values}
        problem={problem}
        fed={feed}
        given={(name) =>
          name in fed && area
            ? givenText(area.measures[fed[name] as Measure], calculator.asks[name], area.units)
            : undefined
        }
        onChange={setValues}
      />
      <div className="actions mt-3 no-print">
        <Button
          size="sm"
          variant="link"
          className="px-0"
          onClick={() => {
            setValues(writeTyped(calculator.asks, calculator.example, system));
            setFed({});
          }}
        >
          An example
        </Button>
        <Button size="sm" variant="link" onClick={() => setValues(emptyNamed(calculator.asks))}>
          Empty
        </Button>
      </div>
    </section>
  );
}

/** The area whose drawing feeds it. */
function DrawingFed({
  calculator,
  areaId,
  enter,
  view,
  system,
  rewrite,
}: {
  calculator: AnyCalculator;
  areaId: string | undefined;
  enter: (id: string) => void;
  view: BenchView;
  system: LengthSystem;
  rewrite: (next: LengthSystem) => void;
}) {
  return (
    <PageHead heading={calculator.title}>
      <span className="soft">{calculator.answers}</span>
      <span className="push actions no-print">
        <label className="d-flex align-items-center gap-2 small-text">
          for
          <select
            className="form-select form-select-sm long-field"
            aria-label="For which area"
            value={areaId ?? ''}
            onChange={(event) => enter(event.target.value)}
          >
            <option value="">no area, just to know</option>
            {view.jobs.map((job) => (
              <optgroup key={job.id} label={job.name}>
                {job.areas.map((entry) => (
                  <option key={entry.id} value={entry.id}>
                    {entry.name}
                  </option>
                ))}
              </optgroup>
            ))}
          </select>
        </label>
        <span role="group" aria-label="Lengths in" className="chips">
          {(['metric', 'imperial'] as const).map((entry) => (
            <button
              key={entry}
              type="button"
              className="chip"
              aria-pressed={system === entry}
              onClick={() => rewrite(entry)}
            >
              {entry === 'metric' ? 'mm' : 'feet and inches'}
            </button>
          ))}
        </span>
      </span>
    </PageHead>
  );
}

/** Keeping the calculation with an area. */
function KeepPanel({
  kept,
  keeping,
  setKeeping,
  calculator,
  typed,
  area,
  fed,
  areas,
}: {
  kept: CalculationView | undefined;
  keeping: boolean;
  setKeeping: (next: boolean) => void;
  calculator: AnyCalculator;
  typed: { input: Record<string, unknown>; problem?: Problem };
  area: Area | undefined;
  fed: Record<string, Measure | 'riseIn12'>;
  areas: Area[];
}) {
  return (
    <SidePanel
      title={kept ? 'Change what is kept' : 'Keep this result'}
      open={keeping}
      onClose={() => setKeeping(false)}
    >
      {keeping && (
        <KeepForm
          calculator={calculator}
          input={typed.input}
          fed={area ? fed : {}}
          areas={areas}
          area={area?.id}
          kept={kept}
          onDone={() => setKeeping(false)}
        />
      )}
    </SidePanel>
  );
}

/** What comes out, and how. */
function AnswerBlock({
  output,
  calculator,
  shownInput,
  system,
  problem,
  setKeeping,
  kept,
  doubts,
}: {
  output: Record<string, unknown> | undefined;
  calculator: AnyCalculator;
  shownInput: Record<string, unknown>;
  system: LengthSystem;
  problem: Problem | undefined;
  setKeeping: (next: boolean) => void;
  kept: CalculationView | undefined;
  /** What can hardly be meant; it is not kept before somebody says that it is. */
  doubts: readonly string[];
}) {
  const asked = doubts.join('\n');
  const [meant, setMeant] = useState('');
  return (
    <Sheet aria-label="What comes out">
      {doubts.length > 0 && (
        <div className="notice soon" role="status">
          <div>
            {doubts.map((doubt) => (
              <p key={doubt} className="mb-1">
                {capital(doubt)}
              </p>
            ))}
            <Form.Check
              id="doubt-meant"
              label="It is meant"
              checked={meant === asked}
              onChange={(event) => setMeant(event.target.checked ? asked : '')}
            />
          </div>
        </div>
      )}
      {output ? (
        <Results calculator={calculator} input={shownInput} output={output} system={system} />
      ) : (
        <p className="mb-0" role="status">
          <span className="soft">No answer yet.</span>{' '}
          {problem && !problem.field
            ? problem.message
            : 'Something is missing or cannot be read; it is said beside its field.'}
        </p>
      )}
      <HowComputed calculator={calculator} input={shownInput} system={system} />
      {calculator.decides && <p className="small-text mt-3 mb-0">{calculator.decides}</p>}
      <div className="actions mt-3 no-print">
        <Button disabled={!output || (doubts.length > 0 && meant !== asked)} onClick={() => setKeeping(true)}>
          {kept ? 'Save the change' : 'Save in an area'}
        </Button>
      </div>
    </Sheet>
  );
}

/** What the drawing gives, in place of a field to type in. */
function givenText(value: unknown, ask: Ask<unknown> | undefined, system: LengthSystem): string {
  if (Array.isArray(value)) return `${value.length} from the drawing`;
  return typeof value === 'number'
    ? ask?.kind === 'length'
      ? sayResult(give('length', ''), value, system)
      : String(Math.round(100 * Number(typedAmount(value, ask?.unit ?? '', system))) / 100)
    : '';
}

function measureText(measure: Measure, value: unknown, system: LengthSystem): string {
  if (typeof value !== 'number') return '';
  const dimension = MEASURES[measure].dimension;
  return `, ${sayResult(give(dimension === 'area' ? 'area' : dimension === 'length' ? 'length' : 'number', ''), value, system)}`;
}

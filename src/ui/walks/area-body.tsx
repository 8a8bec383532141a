'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { coveredUnseen, isPassedByName } from '@/core/sequence/inspections';
import { phaseFacts } from '@/core/sequence/phases';
import { StateIcon } from '../kit/state-icon';
import type { WalkArea } from '@/contract/views/walk';
import type { WalkKind } from '@/core/walks/observation';
import { SELECTION_VERDICTS, type SelectionVerdict } from '@/core/walks/observation';
import { BRIEF_PART_KEYS, BRIEF_PARTS, isEmptyBrief, type Brief, type SiteChoice } from '@/core/scope/brief';
import { orderWords } from '@/core/selections/states';
import { TRADES } from '@/core/sequence/trades';
import { formatLength } from '@/core/units/length';
import { WordForm } from '../kit/word-form';
import { BriefLines } from '../scope/brief';
import { Checks } from './checks';
import { OpenItems } from './open-items';
import { PassStep } from './pass-step';
import { PullBar } from './pull-bar';
import { RecordedLines } from './recorded-lines';
import { Standpoints } from './standpoints';
import { VisitHere } from './visit-here';
import type { Walking } from './use-walk';
import { Hidden } from '../kit/hidden';
import { FoldedBlock } from '../kit/page';
import { counted } from '@/core/words/count';

export interface Terms {
  area: WalkArea;
  walking: Walking;
  /** Opens the camera, for a standpoint where one is given. */
  onPicture: (standpoint?: string) => void;
}

type Section =
  | 'open'
  | 'checks'
  | 'assumptions'
  | 'extras'
  | 'steps'
  | 'selections'
  | 'scope'
  | 'drawn'
  | 'standpoints'
  | 'recorded';

/** What each kind of walk asks first; the rest follows. */
const ORDER: Record<WalkKind, readonly Section[]> = {
  scope: ['scope', 'open', 'standpoints', 'recorded', 'selections'],
  layout: ['drawn', 'open', 'assumptions', 'recorded', 'standpoints'],
  progress: ['scope', 'open', 'assumptions', 'extras', 'steps', 'checks', 'selections', 'standpoints', 'recorded'],
  'close-in': ['scope', 'checks', 'open', 'assumptions', 'standpoints', 'recorded', 'steps', 'selections'],
  completion: ['open', 'selections', 'extras', 'standpoints', 'recorded', 'steps', 'scope'],
};

/** One area in the hand, in the order in which this kind of walk asks. */
export function AreaBody({ kind, ...terms }: Terms & { kind: WalkKind }) {
  const { area, walking } = terms;
  const draw: Record<Section, React.ReactNode> = {
    open: <OpenItems {...terms} kind={kind} />,
    checks:
      kind === 'close-in' && area.checks.length === 0 ? (
        <p className="soft mt-3">No walls are closed in the work agreed here.</p>
      ) : area.checks.length > 0 &&
        (kind === 'close-in' || area.checks.some((line) => line.state !== 'not looked at')) ? (
        <Checks {...terms} />
      ) : null,
    assumptions: area.assumptions.length > 0 && (
      <section>
        <h2>Does it hold?</h2>
        {area.assumptions.map((assumption) => (
          <AssumptionCheck key={assumption.id} one={assumption} walking={walking} />
        ))}
      </section>
    ),
    extras: area.extras.length > 0 && (
      <section>
        <h2>Added work</h2>
        {area.extras.map((extra) => (
          <div key={extra.id} className="check-line d-flex gap-2 align-items-center">
            <span className="flex-fill">
              {extra.text} <span className="soft">· {TRADES[extra.trade].toLowerCase()}</span>
            </span>
            <div className="verdicts mt-0">
              <button
                type="button"
                aria-pressed={extra.done}
                disabled={extra.done}
                onClick={() => walking.finishExtra(extra.id)}
              >
                done<Hidden>: {extra.text}</Hidden>
              </button>
            </div>
          </div>
        ))}
      </section>
    ),
    steps: <Steps key={area.id} {...terms} />,
    selections: area.selections.length > 0 && <ChosenHere {...terms} folded={kind === 'scope'} />,
    scope:
      kind === 'scope' ? (
        <VisitHere
          area={area}
          walking={walking}
          choose={(choice) => <ChooseHere choice={choice} walking={walking} />}
        />
      ) : (
        <AgreedHere area={area} walking={walking} />
      ),
    drawn: (
      <section>
        <h2>What is drawn</h2>
        {area.drawn.length === 0 && (
          <p className="soft mt-2 mb-0">
            This area is not drawn. Sizes are kept free, and can be drawn from at the desk.
          </p>
        )}
        {area.drawn.map((entry) => (
          <div key={entry.label} className="check-line d-flex">
            <span className="flex-fill">{entry.label}</span>
            <span className="mono">{formatLength(entry.mm, walking.pack.job.units)}</span>
          </div>
        ))}
      </section>
    ),
    standpoints: <Standpoints {...terms} />,
    recorded: area.recorded.length > 0 && <RecordedLines {...terms} folded={kind === 'scope'} />,
  };
  return (
    <>
      {area.accepted && <p className="notice mt-3 mb-0">{area.accepted} has accepted this room.</p>}
      {ORDER[kind].map((section) => (
        <div key={section}>{draw[section]}</div>
      ))}
      <p className="keys soft small-text mt-4">
        Keys: ← → areas · ↑ ↓ steps · 0 to 9 tenths, End done · n line · t tell · p picture · m measure · Enter next
        area
      </p>
    </>
  );
}

/** What is agreed here: what stays live and what is still to be decided is in sight, and the rest folds away. */
function AgreedHere({ area, walking }: Pick<Terms, 'area' | 'walking'>) {
  const { brief } = area;
  const lines = BRIEF_PART_KEYS.reduce((sum, part) => sum + brief.parts[part].length, 0);
  const choose = (choice: SiteChoice) => <ChooseHere choice={choice} walking={walking} />;
  if (isEmptyBrief(brief)) return null;
  const first: Brief = { parts: { ...NOTHING_TOLD, live: brief.parts.live }, choices: brief.choices };
  return (
    <section>
      <h2>What is agreed here</h2>
      <BriefLines brief={first} choose={choose} />
      {lines > brief.parts.live.length && (
        <details className="brief-room">
          <summary>{briefCounts(brief)}</summary>
          <BriefLines brief={{ parts: { ...brief.parts, live: [] }, choices: [] }} />
        </details>
      )}
    </section>
  );
}

const NOTHING_TOLD: Brief['parts'] = { live: [], out: [], leave: [], protect: [], refit: [], work: [], found: [] };

/** What is folded away, counted: “3 not included, 1 protect, 12 to do”. */
const briefCounts = ({ parts }: Brief): string =>
  BRIEF_PART_KEYS.filter((part) => part !== 'live' && parts[part].length > 0)
    .map((part) => `${parts[part].length} ${BRIEF_PARTS[part].toLowerCase()}`)
    .join(' · ');

/** A choice left to the site: one tap for a way that was named, or a word for another. */
function ChooseHere({ choice, walking }: { choice: SiteChoice; walking: Walking }) {
  const [other, setOther] = useState(false);
  const put = (answer: string): void => {
    setOther(false);
    walking.choose(choice.id, answer);
  };
  return (
    <div role="group" aria-label={choice.subject}>
      <div className="verdicts">
        {choice.options.map((option) => (
          <button key={option} type="button" aria-pressed={choice.answer === option} onClick={() => put(option)}>
            {option}
          </button>
        ))}
        <button type="button" aria-expanded={other} onClick={() => setOther(true)}>
          another way
        </button>
      </div>
      {other && (
        <WordForm
          focus
          label={`How it is done: ${choice.subject}`}
          placeholder="How is it done?"
          submit="Save"
          most={200}
          missing="Say how it is done."
          onKeep={put}
        />
      )}
    </div>
  );
}

/** What was believed when it was priced: one tap where it holds, a word where it does not. */
function AssumptionCheck({ one, walking }: { one: WalkArea['assumptions'][number]; walking: Walking }) {
  const [asking, setAsking] = useState(false);
  return (
    <div className="check-line" role="group" aria-label={one.text}>
      <div>we assumed that {one.text}</div>
      <div className="small-text soft">
        shown by: {one.shownBy}. If not: {one.fallback}
      </div>
      <div className="verdicts">
        <button
          type="button"
          aria-pressed={one.state === 'held'}
          onClick={() => {
            setAsking(false);
            walking.settle(one.id, 'held', '');
          }}
        >
          it holds
        </button>
        <button
          type="button"
          aria-pressed={one.state === 'wrong'}
          aria-expanded={asking}
          onClick={() => setAsking(true)}
        >
          it is wrong
        </button>
      </div>
      {asking && (
        <WordForm
          focus
          label={`What was found instead of: ${one.text}`}
          placeholder="What was found?"
          submit="Save"
          most={300}
          onKeep={(found) => {
            walking.settle(one.id, 'wrong', found);
            setAsking(false);
          }}
        />
      )}
    </div>
  );
}

/** Steps above the front that are in sight; what is long done or far off folds away. */
const IN_SIGHT = 4;

function Steps({ area, walking }: Terms) {
  const [all, setAll] = useState(false);
  // What is in sight is settled when the area is entered: a step that is set to done must not vanish under the thumb.
  const [shown] = useState(() => {
    const front = area.steps.findIndex((step) => step.fraction < 1);
    return new Set(
      area.steps
        .filter(
          (step, index) =>
            (step.fraction > 0 && step.fraction < 1) || (front !== -1 && index >= front && index < front + IN_SIGHT),
        )
        .map((step) => step.phase),
    );
  });
  if (area.steps.length === 0)
    return <p className="soft mt-3">No work is agreed here; look for damage and protection.</p>;
  const steps = all ? area.steps : area.steps.filter((step) => shown.has(step.phase));
  const done = area.steps.filter((step) => step.fraction >= 1).length;
  return (
    <section>
      <h2>
        How far · {done} of {area.steps.length} done
      </h2>
      {coveredUnseen(area.steps).map(({ looked, cover }) => (
        <p key={`${looked} ${cover}`} className="bad stop-line" role="alert">
          <StateIcon kind="stop" /> Stop: {phaseFacts(cover).label} was begun, and nobody has passed{' '}
          {phaseFacts(looked).label}. Cover no more until it is looked at.
        </p>
      ))}
      {steps.map((step) =>
        step.phase === 'close-in' && !area.closed ? (
          <CheckStep key={step.phase} area={area} />
        ) : isPassedByName(step.phase) ? (
          <PassStep key={step.phase} step={step} area={area} walking={walking} />
        ) : (
          <PullBar
            key={step.phase}
            step={step}
            onSet={(fraction) =>
              walking.record(
                { kind: 'progress', area: area.id, phase: step.phase, fraction },
                `${step.label}: ${fraction >= 1 ? 'done' : `${Math.round(fraction * 100)} %`}`,
              )
            }
          />
        ),
      )}
      {steps.length < area.steps.length && (
        <button type="button" className="more-steps" onClick={() => setAll(true)}>
          Show all {area.steps.length} steps
        </button>
      )}
    </section>
  );
}

/** What was chosen for here, to be held against what stands; on a first visit nothing stands yet. */
function ChosenHere({ area, walking, folded }: Terms & { folded: boolean }) {
  const lines = area.selections.map((item) => (
    <SelectionCheck key={item.id} item={item} area={area} walking={walking} />
  ));
  return folded ? (
    <FoldedBlock heading="Is it what was chosen?" says={counted(lines.length, 'choice')}>
      {lines}
    </FoldedBlock>
  ) : (
    <section>
      <h2>Is it what was chosen?</h2>
      {lines}
    </section>
  );
}

/** The check before covering is done by its lines, never by a pull. */
function CheckStep({ area }: { area: WalkArea }) {
  const settled = area.checks.filter((line) => line.state === 'right' || line.state === 'not here').length;
  return (
    <div className="check-line d-flex">
      <span className="flex-fill">check before cover</span>
      <span className="soft">
        {settled} of {area.checks.length} lines settled
      </span>
    </div>
  );
}

/** In how many ways it is not what was chosen. */
const NOT_RIGHT = SELECTION_VERDICTS.filter((verdict) => verdict !== 'right');

/** Held against what was ordered: one tap where it is right; where not, how many, what it came as, and a picture. */
function SelectionCheck({
  item,
  area,
  walking,
}: {
  item: WalkArea['selections'][number];
  area: WalkArea;
  walking: Walking;
}) {
  const [words, setWords] = useState('');
  const [many, setMany] = useState('');
  const [picture, setPicture] = useState<File>();
  const [asking, setAsking] = useState<SelectionVerdict>();
  const open = asking !== undefined;
  const put = (verdict: SelectionVerdict): void => {
    const quantity = Number(many.replace(',', '.'));
    const more =
      verdict === 'right'
        ? {}
        : { ...(words.trim() ? { text: words.trim() } : {}), ...(quantity > 0 ? { quantity } : {}) };
    walking.record(
      { kind: 'selection-check', area: area.id, selection: item.id, verdict, ...more },
      `${item.category}: ${verdict}`,
      verdict === 'right' ? undefined : picture,
    );
    setAsking(undefined);
  };
  return (
    <div className="check-line" role="group" aria-label={item.category}>
      <div className="as-chosen">
        <div>
          <span className="fw-bold">{item.category}</span> {orderWords({ ...item, code: '' })}{' '}
          {item.code && <span className="mono">{item.code}</span>}
          <div className="small-text soft">
            {[item.quantity !== null && `${item.quantity} ${item.unit}`, item.state].filter(Boolean).join(', ')}
          </div>
        </div>
        <button
          type="button"
          className="tick-as-chosen"
          aria-pressed={item.verdict === 'right'}
          onClick={() => put('right')}
        >
          <StateIcon kind={item.verdict === 'right' ? 'done' : 'open'} silent /> as chosen
        </button>
        <button
          type="button"
          className="btn btn-link"
          aria-expanded={open}
          onClick={() => setAsking(open ? undefined : 'wrong')}
        >
          {item.verdict && item.verdict !== 'right' ? item.verdict : 'not so…'}
          <Hidden>: {item.category}</Hidden>
        </button>
      </div>
      {open && (
        <div className="chips mt-2" role="group" aria-label={`What is not right about ${item.category}`}>
          {NOT_RIGHT.map((verdict) => (
            <button
              key={verdict}
              type="button"
              className="chip"
              aria-pressed={asking === verdict}
              onClick={() => setAsking(verdict)}
            >
              {verdict}
            </button>
          ))}
        </div>
      )}
      {asking && (
        <Form
          className="form-lines mt-2"
          onSubmit={(event) => {
            event.preventDefault();
            put(asking);
          }}
        >
          <div className="d-flex gap-2">
            <Form.Control
              className="short-field"
              inputMode="decimal"
              value={many}
              onChange={(event) => setMany(event.target.value)}
              placeholder={item.unit || 'how many'}
              aria-label={`How many of ${item.category} are ${asking}`}
            />
            <Form.Control
              autoFocus
              value={words}
              onChange={(event) => setWords(event.target.value)}
              maxLength={600}
              placeholder={
                asking === 'wrong' ? 'Came as …' : asking === 'missing' ? 'What is missing?' : 'What is damaged?'
              }
              aria-label={`What was found instead of ${item.category}`}
            />
          </div>
          <Form.Control
            type="file"
            accept="image/*"
            capture="environment"
            aria-label={`Picture of ${item.category}`}
            onChange={(event) => setPicture((event.target as HTMLInputElement).files?.[0])}
          />
          <Button type="submit">Save: {asking}</Button>
        </Form>
      )}
    </div>
  );
}

'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { writeRule } from '@/contract/commands/knowledge';
import { addLink, removeLink } from '@/contract/commands/sites';
import type { Role } from '@/contract/command';
import type { SequenceView, StepView } from '@/contract/views/plan';
import { TRADE_KEYS, TRADES } from '@/core/sequence/trades';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { StateIcon } from '../kit/state-icon';
import { PlanProblemNotice } from '../kit/notice';
import { Because, Said } from './because';
import { ByWeek, Carrying } from './by-week';
import { Gates } from './gates';
import { JobTasks } from './job-tasks';
import { Logistics } from './logistics';
import { QuietTimes } from './quiet';
import { Rules } from './rules';
import { Methods } from './methods';
import { Several } from './several';
import { StepSlip } from './step-slip';
import { WorkedDays } from './worked-days';
import { WalkThrough } from './walk-through';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { useFormContext } from 'react-hook-form';
import { timeWords } from './time-words';
import { Hidden } from '../kit/hidden';
import { Empty, FoldedBlock, PageHead } from '../kit/page';
import { counted } from '@/core/words/count';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';

type Step = StepView;

/** Steps shown before one asks for all: the weeks that are looked at. */
const FIRST = 40;

/** Other ways to go about the order than to read it. */
const WAYS = { through: 'Walk through it', tick: 'Tick several' } as const;

/** The job's order as steps to read from the top: when, what, who, and the reason on every link. */
export function Sequence({ view, role }: { view: SequenceView; role: Role }) {
  const [of, setOf] = useState('');
  const [adding, setAdding] = useState(false);
  const [way, setWay] = useState<'read' | 'through' | 'tick'>('read');
  const [all, setAll] = useState(false);
  const [step, setStep] = useState<string>();
  const chosen = view.steps.find((entry) => entry.task === step);
  const steps = view.steps.filter((entry) => of === '' || entry.area === of || `trade:${entry.trade}` === of);
  return (
    <Said value={view.said}>
      <JobTabs job={view.job} />
      <div className="page">
        <PageHead heading="The order of the work">
          <span className="soft">{view.steps.length} steps to go</span>
          <span className="push actions no-print">
            <WhoseOrder view={view} of={of} onChange={setOf} />
            {(['through', 'tick'] as const).map((other) => (
              <Button
                key={other}
                variant="outline-secondary"
                aria-pressed={way === other}
                onClick={() => setWay(way === other ? 'read' : other)}
                disabled={steps.length === 0}
              >
                {way === other ? 'Read by week' : WAYS[other]}
              </Button>
            ))}
            <Button onClick={() => setAdding(true)} disabled={view.areas.length === 0}>
              Agree an order
            </Button>
          </span>
        </PageHead>
        <PlanProblemNotice problem={view.problem} />
        <Carrying view={view} />
        {way === 'read' && of === '' && view.steps.length > 0 && <ByWeek view={view} onStep={setStep} />}
        <div className="main-and-aside">
          <section>
            {view.steps.length === 0 && (
              <Empty>
                <p className="mb-0">
                  No steps yet. They come from what is to be done in each area:{' '}
                  <Link href={routes.areas(view.job.id)}>set out the areas</Link>.
                </p>
              </Empty>
            )}
            {way === 'through' ? (
              <WalkThrough key={of} steps={steps} onChange={setStep} />
            ) : way === 'tick' ? (
              <Several key={of} view={view} steps={steps} office={role !== 'lead'} />
            ) : of === '' ? (
              <>
                <Logistics view={view} />
                <ReadAll open={all} onOpen={() => setAll(true)} steps={steps} onStep={setStep} />
              </>
            ) : (
              <>
                <ol className="lines">
                  {(all ? steps : steps.slice(0, FIRST)).map((entry) => (
                    <StepLine key={entry.task} step={entry} onChange={() => setStep(entry.task)} />
                  ))}
                </ol>
                {!all && steps.length > FIRST && (
                  <Button className="mt-3" variant="outline-secondary" onClick={() => setAll(true)}>
                    Show the {steps.length - FIRST} later steps too
                  </Button>
                )}
              </>
            )}
          </section>
          <aside>
            <Own view={view} />
            <JobTasks view={view} />
            <Exposures view={view} />
            <Methods view={view} />
            <Gates view={view} />
            <QuietTimes view={view} />
            <WorkedDays view={view} />
            {(way !== 'read' || of !== '') && <Logistics view={view} />}
            <Rules view={view} />
          </aside>
        </div>
        <SidePanel title={chosen?.label ?? ''} open={chosen !== undefined} onClose={() => setStep(undefined)}>
          {chosen && <StepSlip key={chosen.task} step={chosen} onDone={() => setStep(undefined)} />}
        </SidePanel>
        <SidePanel title="Agree an order" open={adding} onClose={() => setAdding(false)}>
          <p className="soft small-text">
            An order of your own on top of the rules. One that would go round in a circle is refused, and says where.
          </p>
          <CommandForm
            kind={addLink}
            submit="Agree"
            onDone={() => setAdding(false)}
            start={() => ({
              id: newId(),
              job: view.job.id,
              before: { area: view.areas[0]?.id ?? '', phase: undefined as never },
              after: { area: view.areas[0]?.id ?? '', phase: undefined as never },
              reason: '',
            })}
          >
            <EndFields view={view} end="before" label="First" />
            <EndFields view={view} end="after" label="Then" />
            <TextField name="reason" label="Because" hint="Said wherever this order decides a date." />
          </CommandForm>
        </SidePanel>
      </div>
    </Said>
  );
}

/** The order of the house, of a room, or of a trade. */
function WhoseOrder({ view, of, onChange }: { view: SequenceView; of: string; onChange: (of: string) => void }) {
  const trades = TRADE_KEYS.filter((trade) => trade !== 'nobody' && view.steps.some((entry) => entry.trade === trade));
  return (
    <Form.Select
      size="sm"
      className="mid-field"
      aria-label="Whose order"
      value={of}
      onChange={(event) => onChange(event.target.value)}
    >
      <option value="">the house</option>
      <optgroup label="a room">
        {view.areas.map((entry) => (
          <option key={entry.id} value={entry.id}>
            {entry.name}
          </option>
        ))}
      </optgroup>
      <optgroup label="a trade">
        {trades.map((trade) => (
          <option key={trade} value={`trade:${trade}`}>
            {TRADES[trade]}
          </option>
        ))}
      </optgroup>
    </Form.Select>
  );
}

/** Every step with all its reasons, made only once somebody asks. */
function ReadAll({
  steps,
  open,
  onOpen,
  onStep,
}: {
  steps: readonly Step[];
  open: boolean;
  onOpen: () => void;
  onStep: (task: string) => void;
}) {
  if (steps.length === 0) return null;
  if (!open)
    return (
      <Button className="mt-3" variant="outline-secondary" onClick={onOpen}>
        Read all {steps.length} steps with their reasons
      </Button>
    );
  return (
    <ol className="lines">
      {steps.map((entry) => (
        <StepLine key={entry.task} step={entry} onChange={() => onStep(entry.task)} />
      ))}
    </ol>
  );
}

function EndFields({ view, end, label }: { view: SequenceView; end: 'before' | 'after'; label: string }) {
  const area = useFormContext().watch(`${end}.area`) as string;
  return (
    <div className="form-pair">
      <SelectField
        name={`${end}.area`}
        label={`${label}, where`}
        options={view.areas.map((entry) => [entry.id, entry.name])}
      />
      <SelectField
        name={`${end}.phase`}
        label={`${label}, what`}
        none="choose"
        options={(view.areas.find((entry) => entry.id === area)?.steps ?? []).map((step) => [step.phase, step.label])}
      />
    </div>
  );
}

function StepLine({ step, onChange }: { step: Step; onChange: () => void }) {
  const open = step.links.filter((link) => !link.done);
  return (
    <Line
      mark={
        <StateIcon
          kind={step.state === 'under-way' ? 'under-way' : step.trade === 'nobody' ? 'will-stop' : 'not-begun'}
        />
      }
      beside={
        <span className="text-end small-text">
          <span className="text-nowrap">{step.when}</span>
          {step.time && (
            <LinkButton className="d-block ms-auto" onClick={onChange}>
              {timeWords(step.time)}
              <Hidden>, change {step.label}</Hidden>
            </LinkButton>
          )}
        </span>
      }
    >
      <span className="fw-bold">{step.phase ? <Means of={`step.${step.phase}`}>{step.label}</Means> : step.label}</span>{' '}
      <span className="soft small-text">{step.trade === 'nobody' ? '' : TRADES[step.trade].toLowerCase()}</span>
      {step.assumptions.map((text) => (
        <div key={text} className="small-text soon">
          will show whether {text}
        </div>
      ))}
      {open.slice(0, 2).map((link) => (
        <Because key={`${link.from}${link.rule}`} link={link} />
      ))}
      <MoreReasons open={open.slice(2)} done={step.links.filter((link) => link.done)} shown={open.length} />
    </Line>
  );
}

/** What else a step comes after; made only once somebody unfolds it. */
function MoreReasons({ open, done, shown }: { open: Step['links']; done: Step['links']; shown: number }) {
  const [unfolded, setUnfolded] = useState(false);
  const count = open.length + done.length;
  if (count === 0) return null;
  return (
    <details className="small-text" onToggle={(event) => setUnfolded(event.currentTarget.open)}>
      <summary className="soft">
        {shown === 0
          ? `after ${count} that ${count === 1 ? 'is' : 'are'} done`
          : `${count} more ${count === 1 ? 'reason' : 'reasons'}`}
      </summary>
      {unfolded && [...open, ...done].map((link) => <Because key={`${link.from}${link.rule}`} link={link} />)}
    </details>
  );
}

function Own({ view }: { view: SequenceView }) {
  const { busy, give } = useSend();
  /** What was agreed once becomes a rule of the firm, which all its jobs then have. */
  const keep = ({ ends, reason }: SequenceView['own'][number]): void =>
    void give(
      writeRule,
      {
        id: newId(),
        before: ends.before.phase,
        after: ends.after.phase,
        within: ends.before.area === ends.after.area ? 'area' : 'beside',
        kind: 'FS',
        lag: 0,
        lagUnit: 'work',
        strength: 'hard',
        reason,
      },
      { text: 'It is a rule of the firm now, in every job; see the rules below.' },
    );
  return (
    <FoldedBlock
      heading="Agreed for this job"
      of="word.agreed-order"
      says={view.own.length === 0 ? 'no order beyond the rules' : counted(view.own.length, 'order')}
    >
      {view.own.length === 0 && <p className="soft mt-2 small-text">No order beyond the rules.</p>}
      <Lines>
        {view.own.map((own) => (
          <Line
            key={own.id}
            small
            beside={
              <>
                <LinkButton className="me-2" disabled={busy} onClick={() => keep(own)}>
                  For all jobs
                  <Hidden>
                    : {own.before} before {own.after}
                  </Hidden>
                </LinkButton>
                <LinkButton
                  disabled={busy}
                  onClick={() =>
                    void give(
                      removeLink,
                      { id: own.id },
                      {
                        text: 'Dropped; the plan follows.',
                        back: 'Agreed again.',
                      },
                    )
                  }
                >
                  Remove
                </LinkButton>
              </>
            }
          >
            <span className="fw-bold">{own.before}</span> before <span className="fw-bold">{own.after}</span>
            <div className="soft">{own.reason}</div>
          </Line>
        ))}
      </Lines>
    </FoldedBlock>
  );
}

function Exposures({ view }: { view: SequenceView }) {
  if (view.exposures.length === 0) return null;
  const over = view.exposures.filter(({ kept }) => !kept);
  return (
    <FoldedBlock
      heading="Time limits"
      of="word.exposure"
      says={
        over.length > 0
          ? `${over.length} not kept, ${view.exposures.length - over.length} kept`
          : `all ${view.exposures.length} kept`
      }
      open={over.length > 0}
    >
      <Lines>
        {(over.length > 0 ? over : view.exposures).map((exposure) => (
          <Line key={exposure.label} mark={<StateIcon kind={exposure.kept ? 'done' : 'hazard'} />} small>
            <span className="fw-bold">{exposure.label}</span>
            <div className={exposure.kept ? 'soft' : 'bad'}>{exposure.text}</div>
          </Line>
        ))}
      </Lines>
    </FoldedBlock>
  );
}

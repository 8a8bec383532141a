'use client';
import { routes } from '@/contract/routes';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { addScope } from '@/contract/commands/scope';
import type { FindingView, ScopeArea, ScopePageView } from '@/contract/views/scope';
import { FINDING_KINDS, type FindingKind } from '@/core/scope/finding';
import { readScopeLine, type ScopeDraft } from '@/core/scope/scope-line';
import { STANCES } from '@/core/sites/area';
import { TRADES } from '@/core/sequence/trades';
import { capital } from '@/core/words/letters';
import { JobTabs } from '../shell/job-tabs';
import { StateIcon } from '../kit/state-icon';
import { SidePanel } from '../kit/side-panel';
import { InclusionIcon } from '../kit/inclusion-icon';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { AreaMaking, type Making } from './area-making';
import { AssumptionForm } from './assumption-form';
import { AssumptionLine } from './assumption-line';
import { EverythingExcept } from './everything-except';
import { DamageFound } from './damage-found';
import { FINDING_ORDER, FindingForm } from './finding-form';
import { ScopeTabs } from './scope-tabs';
import { useRemove } from '../kit/use-remove';
import { Hidden } from '../kit/hidden';
import { BlockHead, Empty, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

type Open =
  | { form: 'finding'; kind: FindingKind; finding?: FindingView }
  | { form: 'everything' }
  | { form: 'assumption' }
  | { form: Making };

/** Once round the job, outside and inside: one area at a time, in lines, with one thumb. */
export function Visit({ view, at }: { view: ScopePageView; at: string | undefined }) {
  const router = useRouter();
  const [open, setOpen] = useState<Open>();
  const number = Math.max(
    0,
    view.areas.findIndex((area) => area.id === at),
  );
  const area = view.areas[number];
  const next = view.areas[number + 1];
  const go = (id: string): void => router.push(routes.firstVisit(view.job.id, id));
  const close = (): void => setOpen(undefined);
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page visit">
        <nav className="visit-areas no-print" aria-label="Areas of this visit">
          <ol>
            {view.areas.map((room) => (
              <li key={room.id}>
                <Link
                  href={routes.firstVisit(view.job.id, room.id)}
                  {...(room.id === area?.id ? { 'aria-current': 'page' as const } : {})}
                >
                  <StateIcon kind={room.lines.length > 0 ? 'done' : 'not-begun'} silent /> <span>{room.name}</span>{' '}
                  <span className="soft small-text">{room.lines.length > 0 ? room.lines.length : ''}</span>
                </Link>
              </li>
            ))}
          </ol>
          <Form.Select
            className="visit-choose"
            aria-label="Area of this visit"
            value={area?.id ?? ''}
            onChange={(event) => go(event.target.value)}
          >
            {view.areas.map((room) => (
              <option key={room.id} value={room.id}>
                {room.name} · {room.lines.length} lines
              </option>
            ))}
          </Form.Select>
          <Button size="sm" variant="outline-secondary" onClick={() => setOpen({ form: 'add' })}>
            Another area
          </Button>
        </nav>
        {!area && (
          <Empty>
            <p>No area yet. Begin with the first outside face as you come up to the house.</p>
            <Button onClick={() => setOpen({ form: 'add' })}>The first area</Button>
          </Empty>
        )}
        {area && (
          <div className="visit-body">
            <PageHead className="mb-2" heading={area.name}>
              <span className="soft">{[area.place, area.side].filter(Boolean).join(', ')}</span>
              <span className="push actions no-print">
                <Link className="btn btn-sm btn-outline-secondary" href={routes.assemblies(view.job.id, area.id)}>
                  Set an assembly
                </Link>
                <Button size="sm" variant="outline-secondary" onClick={() => setOpen({ form: 'copy' })}>
                  Copy
                </Button>
                <Button size="sm" variant="link" className="px-1" onClick={() => setOpen({ form: 'split' })}>
                  Split
                </Button>
              </span>
            </PageHead>
            <LineEntry key={area.id} job={view.job} area={area} />
            <AreaLines view={view} area={area} />
            <BlockHead heading="Found here" />
            <Findings view={view} area={area} onOpen={(kind, finding) => setOpen({ form: 'finding', kind, finding })} />
            <BelievedHere area={area} setOpen={setOpen} view={view} next={next} go={go} />
          </div>
        )}
      </div>
      <VisitPanel open={open} area={area} close={close} view={view} go={go} />
    </>
  );
}

/** A line of the visit, beside the list. */
function VisitPanel({
  open,
  area,
  close,
  view,
  go,
}: {
  open: Open | undefined;
  area: ScopeArea | undefined;
  close: () => void;
  view: ScopePageView;
  go: (id: string) => void;
}) {
  return (
    <SidePanel title={titleOf(open, area)} open={open !== undefined} onClose={close}>
      {open?.form === 'finding' && <FindingPanel open={open} job={view.job.id} area={area} onDone={close} />}
      {open?.form === 'everything' && area && <EverythingExcept job={view.job.id} area={area} onDone={close} />}
      {open?.form === 'assumption' && area && (
        <AssumptionForm job={view.job.id} area={area.id} phases={area.phases} onDone={close} />
      )}
      {(open?.form === 'add' || open?.form === 'copy' || open?.form === 'split') && (
        <AreaMaking
          making={open.form}
          view={view}
          area={area}
          onDone={(id) => {
            close();
            if (id) go(id);
          }}
        />
      )}
    </SidePanel>
  );
}

/** A finding of the area one stands in, or of the whole job. */
const FindingPanel = ({
  open,
  job,
  area,
  onDone,
}: {
  open: Extract<Open, { form: 'finding' }>;
  job: string;
  area: ScopeArea | undefined;
  onDone: () => void;
}) => (
  <FindingForm
    key={open.finding?.id ?? open.kind}
    job={job}
    area={ABOUT_ALL.includes(open.kind) ? null : (area?.id ?? null)}
    kind={open.kind}
    {...(open.finding ? { finding: open.finding } : {})}
    onDone={onDone}
  />
);

/** Assumptions. */
function BelievedHere({
  area,
  setOpen,
  view,
  next,
  go,
}: {
  area: ScopeArea;
  setOpen: (next: Open | undefined) => void;
  view: ScopePageView;
  next: ScopeArea | undefined;
  go: (id: string) => void;
}) {
  return (
    <>
      <BlockHead heading="Assumptions">
        <LinkButton
          className="push no-print"
          disabled={area.phases.length === 0}
          onClick={() => setOpen({ form: 'assumption' })}
        >
          Add assumption
        </LinkButton>
      </BlockHead>
      {area.phases.length === 0 && (
        <p className="soft small-text mt-2 mb-0">
          An assumption shows itself at a step:{' '}
          <Link href={routes.areas(view.job.id)}>choose what is to be done here</Link> first.
        </p>
      )}
      <Lines>
        {view.assumptions
          .filter((assumption) => assumption.areaId === area.id)
          .map((assumption) => (
            <AssumptionLine key={assumption.id} assumption={assumption} today={view.today} />
          ))}
      </Lines>
      <Measured view={view} area={area} next={next} go={go} setOpen={setOpen} />
    </>
  );
}

/** Measured. */
function Measured({
  view,
  area,
  next,
  go,
  setOpen,
}: {
  view: ScopePageView;
  area: ScopeArea;
  next: ScopeArea | undefined;
  go: (id: string) => void;
  setOpen: (next: Open | undefined) => void;
}) {
  return (
    <>
      <BlockHead heading="Measured">
        <Link className="push small-text" href={routes.layout(view.job.id, area.id)}>
          {area.drawn ? 'to the drawing' : 'draw it'}
        </Link>
      </BlockHead>
      <p className="mt-2 mb-0">
        {area.drawn ? (
          area.measures
            .filter(({ measure }) =>
              ['floor', 'wallsNet', 'faceNet', 'roofPlan', 'drainLength', 'height'].includes(measure),
            )
            .map(({ measure, value }) => (
              <span key={measure} className="me-3">
                <span className="soft small-text">
                  {measure === 'wallsNet'
                    ? 'walls'
                    : measure === 'faceNet'
                      ? 'face'
                      : measure === 'roofPlan'
                        ? 'on the plan'
                        : measure === 'drainLength'
                          ? 'length'
                          : measure}
                </span>{' '}
                <span className="mono">{value}</span>
              </span>
            ))
        ) : (
          <span className="soft">Not drawn yet: quantities are as typed.</span>
        )}
        {area.openings > 0 && <span className="soft small-text">{area.openings} openings</span>}
      </p>
      <div className="actions mt-4 no-print">
        {next ? (
          <Button size="lg" onClick={() => go(next.id)}>
            {next.name} →
          </Button>
        ) : (
          <Link className="btn btn-primary btn-lg" href={routes.statement(view.job.id)}>
            To the statement →
          </Link>
        )}
        <Button variant="outline-secondary" onClick={() => setOpen({ form: 'everything' })}>
          Everything here except …
        </Button>
      </div>
    </>
  );
}

/** Of the whole job, wherever one stands when it is seen. */
const ABOUT_ALL: readonly FindingKind[] = ['parking', 'animals', 'approval'];

function titleOf(open: Open | undefined, area: ScopeArea | undefined): string {
  const where = area?.name ?? '';
  switch (open?.form) {
    case 'finding':
      return `${capital(FINDING_KINDS[open.kind].label)}${ABOUT_ALL.includes(open.kind) ? '' : `, ${where}`}`;
    case 'everything':
      return `Everything in ${where} except …`;
    case 'assumption':
      return `Assumption, ${where}`;
    case 'copy':
      return `${where}, copied`;
    case 'split':
      return `Split ${where}`;
    default:
      return 'Another area';
  }
}

/** One line, read while it is typed: what it will be stands beneath it. */
function LineEntry({ job, area }: { job: ScopePageView['job']; area: ScopeArea }) {
  const example = job.units === 'metric' ? 'strip the boards 46 m²' : 'strip the boards 500 sq ft';
  const { give, busy } = useSend();
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const read = text.trim() === '' ? undefined : readScopeLine(text);
  const keep = async (event: React.SubmitEvent): Promise<void> => {
    event.preventDefault();
    setTried(true);
    if (!read?.ok) return;
    if (
      await give(
        addScope,
        { id: newId(), job: job.id, area: area.id, ...read.value },
        { text: `Saved: ${read.value.verb} ${read.value.subject}.` },
      )
    ) {
      setText('');
      setTried(false);
    }
  };
  const unread = read && !read.ok ? read : undefined;
  const wrong = tried && read?.ok !== true;
  return (
    <Form className="line-entry no-print" onSubmit={(event) => void keep(event)}>
      <Form.Group controlId="scope-line">
        <Form.Label className="mb-1">Do what, to what, how much</Form.Label>
        <div className="d-flex gap-2">
          <Form.Control
            size="lg"
            autoComplete="off"
            value={text}
            maxLength={260}
            isInvalid={wrong}
            aria-describedby="scope-line-said"
            placeholder={example}
            onChange={(event) => setText(event.target.value)}
          />
          <Button type="submit" disabled={busy}>
            Save
          </Button>
        </div>
      </Form.Group>
      <div id="scope-line-said" className="small-text mt-1" aria-live="polite">
        {wrong && (
          <span className="bad" role="alert">
            {unread?.problem.message ?? `Say what happens to what, like “${example}”.`}
          </span>
        )}
        {!wrong && read?.ok && <LineRead line={read.value} />}
        {!wrong && !read?.ok && (
          <span className="soft">
            Begin with “not:”, “live:”, “protect:” or “refit:” to say how it stands; end with “if …” where it depends.
          </span>
        )}
      </div>
    </Form>
  );
}

/** A line as it was read: how it stands, what happens to what, how much, on what it depends, whose work it is. */
const LineRead = ({ line }: { line: ScopeDraft }) => (
  <>
    <InclusionIcon stance={line.stance} /> ·{' '}
    {[
      line.verb,
      line.subject,
      line.quantity ? `${line.quantity} ${line.unit ?? ''}` : '',
      line.dependsOn ? `if ${line.dependsOn}` : '',
      line.place ? `${line.stance === 'protect' ? 'with' : 'kept'} ${line.place}` : '',
    ]
      .filter(Boolean)
      .join(' · ')}
    {line.trade ? <span className="soft"> · {TRADES[line.trade].toLowerCase()}</span> : ''}
  </>
);

function AreaLines({ view, area }: { view: ScopePageView; area: ScopeArea }) {
  const remove = useRemove();
  if (area.lines.length === 0)
    return (
      <p className="soft mt-3">
        No scope written for this room yet. Say first what is <em>not</em> included.
      </p>
    );
  return (
    <Lines className="mt-2" aria-label={`Lines of ${area.name}`}>
      {area.lines.map((line) => (
        <Line
          key={line.id}
          mark={
            <span className="small-text stance-first" title={STANCES[line.stance]}>
              <InclusionIcon stance={line.stance} />
            </span>
          }
          beside={
            <LinkButton className="no-print" onClick={() => remove('scope', line.id, `“${line.verb} ${line.subject}”`)}>
              Remove<Hidden> {line.subject}</Hidden>
            </LinkButton>
          }
        >
          {line.verb} {line.subject}
          {line.quantity ? `, ${line.quantity} ${line.unit ?? ''}` : ''}
          {line.dependsOn && <span className="soft small-text"> · depends on {line.dependsOn}</span>}
          {line.selection && (
            <span className="soft small-text">
              {' '}
              · {view.selections.find((selection) => selection.id === line.selection)?.category}
            </span>
          )}
        </Line>
      ))}
    </Lines>
  );
}

function Findings({
  view,
  area,
  onOpen,
}: {
  view: ScopePageView;
  area: ScopeArea;
  /** Opens the form of a kind, empty or with what was written down. */
  onOpen: (kind: FindingKind, finding?: FindingView) => void;
}) {
  const remove = useRemove();
  const found = [...area.findings, ...view.findings];
  return (
    <>
      <div className="no-print">
        {FINDING_ORDER.map(([where, kinds]) => (
          <div key={where} className="chips mt-2" role="group" aria-label={where}>
            {kinds.map((kind) => (
              <button key={kind} type="button" className="chip" onClick={() => onOpen(kind)}>
                {FINDING_KINDS[kind].label}
              </button>
            ))}
          </div>
        ))}
      </div>
      <Lines className="mt-1">
        {found.map((finding) => (
          <Line
            key={finding.id}
            mark={<StateIcon kind={finding.gap ? 'waiting' : 'done'} silent />}
            beside={
              <span className="no-print d-flex gap-2">
                <LinkButton onClick={() => onOpen(finding.kind, finding)}>
                  Change<Hidden> {finding.subject}</Hidden>
                </LinkButton>
                <LinkButton onClick={() => remove('finding', finding.id, `“${finding.subject}”`)}>
                  Remove<Hidden> {finding.subject}</Hidden>
                </LinkButton>
              </span>
            }
          >
            <span className="soft small-text">
              {FINDING_KINDS[finding.kind].label}
              {finding.area === null ? ', whole job' : ''}
            </span>{' '}
            {finding.text} {finding.picture && <span className="soft small-text">· with a picture</span>}
            {finding.gap && <div className="small-text soon">{finding.gap}</div>}
            <DamageFound finding={finding} />
          </Line>
        ))}
      </Lines>
    </>
  );
}

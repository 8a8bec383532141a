'use client';
import { taskRef } from '@/core/sequence/site';
import { counted, daysOf } from '@/core/words/count';
import { BOARD_BY, BOARD_WEEKS, boardCookie, type BoardBy, type BoardWeeks } from '@/contract/board-look';
import { routes, type BoardShown, type Path } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { Button, Form } from 'react-bootstrap';
import type { BoardBlock, ScheduleView } from '@/contract/views/plan';
import { JobTabs } from '../shell/job-tabs';
import { StateIcon } from '../kit/state-icon';
import { PlanProblemNotice } from '../kit/notice';
import { PrintButton } from '../kit/print-button';
import { SidePanel } from '../kit/side-panel';
import { Board } from './board';
import { BoardLegend } from './board-legend';
import { BoardList } from './board-list';
import { Goal } from './goal';
import { MoveForm, type Moved as Dropped } from './move-form';
import { Moved, Unasked } from './moved';
import { useAsked } from './use-asked';
import { Pull } from './pull';
import { Visit } from './visit';
import { Hidden } from '../kit/hidden';
import { Block, Empty, PageHead } from '../kit/page';
import { Means } from '../kit/means';
import { Folded } from '../kit/folded';
import { Line } from '../kit/lines';

/** Who is where on which half-day; one tap on anything says why it stands there. */
export function Schedule({ view }: { view: ScheduleView }) {
  const { job, board, shift } = view;
  const router = useRouter();
  // What is open has an address: it can be sent, and Back closes it.
  const chosen = useAsked('task');
  const [moved, setMoved] = useState<Dropped>();
  const choose = (task: string | undefined): void => {
    setMoved(undefined);
    if (task !== chosen) window.history.pushState(null, '', to(task === undefined ? {} : { task }));
  };
  const blocks = board.rows.flatMap((row) => row.blocks);
  const block = blocks.find((boardBlock) => boardBlock.task === chosen);
  const to = (change: BoardShown): Path => {
    const shown = { by: view.by, weeks: view.weeks, shift, crew: view.crew ?? undefined, ...change };
    return job ? routes.schedule(job.id, shown) : routes.board(shown);
  };
  return (
    <>
      {job && <JobTabs job={job} />}
      <div className="page">
        <PageHead className="mb-2" heading={job ? 'Schedule' : 'Schedule, all jobs'}>
          <Standing view={view} />
          <span className="soft small-text">
            planned {board.madeAt}
            {board.cause && `. ${board.cause}`}
          </span>
          <span className="push actions no-print">
            <span className="btn-group" role="group" aria-label="Rows are">
              {BOARD_BY.filter((by) => job || by !== 'room').map((by) => (
                <Choice key={by} href={to({ by })} on={view.by === by} onChosen={() => keep(by, view.weeks)}>
                  by {by}
                </Choice>
              ))}
            </span>
            <span className="btn-group" role="group" aria-label="Weeks shown">
              {BOARD_WEEKS.map((weeks) => (
                <Choice
                  key={weeks}
                  href={to({ weeks, shift: 0 })}
                  on={view.weeks === weeks}
                  onChosen={() => keep(view.by, weeks)}
                >
                  {weeks}
                  {weeks !== 'month' && <span className={weeks === 2 ? '' : 'visually-hidden'}> weeks</span>}
                </Choice>
              ))}
            </span>
            {view.by !== 'room' && (
              <Form.Select
                size="sm"
                className="mid-field"
                aria-label="Show one crew alone"
                value={view.crew ?? ''}
                onChange={(event) => router.push(to({ crew: event.target.value }), { scroll: false })}
              >
                <option value="">all crews</option>
                {view.crews.map((crew) => (
                  <option key={crew.id} value={crew.id}>
                    {crew.name}
                  </option>
                ))}
              </Form.Select>
            )}
            <span className="btn-group" role="group" aria-label="Move in time">
              <Choice href={to({ shift: shift - 1 })}>earlier</Choice>
              <Choice href={to({ shift: 0 })} on={shift === 0}>
                now
              </Choice>
              <Choice href={to({ shift: shift + 1 })}>later</Choice>
            </span>
            {job && <JobPages job={job.id} />}
            <PrintButton>Print</PrintButton>
          </span>
        </PageHead>
        <PlanProblemNotice problem={board.problem} />
        {board.rows.length === 0 ? (
          <NoPlan />
        ) : (
          <>
            <Board
              view={board}
              job={job?.id}
              chosen={chosen}
              onChoose={choose}
              onMove={(block, at) => {
                choose(block.task);
                setMoved(at);
              }}
            />
            <BoardList view={board} job={job?.id} onChoose={choose} />
            <BoardLegend view={board} job={job?.id} codes={view.weeks === 'month' || view.weeks >= CODES_FROM} />
          </>
        )}
        <div className="columns mt-3 no-print">
          <div>
            <Moved view={view.moved} linksUntil={view.linksUntil} />
          </div>
          <div>
            <Unasked view={view.moved} linksUntil={view.linksUntil} />
            <Looks view={view} to={(task) => to({ task })} />
            {view.goal && <Goal goal={view.goal} />}
          </div>
        </div>
        <SidePanel beside title={block?.label ?? ''} open={block !== undefined} onClose={() => choose(undefined)}>
          {block && (
            <WhyHere
              key={block.task}
              block={block}
              moved={moved}
              linksUntil={view.linksUntil}
              because={blocks.find((boardBlock) => boardBlock.task === block.because)}
              onChoose={choose}
            />
          )}
        </SidePanel>
      </div>
    </>
  );
}

/** From so many weeks on half a day may have room for two letters only. */
const CODES_FROM = 3;

/** What a board comes to, before it is read: who is late, what is held, how many days nobody has said yes to. */
function Standing({ view: { board, job } }: { view: ScheduleView }) {
  const blocks = board.rows.flatMap((row) => row.blocks).filter(({ jobId }) => job === null || jobId === job.id);
  const held = blocks.filter(({ tone }) => tone === 'held').length;
  const unsaid = blocks.filter(({ visit }) => visit !== null && visit.said !== 'confirmed').length;
  return (
    <span className="standing">
      {board.late.map(({ job: id, name, days }) => (
        <b key={id} className="bad">
          <StateIcon kind="late" silent /> {job ? '' : `${name} `}
          {counted(days, 'day')} late
        </b>
      ))}
      {held > 0 && (
        <span>
          <StateIcon kind="stop" silent /> {held} held
        </span>
      )}
      {unsaid > 0 && (
        <span>
          <StateIcon kind="unconfirmed" silent /> {counted(unsaid, 'visit')} not confirmed
        </span>
      )}
    </span>
  );
}

/** What somebody chose is how the board is looked at when they come back to it. */
const keep = (by: BoardBy, weeks: BoardWeeks): void => {
  document.cookie = boardCookie(by, weeks);
};

function Choice({
  href,
  on,
  onChosen,
  children,
}: {
  href: string;
  on?: boolean;
  onChosen?: () => void;
  children: React.ReactNode;
}) {
  return (
    <Link
      href={href}
      scroll={false}
      onClick={onChosen}
      className={`btn btn-sm btn-outline-secondary ${on ? 'active' : ''}`}
      {...(on ? { 'aria-current': 'true' as const } : {})}
    >
      {children}
    </Link>
  );
}

/** Conflicts, crews that come twice, crews that stand idle: with the way to the work. */
function Looks({ view, to }: { view: ScheduleView; to: (task: string) => string }) {
  return (
    <Block heading="To look at">
      {view.looks.length === 0 && (
        <p className="soft mt-2 small-text">
          Nothing stands out in these weeks: no conflict, nobody comes twice, nobody stands idle.
        </p>
      )}
      <Folded small of={view.looks} shown={FIRST_LOOKS}>
        {(look) => (
          <Line
            key={`${look.task}${look.text}`}
            mark={<StateIcon kind={look.kind === 'conflict' ? 'hazard' : 'waiting'} silent />}
            beside={
              <>
                {look.kind === 'conflict' && (
                  <Link href={routes.slip(look.job, { task: look.task })} className="me-2">
                    What can be done?<Hidden> {look.text}</Hidden>
                  </Link>
                )}
                <Link href={to(look.task)} scroll={false}>
                  Show<Hidden> {look.text}</Hidden>
                </Link>
              </>
            }
          >
            <span className="fw-bold">{KINDS[look.kind]}</span> {look.text}
          </Line>
        )}
      </Folded>
    </Block>
  );
}

const FIRST_LOOKS = 2;
const KINDS = { conflict: 'Conflict:', trip: 'Comes twice:', gap: 'Idle:' } as const;

function WhyHere({
  block,
  moved,
  linksUntil,
  because,
  onChoose,
}: {
  block: BoardBlock;
  moved: Dropped | undefined;
  linksUntil: string;
  because: BoardBlock | undefined;
  onChoose: (task: string | undefined) => void;
}) {
  const [moving, setMoving] = useState(false);
  const step = taskRef(block.task).phase;
  if (moved)
    return (
      <>
        <h3>Move it</h3>
        <p className="soft">It stands {block.when}.</p>
        <MoveForm block={block} to={moved} onDone={() => onChoose(undefined)} />
      </>
    );
  return (
    <>
      <p className="fs-5 mb-1">
        {block.when}, {daysOf(block.halfDays)}
      </p>
      {(block.crew || block.fraction > 0) && (
        <p className="mb-1">
          {block.crew}
          {block.fraction > 0 && <b>{` ${Math.round(block.fraction * 100)} % done`}</b>}
        </p>
      )}
      {step && (
        <p className="small-text">
          <Means of={`step.${step}`}>What is this step?</Means>
        </p>
      )}
      <p className="soft">
        {block.job}
        {block.float > 0
          ? ` · may slip ${block.float / 2} ${block.float === 2 ? 'day' : 'days'} before it delays the end`
          : block.tone === 'critical'
            ? ' · every half-day later here is one later at the end'
            : ''}
      </p>
      {block.visit && <Visit block={block} visit={block.visit} linksUntil={linksUntil} />}
      <h3>Why here?</h3>
      <p className={block.tone === 'held' ? 'bad' : ''}>{block.reason}</p>
      {block.also.length > 0 && (
        <details className="small-text mb-2">
          <summary className="soft">{block.also.length} more would have to give</summary>
          <ul>
            {block.also.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </details>
      )}
      {block.leads && (
        <p>
          <Link href={block.leads} className="btn btn-outline-secondary">
            Look at what it waits for
          </Link>
        </p>
      )}
      {because && (
        <Button variant="outline-secondary" onClick={() => onChoose(because.task)}>
          Look at {because.label}
        </Button>
      )}
      <div className="mt-3">
        <Pull task={block.task} />
      </div>
      <p>
        <Link href={routes.slip(block.jobId, { task: block.task })} className="btn btn-outline-secondary">
          It does not go as planned
        </Link>
      </p>
      {block.movable &&
        (moving ? (
          <MoveForm block={block} to={{ day: block.day, half: block.half }} onDone={() => onChoose(undefined)} />
        ) : (
          <p>
            <Button variant="outline-secondary" onClick={() => setMoving(true)}>
              {block.pin ? 'Its pin' : 'Move it'}
            </Button>
          </p>
        ))}
      <p className="mt-3">
        <Link href={block.area ? routes.room(block.jobId, block.area) : routes.sequence(block.jobId)}>
          {block.area ? 'To the room' : 'To the order of the work'}
        </Link>
      </p>
    </>
  );
}

function NoPlan() {
  return (
    <Empty>
      <p className="mb-0">
        Nothing is planned in these weeks. Look later, or set out the areas of a job and what is to be done there: the
        first plan follows within seconds.
      </p>
    </Empty>
  );
}

/** What else there is to know of a job's time. */
const JobPages = ({ job }: { job: string }) => (
  <>
    <Link href={routes.forecast(job)} className="btn btn-sm btn-outline-secondary">
      Forecast
    </Link>
    <Link href={routes.living(job)} className="btn btn-sm btn-outline-secondary">
      Living in
    </Link>
    <Link href={routes.progress(job)} className="btn btn-sm btn-outline-secondary">
      Slip and progress
    </Link>
  </>
);

'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import type { HoldView, RoomsView } from '@/contract/views/job';
import { daysBetween, formatDay } from '@/core/units/day';
import { counted } from '@/core/words/count';
import { sayStops } from '@/core/words/stops';
import { Attachments } from '../attachments/attachments';
import { JobTabs } from '../shell/job-tabs';
import { Folded } from '../kit/folded';
import { Legend } from '../kit/legend';
import { StateIcon } from '../kit/state-icon';
import { PlanProblemNotice } from '../kit/notice';
import { PrintButton } from '../kit/print-button';
import { HoldActions } from '../sequence/hold-actions';
import { StartWalk } from '../walks/start-walk';
import { Section } from './section';
import { Block, Empty, PageHead } from '../kit/page';
import { Means } from '../kit/means';
import { Line, Lines } from '../kit/lines';

const isEmpty = (view: RoomsView): boolean =>
  view.levels.every((level) => level.areas.length === 0) &&
  [view.faces, view.roofs, view.ground, view.outbuildings].every((list) => list.length === 0);

/** The face of a job: one look says where it is and where it is stuck. */
export function Rooms({ view }: { view: RoomsView }) {
  const { job } = view;
  return (
    <>
      <JobTabs job={job} />
      {isEmpty(view) ? (
        <NoAreas job={job.id} />
      ) : (
        <div className="rooms">
          <div className="page">
            <PageHead heading={job.name}>
              <Lateness view={view} />
              <span className="soft">
                {Math.round(view.done * 100)} % of the work is done
                {view.done > 0 && view.hidden > 0.5 && ', most of it inside the walls'}
              </span>
              <span className="push no-print">
                <StartWalk job={job.id} openWalk={job.openWalk} />
              </span>
            </PageHead>
            <PlanProblemNotice problem={view.problem} />
            <Section view={view} />
            <Legend of={['not-begun', 'under-way', 'done', 'will-stop', 'stop', 'hazard']} />
            <Attachments of={{ job: job.id, name: job.name }} papers={view.attachments} placed />
          </div>
          <aside aria-label="What holds and who comes">
            <div className="actions mb-3 no-print">
              <PrintButton>Print section</PrintButton>
              <Link href={routes.areas(job.id)} className="btn btn-link px-1">
                Job and areas
              </Link>
            </div>
            <p className="soft small-text">{[job.address, job.walked].filter(Boolean).join(' · ')}</p>
            <Holding view={view} />
            <Next view={view} />
          </aside>
        </div>
      )}
    </>
  );
}

/** By when, against what was promised: lateness is the second thing one sees. */
function Lateness({ view: { finish, promise, today } }: { view: RoomsView }) {
  if (!finish) return <span className="soft">no plan yet</span>;
  const late = promise ? daysBetween(promise, finish) : 0;
  return (
    <>
      {late > 0 && (
        <b className="lateness bad">
          <StateIcon kind="late" silent /> {counted(late, 'day')} late
        </b>
      )}
      <span className="soft">
        finish {formatDay(finish, today)}
        {promise &&
          (late > 0
            ? `, promised ${formatDay(promise, today)}`
            : late < 0
              ? `, ${counted(-late, 'day')} before the promised`
              : ', as promised')}
      </span>
    </>
  );
}

/** So many of what holds the house are shown before one asks for more. */
const HOLDS_SHOWN = 5;

function Holding({ view }: { view: RoomsView }) {
  return (
    <Block heading={<Means of="word.hold">What holds this house</Means>}>
      {view.holds.length === 0 && <p className="soft mt-2">Nothing is waited for.</p>}
      <Folded of={view.holds} shown={HOLDS_SHOWN}>
        {(hold) => <Hold key={hold.id} view={view} hold={hold} />}
      </Folded>
    </Block>
  );
}

function Hold({ view, hold }: { view: RoomsView; hold: HoldView }) {
  const now = hold.stops === null;
  return (
    <Line mark={<StateIcon kind={now ? 'stop' : 'will-stop'} silent />}>
      <div className={`small-text fw-bold ${now ? 'bad' : 'soon'}`}>{sayStops(hold.stops, view.today)}</div>
      <Link href={routes.room(view.job.id, hold.areaId)} className="fw-bold">
        {hold.area}: {hold.label}
      </Link>
      <div className="small-text">{hold.text}</div>
      <div className="small-text soft">
        {hold.settled
          ? ''
          : `${hold.overdue ? 'was expected' : 'expected'} ${formatDay(hold.expectedOn, view.today)}, `}
        needed for {hold.phase}
      </div>
      <HoldActions hold={hold} job={view.job.id} />
    </Line>
  );
}

function Next({ view }: { view: RoomsView }) {
  return (
    <Block
      heading="On site next"
      beside={
        <Link href={routes.schedule(view.job.id)} className="push small-text">
          schedule
        </Link>
      }
    >
      {view.next.length === 0 && <p className="soft mt-2">Nobody is planned in the next days.</p>}
      <Lines>
        {view.next.map((visit) => (
          <Line key={visit.when} mark={<StateIcon kind="under-way" silent />}>
            <div className="fw-bold">{visit.when}</div>
            {visit.works.map((work) => (
              <div key={work.label} className="small-text">
                {work.label} <span className="soft">{work.crew}</span>
              </div>
            ))}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function NoAreas({ job }: { job: string }) {
  return (
    <div className="page">
      <Empty>
        <h1>No areas yet</h1>
        <p>
          Set out the storeys, rooms, outside faces, roof and ground, and what is to be done in each. From that come the
          order of work and a first plan.
        </p>
        <Link href={routes.areas(job)} className="btn btn-primary">
          Set out the areas
        </Link>
      </Empty>
    </div>
  );
}

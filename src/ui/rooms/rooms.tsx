import { routes } from '@/contract/routes';
import Link from 'next/link';
import type { RoomsView } from '@/contract/views/job';
import { daysBetween, formatDay } from '@/core/units/day';
import { JobTabs } from '../shell/job-tabs';
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
            <PageHead heading={<>{Math.round(view.done * 100)} % of the work is done</>}>
              <span className="soft">{headline(view)}</span>
              <span className="push no-print">
                <StartWalk job={job.id} openWalk={job.openWalk} />
              </span>
            </PageHead>
            <PlanProblemNotice problem={view.problem} />
            <Section view={view} />
            <ul className="legend">
              <li>
                <StateIcon kind="stop" silent /> <Means of="mark.stop">stopped</Means>
              </li>
              <li>
                <StateIcon kind="waiting" silent /> <Means of="mark.waiting">waits for somebody</Means>
              </li>
              <li>
                <StateIcon kind="under-way" silent /> <Means of="mark.under-way">under way</Means>
              </li>
              <li>
                <StateIcon kind="done" silent /> <Means of="mark.done">done</Means>
              </li>
              <li>
                <StateIcon kind="not-begun" silent /> <Means of="mark.mist">not started</Means>
              </li>
            </ul>
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

function headline({ done, hidden, finish, promise, today }: RoomsView): string {
  const late = finish && promise ? daysBetween(promise, finish) : 0;
  return [
    done > 0 && hidden > 0.5 ? 'most of it inside the walls' : '',
    finish ? `finish ${formatDay(finish, today)}` : 'no plan yet',
    finish && promise
      ? late > 0
        ? `${late} ${late === 1 ? 'day' : 'days'} later than promised`
        : late < 0
          ? `${-late} ${late === -1 ? 'day' : 'days'} before the promised`
          : 'as promised'
      : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

function Holding({ view }: { view: RoomsView }) {
  return (
    <Block heading={<Means of="word.hold">What holds this house</Means>}>
      {view.holds.length === 0 && <p className="soft mt-2">Nothing is waited for.</p>}
      <Lines>
        {view.holds.map((hold) => (
          <Line key={hold.id} mark={<StateIcon kind={hold.overdue ? 'stop' : 'waiting'} />}>
            <Link href={routes.room(view.job.id, hold.areaId)} className="fw-bold">
              {hold.area}: {hold.label}
            </Link>
            <div className="small-text">{hold.text}</div>
            <div className={`small-text ${hold.overdue ? 'bad' : 'soft'}`}>
              {hold.overdue && hold.settled
                ? 'now'
                : `${hold.overdue ? 'was expected' : 'expected'} ${formatDay(hold.expectedOn, view.today)}`}
              , needed for {hold.phase}
            </div>
            <HoldActions hold={hold} job={view.job.id} />
          </Line>
        ))}
      </Lines>
    </Block>
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

import { routes } from '@/contract/routes';
import Link from 'next/link';
import type { TodayView } from '@/contract/views/plan';
import { formatDay } from '@/core/units/day';
import { counted, listed } from '@/core/words/count';
import { capital } from '@/core/words/letters';
import { StateIcon } from '../kit/state-icon';
import { Notice, PlanProblemNotice } from '../kit/notice';
import { StartWalk } from '../walks/start-walk';
import { Block, Empty, PageHead } from '../kit/page';
import { Means } from '../kit/means';
import { Line, Lines } from '../kit/lines';
import { Phone } from '../kit/phone';

const DUE_WORDS = { decide: 'decide', order: 'order', arrive: 'due to arrive' } as const;

/** The next hours over all jobs; every line leads to where it is settled. */
export function Today({ view, cares }: { view: TodayView; cares: string[] }) {
  if (view.finishes.length === 0) return <NoJobs />;
  return (
    <div className="page">
      <PageHead heading={view.weekday}>
        <span className="soft">{summary(view)}</span>
      </PageHead>
      <PlanProblemNotice problem={view.problem} />
      {cares.map((care) => (
        <Notice bad key={care}>
          {care}: <Link href={routes.firm()}>see under Firm</Link>
        </Notice>
      ))}
      <div className="columns">
        <div>
          <Sites view={view} />
          <OnSite view={view} />
        </div>
        <div>
          <MovedVisits view={view} />
          <Holds view={view} />
          <Orders view={view} />
          <Requests view={view} />
          <Calls view={view} />
          <Drafts view={view} />
          <Finishes view={view} />
        </div>
      </div>
    </div>
  );
}

const count = (number: number, word: string): string => `${number} ${word}${number === 1 ? '' : 's'}`;

function summary(view: TodayView): string {
  const overdue =
    view.holds.filter((hold) => hold.overdue).length +
    view.orders.filter((order) => order.late).length +
    view.requests.filter((request) => request.late).length;
  return [
    `${count(view.sites.length, 'site')} to walk`,
    `work at ${count(view.onSite.length, 'site')}`,
    overdue > 0 ? `${count(overdue, 'date')} overdue` : 'nothing overdue',
  ].join(' · ');
}

function Sites({ view }: { view: TodayView }) {
  return (
    <Block
      heading="Walk today"
      beside={
        <Link href={routes.route()} className="push small-text">
          Trips and route
        </Link>
      }
    >
      {view.sites.length === 0 && (
        <p className="soft mt-2">Every site was walked lately. The next is due when its work has moved on.</p>
      )}
      <Lines>
        {view.sites.map((site) => (
          <Line
            key={site.job}
            className="align-items-center"
            mark={<StateIcon kind={site.urgent ? 'stop' : 'waiting'} silent />}
            beside={<StartWalk job={site.job} openWalk={site.openWalk} small />}
          >
            <Link href={routes.rooms(site.job)} className="fw-bold">
              {site.name}
            </Link>
            <div className={`small-text ${site.urgent ? 'bad' : 'soft'}`}>{site.why.join(' · ')}</div>
            <div className="soft small-text">
              {site.address} · {site.walked === 'never' ? 'not walked yet' : `last walked ${site.walked}`}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function OnSite({ view }: { view: TodayView }) {
  return (
    <Block
      heading="On site today"
      beside={
        <Link href={routes.board()} className="push small-text">
          whole schedule
        </Link>
      }
    >
      {view.onSite.length === 0 && <p className="soft mt-2">Nobody is planned on any site today.</p>}
      <Lines>
        {view.onSite.map((row) => (
          <Line key={row.job} mark={<StateIcon kind="under-way" silent />}>
            <Link href={routes.schedule(row.job)} className="fw-bold">
              {row.name}
            </Link>
            <Half name="all day" works={row.morning.filter((work) => row.afternoon.includes(work))} />
            <Half name="morning" works={row.morning.filter((work) => !row.afternoon.includes(work))} />
            <Half name="afternoon" works={row.afternoon.filter((work) => !row.morning.includes(work))} />
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function Half({ name, works }: { name: string; works: string[] }) {
  return works.length === 0 ? null : (
    <div className="small-text d-flex gap-2">
      <span className="soft flex-shrink-0" style={{ width: '4.6rem' }}>
        {name}
      </span>
      <span>
        {works.map((work) => (
          <span key={work} className="d-block">
            {work}
          </span>
        ))}
      </span>
    </div>
  );
}

/** Visits on another day than people go by: who has to be told, with the way to the list. */
function MovedVisits({ view }: { view: TodayView }) {
  const { visits, conflicts, people } = view.moved;
  if (people.length === 0) return null;
  return (
    <Block heading="What moved">
      <Lines>
        <Line mark={<StateIcon kind={conflicts > 0 ? 'stop' : 'waiting'} silent />}>
          <Link href={`${routes.board()}#moved`} className="fw-bold">
            {counted(people.length, 'person', 'people')} to tell
          </Link>{' '}
          <span className="soft">{listed(people)}</span>
          <div className={`small-text ${conflicts > 0 ? 'bad' : 'soft'}`}>
            {[
              visits > 0 ? `${count(visits, 'visit')} on another day than people go by` : 'a job ends on another day',
              ...(conflicts > 0 ? [`${count(conflicts, 'promise')} to settle`] : []),
            ].join(', ')}
          </div>
        </Line>
      </Lines>
    </Block>
  );
}

function Holds({ view }: { view: TodayView }) {
  return (
    <Block heading={<Means of="word.hold">What blocks</Means>}>
      {view.holds.length === 0 && <p className="soft mt-2">Nothing is waited for in the next ten days.</p>}
      <Lines>
        {view.holds.map((hold) => (
          <Line key={hold.id} mark={<StateIcon kind={hold.overdue ? 'stop' : 'waiting'} />}>
            <Link
              href={hold.request ? routes.requests(hold.job, hold.request) : routes.room(hold.job, hold.areaId)}
              className="fw-bold"
            >
              {hold.jobName}, {hold.area}: {hold.label}
            </Link>
            <div className="small-text">{hold.text}</div>
            <div className={`small-text ${hold.overdue ? 'bad' : 'soft'}`}>
              {hold.overdue && hold.settled
                ? 'now'
                : `${hold.overdue ? 'was expected' : 'expected'} ${formatDay(hold.expectedOn, view.today)}`}
              , needed for {hold.phase}
              {hold.askedOn ? `, asked ${formatDay(hold.askedOn, view.today)}` : ''}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function Orders({ view }: { view: TodayView }) {
  return (
    <Block heading={<Means of="figure.order-by">Order and decide</Means>}>
      {view.orders.length === 0 && <p className="soft mt-2">No order and no decision is due in the next two weeks.</p>}
      <Lines>
        {view.orders.map((order) => (
          <Line key={order.selection} mark={<StateIcon kind={order.late ? 'stop' : 'waiting'} />}>
            <Link href={routes.selection(order.job, order.selection)} className="fw-bold">
              {order.category}
            </Link>{' '}
            <span className="soft">
              {order.jobName}, {order.area}
            </span>
            <div className={`small-text ${order.late ? 'bad' : 'soft'}`}>
              {order.late && order.what !== 'arrive' ? 'late: ' : ''}
              {DUE_WORDS[order.what]} {order.what === 'arrive' ? '' : 'by '}
              {formatDay(order.day, view.today)}
              {order.late && order.what === 'arrive' ? ', later than it is needed' : ''}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

const REQUEST_WORDS = {
  send: 'to be sent by',
  answer: 'answer expected',
  remind: 'ask after it: was expected',
} as const;

/** Approvals, answers and drawings: to be asked for, or to be asked after. */
function Requests({ view }: { view: TodayView }) {
  if (view.requests.length === 0) return null;
  return (
    <Block heading="Ask and ask after">
      <Lines>
        {view.requests.map((request) => (
          <Line key={request.request} mark={<StateIcon kind={request.late ? 'stop' : 'waiting'} />}>
            <Link href={routes.requests(request.job, request.request)} className="fw-bold">
              {capital(request.text)}
            </Link>{' '}
            <span className="soft">{request.jobName}</span>
            <div className={`small-text ${request.late ? 'bad' : 'soft'}`}>
              {REQUEST_WORDS[request.what]} {formatDay(request.day, view.today)}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

/** Visits to be booked and things to be asked for in the next days, so that no step waits for them. */
function Calls({ view }: { view: TodayView }) {
  if (view.calls.length === 0) return null;
  return (
    <Block
      heading="Call"
      beside={
        view.run.open > 0 && (
          <Link href={routes.runs()} className="push small-text">
            {view.run.open} to buy on one run
          </Link>
        )
      }
    >
      <Lines>
        {view.calls.map((call) => (
          <Line key={call.key} mark={<StateIcon kind={call.late ? 'stop' : 'waiting'} />}>
            <Link href={call.href} className="fw-bold">
              {capital(call.text)}
            </Link>{' '}
            <span className="soft">{call.jobName}</span> <Phone number={call.phone} />
            <div className={`small-text ${call.late ? 'bad' : 'soft'}`}>
              {call.late ? 'today, or the step waits for it' : `by ${formatDay(call.day, view.today)}`}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function Drafts({ view }: { view: TodayView }) {
  if (view.drafts.length + view.failed.length + view.questions.length + view.doneWords.length === 0) return null;
  return (
    <Block heading="To tell">
      <Lines>
        {view.questions.map((row) => (
          <Line key={row.id} mark={<StateIcon kind="waiting" silent />}>
            <Link href={routes.news(row.job)} className="fw-bold">
              {row.jobName}: {row.name} asks
            </Link>{' '}
            <span className="soft">
              {row.text.slice(0, 140)} · {row.when}
            </span>
          </Line>
        ))}
        {view.doneWords.map((row) => (
          <Line key={row.id} mark={<StateIcon kind="waiting" silent />}>
            <Link href={`${routes.news(row.job)}#done`} className="fw-bold">
              {row.jobName}: {row.name} says it is done
            </Link>{' '}
            <span className="soft">
              {row.what} · {row.when}
            </span>
          </Line>
        ))}
        {view.failed.map((row) => (
          <Line key={`failed ${row.job}`} mark={<StateIcon kind="stop" silent />}>
            <Link href={routes.news(row.job)} className="fw-bold">
              {row.jobName}: a message did not arrive
            </Link>{' '}
            <span className="soft">{listed(row.to)}: put the address right</span>
          </Line>
        ))}
        {view.drafts.map((row) => (
          <Line key={row.job} mark={<StateIcon kind="waiting" silent />}>
            <Link href={routes.news(row.job)} className="fw-bold">
              {row.jobName}
            </Link>{' '}
            <span className="soft">{counted(row.count, 'reader')} to write to</span>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function Finishes({ view }: { view: TodayView }) {
  return (
    <Block heading="When each will be done">
      <Lines>
        {view.finishes.map((row) => (
          <Line
            key={row.job}
            mark={<StateIcon kind={row.late > 0 ? 'stop' : row.finish ? 'under-way' : 'not-begun'} silent />}
          >
            <Link href={routes.schedule(row.job)} className="fw-bold">
              {row.name}
            </Link>{' '}
            {row.finish ? formatDay(row.finish, view.today) : 'no plan yet'}
            {row.promise && (
              <span className={`small-text ${row.late > 0 ? 'bad' : 'soft'}`}>
                {' '}
                ·{' '}
                {row.late > 0
                  ? `${count(row.late, 'day')} after the promised ${formatDay(row.promise, view.today)}`
                  : `promised ${formatDay(row.promise, view.today)}`}
              </span>
            )}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function NoJobs() {
  return (
    <div className="page">
      <Empty>
        <h1>No job yet</h1>
        <p>
          Begin with one: its name, the first day of work, then its rooms from a pattern like “a house on two floors” or
          from a list you have as CSV. A first plan is there as soon as the rooms are set out and the firm has its subs.
        </p>
        <div className="actions">
          <Link href={routes.newJob()} className="btn btn-primary">
            Open the first job
          </Link>
          <Link href={routes.firm()} className="btn btn-outline-secondary">
            Name the subs
          </Link>
        </div>
      </Empty>
    </div>
  );
}

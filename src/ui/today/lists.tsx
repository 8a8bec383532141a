import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import type { ReactNode } from 'react';
import type { TodayView } from '@/contract/views/today';
import { formatDay } from '@/core/units/day';
import { counted, listed } from '@/core/words/count';
import { capital } from '@/core/words/letters';
import { Means } from '../kit/means';
import { Block } from '../kit/page';
import { Phone } from '../kit/phone';
import { StateIcon, type StateIconKind } from '../kit/state-icon';

/** One thing to be done about something, with its day. */
interface Row {
  key: string;
  mark?: StateIconKind;
  when: string;
  late?: boolean;
  text: ReactNode;
  href: string;
  job: string;
  phone?: string;
}

/** So many are shown before one asks for more. */
const SHOWN = 5;

function List({ heading, rows, none, beside }: { heading: ReactNode; rows: Row[]; none: string; beside?: ReactNode }) {
  return (
    <Block
      heading={
        <>
          {heading} {rows.length > 0 && <span className="soft fw-normal">{rows.length}</span>}
        </>
      }
      beside={beside}
    >
      {rows.length === 0 && <p className="soft mt-2 mb-0">{none}</p>}
      <ul className="short-list">{rows.slice(0, SHOWN).map(drawn)}</ul>
      {rows.length > SHOWN && (
        <details>
          <summary>{rows.length - SHOWN} more</summary>
          <ul className="short-list">{rows.slice(SHOWN).map(drawn)}</ul>
        </details>
      )}
    </Block>
  );
}

const drawn = (row: Row) => (
  <li key={row.key}>
    <span className="sign">{row.mark && <StateIcon kind={row.mark} silent />}</span>
    <span className={`when ${row.late ? 'bad' : ''}`}>{row.when}</span>
    <Link href={row.href} className="text">
      {row.text}
      {row.job && <span className="soft"> {row.job}</span>}
    </Link>
    {row.phone && (
      <span className="phone">
        <Phone number={row.phone} />
      </span>
    )}
  </li>
);

/** What stops work, whom to call, what to decide, whom to tell: five of each, the rest folded. */
export function Lists({ view }: { view: TodayView }) {
  const day = (on: string): string => (on <= view.today ? 'today' : formatDay(on, view.today));
  const stops = view.holds.map((hold): Row => ({
    key: hold.id,
    mark: hold.stops === null ? 'stop' : 'will-stop',
    when: hold.stops === null ? 'now' : day(hold.stops),
    late: hold.stops === null,
    text: (
      <>
        <b>
          {hold.area}: {hold.label}
        </b>
        , {hold.text}
      </>
    ),
    href: hold.request ? routes.requests(hold.job, hold.request) : routes.room(hold.job, hold.areaId),
    job: hold.jobName,
  }));
  return (
    <div className="today-lists">
      <List heading={<Means of="word.hold">Stop</Means>} rows={stops} none="Nothing stops work in the next ten days." />
      <List
        heading="Call"
        rows={calls(view, day)}
        none="Nobody has to be called in the next days."
        beside={
          view.run.open > 0 && (
            <Link href={routes.runs()} className="push small-text">
              {view.run.open} to buy on one run
            </Link>
          )
        }
      />
      <List
        heading={<Means of="figure.decide-by">Decide</Means>}
        rows={decisions(view, day)}
        none="No order and no decision is due in the next two weeks."
      />
      <List heading="To tell" rows={toTell(view)} none="Everybody knows what they have to know." />
    </div>
  );
}

const calls = (view: TodayView, day: (on: string) => string): Row[] =>
  [
    ...view.calls.map((call) => ({
      on: call.day,
      row: {
        key: call.key,
        when: call.late ? 'today' : day(call.day),
        late: call.late,
        text: <b>{capital(call.text)}</b>,
        href: call.href,
        job: call.jobName,
        phone: call.phone,
      },
    })),
    ...view.requests
      .filter(({ what }) => what !== 'send')
      .map((request) => ({
        on: request.what === 'remind' ? view.today : request.day,
        row: {
          key: request.request,
          when: request.what === 'remind' ? 'today' : day(request.day),
          late: request.late,
          text: (
            <>
              <b>{capital(request.text)}</b>
              {request.what === 'remind'
                ? `, ask after it: was expected ${formatDay(request.day, view.today)}`
                : ', answer expected'}
            </>
          ),
          href: routes.requests(request.job, request.request),
          job: request.jobName,
        },
      })),
  ]
    .sort((a, b) => a.on.localeCompare(b.on))
    .map(({ row }): Row => row);

const ORDER_WORDS = { decide: 'decide', order: 'order', arrive: 'comes' } as const;

const decisions = (view: TodayView, day: (on: string) => string): Row[] =>
  [
    ...view.orders.map((order) => ({
      on: order.day,
      row: {
        key: order.selection,
        ...(order.late ? { mark: 'late' as const } : {}),
        when: day(order.day),
        late: order.late,
        text: (
          <>
            <b>{order.category}</b>, {order.area}: {ORDER_WORDS[order.what]}
            {order.late && (order.what === 'arrive' ? ', later than it is needed' : ', late')}
          </>
        ),
        href: routes.selection(order.job, order.selection),
        job: order.jobName,
      },
    })),
    ...view.requests
      .filter(({ what }) => what === 'send')
      .map((request) => ({
        on: request.day,
        row: {
          key: request.request,
          when: day(request.day),
          late: request.late,
          text: (
            <>
              <b>{capital(request.text)}</b>, to be sent
            </>
          ),
          href: routes.requests(request.job, request.request),
          job: request.jobName,
        },
      })),
  ]
    .sort((a, b) => a.on.localeCompare(b.on))
    .map(({ row }): Row => row);

function toTell(view: TodayView): Row[] {
  const { visits, conflicts, people } = view.moved;
  const moved: Row[] =
    people.length === 0
      ? []
      : [
          {
            key: 'moved',
            ...(conflicts > 0 ? { mark: 'stop' as const } : {}),
            when: 'today',
            late: conflicts > 0,
            text: (
              <>
                <b>{counted(people.length, 'person', 'people')} to tell</b> what moved:{' '}
                {visits > 0 ? `${counted(visits, 'visit')} on another day` : 'a job ends on another day'}
                {conflicts > 0 && `, ${counted(conflicts, 'promise')} to settle`}.{' '}
                <span className="soft">{listed(people)}</span>
              </>
            ),
            href: `${routes.board()}#moved`,
            job: '',
          },
        ];
  return [
    ...view.failed.map((row): Row => ({
      key: `failed ${row.job}`,
      mark: 'stop',
      when: 'now',
      late: true,
      text: (
        <>
          <b>A message did not arrive</b>: {listed(row.to)}, put the address right
        </>
      ),
      href: routes.news(row.job),
      job: row.jobName,
    })),
    ...moved,
    ...view.questions.map((row): Row => ({
      key: row.id,
      mark: 'waiting',
      when: row.when,
      text: (
        <>
          <b>{row.name} asks</b>: {row.text.slice(0, 140)}
        </>
      ),
      href: routes.news(row.job),
      job: row.jobName,
    })),
    ...view.doneWords.map((row): Row => ({
      key: row.id,
      mark: 'open',
      when: row.when,
      text: (
        <>
          <b>{row.name} says it is done</b>: {row.what}
        </>
      ),
      href: `${routes.news(row.job)}#done`,
      job: row.jobName,
    })),
    ...view.drafts.map((row): Row => ({
      key: row.job,
      when: 'today',
      text: <b>{counted(row.count, 'reader')} to write to</b>,
      href: routes.news(row.job),
      job: row.jobName,
    })),
  ];
}

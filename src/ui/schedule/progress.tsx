'use client';
import { More } from '../kit/folded';
import { routes } from '@/contract/routes';
import dynamic from 'next/dynamic';
import { Link } from '../kit/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { keepBaseline } from '@/contract/commands/schedule';
import type { ProgressView } from '@/contract/views/progress';
import { daysBetween, formatDay } from '@/core/units/day';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, TextField } from '../kit/form';
import { SidePanel } from '../kit/side-panel';
import { newId } from '../offline/send';
import type { Day } from '@/core/units/day';
import { Line, Lines } from '../kit/lines';
import { StateIcon } from '../kit/state-icon';
import { Means } from '../kit/means';
import { counted } from '@/core/words/count';
import { Block, Empty, PageHead } from '../kit/page';

/** What draws charts is a third of this page's script: it comes after the page stands, and its place is kept for it. */
const OverTime = dynamic(() => import('./charts').then((charts) => charts.OverTime), {
  ssr: false,
  loading: () => <div className="chart" />,
});
const Load = dynamic(() => import('./charts').then((charts) => charts.Load), {
  ssr: false,
  loading: () => <div className="chart small" />,
});

/**
 * How a job stands against what was agreed: by work done, by days slipped with their causes, by what each trade has to
 * do.
 */
export function Progress({ view }: { view: ProgressView }) {
  const router = useRouter();
  const [keeping, setKeeping] = useState(false);
  const { finish } = view;
  const day = (at: string | null): string => (at ? formatDay(at, view.today) : 'nothing planned');
  return (
    <>
      <JobTabs job={view.job} />
      <div className="page">
        <PageHead heading="Slip and progress">
          <span className="soft">{view.words}</span>
          <span className="push actions no-print">
            {view.baselines.length > 0 && (
              <Form.Select
                size="sm"
                className="long-field"
                aria-label="Against which agreement"
                value={view.chosen ?? ''}
                onChange={(event) =>
                  router.push(routes.progress(view.job.id, { against: event.target.value }), { scroll: false })
                }
              >
                {view.baselines.map((baseline) => (
                  <option key={baseline.id} value={baseline.id}>
                    {baseline.name}, {baseline.when}
                  </option>
                ))}
              </Form.Select>
            )}
            <Button size="sm" variant="outline-secondary" onClick={() => setKeeping(true)}>
              Keep today’s plan
            </Button>
            <Link href={routes.schedule(view.job.id)} className="btn btn-sm btn-outline-secondary">
              To the board
            </Link>
          </span>
        </PageHead>
        {view.baselines.length === 0 && (
          <Empty>
            <p className="mb-0">
              No plan was kept yet to measure against. Keep today’s when it is agreed with the client: what slips from
              then on is told with its causes.
            </p>
          </Empty>
        )}
        <dl className="figures">
          <div>
            <dt>
              <Means of="figure.ends">Ends</Means>
            </dt>
            <dd>{day(finish.now)}</dd>
          </div>
          {finish.then && (
            <div>
              <dt>
                <Means of="figure.agreed">Was agreed for</Means>
              </dt>
              <dd>{day(finish.then)}</dd>
            </div>
          )}
          {finish.promise && (
            <div>
              <dt>
                <Means of="figure.promised">Promised</Means>
              </dt>
              <dd className={finish.now && finish.now > finish.promise ? 'bad' : ''}>{day(finish.promise)}</dd>
            </div>
          )}
          {view.weeksLeft !== null && (
            <div>
              <dt>
                <Means of="figure.weeks-left">Weeks left</Means>
              </dt>
              <dd>{view.weeksLeft}</dd>
            </div>
          )}
          <div>
            <dt>
              <Means of="figure.work-done">Work done</Means>
            </dt>
            <dd>{Math.round(100 * view.done)} %</dd>
          </div>
          {view.planned !== null && (
            <div>
              <dt>
                <Means of="figure.agreed-now">As agreed, by now</Means>
              </dt>
              <dd>{Math.round(100 * view.planned)} %</dd>
            </div>
          )}
        </dl>
        {finish.then && <FinishDays finish={finish} />}
        <Block className="mt-3" heading="Work over time">
          <OverTime view={view} />
        </Block>
        {view.answers.length > 0 && <AnswersTaken view={view} />}
        {view.slipped.length > 0 && <Slipped view={view} />}
        {view.load.trades.length > 0 && <LoadOfTrades view={view} />}
        <SidePanel title="Keep today’s plan" open={keeping} onClose={() => setKeeping(false)}>
          <p className="soft small-text">From then on every piece of work is measured against where it stands today.</p>
          <CommandForm
            kind={keepBaseline}
            submit="Save"
            onDone={() => setKeeping(false)}
            start={() => ({ id: newId(), job: view.job.id, name: '' })}
          >
            <TextField name="name" label="Name" hint="agreed with the client, after the surprise in the wall …" />
          </CommandForm>
        </SidePanel>
      </div>
    </>
  );
}

/** What was done when something slipped, and whether it brings what it was said to. */
function AnswersTaken({ view }: { view: ProgressView }) {
  return (
    <Block className="mt-3" heading="When something slipped">
      <Lines className="small-text">
        {view.answers.map(({ id, title, words, kept }) => (
          <Line key={id} mark={<StateIcon kind={kept ? 'done' : 'waiting'} />}>
            <span className="fw-bold">{title}</span> <span className="soft">{words}</span>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

/** Load of the trades of this job, over all jobs. */
function LoadOfTrades({ view }: { view: ProgressView }) {
  const trades = [...view.load.trades].sort((one, other) => fullness(other) - fullness(one));
  const drawn = (trade: LoadOfTrade) => (
    <figure key={trade.name}>
      <figcaption className="small-text fw-bold">
        {trade.name}
        {fullness(trade) > 1 && <span className="bad"> more than its crews can do</span>}
      </figcaption>
      <Load name={trade.name} weeks={view.load.weeks} work={trade.work} most={trade.most} />
    </figure>
  );
  return (
    <Block className="mt-3" heading={<Means of="figure.load">Load of the trades of this job, over all jobs</Means>}>
      <p className="soft small-text mt-2">
        Half-days of work a week; the line is what their crews can do, days away left out.
      </p>
      <div className="loads">{trades.slice(0, LOADS_SHOWN).map(drawn)}</div>
      {trades.length > LOADS_SHOWN && (
        <More words={counted(trades.length - LOADS_SHOWN, 'more trade')}>
          <div className="loads">{trades.slice(LOADS_SHOWN).map(drawn)}</div>
        </More>
      )}
    </Block>
  );
}

/** Trades that are shown before one asks for more: those with too much to do first. */
const LOADS_SHOWN = 4;
type LoadOfTrade = ProgressView['load']['trades'][number];
/** How much of its fullest week a trade is asked for; over one is more than its crews can do. */
const fullness = ({ work, most }: LoadOfTrade): number =>
  Math.max(0, ...work.map((halves, week) => (halves === 0 ? 0 : halves / Math.max(0.5, most[week] ?? 0))));

/** When the job ends: planned, promised, baseline. */
function FinishDays({
  finish,
}: {
  finish: {
    now: Day | null;
    then: Day | null;
    promise: Day | null;
    halves: number;
    causes: { cause: string; days: string }[];
  };
}) {
  const late = finish.now && finish.promise ? daysBetween(finish.promise, finish.now) : 0;
  return (
    <section>
      <h2 className="fs-5">
        {late > 0 && (
          <span className="bad">
            <StateIcon kind="late" silent /> {counted(late, 'day')} after what was promised.{' '}
          </span>
        )}
        {finish.halves === 0
          ? 'The end stands where it was agreed.'
          : `The end is ${Math.abs(finish.halves) / 2} worked ` +
            `${Math.abs(finish.halves) === 2 ? 'day' : 'days'} ${finish.halves > 0 ? 'later' : 'earlier'} ` +
            'than agreed.'}
      </h2>
      {finish.causes.length > 0 && (
        <ul className="small-text">
          {finish.causes.map((cause) => (
            <li key={cause.cause}>
              {cause.cause} <span className="fw-bold">({cause.days})</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

type CauseOfSlip = ProgressView['slipped'][number]['causes'][number];

/** What took most of the days, and the rest behind it. */
function Causes({ causes }: { causes: readonly CauseOfSlip[] }) {
  const said = ({ cause, days }: CauseOfSlip) => (
    <div key={cause}>
      {cause} <span className="soft">({days})</span>
    </div>
  );
  return (
    <>
      {causes.slice(0, 1).map(said)}
      {causes.length > 1 && <More words={counted(causes.length - 1, 'more cause')}>{causes.slice(1).map(said)}</More>}
    </>
  );
}

/** What slipped, and why. */
function Slipped({ view }: { view: ProgressView }) {
  const against = view.chosen ?? undefined;
  return (
    <Block className="mt-3" heading={<Means of="word.kept">What slipped, and why</Means>}>
      <table className="table-lines">
        <thead>
          <tr>
            <th style={{ width: '34%' }}>Work</th>
            <th style={{ width: '16%' }}>Ends</th>
            <th>
              <Means of="word.cause">Causes</Means>
            </th>
          </tr>
        </thead>
        <tbody>
          {view.slipped.map((entry) => (
            <tr key={entry.task}>
              <td className="fw-bold">
                {entry.label}
                {entry.state === 'done' && <span className="soft fw-normal"> (done)</span>}
              </td>
              <td className={entry.halves > 0 ? 'bad' : ''}>{entry.days}</td>
              <td className="small-text">
                {entry.causes.length > 0 ? (
                  <Causes causes={entry.causes} />
                ) : (
                  <span className="soft">
                    {entry.state === 'done' ? 'as the walk saw it' : 'as other work moved with it'}
                  </span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {view.slips > view.slipped.length && (
        <Link
          className="btn btn-link p-0 mt-2 no-print"
          href={routes.progress(view.job.id, { against, slips: 'all' })}
          scroll={false}
        >
          Show all {view.slips}
        </Link>
      )}
    </Block>
  );
}

'use client';
import dynamic from 'next/dynamic';
import { Link } from '../kit/link';
import { useMemo } from 'react';
import { Button, ProgressBar } from 'react-bootstrap';
import { routes } from '@/contract/routes';
import type { ForecastView } from '@/contract/views/forecast';
import type { JobHead } from '@/contract/views/job';
import { forecastOf, RUNS, type EndForecast, type Forecast as Told, type Worth } from '@/core/forecast/forecast';
import type { Tally } from '@/core/forecast/play';
import { formatDay } from '@/core/units/day';
import { lastDay } from '@/core/units/slot';
import { sayChance, sayForecast } from '@/core/words/forecast';
import { Line, Lines } from '../kit/lines';
import { useMoney } from '../kit/money';
import { Notice } from '../kit/notice';
import { Block, PageHead } from '../kit/page';
import { JobTabs } from '../shell/job-tabs';
import { useForecast, type Played } from './use-forecast';

/** What draws charts comes after the page stands, and its place is kept for it. */
const EndsByDay = dynamic(() => import('./ends-by-day').then((chart) => chart.EndsByDay), {
  ssr: false,
  loading: () => <div className="chart" />,
});

/** When a job ends, as a chance: played ten thousand times in the browser. */
export function Forecast({ job }: { job: JobHead }) {
  const { played, stop } = useForecast(job.id);
  return (
    <>
      <JobTabs job={job} />
      <div className="page">
        <PageHead heading="Forecast">
          <span className="push actions no-print">
            <Link href={routes.schedule(job.id)} className="btn btn-sm btn-outline-secondary">
              To the board
            </Link>
          </span>
        </PageHead>
        {played.state === 'fetching' && <p role="status">Fetching the plan to play …</p>}
        {played.state === 'failed' && <Notice bad>{played.problem}</Notice>}
        {'tally' in played && <Shown played={played} stop={stop} />}
      </div>
    </>
  );
}

function Shown({ played, stop }: { played: Extract<Played, { tally: Tally }>; stop: () => void }) {
  const { view, tally, state } = played;
  const told = useMemo(() => forecastOf(view.net, tally), [view, tally]);
  const [whole, ...areas] = told.ends;
  if (!whole) return null;
  return (
    <>
      <Progress state={state} runs={told.runs} stop={stop} />
      <p className="lead">{sayForecast(dayOf(view, whole.likely), whole.kept, view.promise)}</p>
      <dl className="figures">
        <Figure term="as planned">{view.planned}</Figure>
        <Figure term="as likely sooner as later">{dayOf(view, whole.half)}</Figure>
        <Figure term="four in five times by">{dayOf(view, whole.likely)}</Figure>
        <Figure term={view.promise === null ? 'promised' : `promise of ${view.promise} kept`}>
          {whole.kept === null ? 'nothing yet' : sayChance(whole.kept)}
        </Figure>
      </dl>
      <EndsByDay
        counts={tally.ends[0] ?? []}
        origin={view.net.origin}
        promise={view.net.ends[0]?.promise ?? null}
        label={`The job ends between ${dayOf(view, whole.best)} and ${dayOf(view, whole.worst)} in eight of ten runs.`}
      />
      <p className="soft small-text">
        How often the job ends on each day{view.promise !== null && '; red is after the promise'}.
      </p>
      <div className="columns">
        <Block heading="Rooms and milestones, four in five times by">
          <Ends view={view} ends={areas} />
        </Block>
        <div>
          <Block heading="Worth settling now">
            <WorthOf worth={told.worth} />
          </Block>
          <Block heading="What decides the end">
            <Deciding view={view} told={told} />
          </Block>
        </div>
      </div>
      <p className="soft small-text mt-3">
        {view.records === 0
          ? 'The firm has no records of finished work yet: times vary as is usual in the trade.'
          : `Times vary as ${view.records} finished steps of this firm did.`}{' '}
        {view.weather
          ? 'Outdoor work loses what the usual weather of its months takes.'
          : 'No usual weather was entered under Settings, so rain after the outlook is not counted.'}{' '}
        A crew whose next work is not ready takes what is; nobody plans anew when something slips, so a good answer does
        better than this.
      </p>
    </>
  );
}

const dayOf = ({ net: { origin } }: ForecastView, slot: number): string => formatDay(lastDay(origin, slot), origin);

function Progress({ state, runs, stop }: { state: 'playing' | 'whole' | 'stopped'; runs: number; stop: () => void }) {
  if (state === 'whole') return null;
  return (
    <div className="mb-2 small-text" role="status">
      {state === 'stopped' ? (
        <span className="soft">Stopped after {runs.toLocaleString('en')} runs; they count.</span>
      ) : (
        <>
          <ProgressBar now={runs} max={RUNS} aria-label="Runs played" className="mb-1" />
          {runs.toLocaleString('en')} of {RUNS.toLocaleString('en')} runs.{' '}
          <Button variant="link" size="sm" onClick={stop}>
            Stop, these are enough
          </Button>
        </>
      )}
    </div>
  );
}

function Figure({ term, children }: { term: string; children: React.ReactNode }) {
  return (
    <div>
      <dt>{term}</dt>
      <dd>{children}</dd>
    </div>
  );
}

function Ends({ view, ends }: { view: ForecastView; ends: readonly EndForecast[] }) {
  return (
    <Lines className="small-text">
      {ends.map(({ id, label, half, likely }) => (
        <Line key={id} beside={<span className="fw-bold">{dayOf(view, likely)}</span>}>
          {label} <span className="soft">in half the runs by {dayOf(view, half)}</span>
        </Line>
      ))}
    </Lines>
  );
}

const SHOWN = 6;

const SETTLED: Record<Worth['kind'], string> = {
  assumption: 'look and be sure',
  inspection: 'make it pass the first time',
  order: 'have it in time',
  decision: 'have the answer in time',
};

function WorthOf({ worth }: { worth: readonly Worth[] }) {
  const money = useMoney();
  const most = Math.max(1, ...worth.map(({ sooner }) => sooner));
  if (worth.length === 0)
    return <p className="soft small-text mt-2">Nothing that is open moves the end by a quarter of a day or more.</p>;
  return (
    <Lines className="small-text worth">
      {worth.slice(0, SHOWN).map(({ label, kind, sooner, saves, wrong }) => (
        <Line key={`${kind} ${label}`} beside={<span className="fw-bold">{daysSaid(sooner)}</span>}>
          {label}{' '}
          <span className="soft">
            {SETTLED[kind]}; goes wrong {sayChance(wrong)}
            {saves > 0 && <>; worth about {money(roughly(saves))}</>}
          </span>
          <span className="bar d-block" style={{ inlineSize: `${(100 * sooner) / most}%` }} />
        </Line>
      ))}
    </Lines>
  );
}

/** To two figures: more of them would say more than is known. */
const roughly = (sum: number): number => {
  const step = 10 ** Math.max(0, Math.floor(Math.log10(sum)) - 1);
  return Math.round(sum / step) * step;
};

const daysSaid = (halfDays: number): string => `${(halfDays / 2).toFixed(1)} days`;

function Deciding({ view, told }: { view: ForecastView; told: Told }) {
  return (
    <Lines className="small-text worth">
      {told.critical
        .filter(({ task }) => view.names[task])
        .slice(0, 2 * SHOWN)
        .map(({ task, share }) => (
          <Line key={task} beside={<span>{sayChance(share)}</span>}>
            {view.names[task]}
            <span className="bar d-block" style={{ inlineSize: `${100 * share}%` }} />
          </Line>
        ))}
    </Lines>
  );
}

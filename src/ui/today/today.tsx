'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import type { Heard, TodayView } from '@/contract/views/today';
import { counted } from '@/core/words/count';
import { More } from '../kit/folded';
import { Line, Lines } from '../kit/lines';
import { Notice, PlanProblemNotice } from '../kit/notice';
import { Empty, PageHead } from '../kit/page';
import { FirstHour } from './first-hour';
import { InstallOffer } from './install-offer';
import { LookAround } from './look-around';
import { Houses } from './houses';
import { Lists } from './lists';
import { Way } from './way';

/** The next hours over all jobs as one picture: every house, where to go, and what is to be done about it. */
export function Today({ view, heard, cares }: { view: TodayView; heard: readonly Heard[]; cares: string[] }) {
  if (view.houses.length === 0) return <NoJobs view={view} />;
  return (
    <div className="page today">
      <PageHead heading={view.weekday}>
        <Link href={`${routes.words()}#marks`} className="push small-text">
          What the marks mean
        </Link>
      </PageHead>
      <FirstHour steps={view.firstHour} />
      <InstallOffer />
      <PlanProblemNotice problem={view.problem} />
      {cares.map((care) => (
        <Notice bad key={care}>
          {care}: <Link href={routes.settings()}>see under Settings</Link>
        </Notice>
      ))}
      <div className="today-parts">
        <div className="since">
          <Since view={view} />
          {heard.length > 0 && <FromOthers heard={heard} />}
        </div>
        <Houses houses={view.houses} today={view.today} />
        <Lists view={view} />
        <Way view={view} />
      </div>
    </div>
  );
}

const SINCE_SHOWN = 4;

/** What moved the ends of jobs since yesterday, the latest first; quiet where nothing did. */
function Since({ view: { since } }: { view: TodayView }) {
  const shown = [...since].sort((a, b) => b.days - a.days).slice(0, SINCE_SHOWN);
  return (
    <p>
      <b>Since yesterday</b>{' '}
      {since.length === 0 ? (
        <span className="soft">no job ends on another day</span>
      ) : (
        shown.map(({ job, name, days }, at) => (
          <span key={job}>
            {at > 0 && ' · '}
            {name} ends{' '}
            <span className={days > 0 ? 'bad fw-bold' : 'good fw-bold'}>
              {counted(Math.abs(days), 'day')} {days > 0 ? 'later' : 'earlier'}
            </span>
          </span>
        ))
      )}
      {since.length > shown.length && ` · ${counted(since.length - shown.length, 'more job')}`}
    </p>
  );
}

/** What people outside and colleagues did since yesterday, one press away. */
const FromOthers = ({ heard }: { heard: readonly Heard[] }) => (
  <More words={`${heard.length} new from others: ${[...new Set(heard.map(({ who }) => who))].slice(0, 3).join(', ')}`}>
    <Lines className="small-text">
      {heard.map(({ seq, who, did, about, when, job, path }) => (
        <Line key={seq} beside={<span className="soft">{when}</span>}>
          <b>{who}</b> {did}
          {about && `: ${about}`}, <Link href={path}>{job}</Link>
        </Line>
      ))}
    </Lines>
  </More>
);

function NoJobs({ view }: { view: TodayView }) {
  return (
    <div className="page">
      <FirstHour steps={view.firstHour} />
      <Empty>
        <h1>No job yet</h1>
        <p>
          Begin with one: its name, the first day of work, then its rooms from a pattern like “a house on two floors” or
          from a list you have as CSV. A first plan is there as soon as the rooms are set out.
        </p>
        <div className="actions">
          <Link href={routes.newJob()} className="btn btn-primary">
            Open the first job
          </Link>
          <Link href={routes.firm()} className="btn btn-outline-secondary">
            Name the subs
          </Link>
          <LookAround today={view.today} />
        </div>
      </Empty>
    </div>
  );
}

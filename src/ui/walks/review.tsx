import { routes } from '@/contract/routes';
import Link from 'next/link';
import type { ReviewView } from '@/contract/views/walk';
import { daysBetween, formatDay } from '@/core/units/day';
import { JobTabs } from '../shell/job-tabs';
import { StateIcon } from '../kit/state-icon';
import { Notice, PlanProblem } from '../kit/notice';
import { Pictures } from '../kit/pictures';
import { Unfiled } from './unfiled';
import type { JobHead } from '@/contract/views/job';
import type { WalkKind } from '@/core/walks/observation';

const TONES = { good: 'done', bad: 'waiting', plain: 'not-begun' } as const;
const percent = (fraction: number): string => `${Math.round(fraction * 1000) / 10} %`;

/** The end of a walk: what changed, what that does to the plan, and who is to be told. */
export function Review({ view }: { view: ReviewView }) {
  const { walk, job } = view;
  return (
    <>
      <JobTabs job={job} />
      <div className="page">
        <div className="page-head">
          <h1>
            {view.gain > 0.0005
              ? `${percent(view.gain)} further`
              : view.areas.length > 0
                ? 'What this walk found'
                : 'Nothing new found'}
          </h1>
          <span className="soft">
            {walk.kind} walk by {walk.by}, {walk.when} · {Math.round(view.done * 100)} % of the work is done
          </span>
          {!walk.finished && (
            <Link href={routes.walk(walk.id)} className="btn btn-primary push">
              Go on walking
            </Link>
          )}
        </div>
        <PlanProblem problem={view.problem} />
        {view.planning && <Notice>The plan is being computed; this page follows by itself.</Notice>}
        <div className="columns">
          <div>
            <div className="block-head">
              <h2>What changed</h2>
            </div>
            {view.areas.length === 0 && <p className="soft mt-2">Every room was found as it was.</p>}
            <ul className="lines">
              {view.areas.map((area) => (
                <li key={area.id}>
                  <div className="what">
                    <Link className="fw-bold" href={routes.room(job.id, area.id)}>
                      {area.name}
                    </Link>
                    {area.lines.map((line) => (
                      <div key={line.text}>
                        <StateIcon kind={TONES[line.tone]} silent /> {line.text}
                      </div>
                    ))}
                  </div>
                </li>
              ))}
            </ul>
            {view.passedBy.length > 0 && (
              <>
                <div className="block-head">
                  <h2>Not looked at</h2>
                  <span className="push small-text soft">carried to the next walk</span>
                </div>
                <ul className="lines">
                  {view.passedBy.map((item) => (
                    <li key={item.area + item.text}>
                      <StateIcon kind="waiting" silent />
                      <div className="what">
                        {item.text}{' '}
                        <span className="soft">
                          · {item.area}, {item.days} {item.days === 1 ? 'day' : 'days'} old
                        </span>
                      </div>
                    </li>
                  ))}
                </ul>
              </>
            )}
            {view.pictures.length > 0 && (
              <>
                <div className="block-head">
                  <h2>Pictures</h2>
                </div>
                <Pictures pictures={view.pictures} />
              </>
            )}
          </div>
          <div>
            {view.narrations.map((narration) => (
              <p key={narration.id} className="notice mt-0">
                <span>
                  {narration.name}:{' '}
                  {narration.open === 0
                    ? 'every draft settled'
                    : `${narration.open} ${narration.open === 1 ? 'draft waits' : 'drafts wait'} for your word`}
                  . <Link href={routes.walk(walk.id)}>In the walk, Line, Tell</Link>
                </span>
              </p>
            ))}
            {view.unfiled.length > 0 && <Unfiled lines={view.unfiled} />}
            <EffectOnPlan view={view} job={job} />
            <WhoIsTold view={view} walk={walk} job={job} />
          </div>
        </div>
      </div>
    </>
  );
}

/** Who is to be told, and what they would read. */
function WhoIsTold({
  view,
  walk,
  job,
}: {
  view: ReviewView;
  walk: { id: string; kind: WalkKind; when: string; by: string; finished: boolean };
  job: JobHead;
}) {
  return (
    <>
      <div className="block-head">
        <h2>Who is to be told</h2>
      </div>
      {view.drafts.length === 0 && (
        <p className="soft mt-2">
          {walk.finished ? 'The updates are being drafted.' : 'The updates are drafted when the walk is finished.'}
        </p>
      )}
      <ul className="lines">
        {view.drafts.map((draft) => (
          <li key={draft.id}>
            <StateIcon kind={draft.state === 'sent' ? 'done' : 'waiting'} />
            <div className="what">
              <Link className="fw-bold" href={routes.news(job.id, draft.id)}>
                {draft.audience === 'client' ? 'Client' : 'Crew'}: {draft.title}
              </Link>{' '}
              <span className="soft">{draft.state}</span>
            </div>
          </li>
        ))}
      </ul>
    </>
  );
}

/** What the walk does to the plan. */
function EffectOnPlan({ view, job }: { view: ReviewView; job: JobHead }) {
  return (
    <>
      <div className="block-head">
        <h2>What it does to the plan</h2>
      </div>
      <p className="mt-2 mb-1">{finishWords(view)}</p>
      {view.moved.length === 0 && <p className="soft">No other day changes.</p>}
      <ul className="lines">
        {view.moved.slice(0, 12).map((work) => {
          const days = daysBetween(work.from, work.to);
          return (
            <li key={work.label}>
              <StateIcon kind={days > 0 ? 'waiting' : 'under-way'} silent />
              <div className="what">
                <span className="fw-bold">{work.label}</span> {formatDay(work.from, view.today)} →{' '}
                {formatDay(work.to, view.today)}{' '}
                <span className={days > 0 ? 'bad' : 'good'}>
                  {Math.abs(days)} {Math.abs(days) === 1 ? 'day' : 'days'} {days > 0 ? 'later' : 'earlier'}
                </span>
                <div className="small-text soft">{work.reason}</div>
              </div>
            </li>
          );
        })}
      </ul>
      {view.moved.length > 12 && (
        <p className="soft small-text">
          and {view.moved.length - 12} more on the <Link href={routes.schedule(job.id)}>schedule</Link>
        </p>
      )}
      {view.rates.length > 0 && (
        <>
          <div className="block-head">
            <h2>How fast it goes</h2>
            <span className="push small-text soft">half-days for the whole step</span>
          </div>
          <ul className="lines">
            {view.rates.map((rate) => (
              <li key={rate.label}>
                <div className="what">{rate.label}</div>
                <span className={rate.observed > rate.planned ? 'bad' : 'good'}>{rate.observed} seen</span>{' '}
                <span className="soft">{rate.planned} planned</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

function finishWords({ finish, today }: ReviewView): string {
  if (!finish.after) return 'There is no plan to compare with yet.';
  const moved = finish.before ? daysBetween(finish.before, finish.after) : 0;
  const promised = finish.promised ? daysBetween(finish.promised, finish.after) : 0;
  return (
    [
      `Done ${formatDay(finish.after, today)}`,
      moved === 0
        ? 'as before'
        : `${Math.abs(moved)} ${Math.abs(moved) === 1 ? 'day' : 'days'} ${moved > 0 ? 'later' : 'earlier'} than before`,
      finish.promised
        ? promised > 0
          ? `${promised} ${promised === 1 ? 'day' : 'days'} after what was promised`
          : 'within what was promised'
        : '',
    ]
      .filter(Boolean)
      .join(', ') + '.'
  );
}

import { api, routes } from '@/contract/routes';
import { Link } from '../kit/link';
import type { ReviewView } from '@/contract/views/walk';
import type { MovedWork } from '@/core/news/news';
import { addDays, daysBetween, formatDay, type Day } from '@/core/units/day';
import { JobTabs } from '../shell/job-tabs';
import { StateIcon } from '../kit/state-icon';
import { Notice, PlanProblemNotice } from '../kit/notice';
import { Pictures } from '../kit/pictures';
import { Unfiled } from './unfiled';
import type { JobHead } from '@/contract/views/job';
import { counted } from '@/core/words/count';
import { sayCauses } from '@/core/words/cause';
import { sayReason } from '@/core/words/reason';
import { sayWork } from '@/core/words/work';
import { Folded, More } from '../kit/folded';
import { BlockHead, FoldedBlock, PageHead } from '../kit/page';
import { Means } from '../kit/means';
import { Line, Lines } from '../kit/lines';

const TONES = { good: 'done', bad: 'waiting', plain: 'not-begun' } as const;
const percent = (fraction: number): string => `${Math.round(fraction * 1000) / 10} %`;

/** Areas, and lines of one, that are shown before one asks for more. */
const AREAS_SHOWN = 6;
const LINES_SHOWN = 4;
const PICTURES_SHOWN = 4;

const lineOf = ({ text, tone }: ReviewView['areas'][number]['lines'][number]) => (
  <div key={text}>
    <StateIcon kind={TONES[tone]} silent /> {text}
  </div>
);

/** The end of a walk: what changed, what that does to the plan, and who is to be told. */
export function Review({ view }: { view: ReviewView }) {
  const { walk, job } = view;
  return (
    <>
      <JobTabs job={job} />
      <div className="page">
        <PageHead
          heading={
            view.gain > 0.0005
              ? `${job.name} moved on ${percent(view.gain)}`
              : view.areas.length > 0
                ? 'What this walk found'
                : 'Nothing new found'
          }
        >
          <span className="soft">
            {walk.kind} walk by {walk.by}, {walk.when} · {Math.round(view.done * 100)} % of the work is done
          </span>
          {!walk.finished && (
            <Link href={routes.walk(walk.id)} className="btn btn-primary push">
              Go on walking
            </Link>
          )}
        </PageHead>
        <PlanProblemNotice problem={view.problem} />
        {view.planning && <Notice>The plan is being computed; this page follows by itself.</Notice>}
        <div className="columns">
          <div>
            <BlockHead heading="What changed" />
            {view.areas.length === 0 && <p className="soft mt-2">Every room was found as it was.</p>}
            <Folded of={view.areas} shown={AREAS_SHOWN}>
              {(area) => (
                <Line key={area.id}>
                  <Link className="fw-bold" href={routes.room(job.id, area.id)}>
                    {area.name}
                  </Link>
                  {area.lines.slice(0, LINES_SHOWN).map(lineOf)}
                  {area.lines.length > LINES_SHOWN && (
                    <More words={`${area.lines.length - LINES_SHOWN} more there`}>
                      {area.lines.slice(LINES_SHOWN).map(lineOf)}
                    </More>
                  )}
                </Line>
              )}
            </Folded>
            {view.passedBy.length > 0 && (
              <>
                <BlockHead heading="Not looked at">
                  <span className="push small-text soft">carried to the next walk</span>
                </BlockHead>
                <Folded of={view.passedBy} shown={3}>
                  {(item) => (
                    <Line key={item.area + item.text} mark={<StateIcon kind="open" silent />}>
                      {item.text}{' '}
                      <span className="soft">
                        · {item.area}, {item.days} {item.days === 1 ? 'day' : 'days'} old
                      </span>
                    </Line>
                  )}
                </Folded>
              </>
            )}
            {view.pictures.length > 0 && (
              <>
                <BlockHead heading="Pictures" />
                <Pictures pictures={view.pictures} shown={PICTURES_SHOWN} />
              </>
            )}
          </div>
          <div>
            {view.narrations.map((narration) => (
              <p key={narration.id} className="notice mt-0">
                <span>
                  {narration.name}:{' '}
                  {narration.open === 0
                    ? 'every note is checked.'
                    : `${counted(narration.open, 'note')} from what you said ${narration.open === 1 ? 'is' : 'are'} to be checked.`}{' '}
                  <Link href={routes.walk(walk.id)}>Open the walk</Link>
                </span>
              </p>
            ))}
            <p className="small-text no-print">
              <Link href={routes.walk(walk.id)}>Add what was said: a recording with its captions, or text</Link>
              {view.narrations.length > 0 && (
                <>
                  {' · '}
                  <a href={api.walkLabels(walk.id)} download>
                    What was heard, and what became of it (CSV)
                  </a>
                </>
              )}
            </p>
            {view.unfiled.length > 0 && <Unfiled lines={view.unfiled} />}
            <EffectOnPlan view={view} />
            <WhoIsTold view={view} walk={walk} job={job} />
          </div>
        </div>
      </div>
    </>
  );
}

const READS = {
  client: 'Read and send what the client is told',
  crew: 'Read and send what the crew is told',
  neighbour: 'Read and send what the neighbours are told',
} as const;

/** Who is to be told; what they would read is composed when it is opened. */
function WhoIsTold({ view, walk, job }: { view: ReviewView; walk: { finished: boolean }; job: JobHead }) {
  return (
    <>
      <BlockHead heading="Who is to be told" />
      {!walk.finished && <p className="soft mt-2">What they would read stands under News once the walk is finished.</p>}
      {walk.finished && view.readers.length === 0 && (
        <p className="soft mt-2">Client and crew were written to since.</p>
      )}
      {walk.finished && (
        <Lines>
          {view.readers.map((audience) => (
            <Line key={audience} mark={<StateIcon kind="open" silent />}>
              <Link className="fw-bold" href={routes.news(job.id, audience)}>
                {READS[audience]}
              </Link>
            </Line>
          ))}
        </Lines>
      )}
    </>
  );
}

/** What lies beyond is planned anew often: it is told as one sentence. */
const NEAR_DAYS = 14;
const SHOWN = 4;

function Later({ moved, today }: { moved: readonly MovedWork[]; today: Day }) {
  const days = moved.map(({ from, to }) => daysBetween(from, to));
  if (moved.length === 0) return null;
  const most = days.reduce((far, one) => (Math.abs(one) > Math.abs(far) ? one : far), 0);
  const first = moved.reduce((day, { to }) => (to < day ? to : day), moved[0]?.to ?? today);
  return (
    <p className="soft small-text">
      From {formatDay(first, today)} on {counted(moved.length, 'more step moves', 'more steps move')}, by{' '}
      {counted(Math.abs(most), 'day')} {most > 0 ? 'later' : 'earlier'} at most.
    </p>
  );
}

/** What the walk does to the plan. */
function EffectOnPlan({ view }: { view: ReviewView }) {
  const soon = addDays(view.today, NEAR_DAYS);
  const isNear = (work: MovedWork): boolean => work.from <= soon || work.to <= soon;
  const near = view.moved.filter(isNear);
  return (
    <>
      <BlockHead heading={<Means of="word.plan">What it does to the plan</Means>} />
      <p className="mt-2 mb-1">
        {finishWords(view)} {sayCauses(view.causes, view.today)}
      </p>
      {view.moved.length === 0 && <p className="soft">No other day changes.</p>}
      <Folded of={near} shown={SHOWN}>
        {(work) => {
          const days = daysBetween(work.from, work.to);
          return (
            <Line key={sayWork(work.work)} mark={<StateIcon kind={days > 0 ? 'waiting' : 'under-way'} silent />}>
              <span className="fw-bold">{sayWork(work.work)}</span> {formatDay(work.from, view.today)} →{' '}
              {formatDay(work.to, view.today)}{' '}
              <span className={days > 0 ? 'bad' : 'good'}>
                {Math.abs(days)} {Math.abs(days) === 1 ? 'day' : 'days'} {days > 0 ? 'later' : 'earlier'}
              </span>
              <div className="small-text soft">
                {work.causes?.length ? sayCauses(work.causes, view.today) : sayReason(work.reason, view.today)}
              </div>
            </Line>
          );
        }}
      </Folded>
      <Later moved={view.moved.filter((work) => !isNear(work))} today={view.today} />
      {view.rates.length > 0 && (
        <FoldedBlock heading="How fast it goes" says="half-days for the whole step">
          <Lines>
            {view.rates.map((rate) => (
              <Line
                key={rate.label}
                beside={
                  <>
                    <span className={rate.observed > rate.planned ? 'bad' : 'good'}>{rate.observed} seen</span>{' '}
                    <span className="soft">{rate.planned} planned</span>
                  </>
                }
              >
                {rate.label}
              </Line>
            ))}
          </Lines>
        </FoldedBlock>
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

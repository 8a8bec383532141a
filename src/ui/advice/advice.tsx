'use client';
import { Link } from '../kit/link';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { v7 } from 'uuid';
import { takeAnswer } from '@/contract/commands/advice';
import { api, routes, type SlipOf } from '@/contract/routes';
import type { AnswerView, PlacedAnswer, SlipView } from '@/contract/views/advice';
import type { JobHead } from '@/contract/views/job';
import { counted } from '@/core/words/count';
import { Effect } from '../kit/effect';
import { Line, Lines } from '../kit/lines';
import { Sum, useMoney } from '../kit/money';
import { Notice } from '../kit/notice';
import { Block, PageHead } from '../kit/page';
import { useSend } from '../kit/use-send';
import { JobTabs } from '../shell/job-tabs';
import { Ladders } from './ladders';
import { againstPromise, isLate, tripsSaid } from './said';
import { EMPTY, ranked, withPart, type Sheet } from './sheet';
import { useParts, type Coming } from './use-parts';

/** What slipped, what it does if nobody acts, and every answer to it with what each brings. */
export function Advice({ job, plan, of }: { job: JobHead; plan: number; of: SlipOf }) {
  const { known, coming, stop, again } = useParts(api.advice(of), EMPTY, withPart);
  const { slip } = known;
  const stale = slip !== undefined && slip.plan < plan;
  return (
    <>
      <JobTabs job={job} />
      <div className="page">
        {slip ? (
          <>
            {stale && (
              <Notice>
                The plan has changed since these answers were worked out.{' '}
                <Button variant="link" size="sm" className="p-0 align-baseline" onClick={again}>
                  Work them out again
                </Button>
              </Notice>
            )}
            <Answers key={slip.plan} sheet={{ ...known, slip }} of={of} coming={coming} stop={stop} />
          </>
        ) : (
          <>
            <PageHead heading="When something slips" />
            {coming.state === 'failed' ? (
              <Notice bad>{coming.problem}</Notice>
            ) : (
              <p role="status">Looking at what it does to the whole plan…</p>
            )}
            <p>
              <Link href={routes.schedule(job.id)}>To the schedule</Link>
            </p>
          </>
        )}
      </div>
    </>
  );
}

/** How many answers are placed, while there are more to come. */
function Placing({ coming, placed, of, stop }: { coming: Coming; placed: number; of: number; stop: () => void }) {
  if (coming.state === 'whole') return null;
  if (coming.state === 'failed') return <Notice bad>{coming.problem}</Notice>;
  if (coming.state === 'stopped')
    return (
      <p className="soft small-text" role="status">
        Stopped: {placed} of {of} answers were placed.
      </p>
    );
  return (
    <p className="small-text" role="status">
      Placing every answer on the whole plan: {placed} of {of}.{' '}
      <Button variant="link" size="sm" onClick={stop}>
        Stop, these are enough
      </Button>
    </p>
  );
}

/** So many answers are drawn beside waiting; on a phone none is. */
const DRAWN = 4;

function Answers({
  sheet,
  of,
  coming,
  stop,
}: {
  sheet: Sheet & { slip: SlipView };
  of: SlipOf;
  coming: Coming;
  stop: () => void;
}) {
  const { slip: view } = sheet;
  const { best, folded } = useMemo(() => ranked(sheet), [sheet]);
  const [picked, setPicked] = useState<string>();
  const chosen = picked ?? best[0]?.key;
  const router = useRouter();
  const { busy, give } = useSend();
  const told = useRef<HTMLDivElement>(null);
  const pick = (key: string): void => {
    setPicked(key);
    // On a phone what it does stands below all answers.
    if (window.matchMedia('(width <= 991px)').matches) told.current?.scrollIntoView();
  };
  const answer = best.find(({ key }) => key === chosen);
  const take = async ({ title, steps, endDay }: AnswerView): Promise<void> => {
    const kept = await give(
      takeAnswer,
      {
        ...{ id: v7(), job: view.job.id, selection: undefined, task: undefined, ...of, title },
        ...{ steps, ends: endDay, wouldEnd: view.wait.endDay },
      },
      { text: `Taken: ${title}. The plan follows within seconds.`, back: 'Taken back: all is as it was.' },
    );
    // The answers are those of before it: the plan that follows is looked at on the board.
    if (kept) router.push(routes.schedule(view.job.id));
  };
  return (
    <>
      <PageHead heading={view.heading}>
        <span className="soft">{view.known}</span>
      </PageHead>
      <p className="mb-2">
        <span className="fw-bold">If nobody acts:</span> the job ends{' '}
        <span className={isLate(view.wait) ? 'bad fw-bold' : 'fw-bold'}>
          {view.wait.ends}
          {view.wait.late !== null && `, ${againstPromise(view.wait.late)}`}
        </span>
        .{view.promise === null && ' Nothing is promised to the client yet.'}
      </p>
      <Placing coming={coming} placed={sheet.placed.length + sheet.refused.length} of={view.answers} stop={stop} />
      <div className="advice">
        <div>
          <Ladders slip={view} answers={best.slice(0, DRAWN)} chosen={chosen} onPick={pick} />
          <ul className="answers" aria-label="Answers">
            <li className="drawn">
              <div className="answer">
                <Facts answer={view.wait} />
              </div>
            </li>
            {best.map((one, at) => (
              <li key={one.key} className={at < DRAWN ? 'drawn' : ''}>
                <button
                  type="button"
                  className={one.key === chosen ? 'answer chosen' : 'answer'}
                  aria-pressed={one.key === chosen}
                  onClick={() => pick(one.key)}
                >
                  <Facts answer={one} />
                </button>
              </li>
            ))}
          </ul>
        </div>
        <div ref={told}>
          {answer ? (
            <Block heading={answer.title} aria-live="polite">
              <p className="soft small-text">{answer.how}</p>
              <Costs answer={answer} />
              <Effect view={answer.effect} />
              <p className="mt-3 mb-1">
                <Button disabled={busy} onClick={() => void take(answer)}>
                  Take this
                </Button>
              </p>
              <p className="soft small-text">
                It tells nobody: who has to hear of it stands under What moved. One undo puts everything back.
              </p>
            </Block>
          ) : (
            coming.state !== 'coming' && <p className="soft">Nothing that the program knows is better than waiting.</p>
          )}
        </div>
      </div>
      {folded.length > 0 && (
        <details className="small-text mt-3">
          <summary>{counted(folded.length, 'more is no better', 'more are no better')}</summary>
          <ul className="mb-0">
            {folded.map(({ title, why }, at) => (
              <li key={`${title}${at}`}>
                <span className="fw-bold">{title}</span>: {why}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

/** What an answer costs more than waiting, part by part. */
function Costs({ answer: { costs, cost } }: { answer: AnswerView }) {
  if (costs.parts.length === 0 && costs.unknown.length === 0) return null;
  return (
    <>
      <Lines className="small-text mb-3">
        {costs.parts.map(({ label, amount }) => (
          <Line key={label} beside={<Sum of={amount} />}>
            {label}
          </Line>
        ))}
        {costs.parts.length > 1 && (
          <Line beside={<Sum of={cost} bold />}>
            <span className="fw-bold">Against waiting</span>
          </Line>
        )}
        {costs.unknown.map((label) => (
          <Line key={label} beside={<span className="soon">no price known</span>}>
            {label}
          </Line>
        ))}
      </Lines>
    </>
  );
}

/** An answer at a glance: where it ends, and what it takes. */
function Facts({ answer }: { answer: PlacedAnswer }) {
  const { title, how, ends, late, won, trips, people, conflicts, daysOff, nights, cost } = answer;
  const money = useMoney();
  return (
    <>
      <span className="fw-bold d-block">{title}</span>
      <span className="soft small-text d-block where">{how}</span>
      <span className="ends d-block">{ends}</span>
      {late !== null && (
        <span className={`d-block small-text ${isLate(answer) ? 'bad' : 'good'}`}>{againstPromise(late)}</span>
      )}
      <span className="facts small-text">
        <span>Days won</span>
        <span>{won}</span>
        {cost !== 0 && (
          <>
            <span>{cost > 0 ? 'Costs more' : 'Costs less'}</span>
            <span className="mono">{money(Math.abs(cost))}</span>
          </>
        )}
        <span>Trips</span>
        <span>{tripsSaid(trips)}</span>
        {nights > 0 && (
          <>
            <span>Nights without</span>
            <span className="bad">{nights}</span>
          </>
        )}
        <span>Days off worked</span>
        <span>{daysOff}</span>
        <span>People to tell</span>
        <span>{people}</span>
        <span>Promises to settle</span>
        <span className={conflicts > 0 ? 'bad' : ''}>{conflicts}</span>
      </span>
    </>
  );
}

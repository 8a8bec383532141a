import type { PlanProblem } from '@/contract/views/plan';
import { routes, type Path } from '@/contract/routes';
import type { FiledAs } from '@/contract/commands/walks';
import type { ReviewView } from '@/contract/views/walk';
import { makePlan } from '@/core/schedule/plan';
import { groupBy } from '@/core/group-by';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { TRADES } from '@/core/sequence/trades';
import { percent, type Seen } from '@/core/news/news';
import { daysBetween } from '@/core/units/day';
import { inOrderSeen, ofKind, UNFILED_KINDS, type Observation } from '@/core/walks/observation';
import { countedWords, recordWords } from '@/core/walks/record-words';
import { dayIn } from '@/core/units/zone';
import { notFound } from '../refusal';
import { seenOnWalk } from '../plan/walk-news';
import { sinceThen } from '../plan/causes';
import { effectOf, keptEffect, type Effect } from '../plan/effect';
import { planInput } from '../plan/plan-input';
import { jobHead } from './job-head';
import { pictureViews } from './room';
import { personNames } from '../reading/firm';
import { areaNames, stepRows } from '../reading/job';
import { isSettled } from '@/core/narration/draft';
import { draftsIn } from '../reading/narrations';
import { planAsOf, readPlan, wholePlan } from '../reading/plan';
import type { FirmReading, JobReading } from '../reading/reading';
import { closedSince, recordsOfWalk } from '../reading/records';
import { carriedOf, progressOf } from '../reading/standing';
import { workedHalfDays } from '../reading/site';
import { filingsOfWalk, narrationsOf, planOfWalk, walkRow, type WalkRow } from '../reading/walk';
import { waitingReaders } from '../reading/updates';
import { whenSeen } from '../words';

/**
 * The end of a walk: what it changed, what that does to the plan, and the updates. Before it is finished the effect is
 * worked out on the spot; afterwards it is the one that was stored.
 * @param allJobs a reading of all jobs, made only where the plan is worked out here
 */
export function reviewView(job: JobReading, id: string, allJobs: () => FirmReading): ReviewView {
  const { db, today: now } = job.firm;
  const walk = walkRow(db, id);
  if (walk.job !== job.id) throw notFound('walk of this job');
  const { effect, planning, problem } = effectIn(job, walk, allJobs);
  const news = effect && seenOnWalk(job, walk.id, effect);
  const seen = recordsOfWalk(db, id);
  return {
    job: jobHead(job),
    walk: {
      id,
      kind: walk.kind,
      when: whenSeen(walk.started_at, job.firm),
      finished: walk.finished_at !== null,
      by: personNames(job.firm).get(walk.person) ?? '',
    },
    gain: news?.diff.gain ?? 0,
    done: news?.done ?? 0,
    areas: news ? areaLines(news) : [],
    ...openOf(job, walk, seen),
    rates: news ? ratesOf(job, seen) : [],
    narrations: narrationsLeft(job, walk),
    pictures: pictureViews(job, ofKind(seen, 'picture').reverse()),
    moved: news?.moved ?? [],
    finish: news?.finish ?? {},
    causes: news?.causes ?? [],
    planning,
    problem,
    readers: waitingReaders(job),
    today: now,
  };
}

/** What the walk did to the plan: as it was kept, or, while nothing is, worked out on the spot. */
function effectIn(
  job: JobReading,
  walk: WalkRow,
  allJobs: () => FirmReading,
): { effect: Effect | null; planning: boolean; problem: PlanProblem | null } {
  const { db } = job.firm;
  const stored = planOfWalk(db, walk.id);
  if (stored?.effect) return { effect: keptEffect(stored.effect), planning: false, problem: null };
  if (stored) {
    const before = stored.before_version === null ? undefined : readPlan(db, { version: stored.before_version });
    const after = readPlan(db, { version: stored.after_version });
    return { effect: after ? effectOf(before, after, job.id) : null, planning: false, problem: null };
  }
  const firm = allJobs();
  const before = planAsOf(db, walk.started_at);
  const outcome = makePlan(planInput(firm));
  const after = outcome.ok ? outcome.value : wholePlan(firm);
  return {
    effect: after ? effectOf(before, after, job.id, sinceThen(db, job.id, walk.started_at, undefined)) : null,
    planning: walk.finished_at !== null,
    problem: outcome.ok ? null : { message: outcome.problem.message, stale: true },
  };
}

/** What nobody looked at, and what was said and has no place yet. */
function openOf(
  job: JobReading,
  walk: WalkRow,
  seen: readonly Observation[],
): Pick<ReviewView, 'passedBy' | 'unfiled'> {
  const { zone, today: now, db } = job.firm;
  const names = areaNames(job);
  // Open when the walk began: what is open still, and what was found done since.
  const carried = carriedOf(job).map(({ item }) => item);
  const open = [...carried, ...closedSince(job, walk.started_at)]
    .filter((item) => item.walk !== walk.id && item.at <= walk.started_at)
    .sort(inOrderSeen);
  const before = [...new Map(open.map((item) => [item.id, item])).values()];
  const looked = new Set(
    ofKind(seen, 'recheck')
      .filter((check) => check.verdict !== 'not seen')
      .map((check) => check.about),
  );
  const placed = filingsOfWalk(db, walk.id);
  return {
    passedBy: before
      .filter((item) => !looked.has(item.id))
      .map((item) => ({
        area: names.get(item.area) ?? '',
        text: 'text' in item ? (item.text ?? '') : '',
        days: daysBetween(dayIn(zone, item.at), now),
      }))
      .sort((a, b) => b.days - a.days),
    unfiled: seen
      .filter((observation) => (UNFILED_KINDS as readonly string[]).includes(observation.kind))
      .map((observation) => {
        const place = placed.get(observation.id);
        return {
          id: observation.id,
          kind: observation.kind,
          area: names.get(observation.area) ?? '',
          areaId: observation.area,
          text: recordWords(observation),
          filedAs: place?.filedAs ?? null,
          href: place ? (PAGES[place.filedAs]?.(walk.job, place.target) ?? null) : null,
        };
      }),
  };
}

const PAGES: Record<FiledAs, ((job: string, target: string | null) => Path) | null> = {
  scope: (job) => routes.scope(job),
  finding: (job) => routes.scope(job),
  assumption: (job) => routes.assumptions(job),
  change: (job) => routes.changes(job),
  wait: (job) => routes.sequence(job),
  selection: (job, target) => (target ? routes.selection(job, target) : routes.selections(job)),
  remark: null,
};

/** Steps that moved on this walk against the walk before, by how fast that was. */
function ratesOf(job: JobReading, seen: readonly Observation[]): ReviewView['rates'] {
  const between = workedHalfDays(job.firm);
  const names = areaNames(job);
  const steps = new Map(stepRows(job).map((step) => [taskId(step.area, step.phase) as string, step]));
  const moved = new Set(ofKind(seen, 'progress').map((entry) => taskId(entry.area, entry.phase) as string));
  return [...progressOf(job)].flatMap(([key, { readings }]) => {
    const [former, last, step] = [readings.at(-2), readings.at(-1), steps.get(key)];
    if (!moved.has(key) || !former || !last || !step || last.fraction <= former.fraction) return [];
    const halfDays = between(former.at, last.at);
    return halfDays > 0
      ? [
          {
            label: `${names.get(step.area) ?? ''} · ${phaseFacts(step.phase).label}`,
            planned: step.half_days,
            observed: Math.round((halfDays / (last.fraction - former.fraction)) * 10) / 10,
          },
        ]
      : [];
  });
}

/** Narrations with drafts that nobody has settled. */
const narrationsLeft = (job: JobReading, walk: WalkRow): ReviewView['narrations'] =>
  narrationsOf(job.firm.db, walk.id).map(({ dropped, accepted, ...narration }) => ({
    id: narration.id,
    name: narration.name,
    open: draftsIn(job, narration).filter((key) => !isSettled(key, [...dropped, ...accepted])).length,
  }));

const far = (fraction: number): string => (fraction >= 1 ? 'done' : percent(fraction));

type Line = ReviewView['areas'][number]['lines'][number];

/** What a walk found, area by area in the order in which it is read. */
function areaLines(news: Seen): ReviewView['areas'] {
  const { diff } = news;
  const said: { area: string; tone: Line['tone']; text: string }[] = [
    ...diff.progress.map(({ area, phase, from, to }) => ({
      area,
      tone: good(to > from),
      text: `${phaseFacts(phase).label} ${far(from)} → ${far(to)}`,
    })),
    ...diff.closed.map(({ area, text }) => ({ area, tone: 'good' as const, text: `settled: ${text}` })),
    ...diff.remaining.map((item) => ({
      area: item.area,
      tone: 'bad' as const,
      text: `to do: ${countedWords(item)} · ${TRADES[item.trade].toLowerCase()}`,
    })),
    ...diff.selections.map(({ area, selection, verdict, text }) => ({
      area,
      tone: good(verdict === 'right'),
      text: `${news.selections.get(selection)?.category ?? 'selection'}: ${verdict}${text ? ` (${text})` : ''}`,
    })),
    ...news.settled.map((assumption) => ({
      area: assumption.area,
      tone: good(assumption.verdict === 'held'),
      text: settledWords(assumption),
    })),
    ...diff.surprises.map(({ area, text }) => ({ area, tone: 'bad' as const, text: `surprise: ${text}` })),
    ...diff.decisions.map((decision) => ({
      area: decision.area,
      tone: 'plain' as const,
      text: `decided: ${recordWords(decision)}`,
    })),
    ...diff.inWalls.map((thing) => ({ area: thing.area, tone: 'good' as const, text: recordWords(thing) })),
    ...diff.shorts.map((short) => ({
      area: short.area,
      tone: 'bad' as const,
      text: `need material: ${recordWords(short)}`,
    })),
    ...diff.checks
      .filter((check) => check.verdict === 'open')
      .map(({ area, text }) => ({
        area,
        tone: 'bad' as const,
        text: `open before the wall is closed${text ? `: ${text}` : ''}`,
      })),
    ...diff.cautions.map(({ area, text }) => ({ area, tone: 'bad' as const, text: `caution: ${text}` })),
    ...diff.notes.map(({ area, text }) => ({ area, tone: 'plain' as const, text })),
    ...diff.measurements.map(({ area, text, typed }) => ({ area, tone: 'plain' as const, text: `${text}: ${typed}` })),
  ];
  return [...groupBy(said, ({ area }) => area)].map(([id, lines]) => ({
    id,
    name: news.areas.get(id) ?? '',
    lines: lines.map(({ tone, text }) => ({ tone, text })),
  }));
}

const good = (is: boolean): Line['tone'] => (is ? 'good' : 'bad');

const settledWords = ({ text, verdict, found, fallback }: Seen['settled'][number]): string =>
  verdict === 'held' ? `it held: ${text}` : `wrong: ${text}${found ? ` (${found})` : ''}; ${fallback} is added`;

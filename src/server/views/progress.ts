import type { ProgressView } from '@/contract/views/progress';
import { groupBy } from '@/core/group-by';
import { jobFinish } from '@/core/schedule/plan';
import { loadByWeek, shareByDay, slipOf, sumByCause, workedDaysFrom, type Baseline } from '@/core/schedule/slippage';
import { countBefore } from '@/core/schedule/calendar';
import { phaseFacts } from '@/core/sequence/phases';
import { taskRef } from '@/core/sequence/site';
import { TRADES, type Trade } from '@/core/sequence/trades';
import { addDays, daysBetween, formatDay, mondayOf, type Day } from '@/core/units/day';
import { lastDay, slotOf } from '@/core/units/slot';
import { dayIn, type Zone } from '@/core/units/zone';
import { daysOf } from '@/core/words/count';
import { sayAnswerKept } from '@/core/words/answer-kept';
import { sayCauses } from '@/core/words/cause';
import { sayWork } from '@/core/words/work';
import { jobHead } from './job-head';
import { answerRows } from '../reading/answers';
import { baselineRows, movesSince, type KeptMove } from '../reading/baselines';
import { holidaysOf } from '../reading/firm';
import { jobRow } from '../reading/job';
import { planOf, wholePlan, type StoredPlan } from '../reading/plan';
import type { JobReading } from '../reading/reading';
import { progressOf } from '../reading/standing';
import { weightsOf, workDoneOf } from '../reading/weights';
import { whenSeen } from '../words';

const LOAD_WEEKS = 8;
/** Weeks that are drawn. */
const WEEKS = 80;
/** Slips that are told before one asks for all. */
const FIRST_SLIPS = 5;

const daysWords = (halves: number): string => `${daysOf(Math.abs(halves))} ${halves > 0 ? 'later' : 'earlier'}`;

/**
 * A job against one of its baselines (the first unless another is asked for): what slipped and why, work done over
 * time, load of trades.
 */
export function progressView(
  job: JobReading,
  { against, allSlips = false }: { against?: string | undefined; allSlips?: boolean } = {},
): ProgressView {
  const { firm } = job;
  const { today: now, zone } = firm;
  const row = jobRow(job);
  const plan = planOf(job);
  const rows = baselineRows(job);
  const chosen = rows.find((entry) => entry.id === against) ?? rows[0];
  const holidays = holidaysOf(firm);
  const finish = plan && jobFinish(plan, job.id);
  const finishDay = plan && finish !== undefined ? lastDay(plan.origin, finish) : null;
  const moves = chosen ? movesSince(job, chosen.made_at) : [];
  const work = workOf(job);
  const baseline = chosen && { ...chosen, work: JSON.parse(chosen.tasks) as Baseline['tasks'] };
  const overTime = timeline(work, plan, job.id, baseline, { start: row.start_day, now, finish: finishDay, zone });
  const weekNow = overTime.weeks.findLastIndex((week) => week <= now);
  return {
    job: jobHead(job),
    today: now,
    answers: [...answerRows(job)].reverse().map(({ id, title, taken_on, ends, would_end }) => ({
      ...{ id, title, kept: finishDay !== null && finishDay <= ends },
      words: sayAnswerKept(
        { taken: formatDay(taken_on, now), ends: formatDay(ends, now), waiting: formatDay(would_end, now) },
        finishDay ? formatDay(finishDay, now) : null,
      ),
    })),
    baselines: rows.map((entry) => ({
      id: entry.id,
      name: entry.name,
      when: whenSeen(entry.made_at, firm),
      finish: entry.finish_day ? formatDay(entry.finish_day, now) : '',
    })),
    chosen: chosen?.id ?? null,
    finish: {
      now: finishDay,
      then: chosen?.finish_day ?? null,
      promise: row.promise_day,
      halves: finishDay && chosen?.finish_day ? workedBetweenDays(chosen.finish_day, finishDay, holidays) : 0,
      causes: sumByCause(moves.filter((move) => move.task === null))
        .slice(0, 6)
        .map(({ causes, halves }) => ({ cause: sayCauses(causes, now), days: daysWords(halves) })),
    },
    weeksLeft: finishDay ? Math.max(0, Math.ceil((daysBetween(now, finishDay) + 1) / 7)) : null,
    done: work.share,
    planned: shareIn(overTime.planned[weekNow]),
    hidden: work.hidden,
    words: work.words,
    ...(baseline && plan
      ? slippedOf(baseline, plan, holidays, moves, { all: allSlips, now })
      : { slips: 0, slipped: [] }),
    overTime,
    load: loadOf(job),
  };
}

/** A percentage as a share; null where there is none, as before the first week. */
const shareIn = (percent: number | null | undefined): number | null => (percent == null ? null : percent / 100);

/** Half-days worked from the end of one day to the end of another; less than 0 where the second is earlier. */
function workedBetweenDays(from: Day, to: Day, holidays: ReadonlySet<Day>): number {
  const [first, last, sign] = from <= to ? [from, to, 1] : [to, from, -1];
  const calendar = workedDaysFrom(first, daysBetween(first, last) + 2, holidays);
  return sign * (countBefore(calendar, slotOf(first, last) + 2) - countBefore(calendar, 2));
}

function slippedOf(
  baseline: { origin: Day; work: Baseline['tasks'] },
  plan: StoredPlan,
  holidays: ReadonlySet<Day>,
  moves: readonly KeptMove[],
  { all, now }: { all: boolean; now: Day },
): Pick<ProgressView, 'slips' | 'slipped'> {
  const byTask = groupBy(
    moves.filter((move) => move.task !== null),
    (move) => move.task ?? '',
  );
  const current = new Map(
    plan.tasks.map((task) => [task.id, { label: sayWork(task.work), finish: task.finish, state: task.state }]),
  );
  const slips = slipOf({ origin: baseline.origin, tasks: baseline.work }, plan.origin, current, holidays)
    .filter((slipped) => slipped.halves !== 0 || slipped.state === 'gone')
    .sort((a, b) => b.halves - a.halves || (a.label < b.label ? -1 : 1));
  return {
    slips: slips.length,
    slipped: slips.slice(0, all ? undefined : FIRST_SLIPS).map((slipped) => ({
      ...slipped,
      days: slipped.state === 'gone' ? 'no longer needed' : daysWords(slipped.halves),
      causes: sumByCause(byTask.get(slipped.task) ?? [])
        .slice(0, 3)
        .map(({ causes, halves }) => ({ cause: sayCauses(causes, now), days: daysWords(halves) })),
    })),
  };
}

interface Work {
  /** Half-days that were done, by the day a walk saw them. */
  done: { day: Day; halfDays: number }[];
  whole: number;
  share: number;
  hidden: number;
  words: string;
}

/** Work counted by planned half-days, as walks saw it; waits of nobody are no work. */
function workOf(job: JobReading): Work {
  const { zone, today: now } = job.firm;
  const weights = weightsOf(job);
  const whole = [...weights.values()].reduce((sum, halfDays) => sum + halfDays, 0);
  const done = [...progressOf(job)].flatMap(([key, known]) => {
    const weight = weights.get(key);
    if (weight === undefined) return [];
    return known.readings.map((reading, index) => ({
      day: dayIn(zone, reading.at),
      halfDays: (reading.fraction - (known.readings[index - 1]?.fraction ?? 0)) * weight,
    }));
  });
  const { share, hidden } = workDoneOf(job);
  const since = addDays(now, -14);
  const lately = done.reduce((sum, entry) => sum + (entry.day > since ? entry.halfDays : 0), 0);
  const percent = (part: number): string => `${Math.round(100 * part)} %`;
  return {
    done,
    whole,
    share,
    hidden,
    words:
      whole === 0
        ? ''
        : `${percent(share)} of the work is done, ${percent(lately / whole)} of it in the last two weeks. ` +
          `Of what is done, ${percent(hidden)} is out of sight.`,
  };
}

function timeline(
  work: Work,
  plan: StoredPlan | undefined,
  job: string,
  baseline: { made_at: string; origin: Day; work: Baseline['tasks'] } | undefined,
  { start, now, finish, zone }: { start: Day; now: Day; finish: Day | null; zone: Zone },
): ProgressView['overTime'] {
  const first = mondayOf([start, now, ...work.done.map((entry) => entry.day)].sort()[0] ?? now);
  const ends = [
    finish ?? now,
    now,
    ...(baseline ? baseline.work.map((task) => lastDay(baseline.origin, task.finish)) : []),
  ].sort();
  const last = ends.at(-1) ?? now;
  // Of a job of many years the last weeks are drawn; what was done before them stands at their beginning.
  const count = Math.floor(daysBetween(first, last) / 7) + 1;
  const from = count > WEEKS ? addDays(first, 7 * (count - WEEKS)) : first;
  const weeks = Array.from({ length: Math.min(WEEKS, count) }, (_, index) => addDays(from, 7 * index));
  // A week's figure is what is reached by its end.
  const by = weeks.map((week) => addDays(week, 6));
  const percent = (shares: number[]): number[] => shares.map((share) => Math.round(1000 * Math.min(1, share)) / 10);
  const before = baseline ? work.done.filter((entry) => entry.day <= dayIn(zone, baseline.made_at)) : [];
  const agreed = baseline
    ? [
        ...before,
        ...baseline.work
          .filter((task) => !waits(task.id))
          .map((task) => ({ day: lastDay(baseline.origin, task.finish), halfDays: task.duration })),
      ]
    : [];
  const agreedWhole = agreed.reduce((sum, entry) => sum + entry.halfDays, 0);
  const ahead = plan
    ? plan.tasks
        .filter((task) => task.job === job && task.state !== 'done' && task.trade !== 'nobody')
        .map((task) => ({ day: lastDay(plan.origin, task.finish), halfDays: task.duration * Math.max(1, task.crews) }))
    : [];
  const still = ahead.reduce((sum, entry) => sum + entry.halfDays, 0);
  const doneShares = percent(shareByDay(work.done, by, work.whole));
  const doneNow = work.share;
  return {
    weeks,
    planned: baseline ? percent(shareByDay(agreed, by, agreedWhole)) : weeks.map(() => null),
    done: doneShares.map((share, index) => ((weeks[index] ?? '') <= now ? share : null)),
    ahead: percent(shareByDay(ahead, by, still)).map((share, index) =>
      (by[index] ?? '') >= now ? Math.round(10 * (100 * doneNow + share * (1 - doneNow))) / 10 : null,
    ),
  };
}

/** Inspections, cures and what has to be there are waits, not work. */
const waits = (task: string): boolean => {
  const { kind, phase } = taskRef(task);
  return kind === 'logistic' || kind === 'gate' || (phase !== undefined && phaseFacts(phase).trade === 'nobody');
};

/** The trades that this job still needs, over all jobs, week by week, against what their crews can do. */
function loadOf(job: JobReading): ProgressView['load'] {
  const now = job.firm.today;
  const plan = wholePlan(job.firm);
  const monday = mondayOf(now);
  const weeks = Array.from({ length: LOAD_WEEKS }, (_, index) => addDays(monday, 7 * index));
  if (!plan) return { weeks, trades: [] };
  const slots = weeks.map((week) => ({ from: slotOf(plan.origin, week), to: slotOf(plan.origin, addDays(week, 7)) }));
  const open = plan.tasks.filter((task) => task.state !== 'done' && task.crew !== null);
  const needed = new Set(open.filter((task) => task.job === job.id).map((task) => task.trade));
  const worked = plan.calendars[plan.jobCalendars[job.id] ?? '']?.worked ?? [];
  const crews = groupBy([...new Map(open.map((task) => [task.crew ?? '', task.trade]))], ([, trade]) => trade);
  const loads = loadByWeek(open, slots);
  return {
    weeks,
    trades: [...needed]
      .map((trade: Trade) => ({
        name: TRADES[trade],
        work: loads.get(trade) ?? weeks.map(() => 0),
        most: slots.map(({ from, to }) =>
          (crews.get(trade) ?? []).reduce((sum, [id]) => {
            const crew = plan.crewCapacity.find((entry) => entry.sub === id);
            const away = new Set(crew?.away);
            return (
              sum + (crew?.capacity ?? 0) * worked.filter((slot) => slot >= from && slot < to && !away.has(slot)).length
            );
          }, 0),
        ),
      }))
      .sort(
        (a, b) =>
          Math.max(...b.work.map((work, index) => work / Math.max(1, b.most[index] ?? 1))) -
          Math.max(...a.work.map((work, index) => work / Math.max(1, a.most[index] ?? 1))),
      ),
  };
}

import type { JobId } from '../ids';
import { FREE } from './calm';
import { countBefore } from './calendar';
import type { Compiled } from './compiled';
import type { Exposure } from './network';
import { looksOf, visitsOf } from './one-visit';
import { firstFrom } from './passes';
import type { Placement } from './placing';
import { USUAL_WEIGHTS } from './plan-input';
import { roundsOf, tripsOf } from './trips';

/** What a schedule is worth: less of what is broken decides before anything else, the rest is points. */
export interface Score {
  /**
   * Half-days by which things lie open longer than is right, a day for each that lies open to the rain, one for each pin
   * that could not be kept.
   */
  broken: number;
  /** Worked half-days after what was promised, each times its job's weight. */
  late: number;
  /** Trips, visits of those who look, and half-days until jobs end, by the firm's weights. */
  cost: number;
  /** Days that visits move from where they stand, for each who has to hear of it, by the firm's weight. */
  moved: number;
}

/** What a worked half-day after a promise comes to in points, times what its job counts: ten trips, or five visits moved a day. */
const LATE = 20;

export const better = (score: Score, other: Score): boolean =>
  score.broken !== other.broken ? score.broken < other.broken : pointsOf(score) < pointsOf(other);

/** What a schedule comes to by the firm’s weights; what is broken goes before all of it. */
export const pointsOf = ({ late, cost, moved }: Score): number => LATE * late + cost + moved;

/** Everything about a network that scoring asks again and again. */
export interface Scorer {
  net: Compiled;
  rounds: number[][];
  /** Those who only look, by what could be one visit. */
  looks: number[][];
  jobs: { id: JobId; tasks: number[]; calendar: number; promise: number | undefined; weight: number }[];
}

export function scorerOf(net: Compiled): Scorer {
  const byJob: number[][] = net.jobs.map(() => []);
  net.job.forEach((job, task) => {
    if (net.open[task]) byJob[job]?.push(task);
  });
  const weights = net.input.weights ?? USUAL_WEIGHTS;
  return {
    net,
    rounds: roundsOf(net),
    looks: looksOf(net),
    jobs: byJob.flatMap((tasks, number) => {
      const [calendar] = tasks;
      const id = net.jobs[number];
      return calendar === undefined || id === undefined
        ? []
        : [{ id, tasks, calendar, promise: net.input.promises[id], weight: weights.late[id] ?? 1 }];
    }),
  };
}

export function scoreOf({ net, rounds, looks, jobs }: Scorer, placed: Placement): Score {
  const weights = net.input.weights ?? USUAL_WEIGHTS;
  const score: Score = {
    broken: 0,
    late: 0,
    cost: weights.trip * (tripsOf(net, rounds, placed) + visitsOf(looks, placed)),
    moved: weights.move * movedDays(net, rounds, placed.start),
  };
  for (const { tasks, calendar: first, promise, weight } of jobs) {
    const calendar = net.jobCalendar[first];
    if (!calendar) continue;
    let finish = 0;
    for (const task of tasks) finish = Math.max(finish, placed.finish[task] ?? 0);
    score.cost += weights.finish * countBefore(calendar, finish);
    if (promise !== undefined && finish > promise)
      score.late += weight * (countBefore(calendar, finish) - countBefore(calendar, promise));
  }
  for (const exposure of net.input.exposures) {
    const state = opened(net, placed, exposure);
    if (state && !state.kept)
      score.broken += Math.max(0, state.actual - exposure.most) + (state.rain === undefined ? 0 : 2);
  }
  net.pin.forEach((slot, task) => {
    if (slot >= 0 && placed.start[task] !== firstFrom(net, task, slot)) score.broken++;
  });
  return score;
}

/** A visit that moves by more than this many days is a new one. */
const FAR = 5;

/** A day that was said to somebody weighs as much more than one that merely stands in the plan. */
const TOLD = 2;

/**
 * Days that visits move from where they stand, those that somebody was told twice: a crew at a job hears it once, of the visit
 * that moves most.
 */
export function movedDays(net: Compiled, rounds: Scorer['rounds'], start: ArrayLike<number>): number {
  const { held } = net;
  const near = net.input.standing?.near ?? 0;
  if (!held) return 0;
  let days = 0;
  for (const round of rounds) {
    let most = 0;
    for (const task of round) {
      const [from, to] = [held.slot[task] ?? -1, start[task] ?? 0];
      if (from < 0 || (held.firmly[task] === FREE && from >= near && to >= near)) continue;
      most = Math.max(most, Math.min(FAR, Math.abs(to - from) / 2) * (held.told[task] ? TOLD : 1));
    }
    days += most;
  }
  return days;
}

export interface Opened {
  from: number;
  to: number;
  /** Worked half-days that it stays open. */
  actual: number;
  /** The first slot of rain in the outlook while it is open. */
  rain?: number;
  kept: boolean;
}

/** How long something stays open in a schedule; undefined where it is closed already or not planned. */
export function opened(
  net: Compiled,
  placed: Pick<Placement, 'start' | 'finish'>,
  exposure: Exposure,
): Opened | undefined {
  const [from, to] = [net.index.get(exposure.from), net.index.get(exposure.to)];
  if (from === undefined || to === undefined || !net.open[to]) return undefined;
  const calendar = net.jobCalendar[from];
  if (!calendar) return undefined;
  const [start, finish] = [placed.start[from] ?? 0, placed.finish[to] ?? 0];
  const actual = countBefore(calendar, finish) - countBefore(calendar, start);
  let rain: number | undefined;
  if (exposure.dry)
    for (const slot of net.input.rain?.keys() ?? [])
      if (slot >= start && slot < finish && (rain === undefined || slot < rain)) rain = slot;
  return {
    from,
    to,
    actual,
    kept: actual <= exposure.most && rain === undefined,
    ...(rain === undefined ? {} : { rain }),
  };
}

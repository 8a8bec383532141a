import { afterWork, beforeWork, countBefore } from './calendar';
import type { BoundLink, Compiled } from './compiled';

/** Earliest and latest times of every task by links and calendars alone, as if crews were without number. */
export interface Times {
  earlyStart: Int32Array;
  earlyFinish: Int32Array;
  lateStart: Int32Array;
  lateFinish: Int32Array;
}

/** The moment a link lets its follower start (FS, SS) or end (FF), counted from its predecessor as placed. */
export function linkTime(net: Compiled, bound: BoundLink, start: Int32Array, finish: Int32Array): number {
  const { link, before, after } = bound;
  const event = (link.kind === 'SS' ? start[before] : finish[before]) ?? 0;
  if (link.lagUnit === 'elapsed') return event + link.lag;
  const calendar = net.jobCalendar[after];
  return calendar && link.lag > 0 ? afterWork(calendar, event, link.lag) : event;
}

/**
 * Where in its calendar a task may first start: after its floor and its links. Index into `calendar.worked`,
 * or the moment itself for a milestone.
 */
export function earliestByLinks(net: Compiled, task: number, start: Int32Array, finish: Int32Array): number {
  const calendar = net.calendar[task];
  const duration = net.duration[task] ?? 0;
  let moment = net.floor[task] ?? 0;
  let endBy = 0;
  for (const bound of net.into[task] ?? []) {
    const time = linkTime(net, bound, start, finish);
    if (bound.link.kind === 'FF') endBy = Math.max(endBy, time);
    else moment = Math.max(moment, time);
  }
  if (duration === 0 || !calendar) return Math.max(moment, endBy);
  const first = countBefore(calendar, moment);
  // The last slot taken must reach the moment by which an FF predecessor has ended.
  return endBy > 0 ? Math.max(first, countBefore(calendar, endBy - 1) - duration + 1) : first;
}

/** The slot that a day comes to mean for a task: the first it may take from there. */
export const firstFrom = (net: Compiled, task: number, slot: number): number =>
  net.duration[task] === 0 ? slot : (net.calendar[task]?.worked[countBefore(net.calendar[task], slot)] ?? slot);

/** A plain forward pass: every task as early as links allow. */
export function forwardPass(net: Compiled): Pick<Times, 'earlyStart' | 'earlyFinish'> {
  const start = new Int32Array(net.tasks.length);
  const finish = new Int32Array(net.tasks.length);
  for (const task of net.order) {
    const facts = net.tasks[task];
    const calendar = net.calendar[task];
    if (!facts || !calendar) continue;
    const first = earliestByLinks(net, task, start, finish);
    const duration = net.duration[task] ?? 0;
    if (duration === 0) {
      start[task] = finish[task] = facts.state === 'done' ? facts.floor : first;
    } else {
      start[task] = calendar.worked[first] ?? net.horizon;
      finish[task] = (calendar.worked[first + duration - 1] ?? net.horizon) + 1;
    }
  }
  return { earlyStart: start, earlyFinish: finish };
}

/**
 * Forward, then back from the promise of each job, or from its earliest end where that is later; and from where visits of the
 * next weeks stand: what goes before them is as urgent as they are near.
 */
export function timesOf(net: Compiled): Times {
  const { earlyStart, earlyFinish } = forwardPass(net);
  const target = Int32Array.from(net.jobs, (job) => net.input.promises[job] ?? 0);
  net.job.forEach((job, task) => (target[job] = Math.max(target[job] ?? 0, earlyFinish[task] ?? 0)));
  const lateStart = new Int32Array(net.tasks.length);
  const lateFinish = new Int32Array(net.tasks.length);
  for (let at = net.order.length - 1; at >= 0; at--) {
    const task = net.order[at] ?? 0;
    const calendar = net.calendar[task];
    if (!calendar) continue;
    let finish = Math.min(net.horizon, target[net.job[task] ?? 0] ?? net.horizon);
    for (const { link, after } of net.outOf[task] ?? []) {
      const event = (link.kind === 'FF' ? lateFinish[after] : lateStart[after]) ?? finish;
      const jobCalendar = net.jobCalendar[after] ?? calendar;
      const latest = link.lagUnit === 'elapsed' ? event - link.lag : beforeWork(jobCalendar, event, link.lag);
      finish = Math.min(finish, link.kind === 'SS' ? endWhenStartedAt(net, task, latest) : latest);
    }
    const stands = net.held?.firmly[task] ? (net.held.slot[task] ?? 0) : undefined;
    if (stands !== undefined) finish = Math.min(finish, endWhenStartedAt(net, task, stands));
    const duration = net.duration[task] ?? 0;
    lateFinish[task] = finish;
    lateStart[task] = duration === 0 ? finish : (calendar.worked[countBefore(calendar, finish) - duration] ?? 0);
  }
  return { earlyStart, earlyFinish, lateStart, lateFinish };
}

function endWhenStartedAt(net: Compiled, task: number, start: number): number {
  const calendar = net.calendar[task];
  const duration = net.duration[task] ?? 0;
  if (!calendar || duration === 0) return start;
  return (calendar.worked[countBefore(calendar, start) + duration - 1] ?? net.horizon) + 1;
}

import { beforeWork, countBefore } from './calendar';
import type { Compiled } from './compiled';
import { jobEnds } from './job-end';
import { sortedBy } from './order';
import { areaFull, crewFull, missing, needsOf, take, type Placement } from './placing';

/**
 * The latest each task could start and end in a schedule, its job ending no later and every crew and room held as
 * there.
 */
export interface Latest {
  start: Int32Array;
  finish: Int32Array;
}

/**
 * Pushes a schedule to its end: tasks by their end, the last first, each as late as what follows it, its crew and its
 * room let it. No task comes out earlier than it was. Work that is done, under way or pinned stays where it is.
 */
export function pushedBack(net: Compiled, forward: Placement): Latest {
  const placed: Placement = {
    ...forward,
    start: Int32Array.from(forward.start),
    finish: Int32Array.from(forward.finish),
    crewLoad: new Float32Array(forward.crewLoad.length),
    areaLoad: new Uint8Array(forward.areaLoad.length),
  };
  missing(net, placed);
  const end = jobEnds(net, forward);
  const stays = (task: number): boolean => !net.waiting[task] || (net.pin[task] ?? -1) === forward.start[task];
  net.calendar.forEach((calendar, task) => {
    if (stays(task) && (net.duration[task] ?? 0) > 0)
      take(net, placed, task, countBefore(calendar, forward.start[task] ?? 0));
  });
  // Of two that end together the one whose links come last goes first.
  const byEnd = sortedBy(net, forward.finish);
  for (let at = byEnd.length - 1; at >= 0; at--) {
    const task = byEnd[at] ?? 0;
    if (!stays(task)) pushOne(net, placed, task, end[net.job[task] ?? 0] ?? 0);
  }
  return { start: placed.start, finish: placed.finish };
}

function pushOne(net: Compiled, placed: Placement, task: number, end: number): void {
  const calendar = net.calendar[task];
  const duration = net.duration[task] ?? 0;
  if (!calendar) return;
  const least = placed.start[task] ?? 0;
  const leastFinish = placed.finish[task] ?? 0;
  let finish = end;
  let start = net.horizon;
  for (const { link, after } of net.outOf[task] ?? []) {
    const event = (link.kind === 'FF' ? placed.finish[after] : placed.start[after]) ?? finish;
    const jobCalendar = net.jobCalendar[after] ?? calendar;
    const latest = link.lagUnit === 'elapsed' ? event - link.lag : beforeWork(jobCalendar, event, link.lag);
    if (link.kind === 'SS') start = Math.min(start, latest);
    else finish = Math.min(finish, latest);
  }
  if (duration === 0) {
    placed.start[task] = placed.finish[task] = Math.max(least, Math.min(start, finish));
    return;
  }
  const lowest = countBefore(calendar, least);
  for (
    let first = Math.min(countBefore(calendar, finish) - duration, countBefore(calendar, start + 1) - 1);
    first > lowest;
  ) {
    // The earliest slot in the way: everything has to end before it.
    const conflict = earliestConflict(net, placed, task, first);
    if (conflict === undefined) return take(net, placed, task, first);
    first = conflict < 0 ? first - 1 : countBefore(calendar, conflict) - duration;
  }
  take(net, placed, task, lowest);
  placed.start[task] = least;
  placed.finish[task] = leastFinish;
}

/** Like `firstConflict`, looked at from the front: the first slot in the way. */
function earliestConflict(net: Compiled, placed: Placement, task: number, first: number): number | undefined {
  const { worked } = net.calendar[task] ?? { worked: new Int32Array(0) };
  const start = worked[first];
  const last = worked[first + (net.duration[task] ?? 0) - 1];
  if (start === undefined || last === undefined) return -1;
  const { crew, demand, plant, area, shares } = needsOf(net, task);
  let at = first;
  for (let slot = start; slot <= last; slot++) {
    const isWorked = worked[at] === slot;
    if (isWorked) at++;
    if (isWorked && (crewFull(net, placed, crew, demand, slot) || crewFull(net, placed, plant, 1, slot))) return slot;
    if (areaFull(net, placed, area, shares, slot)) return slot;
  }
  return undefined;
}

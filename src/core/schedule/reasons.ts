import { formatDay } from '../units/day';
import { dayOfSlot, formatSlot, lastDay, type Slot } from '../units/slot';
import { countBefore } from './calendar';
import type { BoundLink, Compiled } from './compiled';
import { AREA_SHARES, type Task } from './network';
import { linkTime } from './passes';
import { firstConflict, take, type Placement } from './placing';

/** The one thing that would have to give for a task to start one slot earlier. */
export type ReasonKind = 'done' | 'under-way' | 'link' | 'not-before' | 'crew' | 'area' | 'away' | 'now' | 'none';

export interface Reason {
  kind: ReasonKind;
  /** A sentence for people. */
  text: string;
  /** The task that stands in the way, for the thread back. */
  task?: string;
  rule?: number;
  /** Held by something that nobody has confirmed. */
  held?: true;
  /** The selection or the request it waits for, for the thread on from here. */
  selection?: string;
  request?: string;
}

/** A reason for every start, in the order of the tasks. */
export function reasonsOf(net: Compiled, placed: Placement): Reason[] {
  const holders = crewHolders(net, placed);
  return net.tasks.map((task, number) => reasonOf(net, placed, task, number, holders));
}

type Holders = (crew: number, slot: Slot) => readonly number[];

function reasonOf(net: Compiled, placed: Placement, task: Task, number: number, holders: Holders): Reason {
  if (task.state === 'done') return { kind: 'done', text: 'Done.' };
  if (task.state === 'under-way' && (placed.start[number] ?? 0) === (net.calendar[number]?.worked[countBefore(net.calendar[number], task.floor)] ?? -1)) {
    return { kind: 'under-way', text: 'It is under way; what remains goes on from here.' };
  }
  const start = placed.start[number] ?? 0;
  const calendar = net.calendar[number];
  if (!calendar) return { kind: 'none', text: 'Nothing holds it.' };
  // One slot earlier in the task's own worked time; a milestone could be at any earlier slot.
  const earlier = task.duration === 0 ? start - 1 : (calendar.worked[countBefore(calendar, start) - 1] ?? -1);
  const bound = bindingLink(net, placed, number, earlier);
  const waits = net.input.notBefore.filter((wait) => wait.task === task.id && wait.slot > earlier).sort((a, b) => b.slot - a.slot)[0];
  const linkBy = bound ? linkTime(net, bound, placed.start, placed.finish) : -1;
  const earliest = Math.max(linkBy, waits?.slot ?? -1, task.floor);
  if (earliest < start) {
    const away = awayReason(net, number, earliest, start);
    if (away) return away;
  }
  if (waits && waits.slot >= linkBy) {
    return { kind: 'not-before', text: `Not earlier: ${waits.because}.`, ...(waits.open ? { held: true as const } : {}), ...(waits.selection ? { selection: waits.selection } : {}), ...(waits.request ? { request: waits.request } : {}) };
  }
  if (bound) return linkReason(net, placed, bound);
  if (task.floor > earlier) return nowReason(net, task);
  return loadReason(net, placed, task, number, earlier, holders);
}

function bindingLink(net: Compiled, placed: Placement, number: number, earlier: Slot): BoundLink | undefined {
  const task = net.tasks[number];
  const calendar = net.calendar[number];
  let best: BoundLink | undefined;
  let bestTime = -1;
  for (const bound of net.into[number] ?? []) {
    // What is done holds nothing any more, unless it is still drying.
    if (net.tasks[bound.before]?.state === 'done' && bound.link.lag === 0) continue;
    const time = linkTime(net, bound, placed.start, placed.finish);
    const ends = task && calendar ? (calendar.worked[countBefore(calendar, earlier) + task.duration - 1] ?? earlier) + 1 : earlier;
    const binds = bound.link.kind === 'FF' ? time > ends : time > earlier;
    const stronger = time > bestTime || (time === bestTime && bound.link.strength === 'hard' && best?.link.strength === 'soft');
    if (binds && stronger) [best, bestTime] = [bound, time];
  }
  return best;
}

function linkReason(net: Compiled, placed: Placement, bound: BoundLink): Reason {
  const { link, before } = bound;
  const former = net.tasks[before];
  const { origin } = net.input;
  const when =
    former?.state === 'done' ? 'is done'
    : former?.duration === 0 ? `is reached on ${formatDay(dayOfSlot(origin, placed.finish[before] ?? 0))}`
    : `ends ${formatSlot(origin, (placed.finish[before] ?? 1) - 1)}`;
  const lag = link.lag > 0 ? `, and then ${days(link.lag)} ${link.lagUnit === 'elapsed' ? 'to dry or cure' : 'of making time'}` : '';
  return {
    kind: 'link',
    text: `Not earlier: ${former?.label ?? 'the work before it'} ${when}${lag} — ${link.reason}.`,
    task: link.before,
    rule: link.rule,
  };
}

const days = (halfDays: number): string => (halfDays === 1 ? 'half a day' : halfDays === 2 ? 'a day' : `${halfDays / 2} days`);

function awayReason(net: Compiled, number: number, from: Slot, start: Slot): Reason | undefined {
  const crew = net.input.crews[net.crew[number] ?? -1];
  const jobCalendar = net.jobCalendar[number];
  if (!crew || !jobCalendar) return undefined;
  for (let at = countBefore(jobCalendar, from); at < jobCalendar.worked.length; at++) {
    const slot = jobCalendar.worked[at] ?? start;
    if (slot >= start || !crew.away.has(slot)) return at > countBefore(jobCalendar, from) && slot >= start ? awayText(net, crew.name, from, start) : undefined;
  }
  return undefined;
}

const awayText = (net: Compiled, name: string, from: Slot, start: Slot): Reason => ({
  kind: 'away',
  text: `Not earlier: ${name} is away from ${formatDay(dayOfSlot(net.input.origin, from))} to ${formatDay(lastDay(net.input.origin, start))}.`,
});

function nowReason(net: Compiled, task: Task): Reason {
  // A floor beyond the plan's first days is the job's own first day, not the walk of today.
  const later = task.floor > 2;
  return { kind: 'now', text: later ? `Work at this job begins on ${formatDay(dayOfSlot(net.input.origin, task.floor))}.` : 'It starts as soon as it can: all that comes before it is done.' };
}

function loadReason(net: Compiled, placed: Placement, task: Task, number: number, earlier: Slot, holders: Holders): Reason {
  const calendar = net.calendar[number];
  if (!calendar) return { kind: 'none', text: 'Nothing holds it.' };
  const first = countBefore(calendar, earlier);
  // Its own booking is lifted for the question, or it would stand in its own way.
  take(net, placed, number, first + 1, -1);
  const conflict = firstConflict(net, placed, number, first);
  const crew = net.crew[number] ?? -1;
  const full = conflict !== undefined && crew >= 0 && (placed.crewLoad[crew * net.horizon + conflict] ?? 0) >= (placed.capacity[crew] ?? 0);
  take(net, placed, number, first + 1, 1);
  if (conflict === undefined) return { kind: 'none', text: 'Nothing holds it: it could be pulled forward.' };
  if (full) {
    const busy = holders(crew, conflict).filter((other) => other !== number);
    const other = net.tasks[busy[0] ?? -1];
    const name = net.input.crews[crew]?.name ?? 'the crew';
    return { kind: 'crew', text: `Not earlier: ${name} is at ${other?.label ?? 'other work'} on ${formatDay(dayOfSlot(net.input.origin, conflict))}.`, ...(other ? { task: other.id } : {}) };
  }
  const there = net.tasks.find((other, at) => at !== number && other.area === task.area && other.shares + task.shares > AREA_SHARES && (placed.start[at] ?? 0) <= conflict && (placed.finish[at] ?? 0) > conflict);
  return { kind: 'area', text: `Not earlier: ${there?.label ?? 'other work'} has the room until ${formatSlot(net.input.origin, conflict)}.`, ...(there ? { task: there.id } : {}) };
}

/** Who has a crew on a slot: kept by crew so that a reason does not read the whole plan. */
function crewHolders(net: Compiled, placed: Placement): Holders {
  const byCrew = new Map<number, number[]>();
  net.tasks.forEach((task, number) => {
    const crew = net.crew[number] ?? -1;
    if (crew < 0 || task.duration === 0) return;
    const list = byCrew.get(crew) ?? [];
    list.push(number);
    byCrew.set(crew, list);
  });
  return (crew, slot) => (byCrew.get(crew) ?? []).filter((task) => (placed.start[task] ?? 0) <= slot && (placed.finish[task] ?? 0) > slot);
}

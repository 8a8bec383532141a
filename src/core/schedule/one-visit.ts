import { groupBy } from '../group-by';
import { phaseFacts, type Phase } from '../sequence/phases';
import { countBefore } from './calendar';
import type { Compiled } from './compiled';
import type { NotBefore } from './network';
import { linkTime } from './passes';
import { areaFull, take, type Placement } from './placing';

/** A visit of somebody who only looks, and the half-days on which it could be without moving anything. */
interface Visit {
  task: number;
  start: number;
  last: number;
}

/** Those who only look, by the job and what they look at: what could be one visit. */
export function looksOf({ tasks, waiting, crew, pin }: Compiled): number[][] {
  const groups = new Map<string, number[]>();
  tasks.forEach(({ job, phase }, task) => {
    if (!waiting[task] || crew[task] !== -1 || pin[task] !== -1 || !phase || !isLooked(phase)) return;
    const of = `${job} ${phase}`;
    const group = groups.get(of);
    if (group) group.push(task);
    else groups.set(of, [task]);
  });
  return [...groups.values()];
}

/** How many days those who only look have to come on. */
export function visitsOf(looks: readonly (readonly number[])[], { start }: Pick<Placement, 'start'>): number {
  let days = 0;
  for (const group of looks) days += new Set(group.map((task) => (start[task] ?? 0) >> 1)).size;
  return days;
}

/** Half-days between two visits beyond which nobody waits for the other. */
const NEAR = 10;

/** Visits that could wait for the next one of their kind, those that would wait the shortest first. */
export function nearVisits(
  group: readonly number[],
  start: ArrayLike<number>,
): { earlier: number[]; day: number; rooms: number }[] {
  const days = [...groupBy(group, (task) => start[task] ?? 0)].sort(([a], [b]) => a - b);
  return days
    .slice(0, -1)
    .map(([slot, earlier], index) => {
      const [day, later] = days[index + 1] ?? [slot, []];
      return { earlier, day, rooms: earlier.length + later.length, waits: day - slot };
    })
    .filter(({ waits }) => waits <= NEAR)
    .sort((a, b) => a.waits - b.waits);
}

/**
 * Brings those who only look to as few days as they can come on while nothing that follows moves: rooms that are ready
 * early wait for the others. The placement is changed; nothing ends later by it.
 * @returns what waits for others, so that the plan can say why
 */
export function toOneVisit(net: Compiled, placed: Placement): NotBefore[] {
  return looksOf(net).flatMap((group) =>
    joined(
      net,
      placed,
      group.map((task) => ({ task, ...windowOf(net, placed, task) })),
    ),
  );
}

const isLooked = (phase: Phase): boolean => {
  const { hold, elapsed } = phaseFacts(phase);
  return (hold === 'inspection' || hold === 'water-test' || hold === 'close-in') && !elapsed;
};

/** From its start to the last half-day from which nothing that follows would begin later. */
function windowOf(net: Compiled, placed: Placement, task: number): Pick<Visit, 'start' | 'last'> {
  const start = placed.start[task] ?? 0;
  const calendar = net.jobCalendar[task];
  if (!calendar) return { start, last: start };
  let slack = Number.POSITIVE_INFINITY;
  for (const bound of net.outOf[task] ?? []) {
    if (!net.waiting[bound.after]) continue;
    const needed = linkTime(net, bound, placed.start, placed.finish);
    const begins = placed.start[bound.after] ?? needed;
    slack = Math.min(slack, countBefore(calendar, begins) - countBefore(calendar, needed));
  }
  if (!Number.isFinite(slack) || slack <= 0) return { start, last: start };
  return { start, last: calendar.worked[countBefore(calendar, start) + slack] ?? start };
}

/** Points that meet every window, as few as there can be: the window that closes first says when. */
function joined(net: Compiled, placed: Placement, visits: readonly Visit[]): NotBefore[] {
  const open = [...visits].sort((a, b) => a.last - b.last);
  const waits: NotBefore[] = [];
  while (open.length > 0) {
    const closes = open[0]?.last ?? 0;
    const together = open.filter((visit) => visit.start <= closes);
    const day = Math.max(...together.map((visit) => visit.start));
    for (const visit of together) {
      open.splice(open.indexOf(visit), 1);
      if (visit.start < day && moved(net, placed, visit.task, day))
        waits.push({
          task: net.tasks[visit.task]?.id ?? '',
          slot: day,
          open: false,
          kind: 'kept',
          wait: { kind: 'one-visit', rooms: together.length },
        });
    }
  }
  return waits;
}

/** Puts a visit off to a half-day on which the office comes and the room is free. */
function moved(net: Compiled, placed: Placement, task: number, day: number): boolean {
  const calendar = net.calendar[task];
  if (!calendar) return false;
  const [from, to] = [countBefore(calendar, placed.start[task] ?? 0), countBefore(calendar, day)];
  if (calendar.worked[to] !== day || net.duration[task] !== 1) return false;
  take(net, placed, task, from, -1);
  const free = !areaFull(net, placed, net.area[task] ?? -1, net.shares[task] ?? 0, day);
  take(net, placed, task, free ? to : from);
  return free;
}

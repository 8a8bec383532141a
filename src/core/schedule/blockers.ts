import type { Slot } from '../units/slot';
import { countBefore } from './calendar';
import type { BoundLink, Compiled } from './compiled';
import type { NotBefore } from './network';
import { linkTime } from './passes';
import type { TooMuch } from './weather';
import { areaFull, crewFull, needsOf, type Placement } from './placing';

/**
 * One thing that forbids a task to start one slot earlier while everything else stays where it is; `until` is when it
 * lets it. All of a task's blockers have to give before it can, so each is true by itself and together they are the
 * whole truth.
 */
export type Blocker =
  | { kind: 'link'; until: Slot; bound: BoundLink }
  | { kind: 'not-before'; until: Slot; wait: NotBefore }
  | { kind: 'floor'; until: Slot }
  /** A crew or plant that is away on that slot. */
  | { kind: 'away'; until: Slot; crew: number }
  | { kind: 'weather'; until: Slot; weather: TooMuch }
  /** A crew or plant that is at other tasks on a slot it would need. */
  | { kind: 'crew'; until: Slot; crew: number; slot: Slot; holders: number[] }
  | { kind: 'area'; until: Slot; slot: Slot; holders: number[] };

/** Who holds what on which slot, kept so that asking for one task does not read the whole plan. */
export interface Holders {
  /** Tasks that span a slot, by crew (or plant) and by area. */
  ofCrew: (crew: number, slot: Slot) => readonly number[];
  ofArea: (area: number, slot: Slot) => readonly number[];
  /** What each task may not begin before. */
  waits: readonly (readonly NotBefore[] | undefined)[];
}

export function holdersOf(net: Compiled, placed: Pick<Placement, 'start' | 'finish'>): Holders {
  const ofCrew: number[][] = Array.from({ length: net.crewCount }, () => []);
  const ofArea: number[][] = Array.from({ length: net.areaCount }, () => []);
  for (let task = 0; task < net.tasks.length; task++) {
    if (net.duration[task] === 0) continue;
    ofCrew[net.crew[task] ?? -1]?.push(task);
    ofCrew[net.plant[task] ?? -1]?.push(task);
    ofArea[net.area[task] ?? -1]?.push(task);
  }
  return {
    ofCrew: spanning(placed, ofCrew, net.horizon),
    // Few tasks share an area: they are looked through.
    ofArea: (area, slot) =>
      ofArea[area]?.filter((task) => (placed.start[task] ?? 0) <= slot && slot < (placed.finish[task] ?? 0)) ?? NOBODY,
    waits: waitsOf(net),
  };
}

/** Tasks of a crew that span a slot, in the order of their numbers. Its slots are laid out when it is first asked for. */
function spanning(
  { start, finish }: Pick<Placement, 'start' | 'finish'>,
  of: readonly (readonly number[])[],
  horizon: Slot,
): (who: number, slot: Slot) => readonly number[] {
  const laid: (number[] | undefined)[][] = [];
  const layOut = (tasks: readonly number[]): (number[] | undefined)[] => {
    const slots = new Array<number[] | undefined>(horizon);
    for (const task of tasks)
      for (let slot = start[task] ?? 0, end = finish[task] ?? 0; slot < end; slot++) {
        const there = slots[slot];
        if (there) there.push(task);
        else slots[slot] = [task];
      }
    return slots;
  };
  return (who, slot) => {
    const slots = (laid[who] ??= layOut(of[who] ?? []));
    return slots[slot] ?? NOBODY;
  };
}

const NOBODY: readonly number[] = [];
const NONE: readonly NotBefore[] = [];

function waitsOf({ tasks, index, input }: Compiled): (NotBefore[] | undefined)[] {
  const waits = new Array<NotBefore[] | undefined>(tasks.length);
  for (const wait of input.notBefore) {
    const task = index.get(wait.task);
    if (task !== undefined) (waits[task] ??= []).push(wait);
  }
  return waits;
}

/**
 * The slot before a task's start, in the calendar of its job; for a milestone any slot.
 * @returns -1 where there is none
 */
export function slotBefore(net: Compiled, placed: Pick<Placement, 'start'>, task: number): Slot {
  const start = placed.start[task] ?? 0;
  const calendar = net.base[task];
  if (net.duration[task] === 0 || !calendar) return start - 1;
  return calendar.worked[countBefore(calendar, start) - 1] ?? -1;
}

/** Everything that forbids a task to start at the slot before. Empty: nothing holds it, it could be pulled forward. */
export function blockersOf(net: Compiled, placed: Placement, task: number, holders: Holders): Blocker[] {
  const earlier = slotBefore(net, placed, task);
  const start = placed.start[task] ?? 0;
  const found: Blocker[] = [];
  const facts = net.tasks[task];
  const calendar = net.calendar[task];
  const duration = net.duration[task] ?? 0;
  if (!facts || !calendar) return found;
  if (facts.floor > earlier) found.push({ kind: 'floor', until: facts.floor });
  for (const wait of holders.waits[task] ?? NONE)
    if (wait.slot > earlier) found.push({ kind: 'not-before', until: wait.slot, wait });
  const own = countBefore(calendar, earlier);
  const there = calendar.worked[own] === earlier;
  for (const bound of net.into[task] ?? []) {
    const time = linkTime(net, bound, placed.start, placed.finish);
    const ends = duration === 0 ? earlier : (calendar.worked[own + duration - 1] ?? net.horizon) + 1;
    if (bound.link.kind === 'FF' ? time > ends : time > earlier)
      found.push({ kind: 'link', until: bound.link.kind === 'FF' ? start : time, bound });
  }
  if (duration === 0 || earlier < 0) return found;
  if (!there) found.push(...offBlockers(net, task, earlier, start));
  found.push(...loadBlockers(net, placed, task, earlier, own, holders));
  return found;
}

/** Away or forbidden on that slot: one blocker each, until the task's own start. */
function offBlockers(net: Compiled, task: number, earlier: Slot, start: Slot): Blocker[] {
  const found: Blocker[] = [];
  for (const crew of [net.crew[task] ?? -1, net.plant[task] ?? -1])
    if (crew >= 0 && net.input.crews[crew]?.away.has(earlier)) found.push({ kind: 'away', until: start, crew });
  const weather = net.input.keptOff?.[net.tasks[task]?.calendar ?? '']?.slots.get(earlier);
  if (weather) found.push({ kind: 'weather', until: start, weather });
  return found;
}

/** Whether a task that spans a slot works on it: rain or a day away in its middle leaves crew and plant free. */
function worksOn(net: Compiled, task: number, slot: Slot): boolean {
  const before = net.calendar[task]?.before;
  return before !== undefined && (before[slot + 1] ?? 0) > (before[slot] ?? 0);
}

/**
 * Crews, plant and room that are taken on the slot before. There it would keep all of its own slots but the last: only what
 * lies before its start can be in the way.
 */
function loadBlockers(
  net: Compiled,
  placed: Placement,
  task: number,
  earlier: Slot,
  own: number,
  holders: Holders,
): Blocker[] {
  const found: Blocker[] = [];
  const { worked } = net.calendar[task] ?? { worked: [] };
  const { crew, demand, plant, area, shares } = needsOf(net, task);
  const busy = (who: number, wanted: number): void => {
    if (!crewFull(net, placed, who, wanted, earlier)) return;
    const others = holders.ofCrew(who, earlier).filter((other) => worksOn(net, other, earlier));
    found.push({ kind: 'crew', until: earlier + 1, crew: who, slot: earlier, holders: others });
  };
  if (worked[own] === earlier) {
    busy(crew, demand);
    busy(plant, 1);
  }
  const until = Math.min(placed.start[task] ?? 0, (worked[own + (net.duration[task] ?? 0) - 1] ?? earlier) + 1);
  for (let slot = earlier; slot < until; slot++)
    if (areaFull(net, placed, area, shares, slot))
      found.push({ kind: 'area', until: slot + 1, slot, holders: [...holders.ofArea(area, slot)] });
  return found;
}

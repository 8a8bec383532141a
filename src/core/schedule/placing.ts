import { FULL_OCCUPANCY } from './network';
import { CONFIRMED, FREE, FROZEN, NEAR } from './calm';
import { countBefore } from './calendar';
import type { Compiled } from './compiled';
import { placesOf, sortedBy } from './order';
import { earliestByLinks, firstFrom, timesOf, type Times } from './passes';
import { ReadyQueue } from './ready-queue';

/** When every task is done, and what crews and areas hold on every slot. */
export interface Placement {
  start: Int32Array;
  finish: Int32Array;
  times: Times;
  /** Crews at work, parts of one too, by crew and slot: `crewLoad[crew · horizon + slot]`. */
  crewLoad: Float32Array;
  /** Shares taken, by area and slot. */
  areaLoad: Uint8Array;
  /** Crews there are, by crew number. */
  capacity: Int32Array;
}

/** Tasks whose latest finish falls in the same two days are equally urgent: there the rules of preference decide. */
const URGENCY_STEP = 4;

/**
 * One placing pass: serial schedule generation, latest finish first unless another order is given. Work under way goes
 * before all else; every task takes the first slots after its links on which its crew, its plant and its area are free.
 * What was pinned is booked beforehand and stays where it was put, if its links let it. Deterministic.
 * @param order by task, the smallest first; every value different
 * @returns undefined where the horizon is too short for the work; ask again with a longer one
 */
export function place(net: Compiled, order?: Int32Array, times = timesOf(net)): Placement | undefined {
  const turn = order ?? urgency(net, times);
  // A pin that cannot be kept must not keep others away from where it would have been: all is placed again without it.
  for (const given = new Set<number>(); ;) {
    const before = given.size;
    const placed = placeInTurn(net, turn, times, given);
    if (given.size === before) return placed;
  }
}

/**
 * What has no slot within the horizon, and what waits for it: by number.
 * @returns `stuck`: those that have none of their own, and `held`: all of them with what comes after them
 */
export function unplaceable(net: Compiled): { stuck: ReadonlySet<number>; held: ReadonlySet<number> } {
  const times = timesOf(net);
  const stuck = new Set<number>();
  // No pin is kept: what matters is what could be placed at all.
  const pins = new Set(net.pin.keys());
  placeInTurn(net, urgency(net, times), times, pins, stuck);
  const held = new Set(stuck);
  for (const task of held) for (const { after } of net.outOf[task] ?? []) held.add(after);
  return { stuck, held };
}

/**
 * @param given pins that are given up; those that turn out not to hold are added
 * @param stuck takes up what has no slot, and what comes after it is not asked; without it nothing is placed then
 */
function placeInTurn(
  net: Compiled,
  turn: Int32Array,
  times: Times,
  given: Set<number>,
  stuck?: Set<number>,
): Placement | undefined {
  const count = net.tasks.length;
  const placed: Placement = {
    start: new Int32Array(count),
    finish: new Int32Array(count),
    times,
    crewLoad: new Float32Array(net.crewCount * net.horizon),
    areaLoad: new Uint8Array(net.areaCount * net.horizon),
    capacity: Int32Array.from(net.input.crews, (crew) => crew.capacity),
  };
  missing(net, placed);
  const booked = bookStanding(net, placed, given);
  const ready = new ReadyQueue(turn);
  const open = net.waitsFor.slice();
  open.forEach((links, task) => {
    if (links === 0) ready.push(task);
  });
  for (let task = ready.pop(); task !== undefined; task = ready.pop()) {
    if (!placeOne(net, placed, task, booked?.get(task), given)) {
      if (!stuck) return undefined;
      stuck.add(task);
      continue;
    }
    for (const { after } of net.outOf[task] ?? []) {
      open[after] = (open[after] ?? 0) - 1;
      if (open[after] === 0) ready.push(after);
    }
  }
  return placed;
}

/** Crews and plant that are missing on some slots count as taken there. */
export function missing(net: Compiled, placed: Pick<Placement, 'crewLoad'>): void {
  net.input.crews.forEach((crew, number) => {
    for (const [slot, count] of crew.fewer ?? [])
      if (slot >= 0 && slot < net.horizon)
        placed.crewLoad[number * net.horizon + slot] = Math.min(crew.capacity, count);
  });
}

/**
 * Books pinned work where it was put, and what stands where it stands, before anything else can take its crew: the
 * firmest first.
 * @returns by task its place in its calendar
 */
function bookStanding(net: Compiled, placed: Placement, given: ReadonlySet<number>): Map<number, number> | undefined {
  let booked: Map<number, number> | undefined;
  const book = (task: number, slot: number): void => {
    const calendar = net.calendar[task];
    if (slot < 0 || !calendar || net.duration[task] === 0 || given.has(task) || booked?.has(task)) return;
    const first = countBefore(calendar, slot);
    if (
      (placed.times.earlyStart[task] ?? 0) > (calendar.worked[first] ?? 0) ||
      firstConflict(net, placed, task, first) !== undefined
    )
      return;
    take(net, placed, task, first);
    (booked ??= new Map()).set(task, first);
  };
  net.pin.forEach((slot, task) => book(task, slot));
  const { held } = net;
  if (held)
    for (const firmly of [CONFIRMED, FROZEN, NEAR])
      held.firmly.forEach((how, task) => {
        // Where it stood exactly: a day on which nobody can come any more is given up.
        if (how === firmly && firstFrom(net, task, held.slot[task] ?? -1) === held.slot[task])
          book(task, held.slot[task] ?? -1);
      });
  return booked;
}

/** By task its turn where latest finish decides, and rules of preference among equally urgent ones. */
export function urgency(net: Compiled, times: Times): Int32Array {
  const { tasks } = net;
  // One number for bucket and rank, since the comparison runs tens of thousands of times: ranks are far below a
  // million.
  const key = new Float64Array(tasks.length);
  tasks.forEach(
    (task, number) =>
      (key[number] =
        (net.waiting[number] ? Math.floor((times.lateFinish[number] ?? 0) / URGENCY_STEP) + 1 : 0) * 1e6 + task.rank),
  );
  const { lateFinish } = times;
  const order = Int32Array.from(tasks, (_, task) => task);
  order.sort(
    (a, b) =>
      (key[a] as number) - (key[b] as number) ||
      (lateFinish[a] as number) - (lateFinish[b] as number) ||
      ((tasks[a]?.id ?? '') < (tasks[b]?.id ?? '') ? -1 : 1),
  );
  return placesOf(order);
}

/** More than any half-day: what has not begun comes after what has. */
const WAITING = 1 << 20;

/**
 * Turns by a key in half-days, such as the starts of another schedule: work under way first, and of equal keys the one
 * whose links come first.
 */
export function byKey(net: Compiled, key: ArrayLike<number>): Int32Array {
  const { waiting } = net;
  const later = new Float64Array(waiting.length);
  for (let task = 0; task < later.length; task++) later[task] = (key[task] ?? 0) + (waiting[task] ? WAITING : 0);
  return placesOf(sortedBy(net, later));
}

function placeOne(
  net: Compiled,
  placed: Placement,
  task: number,
  booked: number | undefined,
  given: Set<number>,
): boolean {
  const calendar = net.calendar[task];
  if (!calendar) return false;
  const earliest = earliestByLinks(net, task, placed.start, placed.finish);
  if (net.duration[task] === 0) {
    placed.start[task] = placed.finish[task] = net.open[task] ? earliest : (net.tasks[task]?.floor ?? 0);
    return earliest < net.horizon;
  }
  if (booked !== undefined) {
    if (earliest <= booked) return true;
    take(net, placed, task, booked, -1);
    // What merely stands makes way without a second placing: only those before it could have used its slots.
    if ((net.pin[task] ?? -1) >= 0 || (net.held?.firmly[task] ?? FREE) > NEAR) given.add(task);
  }
  for (let first = earliest; ;) {
    const conflict = firstConflict(net, placed, task, first);
    if (conflict === undefined) {
      take(net, placed, task, first);
      return true;
    }
    if (conflict < 0) return false;
    first = calendar.before[conflict + 1] ?? calendar.worked.length;
  }
}

/** Whether so many more of a crew, or one more of a plant, are more than it has on a slot; nobody (-1) is always free. */
export const crewFull = (net: Compiled, placed: Placement, crew: number, wanted: number, slot: number): boolean =>
  crew >= 0 && (placed.crewLoad[crew * net.horizon + slot] ?? 0) + wanted > (placed.capacity[crew] ?? 0);

/** Whether so much more is more than an area holds on a slot; nowhere (-1) there is always room. */
export const areaFull = (net: Compiled, placed: Placement, area: number, shares: number, slot: number): boolean =>
  area >= 0 && (placed.areaLoad[area * net.horizon + slot] ?? 0) + shares > FULL_OCCUPANCY;

/** What a task takes while it works: crew with how many of it, plant, area with how much of it; -1 for none. */
export const needsOf = (
  net: Compiled,
  task: number,
): { crew: number; demand: number; plant: number; area: number; shares: number } => ({
  crew: net.crew[task] ?? -1,
  demand: net.demand[task] ?? 0,
  plant: net.plant[task] ?? -1,
  area: net.area[task] ?? -1,
  shares: net.shares[task] ?? 0,
});

/**
 * The last slot that keeps a task from starting at this place of its calendar: its crews or its plant are all taken
 * there, or its area is.
 * @returns undefined where nothing does, -1 where the horizon ends first
 */
function firstConflict(net: Compiled, placed: Placement, task: number, first: number): number | undefined {
  const calendar = net.calendar[task];
  if (!calendar) return -1;
  const { worked } = calendar;
  const end = first + (net.duration[task] ?? 0) - 1;
  const start = worked[first];
  const last = worked[end];
  if (last === undefined || start === undefined) return -1;
  const { crew, demand, plant, area, shares } = needsOf(net, task);
  for (let at = end; at >= first; at--) {
    const slot = worked[at] ?? 0;
    if (crewFull(net, placed, crew, demand, slot) || crewFull(net, placed, plant, 1, slot)) return slot;
  }
  for (let slot = last; slot >= start; slot--) if (areaFull(net, placed, area, shares, slot)) return slot;
  return undefined;
}

/** Books (or with -1 frees) crew and plant on the slots worked, and the area from start to finish. */
export function take(net: Compiled, placed: Placement, task: number, first: number, sign: 1 | -1 = 1): void {
  const calendar = net.calendar[task];
  const duration = net.duration[task] ?? 0;
  if (!calendar || duration === 0) return;
  const { crew, demand, plant, area, shares } = needsOf(net, task);
  const start = calendar.worked[first] ?? 0;
  const finish = (calendar.worked[first + duration - 1] ?? 0) + 1;
  const { crewLoad, areaLoad } = placed;
  const ofCrew = crew * net.horizon;
  const ofPlant = plant * net.horizon;
  const ofArea = area * net.horizon;
  for (let at = first; at < first + duration; at++) {
    const slot = calendar.worked[at] ?? 0;
    if (crew >= 0) crewLoad[ofCrew + slot] = (crewLoad[ofCrew + slot] ?? 0) + sign * demand;
    if (plant >= 0) crewLoad[ofPlant + slot] = (crewLoad[ofPlant + slot] ?? 0) + sign;
  }
  for (let slot = start; area >= 0 && slot < finish; slot++)
    areaLoad[ofArea + slot] = (areaLoad[ofArea + slot] ?? 0) + sign * shares;
  placed.start[task] = start;
  placed.finish[task] = finish;
}

import { AREA_SHARES } from './network';
import type { Compiled } from './compiled';
import { earliestByLinks, timesOf, type Times } from './passes';
import { ReadyQueue } from './ready-queue';

/** When every task is done, and what crews and areas hold on every slot. */
export interface Placement {
  start: Int32Array;
  finish: Int32Array;
  times: Times;
  /** Crews at work, by crew and slot: `crewLoad[crew · horizon + slot]`. */
  crewLoad: Uint8Array;
  /** Shares taken, by area and slot. */
  areaLoad: Uint8Array;
  /** Crews there are, by crew number. */
  capacity: Int32Array;
}

/** Tasks whose latest finish falls in the same two days are equally urgent: there the rules of preference decide. */
const URGENCY_STEP = 4;

/**
 * One placing pass: serial schedule generation, latest finish first. Work under way goes before all else; every task takes
 * the first slots after its links on which its crew and its area are free. Deterministic.
 * @returns undefined where the horizon is too short for the work; ask again with a longer one
 */
export function place(net: Compiled): Placement | undefined {
  const count = net.tasks.length;
  const times = timesOf(net);
  const placed: Placement = {
    start: new Int32Array(count),
    finish: new Int32Array(count),
    times,
    crewLoad: new Uint8Array(net.crewCount * net.horizon),
    areaLoad: new Uint8Array(net.areaCount * net.horizon),
    capacity: Int32Array.from(net.input.crews, (crew) => crew.capacity),
  };
  const ready = new ReadyQueue(urgency(net, times));
  const open = net.into.map((links) => links.length);
  open.forEach((links, task) => {
    if (links === 0) ready.push(task);
  });
  for (let task = ready.pop(); task !== undefined; task = ready.pop()) {
    if (!placeOne(net, placed, task)) return undefined;
    for (const { after } of net.outOf[task] ?? []) {
      open[after] = (open[after] ?? 0) - 1;
      if (open[after] === 0) ready.push(after);
    }
  }
  return placed;
}

function urgency(net: Compiled, times: Times): Int32Array {
  const bucket = (task: number): number => Math.floor((times.lateFinish[task] ?? 0) / URGENCY_STEP);
  const begun = (task: number): number => (net.tasks[task]?.state === 'waiting' ? 1 : 0);
  const order = net.tasks.map((_, task) => task);
  order.sort(
    (a, b) =>
      begun(a) - begun(b) ||
      bucket(a) - bucket(b) ||
      (net.tasks[a]?.rank ?? 0) - (net.tasks[b]?.rank ?? 0) ||
      (times.lateFinish[a] ?? 0) - (times.lateFinish[b] ?? 0) ||
      ((net.tasks[a]?.id ?? '') < (net.tasks[b]?.id ?? '') ? -1 : 1),
  );
  const place = new Int32Array(order.length);
  order.forEach((task, at) => (place[task] = at));
  return place;
}

function placeOne(net: Compiled, placed: Placement, task: number): boolean {
  const facts = net.tasks[task];
  const calendar = net.calendar[task];
  if (!facts || !calendar) return false;
  const earliest = earliestByLinks(net, task, placed.start, placed.finish);
  if (facts.state === 'done' || facts.duration === 0) {
    placed.start[task] = placed.finish[task] = facts.state === 'done' ? facts.floor : earliest;
    return earliest < net.horizon;
  }
  for (let first = earliest; ; ) {
    const conflict = firstConflict(net, placed, task, first);
    if (conflict === undefined) {
      take(net, placed, task, first);
      return true;
    }
    if (conflict < 0) return false;
    first = calendar.before[conflict + 1] ?? calendar.worked.length;
  }
}

/**
 * The last slot that keeps a task from starting at this place of its calendar: its crews are all taken there, or its area is.
 * @returns undefined where nothing does, -1 where the horizon ends first
 */
export function firstConflict(net: Compiled, placed: Placement, task: number, first: number): number | undefined {
  const calendar = net.calendar[task];
  const facts = net.tasks[task];
  if (!calendar || !facts) return -1;
  const [crew, area] = [net.crew[task] ?? -1, net.area[task] ?? -1];
  const last = calendar.worked[first + facts.duration - 1];
  const start = calendar.worked[first];
  if (last === undefined || start === undefined) return -1;
  if (crew >= 0) {
    const capacity = placed.capacity[crew] ?? 0;
    const row = crew * net.horizon;
    for (let at = first + facts.duration - 1; at >= first; at--) {
      const slot = calendar.worked[at] ?? 0;
      if ((placed.crewLoad[row + slot] ?? 0) >= capacity) return slot;
    }
  }
  if (area >= 0) {
    const row = area * net.horizon;
    for (let slot = last; slot >= start; slot--) {
      if ((placed.areaLoad[row + slot] ?? 0) + facts.shares > AREA_SHARES) return slot;
    }
  }
  return undefined;
}

/** Books (or with -1 frees) the crew on the slots worked, and the area from start to finish. */
export function take(net: Compiled, placed: Placement, task: number, first: number, sign: 1 | -1 = 1): void {
  const calendar = net.calendar[task];
  const facts = net.tasks[task];
  if (!calendar || !facts || facts.duration === 0) return;
  const [crew, area] = [net.crew[task] ?? -1, net.area[task] ?? -1];
  const start = calendar.worked[first] ?? 0;
  const finish = (calendar.worked[first + facts.duration - 1] ?? 0) + 1;
  for (let at = first; crew >= 0 && at < first + facts.duration; at++) {
    const cell = crew * net.horizon + (calendar.worked[at] ?? 0);
    placed.crewLoad[cell] = (placed.crewLoad[cell] ?? 0) + sign;
  }
  for (let slot = start; area >= 0 && slot < finish; slot++) {
    const cell = area * net.horizon + slot;
    placed.areaLoad[cell] = (placed.areaLoad[cell] ?? 0) + sign * facts.shares;
  }
  placed.start[task] = start;
  placed.finish[task] = finish;
}

import { seeded } from '../units/seeded';
import { dayOfSlot } from '../units/slot';
import { Numbers } from './numbers';
import { FF, SS, type PlayedNetwork } from './played';
import { Stage } from './stage';

/** What many runs came to, by count: those of two workers are added up. */
export interface Tally {
  runs: number;
  /** Of each end, how often it was at each slot. */
  ends: number[][];
  /** How often each task was on the thread that decided the first end. */
  critical: number[];
  /** Of each chance and coming: runs in which it went well, and the sums of the first end's slots and cost in those. */
  well: { runs: number; sum: number; cost: number }[];
  /** The sum of the first end's slots, and of what it costs. */
  sum: number;
  cost: number;
}

export const emptyTally = (net: PlayedNetwork): Tally => ({
  runs: 0,
  ends: net.ends.map(() => new Array<number>(net.horizon + 1).fill(0)),
  critical: new Array<number>(net.ids.length).fill(0),
  well: [...net.chances, ...net.comings].map(() => ({ runs: 0, sum: 0, cost: 0 })),
  sum: 0,
  cost: 0,
});

/** Two tallies of the same network as one. */
export function addUp(one: Tally, other: Tally): Tally {
  return {
    runs: one.runs + other.runs,
    ends: one.ends.map((counts, at) => counts.map((count, slot) => count + (other.ends[at]?.[slot] ?? 0))),
    critical: one.critical.map((count, task) => count + (other.critical[task] ?? 0)),
    well: one.well.map(({ runs, sum, cost }, at) => ({
      runs: runs + (other.well[at]?.runs ?? 0),
      sum: sum + (other.well[at]?.sum ?? 0),
      cost: cost + (other.well[at]?.cost ?? 0),
    })),
    sum: one.sum + other.sum,
    cost: one.cost + other.cost,
  };
}

/** How much of a spell of weather goes over to the next half-day: wet spells last two days or three. */
const HANGS_ON = 0.7;

/**
 * Plays a network again and again. Every run has a seed of its own, so that it comes out the same whoever plays it and in
 * whatever order.
 */
export class Player {
  readonly start: Int32Array;
  readonly finish: Int32Array;
  /** The task that decided when each could begin; -1 where none did. */
  private readonly decided: Int32Array;
  private moment = 0;
  private endBy = 0;
  private readonly net: Numbers;
  private readonly stage: Stage;
  private readonly months: Uint8Array;
  private readonly bad: Uint8Array;
  private readonly lateness: Float64Array[];
  private readonly paces: Float64Array[];

  constructor(
    private readonly given: PlayedNetwork,
    private readonly seed = 1,
  ) {
    const count = given.ids.length;
    this.start = new Int32Array(count);
    this.finish = new Int32Array(count);
    this.decided = new Int32Array(count);
    this.net = new Numbers(given);
    this.stage = new Stage(given, this.net);
    this.months = Uint8Array.from(
      { length: given.horizon },
      (_, slot) => Number(dayOfSlot(given.origin, slot).slice(5, 7)) - 1,
    );
    this.bad = new Uint8Array(given.horizon);
    this.lateness = given.lateness.map((seen) => new Float64Array(seen.length));
    this.paces = given.paces.map((seen) => new Float64Array(seen.length));
  }

  /** Plays so many runs from a number on and adds them to a tally. */
  play(from: number, runs: number, tally: Tally): void {
    for (let run = from; run < from + runs; run++) this.count(this.once(run), tally);
  }

  /** One run: when each task begins and ends is in `start` and `finish`. @returns what of the chances and comings went well */
  once(run: number): Uint8Array {
    const random = seeded(Math.imul(this.seed, 0x9e3779b1) ^ Math.imul(run + 1, 0x85ebca6b));
    const { chances, comings } = this.given;
    const well = new Uint8Array(chances.length + comings.length);
    const { more, floor } = this.net;
    more.fill(0);
    floor.set(this.given.floor);
    chances.forEach(({ task, wrong, more: adds }, at) => {
      if (random() >= wrong) well[at] = 1;
      else more[task] = (more[task] ?? 0) + adds;
    });
    comings.forEach((coming, number) => {
      const isLate = random() < coming.late;
      const by = isLate
        ? Math.ceil(-Math.log(1 - random()) * coming.lateBy)
        : -Math.floor(random() * (coming.sooner + 1));
      well[chances.length + number] = isLate ? 0 : 1;
      for (const task of coming.tasks) floor[task] = Math.max(floor[task] ?? 0, coming.slot + by);
    });
    this.drawWeather(random);
    this.resample(random);
    this.place(random);
    return well;
  }

  /** Spells hang together: a wet half-day is likelier followed by another than by a dry one. */
  private drawWeather(random: () => number): void {
    const { normals, outlookUntil, horizon } = this.given;
    if (normals.length === 0) return;
    const { bad, months } = this;
    for (let slot = outlookUntil; slot < horizon; slot++) {
      const chances = normals[months[slot] ?? 0];
      if (!chances) continue;
      const before = slot === outlookUntil ? 0 : (bad[slot - 1] ?? 0);
      let is = 0;
      for (let kind = 0; kind < 3; kind++) {
        const chance = chances[kind] ?? 0;
        // By itself as often as its month says, whatever was before.
        const hangs = (before & (1 << kind)) !== 0 ? chance + (1 - chance) * HANGS_ON : chance * (1 - HANGS_ON);
        if (random() < hangs) is |= 1 << kind;
      }
      bad[slot] = is;
    }
  }

  /** What was seen so far might as well have come out otherwise: each run believes another sample of it. */
  private resample(random: () => number): void {
    for (const [seen, believed] of [
      [this.given.lateness, this.lateness],
      [this.given.paces, this.paces],
    ] as const)
      seen.forEach((cases, which) => {
        const list = believed[which];
        if (list) for (let at = 0; at < cases.length; at++) list[at] = cases[Math.floor(random() * cases.length)] ?? 0;
      });
  }

  /** Lets time pass: whatever became ready is begun by whoever is free for it, until all is done. */
  private place(random: () => number): void {
    const { stage, net } = this;
    stage.clear((task) => this.reached(task));
    for (let slot = 0; slot <= net.horizon; slot++) {
      stage.open(slot);
      for (let task = stage.next(); task >= 0; task = stage.next()) {
        this.begin(task, slot, random);
        stage.begun(task, this.finish[task] ?? 0, (after) => this.reached(after));
      }
    }
  }

  private reached(task: number): number {
    this.reach(task);
    return this.moment;
  }

  private begin(task: number, slot: number, random: () => number): void {
    const { duration, more } = this.net;
    this.reach(task);
    if ((duration[task] ?? 0) === 0 && more[task] === 0) {
      this.start[task] = this.finish[task] = Math.max(this.moment, this.endBy);
      return;
    }
    // Ready earlier than begun: whoever does it was elsewhere.
    if (slot > this.moment) {
      this.moment = slot;
      const by = this.stage.freedBy(task);
      if (by >= 0) this.decided[task] = by;
    }
    this.take(task, this.halfDaysOf(task, random), random);
  }

  /** From when a task may begin, and by when it may not have ended, by what goes before it. */
  private reach(task: number): void {
    const { into, before, kind, lag, lagCalendar, floor } = this.net;
    const { start, finish } = this;
    let [moment, endBy, by] = [floor[task] ?? 0, 0, -1];
    for (let link = into[task] ?? 0, end = into[task + 1] ?? 0; link < end; link++) {
      const former = before[link] ?? 0;
      let time = (kind[link] === SS ? start[former] : finish[former]) ?? 0;
      if (lag[link] !== 0) time = this.later(time, lag[link] ?? 0, lagCalendar[link] ?? -1);
      if (kind[link] === FF) {
        if (time > endBy) endBy = time;
        if (time > moment) by = former;
      } else if (time > moment || (time === moment && by < 0)) {
        moment = time;
        by = former;
      }
    }
    this.moment = moment;
    this.endBy = endBy;
    this.decided[task] = by;
  }

  /** What a task takes this time: parts of half-days come out right in the mean. */
  private halfDaysOf(task: number, random: () => number): number {
    const { duration, pace, more } = this.net;
    const which = pace[task] ?? -1;
    const planned = duration[task] ?? 0;
    const halfDays =
      which < 0 ? planned : Math.max(1, Math.floor(planned * drawn(this.paces[which], random, 1) + random()));
    return halfDays + (more[task] ?? 0);
  }

  /** Takes so many half-days of its calendar from where it was reached, or from when whoever does it comes. */
  private take(task: number, halfDays: number, random: () => number): void {
    const { calendar, arrives, weather } = this.net;
    const days = calendar[task] ?? 0;
    const crew = arrives[task] ?? -1;
    let first = this.net.countBefore(days, this.moment);
    if (crew >= 0) first += drawn(this.lateness[crew], random, 0);
    if (this.endBy > 0) first = Math.max(first, this.net.countBefore(days, this.endBy - 1) - halfDays + 1);
    const keptOff = weather[task] ?? 0;
    this.start[task] = this.net.worked(days, first);
    this.finish[task] =
      (keptOff === 0 ? this.net.worked(days, first + halfDays - 1) : this.lastDry(days, first, halfDays, keptOff)) + 1;
  }

  /** The moment from which so many half-days have passed, of a calendar or of all. */
  private later(moment: number, halfDays: number, calendar: number): number {
    if (calendar < 0) return moment + halfDays;
    return this.net.worked(calendar, this.net.countBefore(calendar, moment) + halfDays - 1) + 1;
  }

  /** The last slot of outdoor work that takes only half-days on which nothing keeps it off. */
  private lastDry(calendar: number, first: number, halfDays: number, keptOff: number): number {
    let [left, at] = [halfDays, first];
    for (;;) {
      const slot = this.net.worked(calendar, at++);
      if (slot >= this.given.horizon) return this.given.horizon;
      if (((this.bad[slot] ?? 0) & keptOff) === 0 && --left === 0) return slot;
    }
  }

  private count(well: Uint8Array, tally: Tally): void {
    tally.runs++;
    const { finish, decided, given } = this;
    given.ends.forEach(({ tasks }, number) => {
      let [last, end] = [-1, -1];
      for (const task of tasks)
        if ((finish[task] ?? 0) > end) {
          end = finish[task] ?? 0;
          last = task;
        }
      end = Math.max(0, Math.min(end, given.horizon));
      const counts = tally.ends[number];
      if (counts) counts[end] = (counts[end] ?? 0) + 1;
      if (number > 0) return;
      const cost = given.cost[end] ?? 0;
      tally.sum += end;
      tally.cost += cost;
      well.forEach((went, at) => {
        const part = tally.well[at];
        if (!part || went === 0) return;
        part.runs++;
        part.sum += end;
        part.cost += cost;
      });
      for (let task = last; task >= 0; task = decided[task] ?? -1)
        tally.critical[task] = (tally.critical[task] ?? 0) + 1;
    });
  }
}

/** One of some cases. */
const drawn = (cases: Float64Array | undefined, random: () => number, none: number): number =>
  cases && cases.length > 0 ? (cases[Math.floor(random() * cases.length)] ?? none) : none;

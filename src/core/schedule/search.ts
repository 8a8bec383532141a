import { seeded } from '../units/seeded';
import { beam, BEAM_JOBS } from './beam';
import { placesOf } from './order';
import { longestBehind, lowerBound, type Project } from './project';

export interface SearchTerms {
  /** How many schedules may be made. */
  schedules: number;
  seed?: number;
  /** Asked now and then: whether to end here with the best so far. */
  stop?: () => boolean;
  /** Told of every better one. */
  onBetter?: (makespan: number) => void;
}

export interface Found {
  starts: Int32Array;
  makespan: number;
  /** No schedule is shorter. */
  bound: number;
  /** How many were made. */
  schedules: number;
}

/** Up to so many jobs a project is small. */
const SMALL = 62;
/** Orders that are kept: fewer where there are many jobs, or too few children come of each within the schedules there are. */
const POPULATION = { small: 80, large: 40 };
/** How wide the beam of a small project is, where so many schedules may be made: it takes about five hundred of them. */
const BEAM_WIDTH = 250;
const BEAM_FROM = 2_000;
const MUTATED = 0.05;
/**
 * Part of the children that come of one schedule shaken, and part of the others that take each job's turn from either of two,
 * in small projects: of many jobs a shaking spoils more than it finds, and blending tears both.
 */
const SHARE = 0.5;
/** Part of the shaken whose shaking is one stretch of time dealt anew; how far the others are shaken, in parts of the whole. */
const STRETCHES = 0.3;
const REACHES = [0.025, 0.05, 0.125, 0.5] as const;
/** How many slots to either side count for how full one is; the part of all slots that is less full than what is kept. */
const AROUND = 2;
const LESS_FULL = { from: 0.25, to: 0.75 };

/** One order of the jobs and the schedule it leads to. */
interface Member {
  list: Int32Array;
  starts: Int32Array;
  makespan: number;
}

/**
 * The shortest schedule found within so many: orders of jobs are drawn by their latest finish, crossed where they are full,
 * and each schedule is pushed to its end and back to its beginning; of small projects those that a beam finds are among them.
 * Ends early where the bound is met. Deterministic for its seed.
 */
export function search(project: Project, { schedules, seed = 1, stop, onBetter }: SearchTerms): Found {
  const bound = lowerBound(project);
  const random = seeded(seed);
  const maker = new Maker(project);
  const kept = maker.isSmall ? POPULATION.small : POPULATION.large;
  const population: Member[] = [];
  let best: Member | undefined;
  const made = (list: Int32Array): Member => {
    const member = maker.justified(list);
    if (!best || member.makespan < best.makespan) {
      best = member;
      onBetter?.(member.makespan);
    }
    return member;
  };
  const over = (): boolean =>
    maker.count >= schedules || (best !== undefined && best.makespan <= bound) || stop?.() === true;
  // The first follows the latest finish alone, so that even one schedule is a good one.
  do population.push(made(maker.drawn(population.length === 0 ? () => 0 : random)));
  while (population.length < kept && !over());
  if (project.duration.length <= BEAM_JOBS && schedules >= BEAM_FROM && !over()) {
    const begun = beam(project, BEAM_WIDTH, random);
    maker.count += begun.schedules;
    for (const starts of begun.found.slice(0, kept)) if (!over()) replaceWorst(population, made(maker.byStart(starts)));
  }
  const pick = (): Member => {
    const [one, other] = [
      population[Math.floor(random() * population.length)],
      population[Math.floor(random() * population.length)],
    ];
    return (one?.makespan ?? 0) <= (other?.makespan ?? 0) ? (one as Member) : (other as Member);
  };
  while (!over()) replaceWorst(population, made(maker.child(pick, random)));
  const found = best as Member;
  return { starts: found.starts, makespan: found.makespan, bound, schedules: maker.count };
}

/** A child takes the place of the longest one, unless it is longer still or the same as one that is there. */
function replaceWorst(population: Member[], child: Member): void {
  let worst = 0;
  for (const [at, member] of population.entries()) {
    if (member.makespan === child.makespan && member.starts.every((start, job) => start === child.starts[job])) return;
    if (member.makespan >= (population[worst]?.makespan ?? 0)) worst = at;
  }
  if ((population[worst]?.makespan ?? 0) >= child.makespan) population[worst] = child;
}

/** Makes schedules of one project, its tables kept from one to the next. */
class Maker {
  count = 0;
  readonly isSmall: boolean;
  private readonly jobs: number;
  private readonly resources: number;
  private readonly horizon: number;
  private readonly load: Int32Array;
  /** How urgent: the latest finish by links alone, the smallest first. */
  private readonly urgency: Int32Array;
  /** Each job's place in an order that keeps the links. */
  private readonly rank: Int32Array;

  constructor(private readonly project: Project) {
    this.jobs = project.duration.length;
    this.isSmall = this.jobs <= SMALL;
    this.resources = project.capacity.length;
    this.horizon = project.duration.reduce((sum, duration) => sum + duration, 0) + 1;
    this.load = new Int32Array(this.horizon * Math.max(1, this.resources));
    this.urgency = longestBehind(project).map((behind) => this.horizon - behind);
    this.rank = placesOf(project.order);
  }

  /** One more order: of one schedule shaken, or of two crossed. @param pick one that is likely a good one */
  child(pick: () => Member, random: () => number): Int32Array {
    const one = pick();
    if (this.isSmall && random() < SHARE) return this.shaken(one, random);
    if (this.isSmall && random() < SHARE) return this.blended(one, pick(), random);
    return this.mutated(this.crossed(one, pick(), random), random);
  }

  /** Jobs begin a little sooner or later in turn: all of a stretch of time, or some of everywhere. */
  private shaken({ starts, makespan }: Member, random: () => number): Int32Array {
    const reach = (REACHES[Math.floor(random() * REACHES.length)] ?? 0) * makespan;
    const part = random() < 0.5 ? 0.3 * random() : random();
    if (random() >= STRETCHES)
      return this.inTurn((job) => (starts[job] ?? 0) + (random() < part ? (2 * random() - 1) * reach : 0));
    const from = random() * makespan;
    const length = makespan * (0.1 + 0.3 * random());
    return this.inTurn((job) => {
      const start = starts[job] ?? 0;
      return start >= from && start <= from + length ? from + length * random() : start;
    });
  }

  /** Each job by its start in either of two. */
  private blended(one: Member, other: Member, random: () => number): Int32Array {
    const share = random();
    return this.inTurn((job) => (random() < share ? one : other).starts[job] ?? 0);
  }

  /** The order that keeps the links and else goes by a key, the smallest first. */
  private inTurn(keyOf: (job: number) => number): Int32Array {
    const key = Float64Array.from({ length: this.jobs }, (_, job) => keyOf(job));
    return this.listed((ready) => {
      let first = 0;
      for (let at = 1; at < ready.length; at++)
        if ((key[ready[at] ?? 0] ?? 0) < (key[ready[first] ?? 0] ?? 0)) first = at;
      return first;
    });
  }

  /** A random order that keeps the links, the urgent ones likely first; with a `random` of 0 always the most urgent. */
  drawn(random: () => number): Int32Array {
    return this.listed((ready) => this.drawOne(ready, random()));
  }

  /** Jobs in an order that keeps the links. @param choose which place of those that are ready comes next */
  private listed(choose: (ready: readonly number[]) => number): Int32Array {
    const { before, after } = this.project;
    const open = Int32Array.from(before, (list) => list.length);
    const ready: number[] = [];
    open.forEach((count, job) => {
      if (count === 0) ready.push(job);
    });
    const list = new Int32Array(this.jobs);
    for (let at = 0; at < this.jobs; at++) {
      const chosen = choose(ready);
      const job = ready[chosen] ?? 0;
      ready[chosen] = ready[ready.length - 1] ?? 0;
      ready.pop();
      list[at] = job;
      for (const follower of after[job] ?? []) {
        open[follower] = (open[follower] ?? 0) - 1;
        if (open[follower] === 0) ready.push(follower);
      }
    }
    return list;
  }

  /** By regret: how much less urgent the least urgent one is, squared. */
  private drawOne(ready: readonly number[], chance: number): number {
    let [latest, first] = [0, 0];
    for (const [at, job] of ready.entries()) {
      latest = Math.max(latest, this.urgency[job] ?? 0);
      if ((this.urgency[job] ?? 0) < (this.urgency[ready[first] ?? 0] ?? 0)) first = at;
    }
    if (chance === 0) return first;
    const weight = (job: number): number => (latest - (this.urgency[job] ?? 0) + 1) ** 2;
    let left = chance * ready.reduce((sum, job) => sum + weight(job), 0);
    for (const [at, job] of ready.entries()) {
      left -= weight(job);
      if (left < 0) return at;
    }
    return ready.length - 1;
  }

  /**
   * Where one schedule leaves little free its jobs keep their places, since such a packing is rare; all others take theirs from
   * the other one.
   */
  private crossed(one: Member, other: Member, random: () => number): Int32Array {
    const full = this.fullness(one);
    const least = LESS_FULL.from + (LESS_FULL.to - LESS_FULL.from) * random();
    const limit = full.slice().sort()[Math.floor(least * full.length)] ?? 0;
    // How many slots before each one are as full as that.
    const before = new Int32Array(full.length + 1);
    full.forEach((part, slot) => (before[slot + 1] = (before[slot] ?? 0) + (part >= limit ? 1 : 0)));
    const [ofOne, ofOther] = [placesOf(one.list), placesOf(other.list)];
    return this.inTurn((job) => {
      const start = one.starts[job] ?? 0;
      const duration = this.project.duration[job] ?? 0;
      const inFull = (before[start + duration] ?? 0) - (before[start] ?? 0);
      return (2 * inFull > duration ? ofOne : ofOther)[job] ?? 0;
    });
  }

  /** What part of all resources is taken on each slot, those around it counted in. */
  private fullness({ starts, makespan }: Member): Float64Array {
    const { duration, demand, capacity } = this.project;
    const taken = new Float64Array(makespan);
    for (let job = 0; job < this.jobs; job++) {
      let part = 0;
      for (let resource = 0; resource < this.resources; resource++)
        part += (demand[job * this.resources + resource] ?? 0) / Math.max(1, capacity[resource] ?? 0);
      const start = starts[job] ?? 0;
      for (let slot = start, end = start + (duration[job] ?? 0); slot < end; slot++)
        taken[slot] = (taken[slot] ?? 0) + part;
    }
    return taken.map((_, slot) => {
      const [from, to] = [Math.max(0, slot - AROUND), Math.min(makespan, slot + AROUND + 1)];
      let sum = 0;
      for (let near = from; near < to; near++) sum += taken[near] ?? 0;
      return sum / (to - from);
    });
  }

  /** Neighbours change places here and there, where no link forbids it. */
  private mutated(list: Int32Array, random: () => number): Int32Array {
    for (let at = 0; at < this.jobs - 1; at++) {
      if (random() >= MUTATED) continue;
      const [first, second] = [list[at] ?? 0, list[at + 1] ?? 0];
      if (this.project.after[first]?.includes(second)) continue;
      list[at] = second;
      list[at + 1] = first;
    }
    return list;
  }

  /** The schedule of an order, pushed to its end and back: three schedules, none longer than the one before. */
  justified(list: Int32Array): Member {
    const first = this.forward(list);
    const end = this.makespan(first);
    const right = this.backward(this.byFinish(first), end);
    const order = this.byStart(right);
    const starts = this.forward(order);
    return { list: this.byStart(starts), starts, makespan: this.makespan(starts) };
  }

  private makespan(starts: Int32Array): number {
    let end = 0;
    for (let job = 0; job < this.jobs; job++)
      end = Math.max(end, (starts[job] ?? 0) + (this.project.duration[job] ?? 0));
    return end;
  }

  /** Jobs of no length stand where their links put them: ties are broken by the links' own order. */
  byStart(starts: Int32Array): Int32Array {
    return Int32Array.from(this.project.order).sort(
      (a, b) => (starts[a] ?? 0) - (starts[b] ?? 0) || (this.rank[a] ?? 0) - (this.rank[b] ?? 0),
    );
  }

  private byFinish(starts: Int32Array): Int32Array {
    const finish = (job: number): number => (starts[job] ?? 0) + (this.project.duration[job] ?? 0);
    return Int32Array.from(this.project.order).sort(
      (a, b) => finish(b) - finish(a) || (this.rank[b] ?? 0) - (this.rank[a] ?? 0),
    );
  }

  /** Serial generation: each job in its turn as early as links and resources let it. */
  private forward(list: Int32Array): Int32Array {
    this.count++;
    const { duration, before } = this.project;
    this.load.fill(0);
    const starts = new Int32Array(this.jobs);
    for (const job of list) {
      let start = 0;
      for (const former of before[job] ?? []) start = Math.max(start, (starts[former] ?? 0) + (duration[former] ?? 0));
      for (let conflict = this.lastConflict(job, start); conflict >= 0; conflict = this.lastConflict(job, start))
        start = conflict + 1;
      starts[job] = start;
      this.take(job, start);
    }
    return starts;
  }

  /** The same from the end: each job as late as what follows it lets it, not after `end`. */
  private backward(list: Int32Array, end: number): Int32Array {
    this.count++;
    const { duration, after } = this.project;
    this.load.fill(0);
    const starts = new Int32Array(this.jobs);
    for (const job of list) {
      let start = end - (duration[job] ?? 0);
      for (const follower of after[job] ?? []) start = Math.min(start, (starts[follower] ?? 0) - (duration[job] ?? 0));
      for (let conflict = this.firstConflict(job, start); conflict >= 0; conflict = this.firstConflict(job, start))
        start = conflict - (duration[job] ?? 0);
      starts[job] = start;
      this.take(job, start);
    }
    return starts;
  }

  private take(job: number, start: number): void {
    const { duration, demand } = this.project;
    const row = job * this.resources;
    for (let slot = start; slot < start + (duration[job] ?? 0); slot++) {
      for (let resource = 0; resource < this.resources; resource++) {
        const cell = slot * this.resources + resource;
        this.load[cell] = (this.load[cell] ?? 0) + (demand[row + resource] ?? 0);
      }
    }
  }

  private fits(job: number, slot: number): boolean {
    const { capacity, demand } = this.project;
    for (let resource = 0; resource < this.resources; resource++) {
      const asked = demand[job * this.resources + resource] ?? 0;
      if (asked > 0 && (this.load[slot * this.resources + resource] ?? 0) + asked > (capacity[resource] ?? 0))
        return false;
    }
    return true;
  }

  private lastConflict(job: number, start: number): number {
    for (let slot = start + (this.project.duration[job] ?? 0) - 1; slot >= start; slot--)
      if (!this.fits(job, slot)) return slot;
    return -1;
  }

  private firstConflict(job: number, start: number): number {
    const end = start + (this.project.duration[job] ?? 0);
    for (let slot = start; slot < end; slot++) if (!this.fits(job, slot)) return slot;
    return -1;
  }
}

import { longestBehind, type Project } from './project';

/** A schedule begun: jobs in the order of their starts, none of which begins before the last of them any more. */
interface Begun {
  /** -1 where a job has none yet. */
  starts: Int32Array;
  /** The last of them. */
  slot: number;
  /** How many of the jobs before each have no start yet. */
  open: Int32Array;
  /** Jobs still at work when the last of them begins. */
  running: number[];
  /** Slots by amount of each resource that jobs without a start will take. */
  left: Float64Array;
  /** Which jobs have a start, as one number. */
  set: number;
}

/** One more job for a schedule begun. */
interface Step {
  begun: Begun;
  job: number;
  slot: number;
  /** Which jobs have a start then. */
  set: number;
  /** The less, the more promising. */
  promise: number;
}

/** A job whose formers all have a start: from when their links, and from when resources as well, let it begin. */
interface Ready {
  job: number;
  linked: number;
  slot: number;
}

/** So many jobs still fit the bits of one number. */
export const BEAM_JOBS = 50;

/** Of begun schedules with the same jobs so many are carried on: they differ in what is still at work. */
const ALIKE = 2;
/** No resource is ever taken whole: what is left takes by so much longer than its sum. */
const SPARSE = 1.25;
/** How much the sum counts beside the bound it is part of, and chance beside both. */
const SUM = 0.3;
const CHANCE = 1;

/**
 * Whole schedules by carrying on, from start to start, only so many begun ones: those whose rest is bound to end soonest, by its
 * longest chain and by what it takes of the scarcest resource. In small projects it finds what no order near a good one leads to.
 * @param width how many are carried on
 * @returns starts by job, the most promising first; and how many schedules' worth of starts were weighed
 */
export function beam(
  project: Project,
  width: number,
  random: () => number,
): { found: Int32Array[]; schedules: number } {
  const ahead = new Ahead(project, random);
  let level = [ahead.none()];
  for (let count = 0; count < project.duration.length; count++)
    level = likeliest(
      level.flatMap((begun) => ahead.steps(begun)),
      width,
    ).map((step) => ahead.taken(step));
  return { found: level.map(({ starts }) => starts), schedules: Math.ceil(ahead.weighed / project.duration.length) };
}

function likeliest(steps: Step[], width: number): Step[] {
  const alike = new Map<number, number>();
  const kept: Step[] = [];
  for (const step of steps.sort((a, b) => a.promise - b.promise)) {
    const count = alike.get(step.set) ?? 0;
    if (count >= ALIKE) continue;
    alike.set(step.set, count + 1);
    if (kept.push(step) === width) break;
  }
  return kept;
}

/** Carries begun schedules of one project on by a job. */
class Ahead {
  weighed = 0;
  private readonly behind: Int32Array;
  private readonly resources: number;

  constructor(
    private readonly project: Project,
    private readonly random: () => number,
  ) {
    this.resources = project.capacity.length;
    this.behind = longestBehind(project);
  }

  none(): Begun {
    const { duration, before, capacity } = this.project;
    return {
      starts: new Int32Array(duration.length).fill(-1),
      slot: 0,
      open: Int32Array.from(before, ({ length }) => length),
      running: [],
      left: Float64Array.from(capacity, (_, resource) =>
        duration.reduce((sum, length, job) => sum + length * this.takes(job, resource), 0),
      ),
      set: 0,
    };
  }

  private takes(job: number, resource: number): number {
    return this.project.demand[job * this.resources + resource] ?? 0;
  }

  private end({ starts }: Begun, job: number): number {
    return (starts[job] ?? 0) + (this.project.duration[job] ?? 0);
  }

  /** Every job that can come next: it begins before another that could go first would have ended. */
  steps(begun: Begun): Step[] {
    const { duration } = this.project;
    const ready: Ready[] = [];
    let soonest = Infinity;
    for (let job = 0; job < duration.length; job++) {
      if ((begun.starts[job] ?? 0) >= 0 || (begun.open[job] ?? 0) > 0) continue;
      let linked = 0;
      for (const former of this.project.before[job] ?? []) linked = Math.max(linked, this.end(begun, former));
      const slot = this.firstSlot(begun, job, Math.max(linked, begun.slot));
      ready.push({ job, linked, slot });
      soonest = Math.min(soonest, slot + (duration[job] ?? 0));
    }
    return ready
      .filter(({ job, slot }) => slot < soonest || duration[job] === 0)
      .map(({ job, slot }) => ({
        begun,
        job,
        slot,
        set: begun.set + 2 ** job,
        promise: this.promiseOf(begun, ready, job, slot),
      }));
  }

  /** From the last start on what is at work only ends: the first slot at which a job fits is one at which something does. */
  private firstSlot(begun: Begun, job: number, from: number): number {
    let slot = from;
    while (!this.fits(begun, job, slot)) {
      let next = Infinity;
      for (const other of begun.running) {
        const end = this.end(begun, other);
        if (end > slot && end < next) next = end;
      }
      slot = next;
    }
    return slot;
  }

  private fits(begun: Begun, job: number, slot: number): boolean {
    for (let resource = 0; resource < this.resources; resource++) {
      let taken = this.takes(job, resource);
      for (const other of begun.running) if (this.end(begun, other) > slot) taken += this.takes(other, resource);
      if (taken > (this.project.capacity[resource] ?? 0)) return false;
    }
    return true;
  }

  taken({ begun, job, slot, set }: Step): Begun {
    const { duration, after } = this.project;
    const [starts, open] = [begun.starts.slice(), begun.open.slice()];
    starts[job] = slot;
    for (const follower of after[job] ?? []) open[follower] = (open[follower] ?? 0) - 1;
    const running = begun.running.filter((other) => this.end(begun, other) > slot);
    if (duration[job]) running.push(job);
    const left = begun.left.map((sum, resource) => sum - (duration[job] ?? 0) * this.takes(job, resource));
    return { starts, slot, open, running, left, set };
  }

  /** When all is bound to end if a job begins then, by chains and by resources. */
  private promiseOf(begun: Begun, ready: readonly Ready[], job: number, slot: number): number {
    this.weighed++;
    const sum = slot + SPARSE * this.longestLeft(begun, slot);
    return Math.max(this.chainEnd(begun, ready, job, slot), sum) + SUM * sum + CHANCE * this.random();
  }

  private longestLeft(begun: Begun, slot: number): number {
    let longest = 0;
    for (let resource = 0; resource < this.resources; resource++) {
      let rest = begun.left[resource] ?? 0;
      for (const other of begun.running)
        rest += Math.max(0, this.end(begun, other) - slot) * this.takes(other, resource);
      if (rest > 0) longest = Math.max(longest, rest / (this.project.capacity[resource] ?? 1));
    }
    return longest;
  }

  private chainEnd(begun: Begun, ready: readonly Ready[], job: number, slot: number): number {
    let chain = 0;
    for (const other of begun.running) chain = Math.max(chain, this.end(begun, other) + (this.behind[other] ?? 0));
    for (const other of ready) {
      const start = other.job === job ? slot : Math.max(slot, other.linked);
      chain = Math.max(chain, start + (this.project.duration[other.job] ?? 0) + (this.behind[other.job] ?? 0));
    }
    return chain;
  }
}

import type { JobId } from '../ids';
import { seeded } from '../units/seeded';
import { calmKey, letGo, pencilLast, unbooked } from './calm';
import type { Compiled } from './compiled';
import { pushedBack, type Latest } from './justify';
import type { Exposure, NotBefore } from './network';
import { nearVisits } from './one-visit';
import { better, movedDays, opened, scoreOf, scorerOf, type Opened, type Score, type Scorer } from './objective';
import { timesOf, type Times } from './passes';
import { USUAL_WEIGHTS } from './plan-input';
import { byKey, place, urgency, type Placement } from './placing';
import type { Wait } from './wait';

export interface ImproveTerms {
  /** How many schedules may be made after the first ones. */
  schedules: number;
  seed?: number;
  /** Asked between schedules: whether to end here with the best so far. */
  stop?: () => boolean;
  /**
   * Whether a small firm's plan is shaken where it moves nobody. A plan that is only asked what something would do is not: what
   * the shaking finds would be taken for what was asked.
   */
  refined?: boolean;
}

export interface Improved {
  /** How many schedules were made for it. */
  made: number;
  net: Compiled;
  placement: Placement;
  score: Score;
  /** The same schedule pushed to its end, worked out where it is asked for. */
  latest: () => Latest;
  /** Times of the work as it was given, by links and calendars alone. */
  given: Times;
}

/**
 * The best schedule found: from the usual order and that of the plan before, each pushed to its end and back, then what
 * must not lie open brought nearer its end, then a seeded search over the order of tasks. Deterministic for its seed
 * and number.
 * @returns undefined where the horizon is too short
 */
export function improve(
  first: Compiled,
  { schedules, seed = 1, stop, refined = false }: ImproveTerms,
): Improved | undefined {
  const search = new Search(first);
  if (!search.begin()) return undefined;
  search.closeWhatIsOpen();
  search.bringTogether();
  const random = seeded(seed);
  if (refined) search.refine(random);
  if (schedules > 0) search.anew();
  for (const until = search.made + schedules; search.made < until && stop?.() !== true;) search.disturb(random);
  return search.best;
}

/** Tries of bringing visits together: at least so many in a first plan, more where a schedule is quick to make. */
const FEWEST_TRIALS = 6;
const TRIED_TASKS = 12_000;

/** A firm with fewer than so many tasks has more tried each time: there it takes no longer than a glance. */
const FEW_TASKS = 2_000;

/** How often a small firm's plan is shaken once it keeps still. */
const REFINED = 15;

/** So many late jobs are let go of one by one; the long search lets go of all. */
const LATE_JOBS = 2;

/** How far an order is shaken, in half-days: mostly a little, now and then a lot. */
const SHAKES = [2, 4, 10, 40] as const;

class Search {
  made = 0;
  /** Nothing that moves more than this is taken. */
  private mostMoved = Infinity;
  private net: Compiled;
  private readonly scorer: Scorer;
  private found: { net: Compiled; placement: Placement; score: Score } | undefined;
  private readonly given: Times;
  /** Placements that were pushed to their end: the best one is asked for again. */
  private readonly pushed = new WeakMap<Placement, Latest>();
  private readonly known = new WeakMap<Compiled, Times>();
  private variants: { of: Compiled; nets: readonly Compiled[] } | undefined;

  constructor(net: Compiled) {
    this.net = net;
    this.scorer = scorerOf(net);
    this.given = this.timesIn(net);
  }

  get best(): Improved | undefined {
    const { found, given } = this;
    return found && { ...found, made: this.made, latest: () => this.latest(found.placement), given };
  }

  private timesIn(net: Compiled): Times {
    const times = this.known.get(net) ?? timesOf(net);
    this.known.set(net, times);
    return times;
  }

  private placed(net: Compiled, order: Int32Array): Placement | undefined {
    this.made++;
    return place(net, pencilLast(net, order), this.timesIn(net));
  }

  /** Places in an order and keeps it if it is better. */
  private attempt(order: Int32Array, net = this.net): Placement | undefined {
    const placement = this.placed(net, order);
    if (!placement) return undefined;
    const score = scoreOf(this.scorer, placement);
    if (!this.found || (score.moved <= this.mostMoved && better(score, this.found.score))) {
      this.found = { net, placement, score };
      this.net = net;
    }
    return placement;
  }

  private latest(placement: Placement): Latest {
    const latest = this.pushed.get(placement) ?? pushedBack(this.net, placement);
    this.pushed.set(placement, latest);
    return latest;
  }

  private justified(placement: Placement, net = this.net): void {
    this.attempt(byKey(net, this.latest(placement).start), net);
  }

  begin(): boolean {
    if (this.net.held) return this.beginCalm();
    const usual = this.attempt(urgency(this.net, this.given));
    if (usual) this.justified(usual);
    return usual !== undefined;
  }

  /**
   * Everything that can stays where it stands, and what comes after the next weeks is tried in other orders. Where jobs end
   * later by that than people go by, or visits move, what stands makes way if that is worth the moves.
   */
  private beginCalm(): boolean {
    const stays = this.net;
    const isSmall = stays.tasks.length < FEW_TASKS;
    // In a large firm what has to move pushes others in most weeks: it begins with what stands going in its turn.
    const calm = this.inCalm(isSmall ? stays : this.inTurn(stays));
    if (!calm) return false;
    const { moved = 0, late = 0 } = this.found?.score ?? {};
    const isLater = late > (stays.input.standing?.late ?? 0);
    if (isLater || isSmall) this.movingNobody(() => this.otherOrders(stays, calm));
    if (isLater || (isSmall && moved > 0)) this.makingWay(stays, isLater, isSmall);
    return true;
  }

  /** What stands goes in its turn; of a late job, and of all of a late small firm, it may begin sooner. */
  private makingWay(stays: Compiled, isLater: boolean, isSmall: boolean): void {
    const { moved = 0 } = this.found?.score ?? {};
    const weight = (stays.input.weights ?? USUAL_WEIGHTS).move;
    // What links and calendars move anyway is no reason to move others.
    if (isSmall && (isLater || moved > weight * movedDays(stays, this.scorer.rounds, this.given.earlyStart)))
      this.inCalm(this.inTurn(stays));
    for (const job of this.lateJobs()) this.inCalm(letGo(stays, new Set([job])));
    if (isSmall && (this.found?.score.late ?? 0) > 0) this.anew();
  }

  /** The same network with what stands in its turn; by links alone all comes when it came. */
  private inTurn(stays: Compiled): Compiled {
    const loose = unbooked(stays);
    this.known.set(loose, this.given);
    return loose;
  }

  /** As if nobody had been told anything, but for what is frozen or confirmed. */
  anew(): void {
    if (!this.net.held) return;
    const free = letGo(this.net);
    const usual = this.attempt(urgency(free, this.timesIn(free)), free);
    if (usual) this.justified(usual, free);
    const calm = this.inCalm(free);
    if (calm) this.justified(calm, free);
  }

  /** What comes after the next weeks, in other orders. */
  private otherOrders(stays: Compiled, calm: Placement): void {
    this.justified(calm, stays);
    const usual = this.attempt(urgency(stays, this.given), stays);
    if (usual) this.justified(usual, stays);
  }

  /** The jobs that end latest after what was promised, the worst first. */
  private lateJobs(): JobId[] {
    const finish = this.found?.placement.finish;
    const late = this.scorer.jobs.map(({ id, tasks, promise = Infinity, weight }) => {
      const end = tasks.reduce((last, task) => Math.max(last, finish?.[task] ?? 0), 0);
      return { id, late: weight * (end - promise) };
    });
    return late
      .filter(({ late: slots }) => slots > 0)
      .sort((a, b) => b.late - a.late)
      .slice(0, LATE_JOBS)
      .map(({ id }) => id);
  }

  private inCalm(net: Compiled): Placement | undefined {
    return this.attempt(byKey(net, calmKey(net, this.timesIn(net))), net);
  }

  /** What stands in the next weeks is booked, goes in its turn, or may come sooner: each tried as often. */
  private oneOf(random: () => number): Compiled {
    if (!this.net.held) return this.net;
    if (this.variants?.of !== this.net)
      this.variants = { of: this.net, nets: [this.net, unbooked(this.net), letGo(this.net)] };
    return this.variants.nets[Math.floor(random() * this.variants.nets.length)] ?? this.net;
  }

  /** A small firm's plan is shaken a little where that moves nobody: trips are saved by it that no order has. */
  refine(random: () => number): void {
    if (!this.net.held || this.net.tasks.length >= FEW_TASKS) return;
    this.movingNobody(() => {
      for (let left = REFINED; left > 0; left--) this.disturb(random, this.net);
    });
  }

  /** Whatever is tried meanwhile is taken only where no visit moves for it. */
  private movingNobody(search: () => void): void {
    this.mostMoved = this.found?.score.moved ?? 0;
    search();
    this.mostMoved = Infinity;
  }

  /** One more schedule from the best one's order, shaken. */
  disturb(random: () => number, net = this.oneOf(random)): void {
    const best = this.found;
    if (!best) return;
    const reach = SHAKES[Math.floor(random() * SHAKES.length)] ?? 2;
    const part = random();
    const key = Float64Array.from(best.placement.start, (start) =>
      random() < part ? start + (2 * random() - 1) * reach : start,
    );
    const made = this.attempt(byKey(net, key), net);
    if (made && made === this.found?.placement) this.justified(made, net);
  }

  /**
   * What would lie open too long or to the rain waits until it need not: its opening is put off, and that is kept where
   * it helps and makes nobody later than promised.
   */
  closeWhatIsOpen(): void {
    for (let round = 0; round < 6; round++) {
      const helped = this.net.input.exposures.filter((exposure) => this.putOff(exposure)).length;
      if (helped === 0) return;
    }
  }

  /**
   * Rooms wait for each other where whoever looks at them then comes once: the visits that lie nearest first, as long as no
   * job pays for all of it with more than a day.
   */
  bringTogether(): void {
    const before = this.found?.placement;
    if (!before) return;
    let left = this.trials();
    for (const group of this.scorer.looks) {
      for (const near of nearVisits(group, before.start)) {
        if (left-- <= 0) return;
        this.waitFor(near, before);
      }
    }
  }

  /** In a large firm what its first plan brought together stands as it is. */
  private trials(): number {
    const { held, tasks } = this.net;
    const tried = Math.floor(TRIED_TASKS / Math.max(1, tasks.length));
    if (held) return tasks.length < FEW_TASKS ? tried : 0;
    return Math.max(FEWEST_TRIALS, tried);
  }

  /** Has these visits wait for the one of that day, and keeps it where it helps. */
  private waitFor({ earlier, day, rooms }: ReturnType<typeof nearVisits>[number], before: Placement): void {
    const best = this.found;
    if (!best) return;
    let net = this.net;
    for (const task of earlier)
      net = withWait(net, task, {
        task: net.tasks[task]?.id ?? '',
        slot: day,
        open: false,
        kind: 'kept',
        wait: { kind: 'one-visit', rooms },
      });
    const placement = this.placed(net, byKey(net, best.placement.start));
    const score = placement && scoreOf(this.scorer, placement);
    if (!placement || !score || !better(score, best.score) || !nearlyAsSoon(this.scorer, before, placement)) return;
    this.net = net;
    this.found = { net, placement, score };
  }

  private putOff(exposure: Exposure): boolean {
    const best = this.found;
    const state = best && opened(this.net, best.placement, exposure);
    if (!best || !state || state.kept) return false;
    if (this.hurry(state.to)) return true;
    if (this.net.tasks[state.from]?.state !== 'waiting') return false;
    const slot = this.putOffTo(exposure, state, best.placement);
    if (slot === undefined) return false;
    const net = withWait(this.net, state.from, this.waitOf(exposure, state, slot));
    const placement = this.placed(net, byKey(net, best.placement.start));
    const nearer = placement && opened(net, placement, exposure);
    const score = placement && scoreOf(this.scorer, placement);
    if (!placement || !score || !nearer || !helps(best.score, score, state.rain, nearer.rain)) return false;
    this.net = net;
    this.found = { net, placement, score };
    return true;
  }

  /** What closes it, and all that leads there, goes before everything else; kept where less lies open by it. */
  private hurry(to: number): boolean {
    const best = this.found;
    if (!best) return false;
    const first = new Set([to]);
    for (const at of first) for (const { before } of this.net.into[at] ?? []) first.add(before);
    const end = best.placement.finish[to] ?? 0;
    const key = Int32Array.from(best.placement.start, (start, task) => (first.has(task) ? start - end : start));
    const placement = this.placed(this.net, byKey(this.net, key));
    const score = placement && scoreOf(this.scorer, placement);
    if (!placement || !score || score.broken >= best.score.broken || score.late > best.score.late) return false;
    this.found = { net: this.net, placement, score };
    return true;
  }

  /** The slot from which it would lie open no longer than is right, or in the dry; undefined where it begins then already. */
  private putOffTo(exposure: Exposure, state: Opened, placement: Placement): number | undefined {
    const calendar = this.net.jobCalendar[state.from];
    const started = placement.start[state.from] ?? 0;
    const end = placement.finish[state.to] ?? 0;
    const latest =
      calendar?.worked[(calendar.before[Math.min(end, calendar.before.length - 1)] ?? 0) - exposure.most] ?? started;
    const slot = Math.max(latest, state.rain === undefined ? started : this.dryFrom(state.rain));
    return slot > started ? slot : undefined;
  }

  private waitOf(exposure: Exposure, { rain, actual }: Opened, slot: number): NotBefore {
    const { input } = this.net;
    const weather = rain === undefined ? undefined : input.rain?.get(rain);
    const wait: Wait = weather
      ? { kind: 'open-in-rain', weather }
      : { kind: 'open-too-long', halfDays: actual, most: exposure.most, why: exposure.reason };
    return { task: exposure.from, slot, open: false, kind: 'kept', wait };
  }

  /** The first slot after an unbroken spell of rain. */
  private dryFrom(slot: number): number {
    let dry = slot + 1;
    while (this.net.input.rain?.has(dry)) dry++;
    return dry;
  }
}

/** Whether every job ends within a day of when it did. */
const nearlyAsSoon = ({ jobs }: Scorer, before: Placement, after: Placement): boolean =>
  jobs.every(({ tasks }) => endOf(tasks, after) <= endOf(tasks, before) + 2);

function endOf(tasks: readonly number[], { finish }: Placement): number {
  let end = 0;
  for (const task of tasks) end = Math.max(end, finish[task] ?? 0);
  return end;
}

/** The same network with a task kept back; an older wait of that kind gives way. */
function withWait(net: Compiled, task: number, wait: NotBefore): Compiled {
  const floor = Int32Array.from(net.floor);
  floor[task] = Math.max(floor[task] ?? 0, wait.slot);
  const others = net.input.notBefore.filter((other) => other.task !== wait.task || other.kind !== 'kept');
  return { ...net, floor, input: { ...net.input, notBefore: [...others, wait] } };
}

/** Nobody later than promised and less broken, or as much but no longer in this rain: the next round looks again. */
function helps(before: Score, after: Score, rainBefore = Infinity, rainAfter = -Infinity): boolean {
  if (after.late > before.late || after.broken > before.broken) return false;
  return after.broken < before.broken || rainAfter > rainBefore;
}

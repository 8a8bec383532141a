import { proofId } from '../sequence/site';
import { causeKey, type Cause } from './cause';
import { differencesOf, keysOf, type Difference, type MadeOf } from './differences';
import type { PlannedTask } from './plan';
import type { Reason } from './reasons';
import { dayOfSlot, slotOf, type Slot } from '../units/slot';

/** As much of a plan as its moves are followed back in. */
type Part = MadeOf;

/** What is told of one move, and no more: who reads ten causes reads none. */
const MOST = 3;

/** Why something moved, as it is asked of two plans. */
export interface Trace {
  /** @returns the causes of a piece of work's move, the surest first; never none where anything is known */
  ofTask: (task: string) => Cause[];
  /** The same of a job's last day. */
  ofFinish: (job: string) => Cause[];
}

/**
 * Follows what moved back to what was found: from a piece of work to the one that holds it, from that to the one that
 * holds it, as far as something of it moved as well; where the thread ends, what was found of that very thing (its
 * delivery, its answer, its step, its crew) is the cause. What became later is held by something in the new plan, what
 * became earlier was held by something in the former.
 *
 * A thread of links and waits is sure. One that passes through a crew or a room is not: who gets a crew first is decided
 * over all the work at once. Where several changes came in together and the thread is not sure, all of them are told.
 * @param said since the former plan, a cause a command, by the job that it was said for
 * @param seen what walks among them saw, one by one
 */
export function traceMoves(
  former: Part,
  plan: Part,
  said: ReadonlyMap<string, readonly Cause[]>,
  seen: readonly Cause[] = [],
): Trace {
  const mattered = whatMattered(former, plan, said, seen);
  const all = distinct([...said.values()].flat().filter(mattered));
  const look = new Look(former, plan, [...seen, ...all]);
  const isOne = new Set(all.map((cause) => cause.record)).size < 2;
  // A walk stands for all that it saw; the job's own before what came in for others.
  const allFor = (job: string): Cause[] => {
    const own = (said.get(job) ?? []).filter(mattered);
    return distinct([...own.filter(({ kind }) => kind === 'walk'), ...own, ...all]);
  };
  const ofTask = (id: string): Cause[] => {
    const { causes, sure } = look.threadOf(id);
    if (causes.length > 0 && (sure || isOne)) return atMost(distinct(causes));
    const told = new Set(causes.map((cause) => cause.record));
    const others = allFor((look.is.get(id) ?? look.was.get(id))?.job ?? '');
    const list = distinct([...causes, ...others.filter((cause) => !told.has(cause.record))]);
    return causes.length > 0 ? atMost(list) : oneOrAll(list);
  };
  return {
    ofTask,
    ofFinish: (job) => {
      const [before, after] = [lastOf(former, job), lastOf(plan, job)];
      const id = !before || !after || look.finishNow(after) >= before.finish ? after?.id : before.id;
      return id === undefined ? oneOrAll(allFor(job)) : ofTask(id);
    },
  };
}

/**
 * Whether a cause changed anything of what plans are made from. One that is of things of which nothing differs did not;
 * where something differs that no cause is of, nothing can be ruled out.
 */
function whatMattered(
  former: Part,
  plan: Part,
  said: ReadonlyMap<string, readonly Cause[]>,
  seen: readonly Cause[],
): (cause: Cause) => boolean {
  if (new Set([...said.values()].flat().map((cause) => cause.record)).size < 2) return () => true;
  const differences = differencesOf(former, plan);
  const hasPassed = former.origin !== plan.origin;
  const differing = new Set(differences.flatMap((difference) => difference.keys));
  const walked = new Set(
    [...said].flatMap(([job, causes]) => (causes.some(({ kind }) => kind === 'walk') ? [job] : [])),
  );
  const known = new Set([...seen, ...[...said.values()].flat()].flatMap(touches));
  const isKnown = ({ keys, job, byTime }: Difference): boolean =>
    (byTime && hasPassed) || (job !== null && walked.has(job)) || keys.some((key) => known.has(key));
  if (!differences.every(isKnown)) return () => true;
  return (cause) => {
    const of = touches(cause);
    return of.length === 0 || of.includes('weather') || of.some((key) => differing.has(key));
  };
}

const atMost = (causes: readonly Cause[]): Cause[] =>
  causes.length <= MOST ? [...causes] : [...causes.slice(0, MOST - 1), together(causes.slice(MOST - 1), true)];

/** Of many that nothing tells apart none is singled out. */
const oneOrAll = (causes: readonly Cause[]): Cause[] =>
  causes.length <= MOST ? [...causes] : [together(causes, false)];

const together = (causes: readonly Cause[], more: boolean): Cause => {
  const record = causes.at(-1)?.record;
  return { kind: 'together', changes: causes.length, more, ...(record === undefined ? {} : { record }) };
};

/** A command for several jobs is one cause, and so are several that say the same. */
const distinct = (causes: readonly Cause[]): Cause[] => [
  ...new Map(causes.map((cause) => [causeKey([cause]), cause])).values(),
];

const lastOf = (plan: Part, job: string): PlannedTask | undefined => {
  let last: PlannedTask | undefined;
  for (const task of plan.tasks)
    if (task.job === job && task.state !== 'done' && (!last || task.finish > last.finish)) last = task;
  return last;
};

/** What is found by following one piece of work back, and whether nothing else can have moved it. */
interface Thread {
  causes: Cause[];
  sure: boolean;
}

/** The end of a thread: the work at which it ends, and what is said to hold it there. */
interface End {
  task: PlannedTask;
  reason: Reason | NonNullable<Reason['also']>[number];
}

class Look {
  readonly was: ReadonlyMap<string, PlannedTask>;
  readonly is: ReadonlyMap<string, PlannedTask>;
  /** Slots from the former plan's first day to the plan's. */
  private readonly shift: Slot;
  private readonly subs: ReadonlyMap<string, string>;
  private readonly known = new Map<string, Thread>();

  constructor(
    former: Part,
    private readonly plan: Part,
    readonly found: readonly Cause[],
  ) {
    this.was = new Map(former.tasks.map((task) => [task.id as string, task]));
    this.is = new Map(plan.tasks.map((task) => [task.id as string, task]));
    this.shift = slotOf(former.origin, plan.origin);
    this.subs = new Map([...former.crewCapacity, ...plan.crewCapacity].map((crew) => [crew.name, crew.sub]));
  }

  readonly finishNow = (task: PlannedTask): Slot => task.finish + this.shift;

  threadOf(id: string): Thread {
    const known = this.known.get(id);
    if (known) return known;
    // Two that hold each other are followed once.
    this.known.set(id, { causes: [], sure: true });
    const thread = this.follow(id);
    this.known.set(id, thread);
    return thread;
  }

  private follow(id: string): Thread {
    const [was, is] = [this.was.get(id), this.is.get(id)];
    const isLater = this.movedLater(id);
    const held = isLater === false ? was : is;
    if (!held) return { causes: [], sure: false };
    const causes = new Set<Cause>();
    let sure = true;
    const add = (more: readonly Cause[]): void => more.forEach((cause) => causes.add(cause));
    // It takes longer, was added or is gone: that is found of itself, whatever else holds it.
    if (was?.duration !== is?.duration || was?.state !== is?.state)
      add(this.about({ task: held, reason: { kind: 'none' } }));
    const { also = [], ...first } = held.reason;
    for (const reason of [first as Reason, ...also]) {
      const behind = 'task' in reason ? reason.task : undefined;
      if (reason.kind !== 'link' && reason.kind !== 'not-before') sure = false;
      if (behind !== undefined && behind !== id && this.movedLater(behind) === isLater && this.moved(behind)) {
        const thread = this.threadOf(behind);
        add(thread.causes);
        sure &&= thread.sure;
      } else add(this.about({ task: held, reason }));
    }
    if (causes.size === 0) add(this.passed(was, is));
    return { causes: [...causes], sure };
  }

  /** Whether it ends later than it did; undefined where it is only in one of the plans. */
  private movedLater(id: string): boolean | undefined {
    const [was, is] = [this.was.get(id), this.is.get(id)];
    if (!was) return true;
    if (!is) return false;
    const [then, now] = [was.finish, is.finish + this.shift];
    return now === then ? is.start + this.shift >= was.start : now > then;
  }

  private moved(id: string): boolean {
    const [was, is] = [this.was.get(id), this.is.get(id)];
    return !was || !is || was.finish !== is.finish + this.shift || was.start !== is.start + this.shift;
  }

  /** What was found of the end of a thread: of what is waited for, of the work itself, of its crew, of its room. */
  private about({ task, reason }: End): Cause[] {
    const keys = this.keysOf(task, reason);
    for (const key of keys) {
      const causes = this.found.filter((cause) => touches(cause).includes(key));
      if (causes.length > 0) return causes.map((cause) => inParticular(cause, reason));
    }
    return [];
  }

  /** From the nearest to the farthest. */
  private keysOf(task: PlannedTask, reason: End['reason']): string[] {
    // Work under way that ends later without more to do is kept from going on by its crew's days.
    const crew =
      'crew' in reason
        ? this.subs.get(reason.crew)
        : reason.kind === 'under-way'
          ? (task.crew ?? undefined)
          : undefined;
    const own = keysOf(task);
    return [
      ...(reason.kind === 'not-before' && reason.selection ? [`selection:${reason.selection}`] : []),
      ...(reason.kind === 'not-before' && reason.request ? [`request:${reason.request}`] : []),
      ...(reason.kind === 'weather' ? ['weather'] : []),
      ...(crew !== undefined && reason.kind !== 'under-way' ? [`crew:${crew}`] : []),
      ...own.slice(0, 2),
      ...(crew === undefined ? [] : [`crew:${crew}`]),
      ...own.slice(2),
    ];
  }

  /** The day it was to begin or to end went by unseen: time alone moved it. */
  private passed(was: PlannedTask | undefined, is: PlannedTask | undefined): Cause[] {
    if (!was || !is || is.state === 'done' || is.floor + this.shift <= was.floor) return [];
    const { origin } = this.plan;
    const [start, finish] = [was.start - this.shift, was.finish - this.shift];
    const day = (slot: Slot): string => dayOfSlot(origin, slot);
    if (is.state === 'waiting' && start < is.floor)
      return [{ kind: 'not-seen', task: is.id, work: is.work, day: day(start), what: 'begin' }];
    if (is.state === 'under-way' && is.duration === was.duration && finish < is.finish)
      return [{ kind: 'not-seen', task: is.id, work: is.work, day: day(finish - 1), what: 'end' }];
    return [];
  }
}

/** An outlook says many things: the one that keeps this work off its day is told. */
const inParticular = (cause: Cause, reason: End['reason']): Cause =>
  cause.kind === 'outlook' && reason.kind === 'weather'
    ? { kind: 'weather', weather: reason.weather, ...(cause.record ? { record: cause.record } : {}) }
    : cause;

/** What a cause is found of, as the ends of threads are looked up. */
function touches(cause: Cause): string[] {
  switch (cause.kind) {
    case 'slip':
    case 'goods':
    case 'checked':
      return [`selection:${cause.selection}`];
    case 'delivery-came':
      return cause.selections.map((selection) => `selection:${selection}`);
    case 'request':
      return [`request:${cause.request}`];
    case 'step':
    case 'parts':
    case 'others':
    case 'hold':
    case 'inspection':
    case 'progress':
    case 'opened-anyway':
      return [`step:${cause.area}:${cause.phase}`];
    case 'failed':
      return [`step:${cause.area}:${cause.phase}`, `area:${cause.area}`];
    case 'order':
      return [cause.before, cause.after].map(({ area, phase }) => `step:${area}:${phase}`);
    case 'pin':
    case 'declined':
    case 'freed':
    case 'given':
      return [`task:${cause.task}`];
    case 'gate':
      return [`gate:${cause.gate}`];
    case 'logistic':
      return [`logistic:${cause.logistic}`];
    case 'extra':
      return [`extra:${cause.extra}`, `area:${cause.area}`];
    case 'sub':
    case 'away':
      return [`crew:${cause.sub}`];
    case 'plant':
    case 'broken':
      return [`crew:${cause.plant}`];
    case 'outlook':
    case 'weather':
      return ['weather'];
    case 'drawn':
    case 'area':
    case 'copied':
    case 'merged':
    case 'option':
    case 'assumption':
    case 'change':
    case 'client-item':
    case 'leftover':
    case 'late-record':
      return [`area:${cause.area}`];
    case 'signature-taken-away':
    case 'signed':
      return [`step:${cause.area}:close-in`];
    case 'check-settled':
      return [`step:${cause.area}:close-in`, ...(cause.item === null ? [] : [`leftover:${cause.item}`])];
    case 'beside':
      return cause.areas.map((area) => `area:${area}`);
    case 'not-seen':
      return [`task:${cause.task}`];
    case 'service':
      return [`task:${proofId(cause.service)}`];
    case 'job-task':
    case 'quiet':
    case 'worked-day':
    case 'rate':
    case 'method':
    case 'rule':
    case 'switch':
    case 'office':
    case 'holiday':
    case 'zone':
    case 'weights':
    case 'job-changed':
    case 'job-removed':
    case 'job-back':
    case 'areas-set-out':
    case 'goods-listed':
    case 'supplier':
    case 'supplier-closed':
    case 'walk':
    case 'taken-back':
    case 'together':
    case 'better-order':
    case 'form':
    case 'told':
      return [];
  }
}

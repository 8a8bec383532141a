import type { JobId, TaskId } from '../ids';
import type { Slot } from '../units/slot';
import type { Compiled } from './compiled';
import type { NotBefore, Task } from './network';
import { firstFrom, linkTime, type Times } from './passes';
import type { Placement } from './placing';
import type { Calm } from './wait';

/** Where a piece of work stands by the plan people go by. */
export interface Stood {
  slot: Slot;
  /** What was said of that day to whoever comes: nothing, the day, or they said yes to it. */
  said: 'nothing' | 'told' | 'confirmed';
}

/**
 * What a plan keeps to, so that a day that was said is a promise. Slots count from the plan's origin.
 * @see docs/decisions/0062
 */
export interface Standing {
  stood: ReadonlyMap<TaskId, Stood>;
  /** Nothing that stands before this slot moves without need, and nothing is moved to before it. */
  frozen: Slot;
  /** What stands before this slot stays where it can; from here on all is planned anew. */
  near: Slot;
  /** How late that plan is, as its score says. */
  late: number;
  /** Jobs nobody has signed yet: they take what is left. */
  pencil: ReadonlySet<JobId>;
}

/** How firmly a piece of work stands: the higher is booked before the lower. */
export const FREE = 0;
export const NEAR = 1;
export const FROZEN = 2;
export const CONFIRMED = 3;

/** Standing by number: how firmly each piece of work is held, where (-1 nowhere), and before which slot it may not come. */
export interface Held {
  firmly: Uint8Array;
  slot: Int32Array;
  floor: Int32Array;
  /** Whether whoever comes was told that day: moving them weighs twice as much. */
  told: Uint8Array;
  /** Places in the order: work of unsigned jobs comes after all other. */
  pencil: Uint8Array;
}

export function heldOf(tasks: readonly Task[], { stood, frozen, near, pencil }: Standing): Held {
  const count = tasks.length;
  const held: Held = {
    firmly: new Uint8Array(count),
    slot: new Int32Array(count).fill(-1),
    floor: new Int32Array(count),
    told: new Uint8Array(count),
    pencil: new Uint8Array(count),
  };
  tasks.forEach(({ id, state, job, duration }, number) => {
    held.pencil[number] = pencil.has(job) ? 1 : 0;
    const there = state === 'waiting' && duration > 0 ? stood.get(id) : undefined;
    // What was to begin before today and has not begun stands nowhere any more.
    if (!there || there.slot < 0) return;
    const firmly = firmlyHeld(there, frozen, near);
    held.firmly[number] = held.pencil[number] && firmly === NEAR ? FREE : firmly;
    held.slot[number] = there.slot;
    held.told[number] = there.said === 'nothing' ? 0 : 1;
    held.floor[number] = firmly === FREE ? near : there.slot;
  });
  return held;
}

function firmlyHeld({ slot, said }: Stood, frozen: Slot, near: Slot): number {
  if (said === 'confirmed') return CONFIRMED;
  if (slot < frozen) return FROZEN;
  return slot < near || said === 'told' ? NEAR : FREE;
}

/** Why it is kept where it is, as it is said where nothing else holds it. */
function whyOf({ firmly, slot, floor }: Held, task: number): Calm {
  if (firmly[task] === CONFIRMED) return 'confirmed';
  if (firmly[task] === FROZEN) return 'frozen';
  // Not only what is booked: what goes in its turn stays where it stands as well where nothing moves it.
  return slot[task] === floor[task] ? 'stands' : 'no-sooner';
}

/** What begins where it stood though its links would let it begin before: said as a reason. */
export function calmWaits(net: Compiled, { start, finish }: Pick<Placement, 'start' | 'finish'>): NotBefore[] {
  const { held } = net;
  if (!held) return [];
  const waits: NotBefore[] = [];
  held.floor.forEach((slot, number) => {
    // A floor that was let go for a better plan holds nothing, nor does one that something else holds as well.
    if (slot === 0 || !net.waiting[number] || (net.floor[number] ?? 0) < slot) return;
    const task = net.tasks[number];
    if (!task || task.floor >= slot || start[number] !== firstFrom(net, number, slot)) return;
    if (net.into[number]?.some((bound) => linkTime(net, bound, start, finish) >= slot)) return;
    waits.push({ task: task.id, slot, open: false, kind: 'kept', wait: { kind: 'calm', why: whyOf(held, number) } });
  });
  return waits;
}

/** The same network, what stands in the next weeks no longer booked there: it goes in its turn, not before its day. */
export function unbooked(net: Compiled): Compiled {
  const { held } = net;
  if (!held) return net;
  return { ...net, held: { ...held, firmly: held.firmly.map((firmly) => (firmly === NEAR ? FREE : firmly)) } };
}

/**
 * The same network, what stands free to begin sooner, though not in the frozen days.
 * @param jobs the jobs it is let go of; all unless said
 */
export function letGo(net: Compiled, jobs?: ReadonlySet<JobId>): Compiled {
  const { held } = net;
  if (!held) return net;
  const goes = (task: number): boolean =>
    (held.firmly[task] ?? FREE) <= NEAR &&
    (held.slot[task] ?? -1) >= 0 &&
    (!jobs || jobs.has(net.tasks[task]?.job ?? ''));
  const { frozen } = net.input.standing ?? { frozen: 0 };
  const given = givenFloors(net);
  return {
    ...net,
    floor: net.floor.map((slot, task) => (goes(task) ? Math.max(given[task] ?? 0, frozen) : slot)),
    held: { ...held, firmly: held.firmly.map((firmly, task) => (goes(task) ? FREE : firmly)) },
  };
}

/** Floors as they are without regard to what stands. */
function givenFloors({ tasks, index, input }: Compiled): Int32Array {
  const floor = Int32Array.from(tasks, (task) => task.floor);
  for (const wait of input.notBefore) {
    const task = index.get(wait.task);
    if (task !== undefined && tasks[task]?.state !== 'done') floor[task] = Math.max(floor[task] ?? 0, wait.slot);
  }
  return floor;
}

/**
 * Turns that keep a plan calm: by the day each can begin where all else stays. What is under way goes on in the order in which
 * it has to be done.
 */
export const calmKey = ({ held, tasks }: Compiled, { earlyStart, lateStart }: Times): Int32Array =>
  earlyStart.map((slot, task) =>
    tasks[task]?.state === 'under-way' ? (lateStart[task] ?? 0) : Math.max(slot, held?.slot[task] ?? 0),
  );

/** The same turns, by task, work of jobs that nobody has signed after all other. */
export const pencilLast = ({ held }: Compiled, turn: Int32Array): Int32Array =>
  held?.pencil.includes(1) ? turn.map((place, task) => place + (held.pencil[task] ? turn.length : 0)) : turn;

/** Something that people were told and the plan cannot keep: somebody has to settle it. */
export interface Unkept {
  task: TaskId;
  job: JobId;
  /** Where it stood. */
  from: Slot;
  /** Where it is now; its reason says why. */
  to: Slot;
  said: 'frozen' | 'confirmed';
}

/** Whatever stood firmly and does not stand there any more. */
export function unkeptOf(net: Compiled, { start }: Placement): Unkept[] {
  const { held } = net;
  if (!held) return [];
  return net.tasks.flatMap((task, number): Unkept[] => {
    const firmly = held.firmly[number] ?? FREE;
    const [from, to] = [held.slot[number] ?? -1, start[number] ?? 0];
    if (firmly < FROZEN || from < 0 || to === from) return [];
    return [{ task: task.id, job: task.job, from, to, said: firmly === CONFIRMED ? 'confirmed' : 'frozen' }];
  });
}

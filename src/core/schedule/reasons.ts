import { asQuiet, isOfficeCalendar, narrowingsOf } from '../sequence/calendars';
import type { TaskId } from '../ids';
import type { Day } from '../units/day';
import { dayOfSlot, isAfternoon, lastDay, type Slot } from '../units/slot';
import { blockersOf, holdersOf, slotBefore, type Blocker, type Holders } from './blockers';
import { countBefore } from './calendar';
import type { BoundLink, Compiled } from './compiled';
import type { NotBefore, Task } from './network';
import type { Placement } from './placing';
import type { Wait } from './wait';
import type { TooMuch } from './weather';
import type { WorkName } from './work-name';

/** A half-day by its day. */
export interface HalfDay {
  day: Day;
  afternoon: boolean;
}

/** What one reason says: the thing that would have to give for a task to start one slot earlier. */
type Because =
  | { kind: 'done' }
  | { kind: 'under-way' }
  /** Nothing holds it. */
  | { kind: 'none' }
  /** It starts as soon as it can; `begins` where that is the first day of its job. */
  | { kind: 'now'; begins?: Day }
  /** Other work, which is done, reached, begun or ended then, and what has to pass after it. */
  | {
      kind: 'link';
      task: TaskId;
      work: WorkName;
      how: 'is-done' | 'is-reached' | 'begins' | 'ends';
      at: HalfDay;
      then?: { halfDays: number; unit: 'work' | 'elapsed' };
      rule: number;
      why: string;
    }
  /** Something outside of the work; `held` where nobody has confirmed it. */
  | { kind: 'not-before'; wait: Wait; held?: true; selection?: string; request?: string }
  /** Its crew or plant is at other work that day, or some of it is missing. */
  | { kind: 'crew'; crew: string; day: Day; task?: TaskId; work?: WorkName }
  /** Other work has the room until then. */
  | { kind: 'area'; until: HalfDay; task?: TaskId; work?: WorkName }
  | { kind: 'away'; crew: string; from: Day; until: Day }
  | { kind: 'weather'; weather: TooMuch }
  /** As an older plan said it. */
  | { kind: 'told'; text: string };

/** Why a task starts when it does. */
export type Reason = Because & {
  /** What keeps it to hours of its own, where that is why it waits on after all else has let go. */
  hours?: 'loud' | 'quiet' | 'office';
  /** Everything else that would have to give as well. */
  also?: Because[];
};

/** The same for somebody who is not told of some work: a crew that is there is no more than not available. */
export function withoutOthers({ also, ...reason }: Reason, isTold: (task: TaskId) => boolean): Reason {
  const told = <One extends Because>(one: One): One => {
    if (one.kind !== 'crew' || one.task === undefined || isTold(one.task)) return one;
    const { task: _, work: __, ...rest } = one;
    return rest as One;
  };
  return { ...told(reason as Reason), ...(also ? { also: also.map(told) } : {}) };
}

/** The task that stands in the way, for the thread back. */
export const inTheWay = (reason: Reason): TaskId | undefined => ('task' in reason ? reason.task : undefined);

/** Whether it waits for something that nobody has confirmed. */
export const isHeld = (reason: Reason): boolean => reason.kind === 'not-before' && reason.held === true;

/** Why tasks of a schedule start when they do, by number; who holds what when is gathered once for all that are asked for. */
export function reasonsIn(net: Compiled, placed: Placement): (number: number) => Reason {
  const holders = holdersOf(net, placed);
  return (number) => reasonOf(net, placed, net.tasks[number] as Task, number, holders);
}

function reasonOf(net: Compiled, placed: Placement, task: Task, number: number, holders: Holders): Reason {
  if (task.state === 'done') return { kind: 'done' };
  if (
    task.state === 'under-way' &&
    (placed.start[number] ?? 0) === (net.calendar[number]?.worked[countBefore(net.calendar[number], task.floor)] ?? -1)
  ) {
    return { kind: 'under-way' };
  }
  const blockers = blockersOf(net, placed, number, holders);
  if (blockers.length > 1) blockers.sort((a, b) => b.until - a.until || weight(net, a) - weight(net, b));
  const all = told(net, placed, number, blockers);
  const reason: Reason | undefined = all[0];
  if (!reason) {
    if (slotBefore(net, placed, number) >= 0) return { kind: 'none' };
    const kept = (placed.start[number] ?? 0) > task.floor ? hoursOf(task) : undefined;
    return kept ? { ...nowReason(net, task), hours: kept } : nowReason(net, task);
  }
  const start = placed.start[number] ?? 0;
  // The first of them lets go last: a calendar of its own says why it waits on, where nothing else does.
  const hours = (blockers[0]?.until ?? start) < start ? hoursOf(task) : undefined;
  if (hours) reason.hours = hours;
  if (all.length > 1) reason.also = all.slice(1);
  return reason;
}

/** What each blocker comes to; what comes to the same is told once. */
function told(net: Compiled, placed: Placement, number: number, blockers: readonly Blocker[]): Because[] {
  const reasons: Because[] = [];
  for (const blocker of blockers) {
    const reason = tell(net, placed, number, blocker);
    if (!reasons.some((other) => isSame(other, reason))) reasons.push(reason);
  }
  return reasons;
}

/** Whether two say the same: of one crew on one day, of one room until one half-day, of one crew away. */
function isSame(one: Because, other: Because): boolean {
  if (one.kind === 'crew' && other.kind === 'crew')
    return one.crew === other.crew && one.day === other.day && one.task === other.task;
  if (one.kind === 'area' && other.kind === 'area')
    return (
      one.task === other.task && one.until.day === other.until.day && one.until.afternoon === other.until.afternoon
    );
  if (one.kind === 'away' && other.kind === 'away') return one.crew === other.crew && one.from === other.from;
  if (one.kind === 'weather' && other.kind === 'weather') return one.weather === other.weather;
  return one.kind === 'now' && other.kind === 'now';
}

/** What a calendar of its own keeps a task to; nothing where it is the job's. */
function hoursOf(task: Task): Reason['hours'] {
  const narrowings = narrowingsOf(task.calendar);
  if (narrowings.some((narrowing) => asQuiet(narrowing))) return 'quiet';
  if (narrowings.includes('loud')) return 'loud';
  return isOfficeCalendar(task.calendar) ? 'office' : undefined;
}

/** Of two that let go at the same moment the one that a person would name first. */
function weight(net: Compiled, blocker: Blocker): number {
  switch (blocker.kind) {
    case 'not-before':
      // That it stays where it stands is said where nothing else holds it.
      return blocker.wait.wait.kind === 'calm' ? 8 : 0;
    case 'link':
      // What is done holds nothing any more, unless it is still drying.
      return net.tasks[blocker.bound.before]?.state === 'done' && blocker.bound.link.lag === 0
        ? 7
        : blocker.bound.link.strength === 'hard'
          ? 1
          : 2;
    case 'away':
    case 'weather':
      return 3;
    case 'crew':
      return 4;
    case 'area':
      return 5;
    case 'floor':
      return 6;
  }
}

function tell(net: Compiled, placed: Placement, number: number, blocker: Blocker): Because {
  const { origin } = net.input;
  switch (blocker.kind) {
    case 'link':
      return linkReason(net, placed, blocker.bound);
    case 'not-before':
      return waitReason(blocker.wait);
    case 'floor':
      return nowReason(net, net.tasks[number] as Task);
    case 'away': {
      const crew = net.input.crews[blocker.crew];
      return {
        kind: 'away',
        crew: crew?.name ?? '',
        from: dayOfSlot(origin, awayFrom(net, number, crew?.away, blocker.until)),
        until: lastDay(origin, blocker.until),
      };
    }
    case 'weather':
      return { kind: 'weather', weather: blocker.weather };
    case 'crew': {
      const other = net.tasks[blocker.holders[0] ?? -1];
      const crew = net.input.crews[blocker.crew]?.name ?? '';
      const day = dayOfSlot(origin, blocker.slot);
      return other ? { kind: 'crew', crew, day, task: other.id, work: other.work } : { kind: 'crew', crew, day };
    }
    case 'area': {
      const other = net.tasks[blocker.holders[0] ?? -1];
      const until = halfDayOf(origin, blocker.slot);
      return other ? { kind: 'area', until, task: other.id, work: other.work } : { kind: 'area', until };
    }
  }
}

const halfDayOf = (origin: Day, slot: Slot): HalfDay => ({
  day: dayOfSlot(origin, slot),
  afternoon: isAfternoon(slot),
});

function waitReason({ wait, open, selection, request }: NotBefore): Because {
  const reason: Because = { kind: 'not-before', wait };
  if (open) reason.held = true;
  if (selection) reason.selection = selection;
  if (request) reason.request = request;
  return reason;
}

/** The first slot of the days away that end at `until`, days off in between passed over. */
function awayFrom(net: Compiled, number: number, away: ReadonlySet<Slot> | undefined, until: Slot): Slot {
  const calendar = net.base[number];
  let at = calendar ? countBefore(calendar, until) - 1 : 0;
  while (at > 0 && away?.has(calendar?.worked[at - 1] ?? -1)) at--;
  return calendar?.worked[at] ?? until;
}

function linkReason(net: Compiled, placed: Placement, { link, before }: BoundLink): Because {
  const former = net.tasks[before] as Task;
  const { origin } = net.input;
  const finish = placed.finish[before] ?? 0;
  const [how, slot] =
    former.state === 'done'
      ? (['is-done', finish - 1] as const)
      : former.duration === 0
        ? (['is-reached', finish] as const)
        : link.kind === 'SS'
          ? (['begins', placed.start[before] ?? 0] as const)
          : (['ends', finish - 1] as const);
  const reason: Because = {
    kind: 'link',
    task: link.before,
    work: former.work,
    how,
    at: halfDayOf(origin, slot),
    rule: link.rule,
    why: link.reason,
  };
  if (link.lag > 0) reason.then = { halfDays: link.lag, unit: link.lagUnit };
  return reason;
}

/** A floor beyond the plan's first days is the job's own first day, not the walk of today. */
const nowReason = (net: Compiled, task: Task): Because =>
  task.floor > 2 ? { kind: 'now', begins: dayOfSlot(net.input.origin, task.floor) } : { kind: 'now' };

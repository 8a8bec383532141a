import { isOfficeCalendar, narrowingsOf } from '../sequence/calendars';
import { formatDay } from '../units/day';
import { dayOfSlot, formatSlot, lastDay, type Slot } from '../units/slot';
import { blockersOf, holdersOf, slotBefore, type Blocker, type Holders } from './blockers';
import { countBefore } from './calendar';
import type { BoundLink, Compiled } from './compiled';
import type { Task } from './network';
import type { Placement } from './placing';

/** The thing that would have to give for a task to start one slot earlier. */
type ReasonKind = 'done' | 'under-way' | 'link' | 'not-before' | 'crew' | 'area' | 'away' | 'weather' | 'now' | 'none';

export interface Reason {
  kind: ReasonKind;
  /** A sentence for people. */
  text: string;
  /** The task that stands in the way, for the thread back. */
  task?: string;
  rule?: number;
  /** Held by something that nobody has confirmed. */
  held?: true;
  /** The selection or the request it waits for, for the thread on from here. */
  selection?: string;
  request?: string;
  /** Everything else that would have to give as well. */
  also?: { kind: ReasonKind; text: string; task?: string }[];
}

/** A reason for every start, in the order of the tasks. */
export function reasonsOf(net: Compiled, placed: Placement): Reason[] {
  const holders = holdersOf(net, placed);
  return net.tasks.map((task, number) => reasonOf(net, placed, task, number, holders));
}

/** Why one task starts when it does. */
export const reasonFor = (net: Compiled, placed: Placement, number: number): Reason =>
  reasonOf(net, placed, net.tasks[number] as Task, number, holdersOf(net, placed));

function reasonOf(net: Compiled, placed: Placement, task: Task, number: number, holders: Holders): Reason {
  if (task.state === 'done') return { kind: 'done', text: 'Done.' };
  if (
    task.state === 'under-way' &&
    (placed.start[number] ?? 0) === (net.calendar[number]?.worked[countBefore(net.calendar[number], task.floor)] ?? -1)
  ) {
    return { kind: 'under-way', text: 'It is under way; what remains goes on from here.' };
  }
  const blockers = blockersOf(net, placed, number, holders).sort(
    (a, b) => b.until - a.until || weight(net, a) - weight(net, b),
  );
  const [first, ...rest] = told(net, placed, number, blockers);
  if (!first)
    return slotBefore(net, placed, number) < 0
      ? nowReason(net, task)
      : { kind: 'none', text: 'Nothing holds it: it could be pulled forward.' };
  const start = placed.start[number] ?? 0;
  // The first of them lets go last: a calendar of its own says why it waits on, where nothing else does.
  if ((blockers[0]?.until ?? start) < start) first.text += hoursOf(task);
  if (rest.length > 0)
    first.also = rest.map(({ kind, text, task: other }) => (other ? { kind, text, task: other } : { kind, text }));
  return first;
}

/** A reason for each blocker; what sounds alike is said once. */
function told(net: Compiled, placed: Placement, number: number, blockers: readonly Blocker[]): Reason[] {
  const reasons: Reason[] = [];
  for (const blocker of blockers) {
    const reason = tell(net, placed, number, blocker);
    if (!reasons.some(({ text }) => text === reason.text)) reasons.push(reason);
  }
  return reasons;
}

/** Thousands of them are made at once, so it is built without spreading one object into another. */
function because(kind: ReasonKind, text: string, task?: Task): Reason {
  return task ? { kind, text, task: task.id } : { kind, text };
}

/** What a calendar of its own keeps a task to; nothing where it is the job's. */
function hoursOf(task: Task): string {
  if (narrowingsOf(task.calendar).includes('loud')) return ' Loud work keeps to the hours told to the neighbours.';
  return isOfficeCalendar(task.calendar) ? ' The office comes on its own days.' : '';
}

/** Of two that let go at the same moment the one that a person would name first. */
function weight(net: Compiled, blocker: Blocker): number {
  switch (blocker.kind) {
    case 'not-before':
      return 0;
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

function tell(net: Compiled, placed: Placement, number: number, blocker: Blocker): Reason {
  const task = net.tasks[number] as Task;
  const { origin } = net.input;
  switch (blocker.kind) {
    case 'link':
      return linkReason(net, placed, blocker.bound);
    case 'not-before': {
      const { wait } = blocker;
      const text = wait.kind === 'pin' ? `Pinned here: ${wait.because}.` : `Not earlier: ${wait.because}.`;
      return {
        kind: 'not-before',
        text,
        ...(wait.open ? { held: true as const } : {}),
        ...(wait.selection ? { selection: wait.selection } : {}),
        ...(wait.request ? { request: wait.request } : {}),
      };
    }
    case 'floor':
      return nowReason(net, task);
    case 'away': {
      const crew = net.input.crews[blocker.crew];
      return {
        kind: 'away',
        text:
          `Not earlier: ${crew?.name ?? 'the crew'} is away from ` +
          `${formatDay(dayOfSlot(origin, awayFrom(net, number, crew?.away, blocker.until)))} to ` +
          `${formatDay(lastDay(origin, blocker.until))}.`,
      };
    }
    case 'weather':
      return { kind: 'weather', text: `Not earlier: ${blocker.words}.` };
    case 'crew': {
      const other = net.tasks[blocker.holders[0] ?? -1];
      const name = net.input.crews[blocker.crew]?.name ?? 'the crew';
      const day = formatDay(dayOfSlot(origin, blocker.slot));
      const where = other ? `is at ${other.label}` : 'is missing';
      return because('crew', `Not earlier: ${name} ${where} on ${day}.`, other);
    }
    case 'area': {
      const other = net.tasks[blocker.holders[0] ?? -1];
      const until = formatSlot(origin, blocker.slot);
      return because('area', `Not earlier: ${other?.label ?? 'other work'} has the room until ${until}.`, other);
    }
  }
}

/** The first slot of the days away that end at `until`, days off in between passed over. */
function awayFrom(net: Compiled, number: number, away: ReadonlySet<Slot> | undefined, until: Slot): Slot {
  const calendar = net.base[number];
  let at = calendar ? countBefore(calendar, until) - 1 : 0;
  while (at > 0 && away?.has(calendar?.worked[at - 1] ?? -1)) at--;
  return calendar?.worked[at] ?? until;
}

function linkReason(net: Compiled, placed: Placement, bound: BoundLink): Reason {
  const { link, before } = bound;
  const former = net.tasks[before];
  const { origin } = net.input;
  const when =
    former?.state === 'done'
      ? 'is done'
      : former?.duration === 0
        ? `is reached on ${formatDay(dayOfSlot(origin, placed.finish[before] ?? 0))}`
        : link.kind === 'SS'
          ? `begins ${formatSlot(origin, placed.start[before] ?? 0)}`
          : `ends ${formatSlot(origin, (placed.finish[before] ?? 1) - 1)}`;
  const lag =
    link.lag > 0
      ? `, and then ${days(link.lag)} ${link.lagUnit === 'elapsed' ? 'to dry or cure' : 'of making time'}`
      : '';
  return {
    kind: 'link',
    text: `Not earlier: ${former?.label ?? 'the work before it'} ${when}${lag} — ${link.reason}.`,
    task: link.before,
    rule: link.rule,
  };
}

const days = (halfDays: number): string =>
  halfDays === 1 ? 'half a day' : halfDays === 2 ? 'a day' : `${halfDays / 2} days`;

function nowReason(net: Compiled, task: Task): Reason {
  // A floor beyond the plan's first days is the job's own first day, not the walk of today.
  const later = task.floor > 2;
  return {
    kind: 'now',
    text: later
      ? `Work at this job begins on ${formatDay(dayOfSlot(net.input.origin, task.floor))}.`
      : 'It starts as soon as it can: all that comes before it is done.',
  };
}

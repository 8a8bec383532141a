import type { AreaId, JobId, TaskId } from '../ids';
import type { CalendarKey } from '../sequence/calendars';
import type { CrewKey } from '../sequence/crews';
import type { Slot } from '../units/slot';
import type { Phase } from '../sequence/phases';
import type { Wait } from './wait';
import type { WorkName } from './work-name';
import type { Trade } from '../sequence/trades';

/** One piece of work of one crew in one place; the unit that is placed. */
export interface Task {
  id: TaskId;
  job: JobId;
  /** null for what belongs to the whole job (site set-up, final inspection, a level being tight). */
  area: AreaId | null;
  phase: Phase | null;
  /** What it is and where, without the job. */
  work: WorkName;
  trade: Trade;
  /** Who does it, as `core/sequence/crews` writes them; null where nobody is needed. */
  crew: CrewKey | null;
  /** Half-days still to do; 0 is a milestone. */
  duration: number;
  /** Part of the area it takes: `FULL_OCCUPANCY` alone, less beside compatible work. 0 without an area. */
  shares: number;
  state: 'waiting' | 'under-way' | 'done';
  /** Done: the half-day that ended it. Else: not before this one. */
  floor: Slot;
  /** Which slots it may take apart from its crew's: the job's, or every one (curing). */
  calendar: CalendarKey;
  /** Among tasks equally urgent the lower goes first (rules of preference). */
  rank: number;
  /** How many crews it takes at once, or what part of one (in quarters); one unless said. */
  crews?: number;
  /** The plant it needs on each of its slots (digger, hoist), by its id among the crews. */
  plant?: string;
}

export type LinkKind = 'FS' | 'SS' | 'FF';

/** `after` waits for `before`: FS finish to start, SS start to start, FF finish to finish. */
export interface Link {
  before: TaskId;
  after: TaskId;
  kind: LinkKind;
  /** Half-days: worked slots of the job's calendar, or elapsed ones. */
  lag: number;
  lagUnit: 'work' | 'elapsed';
  strength: 'hard' | 'soft';
  /** Number of the rule that made it; 0 the usual order, 100 agreed for the job. */
  rule: number;
  reason: string;
}

/** Something outside the network that a task waits for: a delivery, an answer, an outlook. */
export interface NotBefore {
  task: string;
  slot: Slot;
  wait: Wait;
  /** Whether the date is only hoped for: nobody has confirmed it. */
  open: boolean;
  /** The selection whose coming it is, or the request whose answer it is. */
  selection?: string;
  request?: string;
  /** The selection that closes again what this opens: without it neither is waited for. */
  closedBy?: string;
  /**
   * `pin`: somebody fixed the start by hand, and it is held there if it can be. `kept`: the placing waits so that
   * nothing lies open.
   */
  kind?: 'pin' | 'kept';
}

/** From the start of one to the finish of the other at most `most` worked half-days. */
export interface Exposure {
  from: string;
  to: string;
  most: number;
  rule: number;
  reason: string;
  cure: string;
  /** No rain may fall while it is open. */
  dry?: true;
}

/** Full use of an area; compatible work takes half of it. */
export const FULL_OCCUPANCY = 2;

/** Tasks that wait for each other in a ring, in order; undefined where the links have none. */
export function findLoop(
  tasks: readonly string[],
  links: readonly Pick<Link, 'before' | 'after'>[],
): string[] | undefined {
  const followers = new Map<string, string[]>(tasks.map((id) => [id, []]));
  for (const link of links) followers.get(link.before)?.push(link.after);
  const state = new Map<string, 'open' | 'closed'>();
  for (const root of tasks) {
    if (state.has(root)) continue;
    // Depth-first with its own stack: a network can be deeper than the call stack.
    const path: { id: string; next: number }[] = [{ id: root, next: 0 }];
    state.set(root, 'open');
    while (path.length > 0) {
      const top = path[path.length - 1];
      if (top === undefined) break;
      const follower = followers.get(top.id)?.[top.next++];
      if (follower === undefined) {
        state.set(top.id, 'closed');
        path.pop();
      } else if (state.get(follower) === 'open') {
        return path.slice(path.findIndex((step) => step.id === follower)).map((step) => step.id);
      } else if (!state.has(follower)) {
        state.set(follower, 'open');
        path.push({ id: follower, next: 0 });
      }
    }
  }
  return undefined;
}

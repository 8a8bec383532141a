import { blockersOf, holdersOf, type Blocker } from './blockers';
import { countBefore } from './calendar';
import { compile, type Compiled } from './compiled';
import type { NotBefore, Task } from './network';
import type { PlanInput } from './plan-input';
import { byKey, place, type Placement } from './placing';
import { jobEnd } from './job-end';
import type { Wait } from './wait';
import type { WorkName } from './work-name';

/** One thing that could give, and what a plan without it would look like. */
export interface Pull {
  /** What would have to be done. */
  give: Give;
  kind: Blocker['kind'];
  /** The task it holds: the one that was asked about, or one before it in the thread. */
  at: string;
  /** Worked half-days by which the task asked about would start sooner; 0 where something else holds it as well. */
  gain: number;
  /** Worked half-days by which its job would end sooner; less than 0 where it would end later. */
  finish: number;
}

/** What would have to be done for work to come sooner. */
export type Give =
  /** An order that is only preferred is not kept. */
  | { kind: 'order'; work: WorkName; before: WorkName; why: string }
  | { kind: 'pin'; work: WorkName }
  | { kind: 'wait'; work: WorkName; wait: Wait }
  /** A crew comes on its days away, or with one more. */
  | { kind: 'present'; crew: string }
  | { kind: 'one-more'; crew: string }
  | { kind: 'cover'; work: WorkName };

/** How far back the thread of causes is followed. */
const DEEP = 12;
const ASKED = 40;

/**
 * What would pull a task forward: every thing that holds it, and that holds what it waits for, is taken away in turn
 * and all work placed again in the same order. Rules that are hard are never taken away: their predecessor is looked at
 * instead.
 * @returns the most useful first; none where it starts as early as anything could
 */
export function pullForward(net: Compiled, placed: Placement, task: number): Pull[] {
  const holders = holdersOf(net, placed);
  const order = byKey(net, placed.start);
  const tried = new Map<string, Pull>();
  const seen = new Set<number>();
  let thread = [task];
  for (let depth = 0; depth < DEEP && thread.length > 0 && tried.size < ASKED; depth++) {
    const next: number[] = [];
    for (const number of thread) {
      if (seen.has(number)) continue;
      seen.add(number);
      for (const blocker of blockersOf(net, placed, number, holders)) {
        if (blocker.kind === 'link') next.push(blocker.bound.before);
        if (blocker.kind === 'area') next.push(...blocker.holders);
        const without = withoutIt(net, number, blocker);
        const key = without && JSON.stringify(without.give);
        if (!key || tried.has(key)) continue;
        const pull = effectOf(net, placed, task, number, blocker.kind, without, order);
        if (pull) tried.set(key, pull);
      }
    }
    thread = next;
  }
  return [...tried]
    .sort(([a, one], [b, other]) => other.gain - one.gain || other.finish - one.finish || (a < b ? -1 : 1))
    .map(([, pull]) => pull);
}

interface Without {
  give: Give;
  input: PlanInput;
}

/** Whether a wait is that one, or waits for the same thing: what comes, and what is only opened once it has come. */
const goesWith = (wait: NotBefore, gone: NotBefore): boolean =>
  wait === gone ||
  (wait.closedBy !== undefined && wait.closedBy === (gone.selection ?? gone.closedBy)) ||
  (gone.closedBy !== undefined && wait.selection === gone.closedBy);

/** The same work with one thing gone; undefined where that is nobody's to give. */
function withoutIt(net: Compiled, number: number, blocker: Blocker): Without | undefined {
  const { input } = net;
  const { work } = net.tasks[number] as Task;
  const crewName = (crew: number): string => input.crews[crew]?.name ?? '';
  switch (blocker.kind) {
    case 'link': {
      const { link, before } = blocker.bound;
      return link.strength === 'soft'
        ? {
            give: { kind: 'order', work, before: (net.tasks[before] as Task).work, why: link.reason },
            input: { ...input, links: input.links.filter((entry) => entry !== link) },
          }
        : undefined;
    }
    case 'not-before':
      return {
        give: blocker.wait.kind === 'pin' ? { kind: 'pin', work } : { kind: 'wait', work, wait: blocker.wait.wait },
        input: { ...input, notBefore: input.notBefore.filter((wait) => !goesWith(wait, blocker.wait)) },
      };
    case 'away':
      return {
        give: { kind: 'present', crew: crewName(blocker.crew) },
        input: {
          ...input,
          crews: input.crews.map((crew, index) =>
            index === blocker.crew ? { ...crew, away: new Set<number>() } : crew,
          ),
        },
      };
    case 'crew':
      return {
        give: { kind: 'one-more', crew: crewName(blocker.crew) },
        input: {
          ...input,
          crews: input.crews.map((crew, index) =>
            index === blocker.crew ? { ...crew, capacity: crew.capacity + 1 } : crew,
          ),
        },
      };
    case 'weather': {
      const calendar = net.tasks[number]?.calendar ?? '';
      const base = input.keptOff?.[calendar]?.base;
      const worked = base === undefined ? undefined : input.calendars[base];
      return (
        worked && {
          give: { kind: 'cover', work },
          input: { ...input, calendars: { ...input.calendars, [calendar]: worked } },
        }
      );
    }
    case 'area':
    case 'floor':
      return undefined;
  }
}

function effectOf(
  net: Compiled,
  placed: Placement,
  task: number,
  at: number,
  kind: Blocker['kind'],
  { give, input }: Without,
  order: Int32Array,
): Pull | undefined {
  const other = compile(input, net.horizon);
  const again = other.ok ? place(other.value, order) : undefined;
  const calendar = net.jobCalendar[task];
  const job = net.tasks[task]?.job ?? '';
  if (!again || !calendar) return undefined;
  const sooner = (was: number, is: number): number => countBefore(calendar, was) - countBefore(calendar, is);
  return {
    give,
    kind,
    at: net.tasks[at]?.id ?? '',
    gain: sooner(placed.start[task] ?? 0, again.start[task] ?? 0),
    finish: sooner(jobEnd(net, placed, job), jobEnd(net, again, job)),
  };
}

import { blockersOf, holdersOf, type Blocker } from './blockers';
import { countBefore } from './calendar';
import { compile, type Compiled } from './compiled';
import type { PlanInput } from './plan-input';
import { byKey, place, type Placement } from './placing';
import { jobEnd } from './job-end';

/** One thing that could give, and what a plan without it would look like. */
export interface Pull {
  /** What would have to be done, in words. */
  text: string;
  kind: Blocker['kind'];
  /** The task it holds: the one that was asked about, or one before it in the thread. */
  at: string;
  /** Worked half-days by which the task asked about would start sooner; 0 where something else holds it as well. */
  gain: number;
  /** Worked half-days by which its job would end sooner; less than 0 where it would end later. */
  finish: number;
}

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
        const pull =
          without && !tried.has(without.text) && effectOf(net, placed, task, number, blocker.kind, without, order);
        if (pull) tried.set(pull.text, pull);
      }
    }
    thread = next;
  }
  return [...tried.values()].sort((a, b) => b.gain - a.gain || b.finish - a.finish || (a.text < b.text ? -1 : 1));
}

interface Without {
  text: string;
  input: PlanInput;
}

/** The same work with one thing gone; undefined where that is nobody's to give. */
function withoutIt(net: Compiled, number: number, blocker: Blocker): Without | undefined {
  const { input } = net;
  const label = net.tasks[number]?.label ?? '';
  const crewName = (crew: number): string => input.crews[crew]?.name ?? 'the crew';
  switch (blocker.kind) {
    case 'link': {
      const { link, before } = blocker.bound;
      return link.strength === 'soft'
        ? {
            text: `${label} need not wait for ${net.tasks[before]?.label ?? 'what is before it'} (${link.reason})`,
            input: { ...input, links: input.links.filter((entry) => entry !== link) },
          }
        : undefined;
    }
    case 'not-before':
      return {
        text: `${label}: ${blocker.wait.kind === 'pin' ? 'the pin is taken out' : `no longer waiting, although ${blocker.wait.because}`}`,
        input: { ...input, notBefore: input.notBefore.filter((notBefore) => notBefore !== blocker.wait) },
      };
    case 'away':
      return {
        text: `${crewName(blocker.crew)} comes on the days away`,
        input: {
          ...input,
          crews: input.crews.map((crew, index) =>
            index === blocker.crew ? { ...crew, away: new Set<number>() } : crew,
          ),
        },
      };
    case 'crew':
      return {
        text: `${crewName(blocker.crew)} with one more`,
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
          text: `${label} under a cover, whatever the weather`,
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
  { text, input }: Without,
  order: Int32Array,
): Pull | undefined {
  const other = compile(input, net.horizon);
  const again = other.ok ? place(other.value, order) : undefined;
  const calendar = net.jobCalendar[task];
  const job = net.tasks[task]?.job ?? '';
  if (!again || !calendar) return undefined;
  const sooner = (was: number, is: number): number => countBefore(calendar, was) - countBefore(calendar, is);
  return {
    text,
    kind,
    at: net.tasks[at]?.id ?? '',
    gain: sooner(placed.start[task] ?? 0, again.start[task] ?? 0),
    finish: sooner(jobEnd(net, placed, job), jobEnd(net, again, job)),
  };
}

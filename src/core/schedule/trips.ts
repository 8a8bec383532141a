import { groupBy } from '../group-by';
import { countBefore } from './calendar';
import type { Compiled } from './compiled';
import type { Placement } from './placing';

/** Tasks that the same crew does at the same job: between them it stays, or goes and comes back. */
export interface Round {
  crew: number;
  job: string;
  tasks: number[];
}

export function roundsOf(net: Compiled): Round[] {
  const wanted = net.tasks.flatMap((task, number) => ((net.crew[number] ?? -1) >= 0 && (net.duration[number] ?? 0) > 0 ? [{ number, key: `${net.crew[number]} ${task.job}` }] : []));
  return [...groupBy(wanted, ({ key }) => key).values()].map((list) => ({ crew: net.crew[list[0]?.number ?? 0] ?? -1, job: net.tasks[list[0]?.number ?? 0]?.job ?? '', tasks: list.map(({ number }) => number) }));
}

/** A whole worked day away and the crew comes a second time. */
const DAY = 2;

/**
 * How often crews travel to jobs: visits with a whole worked day of the job between them, over all rounds.
 */
export function tripsOf(net: Compiled, rounds: readonly Round[], placed: Pick<Placement, 'start' | 'finish'>): number {
  let trips = 0;
  for (const { tasks } of rounds) trips += visitsOf(net, tasks, placed).length;
  return trips;
}

/** The visits of one crew to one job, each with the tasks of it, in order. */
export function visitsOf(net: Compiled, tasks: readonly number[], { start, finish }: Pick<Placement, 'start' | 'finish'>): number[][] {
  const byStart = [...tasks].sort((a, b) => (start[a] ?? 0) - (start[b] ?? 0));
  const visits: number[][] = [];
  let until = -1;
  for (const task of byStart) {
    const calendar = net.jobCalendar[task];
    const apart = until < 0 || !calendar || countBefore(calendar, start[task] ?? 0) - countBefore(calendar, until) >= DAY;
    if (apart) visits.push([task]);
    else visits.at(-1)?.push(task);
    until = Math.max(until, finish[task] ?? 0);
  }
  return visits;
}

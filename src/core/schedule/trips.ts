import { groupBy } from '../group-by';
import { countBefore } from './calendar';
import type { Compiled } from './compiled';
import type { Placement } from './placing';

/** Tasks that the same crew does at the same job, list by list: between them it stays, or goes and comes back. */
export function roundsOf(net: Compiled): number[][] {
  const worked = net.tasks.flatMap((task, number) =>
    (net.crew[number] ?? -1) >= 0 && (net.duration[number] ?? 0) > 0
      ? [{ number, round: `${net.crew[number]} ${task.job}` }]
      : [],
  );
  return [...groupBy(worked, ({ round }) => round).values()].map((list) => list.map(({ number }) => number));
}

/** A whole worked day away and the crew comes a second time. */
const DAY = 2;

/** How often crews travel to jobs: visits with a whole worked day of the job between them, over all rounds. */
export function tripsOf(
  net: Compiled,
  rounds: readonly (readonly number[])[],
  { start, finish }: Pick<Placement, 'start' | 'finish'>,
): number {
  let trips = 0;
  for (const tasks of rounds) {
    let until = -1;
    for (const task of [...tasks].sort((a, b) => (start[a] ?? 0) - (start[b] ?? 0))) {
      const calendar = net.jobCalendar[task];
      if (until < 0 || !calendar || countBefore(calendar, start[task] ?? 0) - countBefore(calendar, until) >= DAY)
        trips++;
      until = Math.max(until, finish[task] ?? 0);
    }
  }
  return trips;
}

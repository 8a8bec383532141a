import { countBefore } from './calendar';
import type { Compiled } from './compiled';
import type { Placement } from './placing';

/** Tasks that the same crew does at the same job, list by list: between them it stays, or goes and comes back. */
export function roundsOf({ crew, crewCount, job, duration }: Compiled): number[][] {
  const rounds = new Map<number, number[]>();
  crew.forEach((who, task) => {
    if (who < 0 || !duration[task]) return;
    const round = (job[task] ?? 0) * crewCount + who;
    const tasks = rounds.get(round);
    if (tasks) tasks.push(task);
    else rounds.set(round, [task]);
  });
  return [...rounds.values()];
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

import { groupBy } from '../group-by';
import { countBefore } from './calendar';
import type { Compiled } from './compiled';
import { forwardPass } from './passes';

/** No plan over the same work ends earlier: by job and for all of them, as the slot after the last one taken. */
export interface Bound {
  jobs: Record<string, number>;
  all: number;
}

/**
 * Two bounds that every plan obeys, the later counts: the longest chain of links in their calendars, and the work of
 * each crew over the crews there are, from the first moment at which any of it can begin.
 */
export function boundOf(net: Compiled): Bound {
  const { earlyStart, earlyFinish } = forwardPass(net);
  const jobs: Record<string, number> = {};
  net.tasks.forEach((task, number) => {
    if (task.state !== 'done') jobs[task.job] = Math.max(jobs[task.job] ?? 0, earlyFinish[number] ?? 0);
  });
  const open = net.tasks.flatMap((task, number) =>
    (net.crew[number] ?? -1) >= 0 && (net.duration[number] ?? 0) > 0 ? [{ job: task.job, number }] : [],
  );
  for (const [job, ofJob] of groupBy(open, (entry) => entry.job)) {
    for (const ofCrew of groupBy(ofJob, ({ number }) => net.crew[number]).values())
      jobs[job] = Math.max(
        jobs[job] ?? 0,
        workEnd(
          net,
          earlyStart,
          ofCrew.map(({ number }) => number),
        ),
      );
  }
  let all = Math.max(0, ...Object.values(jobs));
  for (const ofCrew of groupBy(open, ({ number }) => net.crew[number]).values())
    all = Math.max(
      all,
      workEnd(
        net,
        earlyStart,
        ofCrew.map(({ number }) => number),
      ),
    );
  return { jobs, all };
}

/** When a crew has done all of these at the earliest, if it worked on every slot that any of them could take. */
function workEnd(net: Compiled, earlyStart: Int32Array, tasks: readonly number[]): number {
  const capacity = net.input.crews[net.crew[tasks[0] ?? 0] ?? -1]?.capacity ?? 1;
  let work = 0;
  let from = net.horizon;
  for (const task of tasks) {
    work += (net.duration[task] ?? 0) * (net.demand[task] ?? 1);
    from = Math.min(from, earlyStart[task] ?? 0);
  }
  const slots = Math.ceil(work / capacity);
  // Calendars differ by job and weather: the one that gets there first is the bound.
  let end = net.horizon;
  for (const calendar of new Set(tasks.map((task) => net.base[task])))
    if (calendar)
      end = Math.min(end, (calendar.worked[countBefore(calendar, from) + slots - 1] ?? net.horizon - 1) + 1);
  return end;
}

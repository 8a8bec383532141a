import type { Compiled } from './compiled';
import type { Placement } from './placing';

/** The slot in which the last open work of each job ends, by the job's number; 0 where none is. */
export function jobEnds({ job, jobs, open }: Compiled, { finish }: Pick<Placement, 'finish'>): Int32Array {
  const ends = new Int32Array(jobs.length);
  job.forEach((number, task) => {
    if (open[task]) ends[number] = Math.max(ends[number] ?? 0, finish[task] ?? 0);
  });
  return ends;
}

/** The same of one job. */
export const jobEnd = (net: Compiled, placed: Pick<Placement, 'finish'>, job: string): number =>
  jobEnds(net, placed)[net.jobs.indexOf(job)] ?? 0;

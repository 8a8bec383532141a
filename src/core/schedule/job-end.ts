import type { Compiled } from './compiled';
import type { Placement } from './placing';

/** The slot in which a job's last open work ends; 0 where none is. */
export function jobEnd(net: Compiled, placed: Pick<Placement, 'finish'>, job: string): number {
  let end = 0;
  net.tasks.forEach((task, number) => {
    if (task.job === job && task.state !== 'done') end = Math.max(end, placed.finish[number] ?? 0);
  });
  return end;
}

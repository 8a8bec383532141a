import type { JobId, TaskId } from '../ids';
import type { Compiled } from './compiled';
import type { NotBefore } from './network';
import type { PlanInput } from './plan-input';
import { unplaceable } from './placing';
import type { Wait } from './wait';
import type { WorkName } from './work-name';

/** Work that no plan holds, since it has no day within what is looked ahead; all else is planned without it. */
export interface LeftOut {
  task: TaskId;
  job: JobId;
  work: WorkName;
  /** What keeps it so far away; null where its calendar or its crew has no day. */
  wait: Wait | null;
  /** It waits for something else that is left out. */
  follows: boolean;
}

const latestWait = (waits: readonly NotBefore[], task: TaskId, horizon: number): Wait | null =>
  waits.filter((wait) => wait.task === task && wait.slot >= horizon).sort((a, b) => b.slot - a.slot)[0]?.wait ?? null;

/** What has to be left out so that the rest can be placed. */
export function leftOutOf(net: Compiled): LeftOut[] {
  const { stuck, held } = unplaceable(net);
  return [...held].flatMap((number) => {
    const task = net.tasks[number];
    return task
      ? [
          {
            ...{ task: task.id, job: task.job, work: task.work, follows: !stuck.has(number) },
            wait: latestWait(net.input.notBefore, task.id, net.horizon),
          },
        ]
      : [];
  });
}

/** The same input without them. */
export function without(input: PlanInput, left: readonly LeftOut[]): PlanInput {
  const gone = new Set(left.map(({ task }) => task));
  return {
    ...input,
    tasks: input.tasks.filter(({ id }) => !gone.has(id)),
    links: input.links.filter(({ before, after }) => !gone.has(before) && !gone.has(after)),
    notBefore: input.notBefore.filter(({ task }) => !gone.has(task)),
    exposures: input.exposures.filter(({ from, to }) => !gone.has(from) && !gone.has(to)),
  };
}

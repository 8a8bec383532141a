import { slotOf, type Slot } from '../units/slot';
import type { Day } from '../units/day';
import { jobFinish, type PlannedTask } from './plan';

/** How one plan differs from the one before it, for one job; slots count from the later plan's origin. */
export interface PlanDiff {
  moved: { task: PlannedTask; from: Slot; to: Slot }[];
  added: PlannedTask[];
  /** Work of the earlier plan that is done now, or no longer needed. */
  gone: string[];
  finish: { from?: Slot; to?: Slot };
}

type Part = { origin: Day; tasks: PlannedTask[] };

/** @param before undefined for a first plan: everything is added */
export function planDiff(before: Part | undefined, after: Part, job: string): PlanDiff {
  const shift = before ? slotOf(after.origin, before.origin) : 0;
  const was = new Map(
    (before?.tasks ?? []).filter((task) => task.job === job && task.state !== 'done').map((task) => [task.id, task]),
  );
  const diff: PlanDiff = { moved: [], added: [], gone: [], finish: {} };
  for (const task of after.tasks) {
    if (task.job !== job || task.state === 'done') continue;
    const former = was.get(task.id);
    was.delete(task.id);
    if (!former) diff.added.push(task);
    // Work under way starts "now" in every plan; only its end can move.
    else if (task.state === 'waiting' ? former.start + shift !== task.start : former.finish + shift !== task.finish)
      diff.moved.push({ task, from: former.start + shift, to: task.start });
  }
  diff.gone = [...was.keys()];
  const [from, to] = [before && jobFinish(before, job), jobFinish(after, job)];
  diff.finish = { ...(from === undefined ? {} : { from: from + shift }), ...(to === undefined ? {} : { to }) };
  return diff;
}

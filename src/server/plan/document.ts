import type { PlannedTask } from '@/core/schedule/plan';
import type { Day } from '@/core/units/day';
import { sayCauses } from '@/core/words/cause';
import { sayReason } from '@/core/words/reason';
import { sayWork } from '@/core/words/work';
import { notFound } from '../refusal';
import { readPlan } from '../reading/plan';
import type { Source } from '../reading/reading';

/** The newest plan over all jobs as a document that can be checked by itself, with every value said beside it. */
export function planDocument({ db }: Source): string {
  const plan = readPlan(db);
  if (!plan) throw notFound('plan yet; set out the areas of a job first');
  return JSON.stringify({
    ...plan,
    cause: sayCauses(plan.causes, plan.origin),
    tasks: plan.tasks.map((task) => toldTask(task, plan.origin)),
  });
}

/** A task of the document: its name and its reason as sentences beside their values. */
const toldTask = (task: PlannedTask, origin: Day): object => ({
  ...task,
  label: sayWork(task.work),
  reason: { ...task.reason, text: sayReason(task.reason, origin) },
});

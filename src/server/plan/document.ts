import type { PlannedTask } from '@/core/schedule/plan';
import { taskId } from '@/core/sequence/site';
import type { Day } from '@/core/units/day';
import { sayCauses } from '@/core/words/cause';
import { sayLogisticMeasure } from '@/core/words/logistic';
import { sayReason } from '@/core/words/reason';
import { sayWork } from '@/core/words/work';
import { notFound } from '../refusal';
import { readPlan } from '../reading/plan';
import { jobRow } from '../reading/job';
import { proposalsOf } from '../reading/proposals';
import { readFirm, type JobReading, type Source } from '../reading/reading';

/** The newest plan over all jobs as a document that can be checked by itself, with every value said beside it. */
export function planDocument(source: Source): string {
  const plan = readPlan(source.db);
  if (!plan) throw notFound('plan yet; set out the areas of a job first');
  const firm = readFirm(source);
  return JSON.stringify({
    ...plan,
    cause: sayCauses(plan.causes, plan.origin),
    tasks: plan.tasks.map((task) => toldTask(task, plan.origin)),
    proposals: firm.jobs.flatMap((id) => proposed(firm.job(id))),
  });
}

/** A task of the document: its name and its reason as sentences beside their values. */
const toldTask = (task: PlannedTask, origin: Day): object => ({
  ...task,
  label: sayWork(task.work),
  reason: { ...task.reason, text: sayReason(task.reason, origin) },
});

/** What the works of a job ask for and nobody has answered: the step that needs it first, and how much of it. */
const proposed = (job: JobReading): object[] =>
  proposalsOf(job).map(({ key, kind, label, area, phase, leadDays, measure }) => ({
    ...{ job: job.id, key, kind, label, before: taskId(area, phase), leadDays },
    howMuch: measure ? sayLogisticMeasure(measure, jobRow(job).units) : '',
  }));

import { taskId } from '@/core/sequence/site';
import type { Weights } from '@/core/walks/diff';
import { stepRows } from './job';
import { ofJob } from './reading';

/** Planned half-days of every step of a job by task id: what progress weighs. */
export const weightsOf = ofJob(
  (job): Weights => new Map(stepRows(job).map((step) => [taskId(step.area, step.phase), step.half_days])),
);

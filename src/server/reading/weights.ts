import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { workDone, type Weights } from '@/core/walks/diff';
import { stepRows } from './job';
import { ofJob } from './reading';
import { siteOf } from './site';

/** Planned half-days of every step of a job by task id: what progress weighs. Waits of nobody are no work. */
export const weightsOf = ofJob(
  (job): Weights =>
    new Map(
      stepRows(job)
        .filter((step) => step.trade !== 'nobody')
        .map((step) => [taskId(step.area, step.phase), step.half_days]),
    ),
);

/** How much of a job's work is done, 0…1, and how much of that nobody sees any more. The same wherever it is told. */
export const workDoneOf = ofJob((job): { share: number; hidden: number } => {
  const weights = weightsOf(job);
  const steps = siteOf(job).areas.flatMap((area) =>
    area.track.map(({ phase, fraction }) => ({ task: taskId(area.id, phase), phase, fraction })),
  );
  const done = new Map(steps.map(({ task, fraction }) => [task as string, fraction]));
  const inside = new Map(
    steps.map(({ task, phase, fraction }) => [task as string, phaseFacts(phase).hidden ? fraction : 0]),
  );
  const share = workDone(weights, (task) => done.get(task) ?? 0);
  return { share, hidden: share === 0 ? 0 : workDone(weights, (task) => inside.get(task) ?? 0) / share };
});

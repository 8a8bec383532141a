import type { Plan, PlannedTask } from './plan';
import { inTheWay } from './reasons';

/**
 * What carries the end of a job: back from its last work, each time the work that kept it from beginning earlier. The
 * first comes first; why that one does not begin earlier is its own reason: a delivery, an answer, the weather, today.
 */
export function carryingChain(plan: Pick<Plan, 'tasks'>, job: string): PlannedTask[] {
  const open = plan.tasks.filter((task) => task.job === job && task.state !== 'done');
  const tasks = new Map(plan.tasks.map((task) => [task.id as string, task]));
  const chain: PlannedTask[] = [];
  let at: PlannedTask | undefined = open.reduce<PlannedTask | undefined>(
    (last, task) => (last && last.finish >= task.finish ? last : task),
    undefined,
  );
  while (at && at.state !== 'done' && !chain.includes(at)) {
    chain.unshift(at);
    const before = inTheWay(at.reason);
    at = before === undefined ? undefined : tasks.get(before);
  }
  return chain;
}

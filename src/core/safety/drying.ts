import type { JobId } from '../ids';
import type { Plan } from '../schedule/plan';
import type { WorkName } from '../schedule/work-name';
import { phaseFacts } from '../sequence/phases';
import type { Slot } from '../units/slot';

/** Fresh work that is not to be walked on, leaned on or covered yet. */
export interface Drying {
  work: WorkName;
  /** A wait that says by its name what is drying; else a step that is dry only a while after it ends. */
  isWait: boolean;
  /** The half-day on which work may go on there, by the plan. */
  until: Slot;
}

type Part = Pick<Plan, 'tasks' | 'links'>;

/**
 * What of a job is wet or curing over the night before a half-day, by the plan: waits that run through it, and steps
 * that ended before it and that others follow only days later. The plan's times are the firm's own; what the maker of
 * the goods says goes before them.
 * @param morning the first half-day after that night
 */
export function dryingOver(plan: Part, job: JobId, morning: Slot): Drying[] {
  const mine = new Map(plan.tasks.flatMap((task) => (task.job === job ? [[task.id, task] as const] : [])));
  const found = new Map<string, Drying>();
  for (const [id, { phase, state, start, finish, work, duration }] of mine)
    if (phase && phaseFacts(phase).elapsed && state !== 'done' && duration > 0 && start <= morning && finish >= morning)
      found.set(id, { work, isWait: true, until: finish });
  for (const { before, after, kind, lag, lagUnit } of plan.links) {
    const [wet, next] = [mine.get(before), mine.get(after)];
    if (!wet || !next || next.state === 'done' || kind === 'SS' || lag === 0 || lagUnit !== 'elapsed') continue;
    const until = wet.finish + lag;
    const known = found.get(before);
    if (wet.finish <= morning && until >= morning && (!known || known.until > until))
      found.set(before, { work: wet.work, isWait: false, until });
  }
  return [...found.values()].sort((a, b) => a.until - b.until);
}

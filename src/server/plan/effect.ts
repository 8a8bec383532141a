import { groupBy } from '@/core/group-by';
import { movedInForm } from '../reading/plan-form';
import { planDiff } from '@/core/schedule/plan-diff';
import type { Plan, PlannedTask } from '@/core/schedule/plan';
import type { Cause } from '@/core/schedule/cause';
import type { Trace } from '@/core/schedule/trace';
import { addDays, type Day } from '@/core/units/day';
import { dayOfSlot, isAfternoon, lastDay, slotOf } from '@/core/units/slot';
import type { MovedWork, NextWork, Seen } from '@/core/news/news';
import { taskRef } from '@/core/sequence/site';
import { phaseFacts } from '@/core/sequence/phases';
import { sayWork } from '@/core/words/work';

type Part = Pick<Plan, 'origin' | 'tasks' | 'links' | 'crewCapacity'>;

export interface Effect {
  moved: MovedWork[];
  finish: Seen['finish'];
  /** Why the last day moved; none where it did not, or where an older form did not say. */
  causes?: Cause[];
}

/** An effect as it was kept with a walk; what was kept in an older form is told as it was. */
export function keptEffect(text: string): Effect {
  const effect = JSON.parse(text) as Effect;
  return { ...effect, moved: effect.moved.map(movedInForm) };
}

/**
 * What one plan changed against another for a job, in days.
 * @param trace why things moved, where it is known
 */
export function effectOf(before: Part | undefined, after: Part, job: string, trace?: Trace): Effect {
  const diff = planDiff(before, after, job);
  const day = (slot: number): Day => dayOfSlot(after.origin, slot);
  return {
    moved: diff.moved
      .filter(({ from, to, task }) => day(from) !== day(to) && task.state === 'waiting')
      .sort((a, b) => a.to - b.to)
      .map(({ task, from, to }) => ({
        area: task.area,
        work: task.work,
        phase: task.phase,
        from: day(from),
        to: day(to),
        reason: task.reason,
        ...(trace ? { causes: trace.ofTask(task.id) } : {}),
      })),
    finish: {
      ...(diff.finish.from === undefined ? {} : { before: lastDay(after.origin, diff.finish.from) }),
      ...(diff.finish.to === undefined ? {} : { after: lastDay(after.origin, diff.finish.to) }),
    },
    ...(trace && diff.finish.from !== diff.finish.to ? { causes: trace.ofFinish(job) } : {}),
  };
}

/** Who comes within so many days of a day, in order, with what must be finished before them. */
export function nextWork(
  plan: Part,
  jobs: ReadonlySet<string>,
  from: Day,
  days: number,
  only: (task: PlannedTask) => boolean = () => true,
): NextWork[] {
  const byId = new Map(plan.tasks.map((task) => [task.id, task]));
  const names = new Map(plan.crewCapacity.map((crew) => [crew.sub, crew.name]));
  const before = groupBy(plan.links, (link) => link.after);
  const [first, last] = [slotOf(plan.origin, from), slotOf(plan.origin, addDays(from, days))];
  return plan.tasks
    .filter(
      (task) =>
        jobs.has(task.job) &&
        task.state !== 'done' &&
        task.duration > 0 &&
        task.finish > first &&
        task.start < last &&
        only(task),
    )
    .sort((a, b) => a.start - b.start || (sayWork(a.work) < sayWork(b.work) ? -1 : 1))
    .map((task) => ({
      day: dayOfSlot(plan.origin, Math.max(task.start, first)),
      until: dayOfSlot(plan.origin, Math.max(task.finish - 1, task.start)),
      afternoon: task.start >= first && isAfternoon(task.start),
      area: task.area,
      task: task.id,
      work: task.work,
      phase: task.phase,
      trade: task.trade,
      halfDays: task.duration,
      crewKey: task.crew,
      crew: task.crew ? (names.get(task.crew) ?? task.crew) : nobodys(task),
      after: (before.get(task.id) ?? []).flatMap((link) => {
        const former = byId.get(link.before);
        return former && former.state !== 'done' && link.strength === 'hard' ? [former.work] : [];
      }),
    }));
}

/** What it is where nobody works. */
function nobodys({ id, phase }: PlannedTask): string {
  const { kind } = taskRef(id);
  if (kind === 'logistic') return 'Has to be there';
  if (kind === 'proof') return 'Has to be proved dead, or marked';
  return phase && phaseFacts(phase).elapsed ? 'Drying or curing' : 'Inspection or check';
}

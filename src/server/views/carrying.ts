import type { SequenceView } from '@/contract/views/plan';
import { carryingChain } from '@/core/schedule/carrying';
import type { PlannedTask } from '@/core/schedule/plan';
import { formatDay, type Day } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { counted } from '@/core/words/count';
import { sayReason } from '@/core/words/reason';
import { sayWork } from '@/core/words/work';
import { jobRow } from '../reading/job';
import { daysLate, finishDay, planOf, wholePlan } from '../reading/plan';
import type { JobReading } from '../reading/reading';

/** Steps of the chain that are shown: its ends, and what takes longest between them. */
const CARRYING_SHOWN = 7;

/** What carries the last day of a job: how late it is, why its first step cannot begin sooner, and what follows. */
export function carryingOf(job: JobReading): SequenceView['carrying'] {
  const plan = planOf(job);
  const whole = wholePlan(job.firm);
  const [end, promise] = [finishDay(job), jobRow(job).promise_day];
  if (!plan || !whole || !end) return null;
  const chain = carryingChain(whole, job.id).filter((task) => task.duration > 0);
  const [first, last] = [chain[0], chain.at(-1)];
  if (!first || !last) return null;
  const shown = new Set(
    [...chain.slice(1, -1)].sort((a, b) => b.finish - b.start - (a.finish - a.start)).slice(0, CARRYING_SHOWN - 2),
  );
  const late = daysLate(job) ?? 0;
  return {
    end:
      late > 0
        ? `${counted(late, 'day')} late: ends ${formatDay(end, job.firm.today)}.`
        : `Ends ${formatDay(end, job.firm.today)}${promise ? ', as promised' : ''}.`,
    late: late > 0,
    first: sayFirst(first, plan.origin),
    steps: chain
      .filter((task) => task === first || task === last || shown.has(task))
      .map((task) => ({
        task: task.id,
        label: sayWork(task.work),
        when: formatDay(dayOfSlot(plan.origin, task.start), job.firm.today),
        days: Math.ceil((task.finish - task.start) / 2),
      })),
  };
}

/** Why what carries the end cannot begin sooner; what merely stands there is named, since its reason names nothing. */
function sayFirst({ work, reason }: PlannedTask, today: Day): string | null {
  if (reason.kind === 'none' || reason.kind === 'now') return null;
  const stands = reason.kind === 'not-before' && reason.wait.kind === 'calm';
  return `${stands ? `${sayWork(work)} comes first. ` : ''}${sayReason(reason, today)}`;
}

import type { LogisticView } from '@/contract/views/plan';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { addDays, type Day } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { StoredPlan } from '../schedule/read-plan';

/** What has to be there for a job's work, with the day its step begins and the last day to ask. */
export function logisticsOf(db: Connection, job: string, plan: StoredPlan | undefined, now: Day): LogisticView[] {
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id, task]));
  return queryAll<{
    id: string;
    version: number;
    label: string;
    area: string;
    name: string;
    phase: Phase;
    lead_days: number;
    state: LogisticView['state'];
    booked_on: Day | null;
  }>(
    db,
    `SELECT logistic.*, area.name
      FROM logistic
      JOIN area ON area.id = logistic.area
      WHERE logistic.job = @job AND logistic.state <> 'dropped'
      ORDER BY logistic.rowid`,
    { job },
  ).map((row) => {
    const step = tasks.get(taskId(row.area, row.phase));
    const neededBy = plan && step && step.state !== 'done' ? dayOfSlot(plan.origin, step.start) : null;
    const askBy = neededBy && addDays(neededBy, -row.lead_days - 1);
    return {
      id: row.id,
      version: row.version,
      label: row.label,
      step: `${row.name} · ${phaseFacts(row.phase).label}`,
      leadDays: row.lead_days,
      state: row.state,
      bookedOn: row.booked_on,
      neededBy,
      askBy,
      late: row.state === 'open' && askBy !== null && askBy < now,
    };
  });
}

import type { LogisticView } from '@/contract/views/plan';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { addDays } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { areaNames } from '../reading/job';
import { planOf, tasksOf } from '../reading/plan';
import { ofJob } from '../reading/reading';
import { logisticRows } from '../reading/sequence';

/** What has to be there for a job's work, with the day its step begins and the last day to ask. */
export const logisticsOf = ofJob((job): LogisticView[] => {
  const plan = planOf(job);
  return logisticRows(job).flatMap((row): LogisticView[] => {
    if (row.state === 'dropped') return [];
    const step = tasksOf(job).get(taskId(row.area, row.phase));
    const neededBy = plan && step && step.state !== 'done' ? dayOfSlot(plan.origin, step.start) : null;
    const askBy = neededBy && addDays(neededBy, -row.lead_days - 1);
    return [
      {
        id: row.id,
        version: row.version,
        label: row.label,
        step: `${areaNames(job).get(row.area) ?? ''} · ${phaseFacts(row.phase).label}`,
        leadDays: row.lead_days,
        state: row.state,
        bookedOn: row.booked_on,
        neededBy,
        askBy,
        late: row.state === 'open' && askBy !== null && askBy < job.firm.today,
      },
    ];
  });
});

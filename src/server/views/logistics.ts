import type { LogisticView, ProposalView } from '@/contract/views/plan';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { addDays } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { workdayUntil } from '@/core/units/workday';
import { sayLogisticMeasure } from '@/core/words/logistic';
import type { Rows } from '../database/rows';
import { holidaysOf } from '../reading/firm';
import { areaNames, jobRow } from '../reading/job';
import { planOf, tasksOf } from '../reading/plan';
import { contactFor, placeFor, proposalsOf } from '../reading/proposals';
import { ofJob, type JobReading } from '../reading/reading';
import { logisticRows, notNeededRows } from '../reading/sequence';

/** The step it is for, when that begins, and by when to ask. @param isOpen nobody has booked it */
function neededFor(job: JobReading, area: string, phase: Phase, leadDays: number, isOpen: boolean) {
  const plan = planOf(job);
  const step = tasksOf(job).get(taskId(area, phase));
  const neededBy = plan && step && step.state !== 'done' ? dayOfSlot(plan.origin, step.start) : null;
  // Nobody answers on a day off.
  const askBy = neededBy && workdayUntil(addDays(neededBy, -leadDays - 1), holidaysOf(job.firm));
  return {
    step: `${areaNames(job).get(area) ?? ''} · ${phaseFacts(phase).label}`,
    leadDays,
    neededBy,
    askBy,
    late: isOpen && askBy !== null && askBy < job.firm.today,
  };
}

const logisticView = (job: JobReading, row: Rows['logistic']): LogisticView => {
  const { id, version, kind, label, place, contact, phone, state } = row;
  return {
    ...{ id, version, kind, label, place, contact, phone, state },
    howMuch: row.how_much,
    ...neededFor(job, row.area, row.phase, row.lead_days, state === 'open'),
    fromHour: row.from_hour ?? '',
    toHour: row.to_hour ?? '',
    bookedOn: row.booked_on,
  };
};

/** What has to be there for a job's work, with the day its step begins and the last day to ask. */
export const logisticsOf = ofJob((job): LogisticView[] => logisticRows(job).map((row) => logisticView(job, row)));

/** What somebody said is not needed here. */
export const notNeededOf = ofJob((job): LogisticView[] => notNeededRows(job).map((row) => logisticView(job, row)));

/** What the works ask for and nobody has answered, the first needed first. */
export const proposalViews = ofJob((job): ProposalView[] =>
  proposalsOf(job).map((proposal) => {
    const { key, kind, label, area, phase, leadDays, measure } = proposal;
    return {
      ...{ key, kind, label, area, phase },
      ...neededFor(job, area, phase, leadDays, true),
      ...contactFor(job, proposal),
      place: placeFor(job, kind),
      howMuch: measure ? sayLogisticMeasure(measure, jobRow(job).units) : '',
    };
  }),
);

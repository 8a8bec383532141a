import type { MovedNearby, MovedOffice } from '@/contract/views/visits';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { addDays } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { sayHalfDay } from '@/core/words/visit-word';
import { officesOf } from '../reading/firm';
import { areaNames, jobRow } from '../reading/job';
import { wholePlan } from '../reading/plan';
import type { FirmReading } from '../reading/reading';
import { inspectionRows } from '../reading/sequence';
import { neighbourRows } from '../reading/updates';
import { officesTold } from '../reading/visits';
import { daysMoved } from './nearby';

/** How long the page of a visit opens after its day. */
const PAGE_DAYS = 30;

/** Offices that come on a day on which there is nothing to look at, or that were told so and should come after all. */
export function movedOffices(firm: FirmReading, jobs: readonly string[]): MovedOffice[] {
  const plan = wholePlan(firm);
  if (!plan) return [];
  const offices = new Map(officesOf(firm).map((office) => [office.id, office]));
  const tasks = new Map(plan.tasks.map((task) => [task.id as string, task]));
  return jobs.flatMap((id) => {
    const job = firm.job(id);
    return inspectionRows(job).flatMap((row): MovedOffice[] => {
      const task = tasks.get(taskId(row.area, row.phase));
      if (row.state !== 'booked' || row.day < firm.today || !task || task.state === 'done') return [];
      const off = dayOfSlot(plan.origin, task.start) !== row.day;
      if (off === (officesTold(firm).get(row.id) ?? false)) return [];
      const { name = '', phone = '', email = '' } = offices.get(row.office) ?? {};
      const what = `${areaNames(job).get(row.area) ?? ''} · ${phaseFacts(row.phase).label}`;
      return [
        {
          ...{ inspection: row.id, office: name, phone, email, job: jobRow(job).name, off },
          ...{ what: `${what}, ${sayHalfDay(row, firm.today)}`, pageUntil: addDays(row.day, PAGE_DAYS) },
        },
      ];
    });
  });
}

/** Jobs of which neighbours were told days that have moved. */
export const movedNearby = (firm: FirmReading, jobs: readonly string[]): MovedNearby[] =>
  jobs.flatMap((id) => {
    const job = firm.job(id);
    const lines = daysMoved(job);
    return lines.length === 0
      ? []
      : [
          {
            ...{ job: id, name: jobRow(job).name, lines },
            people: neighbourRows(job).map(({ id: neighbour, name, phone, email }) => ({
              ...{ id: neighbour, name, phone, email },
            })),
          },
        ];
  });

import {
  conflictsOf,
  gapsOf,
  type Gap,
  type HouseholdConflict,
  type LivingTask,
  type Provision,
} from '@/core/living/household';
import type { HouseholdNeed } from '@/core/sites/household-needs';
import { slotOf } from '@/core/units/slot';
import type { Rows } from '../database/rows';
import { OF_JOBS, ofJob, rowsOf, type FirmReading, type JobReading } from './reading';
import { siteOf } from './site';

export const provisionRows = rowsOf<Rows['provision']>(
  `SELECT * FROM provision WHERE job ${OF_JOBS} ORDER BY from_day, id`,
);

/** What stands in for what, from today on. */
const provisionsOf = ofJob((job): Provision[] =>
  provisionRows(job).map(({ id, need, words, from_day, until_day }) => ({
    ...{ id, need, words, from: slotOf(job.firm.today, from_day) },
    until: until_day === null ? null : slotOf(job.firm.today, until_day, 1) + 1,
  })),
);

/** What a day of the newest provision for a need cost, over all jobs; null where nobody has said. */
export const lastCostOf = (firm: FirmReading, need: HouseholdNeed): number | null =>
  firm.jobs
    .flatMap((id) => provisionRows(firm.job(id)))
    .filter((row) => row.need === need && row.day_cost !== null)
    .sort((a, b) => (a.from_day < b.from_day ? 1 : -1))[0]?.day_cost ?? null;

export interface Household {
  gaps: Gap[];
  conflicts: HouseholdConflict[];
  /** Nights with something missing that nobody should be without. */
  nights: number;
}

/** What the household of a job is without, where its work is as it is given. @param tasks slots from today on */
export function householdOf(job: JobReading, tasks: readonly LivingTask[]): Household {
  const site = siteOf(job);
  const gaps = gapsOf(site, tasks, provisionsOf(job));
  const end = tasks.reduce((last, { finish }) => Math.max(last, finish), 0);
  const conflicts = conflictsOf(site, gaps, end);
  return { gaps, conflicts, nights: conflicts.reduce((sum, { nights }) => sum + nights, 0) };
}

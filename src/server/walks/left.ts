import type { BinLevel } from '@/core/walks/housekeeping';
import type { Day } from '@/core/units/day';
import { dayOf } from '../clock';
import { all, one } from '../database/query';
import type { Connection } from '../database/open';

/** The day on which the state of a site was last recorded. */
export function lastLeftOf(db: Connection, job: string): Day | null {
  const at = one<{ at: string | null }>(db, 'SELECT max(at) AS at FROM site_left WHERE job = @job', { job })?.at;
  return at ? dayOf(at) : null;
}

/** How full the bin was, in the order seen. */
export const binLevelsOf = (db: Connection, job: string): BinLevel[] =>
  all<{ at: string; bin: number }>(db, 'SELECT at, bin FROM site_left WHERE job = @job AND bin IS NOT NULL ORDER BY at', { job }).map((row) => ({ day: dayOf(row.at), level: row.bin }));

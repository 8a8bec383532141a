import type { BinLevel } from '@/core/walks/housekeeping';
import type { Day } from '@/core/units/day';
import { dayIn } from '@/core/units/zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { zoneOf } from '../zone';

/** The day on which the state of a site was last recorded. */
export function lastLeftOf(db: Connection, job: string): Day | null {
  const at = queryOne<{ at: string | null }>(db, 'SELECT max(at) AS at FROM site_close_down WHERE job = @job', {
    job,
  })?.at;
  return at ? dayIn(zoneOf(db), at) : null;
}

/** How full the bin was, in the order seen. */
export function binLevelsOf(db: Connection, job: string): BinLevel[] {
  const zone = zoneOf(db);
  return queryAll<{ at: string; bin: number }>(
    db,
    'SELECT at, bin FROM site_close_down WHERE job = @job AND bin IS NOT NULL ORDER BY at',
    { job },
  ).map((row) => ({ day: dayIn(zone, row.at), level: row.bin }));
}

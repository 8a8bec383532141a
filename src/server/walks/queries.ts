import type { Observation } from '@/core/walks/observation';
import { all } from '../database/query';
import type { Connection } from '../database/open';

/** Every observation of a job, withdrawals included, in the order seen. */
export function observationsOf(db: Connection, job: string): Observation[] {
  const rows = all<Record<string, unknown>>(db, 'SELECT * FROM observation WHERE job = @job ORDER BY at, id', { job });
  // Columns that a kind has not are NULL; leaving them out gives the core's shape.
  return rows.map((row) => Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null)) as unknown as Observation);
}

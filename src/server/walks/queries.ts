import { ofKind, standing, type Observation, type ObservationKind, type Of } from '@/core/walks/observation';
import { all } from '../database/query';
import type { Connection } from '../database/open';

/** Every observation of a job, withdrawals included, in the order seen. */
export const observationsOf = (db: Connection, job: string): Observation[] => shaped(all<Row>(db, 'SELECT * FROM observation WHERE job = @job ORDER BY at, id', { job }));

/** Those of one kind that still stand. */
export const standingOfKind = <Kind extends ObservationKind>(db: Connection, job: string, kind: Kind): Of<Kind>[] =>
  ofKind(standing(shaped(all<Row>(db, `SELECT * FROM observation WHERE job = @job AND kind IN (@kind, 'withdrawal') ORDER BY at, id`, { job, kind }))), kind);

type Row = Record<string, unknown>;

function shaped(rows: Row[]): Observation[] {
  // Columns that a kind has not are NULL; leaving them out gives the core's shape.
  return rows.map((row) => Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null)) as unknown as Observation);
}

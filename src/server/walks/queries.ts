import { ofKind, type Observation, type ObservationKind, type Of } from '@/core/walks/observation';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';

/** Every observation of a job, withdrawals included, in the order seen. */
export const observationsOf = (db: Connection, job: string): Observation[] =>
  queryAll<Row>(db, 'SELECT * FROM observation WHERE job = @job ORDER BY at, id', { job }).map(shaped);

/** Those of one kind that still stand. */
export const observationsOfKind = <Kind extends ObservationKind>(db: Connection, job: string, kind: Kind): Of<Kind>[] =>
  ofKind(
    queryAll<Row>(db, 'SELECT * FROM standing_observation WHERE job = @job AND kind = @kind ORDER BY at, id', {
      job,
      kind,
    }).map(shaped),
    kind,
  );

type Row = Record<string, unknown>;

/**
 * Columns that a kind has not are NULL; leaving them out, with the facts that have no column, gives the core's shape.
 */
export function shaped({ facts, ...row }: Row): Observation {
  const given = Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null));
  // Most have none, and a job has thousands of them.
  return (facts === '{}' ? given : { ...given, ...(JSON.parse(facts as string) as object) }) as unknown as Observation;
}

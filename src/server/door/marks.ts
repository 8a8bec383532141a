import { causesIn, type Cause } from '@/core/schedule/cause';
import { execute, insert, queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

/** A job whose plan has to be made anew, and because of what. */
export interface Mark {
  id: number;
  job: string;
  /** The walk whose end it was. */
  walk: string | null;
  causes: Cause[];
}

export const markPlan = (db: Connection, { job, walk, causes }: Omit<Mark, 'id'>): void =>
  insert(db, 'plan_mark', { job, walk, cause: JSON.stringify(causes) });

export const marksOf = (db: Connection): Mark[] =>
  queryAll<Rows['plan_mark']>(db, 'SELECT * FROM plan_mark ORDER BY id').map(({ cause, ...mark }) => ({
    ...mark,
    causes: causesIn(cause),
  }));

export const newestMark = (db: Connection): number | undefined =>
  queryOne<{ id: number | null }>(db, 'SELECT max(id) AS id FROM plan_mark')?.id ?? undefined;

/** Takes away what was marked up to this one; what came after it stays. */
export const clearMarks = (db: Connection, last: number): void =>
  void execute(db, 'DELETE FROM plan_mark WHERE id <= @last', { last });

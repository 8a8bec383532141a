import { execute, insert, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { Refusal } from '../refusal';

/** Asks for a longer search; refused while one is under way. */
export function askSearch(db: Connection, asked: { schedules: number; seed: number; asked_at: string }): void {
  if (askedSearch(db))
    throw new Refusal(409, { code: 'search-under-way', message: 'A search is under way already; stop it first.' });
  execute(db, 'DELETE FROM plan_search');
  insert(db, 'plan_search', { id: 1, state: 'asked', ...asked });
}

/** One that runs ends at its next look up; one that has not begun does not begin. */
export const stopSearch = (db: Connection): void =>
  void execute(
    db,
    `UPDATE plan_search
      SET state = CASE state WHEN 'running' THEN 'stopping' ELSE 'done' END
      WHERE state IN ('asked', 'running')`,
  );

/** The search that is to be made, or was being made when the application stopped. */
export const askedSearch = (db: Connection): Rows['plan_search'] | undefined =>
  queryOne(db, `SELECT * FROM plan_search WHERE state IN ('asked', 'running')`);

export const beginSearch = (db: Connection): void =>
  void execute(db, `UPDATE plan_search SET state = 'running', made = 0, words = ''`);

/** Notes how many schedules were tried so far. */
export const noteSearched = (db: Connection, made: number): void =>
  void execute(db, 'UPDATE plan_search SET made = @made', { made });

/** Whether it has not been stopped. */
export const searchRuns = (db: Connection): boolean =>
  queryOne(db, `SELECT 1 FROM plan_search WHERE state = 'running'`) !== undefined;

/** @param words what came of it, for people */
export const endSearch = (db: Connection, made: number, words: string): void =>
  void execute(
    db,
    `UPDATE plan_search SET state = 'done', made = @made, words = @words WHERE state IN ('running', 'stopping')`,
    { made, words },
  );

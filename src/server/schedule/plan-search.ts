import type { Plan } from '@/core/schedule/plan';
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

/** One that runs ends at its next look up; one that has not begun does not begin, and what one found is let go. */
export const stopSearch = (db: Connection): void =>
  void execute(
    db,
    `UPDATE plan_search
      SET state = CASE state WHEN 'running' THEN 'stopping' ELSE 'done' END, found = NULL,
        words = CASE WHEN found IS NULL THEN words ELSE 'The plan stays as it is.' END`,
  );

/** What a search found: a plan that is better than the version it was looked for from. */
interface FoundPlan {
  version: number;
  plan: Plan;
}

/** The better plan that was found, as long as the plan is still the one it is better than. */
export function foundPlan(db: Connection, version: number | undefined): Plan | undefined {
  const row = queryOne<{ found: string }>(
    db,
    `SELECT found FROM plan_search WHERE state = 'done' AND found IS NOT NULL AND better_than = @version`,
    { version: version ?? 0 },
  );
  return row && (JSON.parse(row.found) as Plan);
}

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

/**
 * @param words what came of it, for people
 * @param found the better plan, which waits for somebody to take it
 */
export const endSearch = (db: Connection, made: number, words: string, found?: FoundPlan): void =>
  void execute(
    db,
    `UPDATE plan_search
      SET state = 'done', made = @made, words = @words, found = @found, better_than = @version
      WHERE state IN ('running', 'stopping')`,
    { made, words, found: found ? JSON.stringify(found.plan) : null, version: found?.version ?? null },
  );

/** What was found was taken. */
export const foundTaken = (db: Connection): void =>
  void execute(db, `UPDATE plan_search SET found = NULL, words = 'The better plan is kept.'`);

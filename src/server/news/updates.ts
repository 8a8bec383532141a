import { execute, insert, type NewRow } from '../database/query';
import type { Connection } from '../database/open';

/** What went out with these words. */
export const addSent = (
  db: Connection,
  update: Pick<NewRow<'job_update'>, 'id' | 'job' | 'audience' | 'title' | 'body'>,
  now: string,
): void => insert(db, 'job_update', { ...update, walk: null, made_at: now, state: 'sent', sent_at: now });

/** From now on a reader knows of everything up to here, and nothing written by hand is left over. */
export function readerTold(db: Connection, told: NewRow<'told'>): void {
  const { job, audience } = told;
  execute(db, 'DELETE FROM told WHERE job = @job AND audience = @audience', { job, audience });
  insert(db, 'told', told);
  execute(db, 'DELETE FROM draft_line WHERE job = @job AND audience = @audience', { job, audience });
}

/** Neighbours know of these days from now on; of nothing else. */
export const neighboursKnow = (db: Connection, job: string, days: string): void =>
  void execute(db, `UPDATE told SET days = @days WHERE job = @job AND audience = 'neighbour'`, { job, days });

/** Somebody’s words in place of a line, or a line of their own. */
export function writeLine(db: Connection, line: NewRow<'draft_line'>): void {
  unwriteLine(db, line);
  insert(db, 'draft_line', line);
}

/** @returns whether there were any */
export const unwriteLine = (
  db: Connection,
  { job, audience, line }: Pick<NewRow<'draft_line'>, 'job' | 'audience' | 'line'>,
): boolean =>
  execute(db, 'DELETE FROM draft_line WHERE job = @job AND audience = @audience AND line = @line', {
    ...{ job, audience, line },
  }) > 0;

import { insert, queryOne, update, type NewRow } from '../database/query';
import type { Connection } from '../database/open';

/** Keeps the drafts of a walk; a walk that has them already keeps what it has. */
export function keepDrafts(db: Connection, walk: string, drafts: readonly NewRow<'job_update'>[]): void {
  if (queryOne(db, 'SELECT 1 FROM job_update WHERE walk = @walk', { walk })) return;
  for (const draft of drafts) insert(db, 'job_update', draft);
}

/** What was written by hand in a draft, or that it goes nowhere. */
export const changeDraft = (
  db: Connection,
  id: string,
  changed: { title: string; body: string } | { state: 'dropped' },
): void => update(db, 'job_update', id, changed);

/** A draft that goes out with these words. */
export const sendDraft = (db: Connection, id: string, words: { title: string; body: string; sent_at: string }): void =>
  update(db, 'job_update', id, { ...words, state: 'sent' });

/** What went out at once, about no walk. */
export const addSent = (
  db: Connection,
  update: Pick<NewRow<'job_update'>, 'id' | 'job' | 'audience' | 'title' | 'body'>,
  now: string,
): void => insert(db, 'job_update', { ...update, walk: null, made_at: now, state: 'sent', sent_at: now });

import { execute, insert, type NewRow } from '../database/query';
import type { Connection } from '../database/open';

/** Somebody was reminded of this now. */
export function keepReminded(db: Connection, reminder: NewRow<'reminder'>): void {
  execute(db, 'DELETE FROM reminder WHERE job = @job AND about = @about', { job: reminder.job, about: reminder.about });
  insert(db, 'reminder', reminder);
}

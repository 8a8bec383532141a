import { queryOne } from '../database/query';
import type { Connection } from '../database/open';

/** The number of the newest entry in the log. */
export const newestChange = (db: Connection): number =>
  queryOne<{ seq: number | null }>(db, 'SELECT max(seq) AS seq FROM command_log')?.seq ?? 0;

/** Whether anything was written after an entry that may change what is told of a job: what became of letters does not. */
export const isChangedSince = (db: Connection, seq: number, job: string): boolean =>
  queryOne(
    db,
    `SELECT 1 FROM command_log WHERE seq > @seq AND who <> 'gateway' AND (job IS NULL OR job = @job) LIMIT 1`,
    { seq, job },
  ) !== undefined;

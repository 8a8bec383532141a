import { queryOne } from '../database/query';
import type { Connection } from '../database/open';

/** The number of the newest entry in the log. */
export const newestChange = (db: Connection): number =>
  queryOne<{ seq: number | null }>(db, 'SELECT max(seq) AS seq FROM command_log')?.seq ?? 0;

import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import type { JobReading } from './reading';

export type HistoryRow = Rows['history'];

/** The newest lines of the histories of some selections or requests, the newest first. @param most of each */
export const newestHistory = (
  db: Connection,
  of: 'selection' | 'request',
  ids: readonly string[],
  most: number,
): HistoryRow[] =>
  queryAll<HistoryRow>(
    db,
    `SELECT history.*
      FROM json_each(@ids) AS asked
      JOIN history ON history.rowid IN (
        SELECT rowid FROM history AS newest WHERE newest.${of} = asked.value ORDER BY at DESC, rowid DESC LIMIT @most)
      ORDER BY history.at DESC, history.rowid DESC`,
    { ids: JSON.stringify(ids), most },
  );

/** What holders of a client’s link settled of a job, the newest first. */
export const settledByClient = (
  { id: job, firm: { db } }: JobReading,
  most = 12,
): (HistoryRow & { category: string | null; subject: string | null })[] =>
  queryAll(
    db,
    `SELECT history.*, selection.category, request.subject
      FROM history
      LEFT JOIN selection ON selection.id = history.selection
      LEFT JOIN request ON request.id = history.request
      WHERE history.job = @job AND history.desk = 0
        AND history.who IN (SELECT recipient FROM share_link WHERE job = @job AND audience = 'client')
        AND history.who NOT IN (SELECT name FROM person)
      ORDER BY history.at DESC, history.rowid DESC
      LIMIT @most`,
    { job, most },
  );

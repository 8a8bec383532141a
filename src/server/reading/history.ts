import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

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

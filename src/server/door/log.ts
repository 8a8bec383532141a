import { execute, insert, queryAll, queryOne, type NewRow } from '../database/query';
import type { RowChange } from '../database/changes';
import type { Connection } from '../database/open';

/** Writes one act into the log. @returns its number there */
export function writeLog(db: Connection, entry: NewRow<'command_log'>): number {
  insert(db, 'command_log', entry);
  return queryOne<{ seq: number }>(db, 'SELECT last_insert_rowid() AS seq')?.seq ?? 0;
}

/** Keeps what an act changed, to be put back where it is taken back. */
export const keepInverse = (db: Connection, seq: number, rows: readonly RowChange[]): void =>
  insert(db, 'command_inverse', { seq, rows: JSON.stringify(rows) });

/** It is noted which act took another back. */
export const markTakenBack = (db: Connection, seq: number, by: string): void =>
  void execute(db, 'UPDATE command_inverse SET taken_back_by = @by WHERE seq = @seq', { seq, by });

/** What an act had taken back stands again. */
export const markStanding = (db: Connection, by: string): void =>
  void execute(db, 'UPDATE command_inverse SET taken_back_by = NULL WHERE taken_back_by = @by', { by });

/** Acts from before an instant of which it is kept what they changed. */
export const oldInverses = (db: Connection, before: string): number[] =>
  seqs(
    queryAll(
      db,
      `SELECT command_inverse.seq
        FROM command_inverse
        JOIN command_log ON command_log.seq = command_inverse.seq
        WHERE applied_at < @before`,
      { before },
    ),
  );

export const dropInverse = (db: Connection, seq: number): void =>
  void execute(db, 'DELETE FROM command_inverse WHERE seq = @seq', { seq });

/** What the planner said before an instant: that it had made a plan. */
export const oldRenewals = (db: Connection, before: string): number[] =>
  seqs(queryAll(db, `SELECT seq FROM command_log WHERE who = 'planner' AND applied_at < @before`, { before }));

export const dropFromLog = (db: Connection, seq: number): void =>
  void execute(db, 'DELETE FROM command_log WHERE seq = @seq', { seq });

const seqs = (rows: readonly { seq: number }[]): number[] => rows.map(({ seq }) => seq);

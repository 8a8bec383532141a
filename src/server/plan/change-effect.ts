import type { ChangeEffect } from '../door/prepared';
import type { Connection } from '../database/open';
import { readFirm, type Source } from '../reading/reading';
import { readIf } from '../reading/read-if';
import { approveChange, withoutChange } from '../scope/approve-change';
import type { ChangeRow } from '../scope/changes';
import { finishIf } from './what-if';

/**
 * The finish without each change and with it, as the plan of today says: what its approval writes is written, read, and
 * taken back, so that what a client is told is what then happens.
 */
export function effectsOfChanges(source: Source, rows: readonly ChangeRow[]): Map<string, ChangeEffect> {
  const finish = (job: string, act: (db: Connection) => void) => finishIf(readIf(source, act), job).job;
  // Where nothing of a change stands in the plan yet, the finish without it is the plan's of today.
  const today = new Map<string, ChangeEffect['before']>();
  const without = (row: ChangeRow): ChangeEffect['before'] => {
    if (row.assumption !== null) return finish(row.job, (db) => withoutChange(db, row));
    if (!today.has(row.job)) today.set(row.job, finishIf(readFirm(source), row.job).job);
    return today.get(row.job) ?? null;
  };
  return new Map(
    rows.map((row) => [row.id, { before: without(row), after: finish(row.job, (db) => void approveChange(db, row)) }]),
  );
}

export const effectOfChange = (source: Source, row: ChangeRow): ChangeEffect =>
  effectsOfChanges(source, [row]).get(row.id) ?? { before: null, after: null };

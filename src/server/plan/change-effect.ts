import type { ChangeEffect } from '../door/prepared';
import type { Connection } from '../database/open';
import type { Source } from '../reading/reading';
import { readIf } from '../reading/read-if';
import { approveChange, withoutChange } from '../scope/approve-change';
import type { ChangeRow } from '../scope/changes';
import { finishIf } from './what-if';

/**
 * The finish without a change and with it, as the plan of today says: what its approval writes is written, read, and
 * taken back, so that what a client is told is what then happens.
 */
export function effectOfChange(source: Source, row: ChangeRow): ChangeEffect {
  const finish = (act: (db: Connection) => void) => finishIf(readIf(source, act), row.job).job;
  return {
    before: finish((db) => withoutChange(db, row)),
    after: finish((db) => void approveChange(db, row)),
  };
}

import type { Phase } from '@/core/sequence/phases';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

export type OfficeRow = Rows['office'];
export type InspectionRow = Rows['inspection'];

/** The offices, with what each inspects; of two that inspect the same the first named. */
export const officesOf = (
  db: Connection,
): (Omit<OfficeRow, 'phases' | 'weekdays'> & { phases: Phase[]; weekdays: number[] })[] =>
  queryAll<OfficeRow>(db, 'SELECT * FROM office ORDER BY rowid').map((row) => ({
    ...row,
    phases: JSON.parse(row.phases) as Phase[],
    weekdays: JSON.parse(row.weekdays) as number[],
  }));

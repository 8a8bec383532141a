import type { Phase } from '@/core/sequence/phases';
import type { Day } from '@/core/units/day';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';

export interface OfficeRow {
  id: string;
  name: string;
  phone: string;
  phases: string;
  weekdays: string;
  notice_days: number;
  visits_a_day: number;
  version: number;
}
export interface InspectionRow {
  id: string;
  job: string;
  area: string;
  phase: Phase;
  office: string;
  asked_on: Day;
  day: Day;
  half: 0 | 1;
  state: 'booked' | 'passed' | 'failed' | 'cancelled';
  words: string;
  settled_at: string | null;
  version: number;
}

/** The offices, with what each inspects; of two that inspect the same the first named. */
export const officesOf = (
  db: Connection,
): (Omit<OfficeRow, 'phases' | 'weekdays'> & { phases: Phase[]; weekdays: number[] })[] =>
  queryAll<OfficeRow>(db, 'SELECT * FROM office ORDER BY rowid').map((row) => ({
    ...row,
    phases: JSON.parse(row.phases) as Phase[],
    weekdays: JSON.parse(row.weekdays) as number[],
  }));

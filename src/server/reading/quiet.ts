import type { Quiet } from '@/core/sequence/quiet';
import type { Rows } from '../database/rows';
import { OF_JOBS, ofJob, rowsOf } from './reading';

export const quietRows = rowsOf<Rows['quiet']>(`SELECT * FROM quiet WHERE job ${OF_JOBS} ORDER BY first_day, id`);

/** The times in which it has to be quiet at a job. */
export const quietTimes = ofJob((job): Quiet[] =>
  quietRows(job).map(({ area, covers, half, weekdays, first_day, last_day }) => ({
    ...{ area, covers, half, firstDay: first_day, lastDay: last_day },
    weekdays: JSON.parse(weekdays) as number[],
  })),
);

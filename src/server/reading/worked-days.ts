import type { Rows } from '../database/rows';
import { OF_JOBS, rowsOf } from './reading';

/** Days off on which a job is worked all the same. */
export const workedDayRows = rowsOf<Rows['worked_day']>(`SELECT * FROM worked_day WHERE job ${OF_JOBS} ORDER BY day`);

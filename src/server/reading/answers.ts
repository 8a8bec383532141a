import type { Rows } from '../database/rows';
import { OF_JOBS, rowsOf } from './reading';

/** Answers to slips that were taken, the newest last. */
export const answerRows = rowsOf<Rows['slip_answer']>(
  `SELECT * FROM slip_answer WHERE job ${OF_JOBS} ORDER BY taken_on, rowid`,
);

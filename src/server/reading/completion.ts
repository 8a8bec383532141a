import type { Rows } from '../database/rows';
import { OF_JOBS, rowsOf } from './reading';

/** What belongs to the end of a job. */

/** The client's own list, what is not answered first. */
export const clientItemRows = rowsOf<Rows['client_item']>(
  `SELECT * FROM client_item WHERE job ${OF_JOBS} ORDER BY state <> 'asked', at DESC`,
);

/** What stays with the client. */
export const handedOverRows = rowsOf<Rows['handed_over']>(
  `SELECT * FROM handed_over WHERE job ${OF_JOBS} AND removed = 0 ORDER BY rowid`,
);

import type { Rows } from '../database/rows';
import { OF_JOBS, rowsOf } from './reading';

export type StatementRow = Rows['statement'];

/** The versions of what was agreed, the newest first. */
export const statementRows = rowsOf<StatementRow>(`SELECT * FROM statement WHERE job ${OF_JOBS} ORDER BY number DESC`);

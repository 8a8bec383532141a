import type { Rows } from '../database/rows';
import { OF_JOBS, rowsOf, type JobReading } from './reading';

/** What was agreed, found, believed, added and decided, in the order of its making; what was taken away is left out. */

export const scopeRows = rowsOf<Rows['scope_item']>(
  `SELECT * FROM scope_item WHERE job ${OF_JOBS} AND removed = 0 ORDER BY rowid`,
);

export const findingRows = rowsOf<Rows['finding']>(
  `SELECT * FROM finding WHERE job ${OF_JOBS} AND removed = 0 ORDER BY rowid`,
);

export const assumptionRows = rowsOf<Rows['assumption']>(
  `SELECT * FROM assumption WHERE job ${OF_JOBS} AND removed = 0 ORDER BY rowid`,
);

/** Work that was added and is not dropped. */
export const extraRows = rowsOf<Rows['extra_work']>(
  `SELECT * FROM extra_work WHERE job ${OF_JOBS} AND state <> 'dropped' ORDER BY rowid`,
);

/** The newest first. */
export const decisionRows = rowsOf<Rows['decision']>(
  `SELECT * FROM decision WHERE job ${OF_JOBS} AND removed = 0 ORDER BY made_at DESC, rowid DESC`,
);

/** The open choices first. */
export const optionRows = rowsOf<Rows['option_set']>(
  `SELECT * FROM option_set WHERE job ${OF_JOBS} ORDER BY chosen IS NOT NULL, rowid`,
);

/** The newest first. */
export const changeRows = rowsOf<Rows['change_order']>(
  `SELECT * FROM change_order WHERE job ${OF_JOBS} ORDER BY number DESC`,
);

/** Assumptions that a walk found to hold or not, in the order settled. */
export const settledOn = (job: JobReading, walk: string) =>
  assumptionRows(job)
    .filter((row) => row.settled_walk === walk)
    .sort((a, b) => ((a.settled_at ?? '') < (b.settled_at ?? '') ? -1 : 1))
    .flatMap(({ area, text, state, found, fallback }) =>
      state === 'open' ? [] : [{ area, text, verdict: state, found, fallback }],
    );

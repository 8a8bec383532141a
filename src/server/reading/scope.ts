import type { Unproved } from '@/core/sequence/site';
import type { Connection } from '../database/open';
import { queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { notFound } from '../refusal';
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

/** Assumptions that were found to hold or not, in the order settled. */
const settled = (rows: readonly Rows['assumption'][]) =>
  [...rows]
    .sort((a, b) => ((a.settled_at ?? '') < (b.settled_at ?? '') ? -1 : 1))
    .flatMap(({ id, area, text, state, found, fallback }) =>
      state === 'open' ? [] : [{ id, area, text, verdict: state, found, fallback }],
    );

/** Those that a walk settled. */
export const settledOn = (job: JobReading, walk: string) =>
  settled(assumptionRows(job).filter((row) => row.settled_walk === walk));

/** Those that were settled after an instant. */
export const settledAfter = (job: JobReading, at: string) =>
  settled(assumptionRows(job).filter((row) => row.settled_at !== null && row.settled_at > at));

export type ChangeLineRow = Rows['change_line'] & { job: string };

/** Lines of changes, in the order of their change. */
export const changeLineRows = rowsOf<ChangeLineRow>(
  `SELECT change_line.*, change_order.job
    FROM change_line
    JOIN change_order ON change_order.id = change_line.change_order
    WHERE change_order.job ${OF_JOBS}
    ORDER BY change_line.change_order, position`,
);

/** Steps that fall away with changes. */
export const changeDropRows = rowsOf<Rows['change_drop'] & { job: string }>(
  `SELECT change_drop.*, change_order.job
    FROM change_drop
    JOIN change_order ON change_order.id = change_drop.change_order
    WHERE change_order.job ${OF_JOBS}`,
);

/** A change as it stands, or a refusal. */
export function changeNow(db: Connection, id: string): Rows['change_order'] {
  const row = queryOne<Rows['change_order']>(db, 'SELECT * FROM change_order WHERE id = @id', { id });
  if (!row) throw notFound('change', 'id');
  return row;
}

/** Services in the way of the work that nobody has proved dead, nor marked and kept. */
export const unprovedServices = (job: JobReading): Unproved[] =>
  findingRows(job).flatMap(({ id, version, area, kind, subject, proved }) =>
    kind === 'service' && proved === null ? [{ id, version, area, text: subject }] : [],
  );

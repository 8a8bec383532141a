import { groupBy } from '@/core/group-by';
import type { Ordered } from '@/core/selections/arrival';
import type { Closure } from '@/core/selections/order-by';
import type { Request, Requests } from '@/core/selections/requests';
import type { Day } from '@/core/units/day';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

/** A selection with the names of its area and its supplier. */
export type SelectionRow = Rows['selection'] & { area_name: string; supplier_name: string };

const READ = `SELECT selection.*, area.name AS area_name, coalesce(supplier.name, '') AS supplier_name
  FROM selection
  JOIN area ON area.id = selection.area
  LEFT JOIN supplier ON supplier.id = selection.supplier
  WHERE selection.removed = 0`;

/** A job's selections that stand, in the order of their making. */
export const selectionRows = (db: Connection, job: string): SelectionRow[] =>
  queryAll<SelectionRow>(db, `${READ} AND selection.job = @job ORDER BY selection.rowid`, { job });

/** What was ordered and is on its way, over all jobs. */
export const onOrderRows = (db: Connection): SelectionRow[] =>
  queryAll<SelectionRow>(
    db,
    `${READ} AND selection.state IN ('ordered', 'confirmed', 'in making', 'shipped') ORDER BY selection.rowid`,
  );

export const orderedOf = (row: SelectionRow): Ordered => ({
  category: row.category,
  state: row.state,
  leadHigh: row.lead_high,
  checkDays: row.check_days,
  acclimatiseDays: row.acclimatise_days,
  orderedOn: row.ordered_on,
  expectedOn: row.expected_on,
  promisedOn: row.promised_on,
  slip: row.slip,
  cameOn: row.came_on,
});

/** Closed days by supplier. */
export function closuresOf(db: Connection): Map<string, Closure[]> {
  const rows = queryAll<{ supplier: string; first_day: Day; last_day: Day }>(
    db,
    'SELECT supplier, first_day, last_day FROM supplier_closure',
  );
  return new Map(
    [...groupBy(rows, (row) => row.supplier)].map(([supplier, list]) => [
      supplier,
      list.map((row) => ({ firstDay: row.first_day, lastDay: row.last_day })),
    ]),
  );
}

export type RequestRow = Rows['request'];

export const requestRows = (db: Connection, job: string): RequestRow[] =>
  queryAll<RequestRow>(db, 'SELECT * FROM request WHERE job = @job AND removed = 0 ORDER BY rowid', { job });

export const requestOf = (row: RequestRow): Request => ({
  id: row.id,
  kind: row.kind,
  party: row.party,
  subject: row.subject,
  takesLow: row.takes_low,
  takesHigh: row.takes_high,
  after: row.after,
  sentOn: row.sent_on,
  expectedOn: row.expected_on,
  answeredOn: row.answered_on,
  outcome: row.outcome,
});

export const requestsOf = (rows: readonly RequestRow[]): Requests =>
  new Map(rows.map((row) => [row.id, requestOf(row)]));

export type WaitRow = Rows['request_wait'];

/** What stands still without a job's requests; of selections that were taken away nothing. */
export const waitRows = (db: Connection, job: string): WaitRow[] =>
  queryAll<WaitRow>(
    db,
    `SELECT request_wait.*
      FROM request_wait
      JOIN request ON request.id = request_wait.request
      LEFT JOIN selection ON selection.id = request_wait.selection
      WHERE request.job = @job AND request.removed = 0 AND coalesce(selection.removed, 0) = 0`,
    { job },
  );

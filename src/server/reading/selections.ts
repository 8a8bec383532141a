import { groupBy } from '@/core/group-by';
import { expectedOf, isGiven, requestLabel } from '@/core/selections/requests';
import type { Ordered, OpenRequest } from '@/core/selections/arrival';
import type { Request, Requests } from '@/core/selections/requests';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { OF_JOBS, ofJob, rowsOf } from './reading';

/** A selection with the names of its area and its supplier. */
export type SelectionRow = Rows['selection'] & { area_name: string; supplier_name: string };

const READ = `SELECT selection.*, area.name AS area_name, coalesce(supplier.name, '') AS supplier_name
  FROM selection
  JOIN area ON area.id = selection.area
  LEFT JOIN supplier ON supplier.id = selection.supplier
  WHERE selection.removed = 0`;

/** A job's selections that stand, in the order of their making. */
export const selectionRows = rowsOf<SelectionRow>(`${READ} AND selection.job ${OF_JOBS} ORDER BY selection.rowid`);

/** What was ordered and is on its way, over all jobs. */
export const onOrderRows = (db: Connection): SelectionRow[] =>
  queryAll<SelectionRow>(
    db,
    `${READ} AND selection.state IN ('ordered', 'confirmed', 'in making', 'shipped')
      AND selection.job IN (SELECT id FROM job WHERE removed = 0)
    ORDER BY selection.rowid`,
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

export type RequestRow = Rows['request'];

export const requestRows = rowsOf<RequestRow>(
  `SELECT * FROM request WHERE job ${OF_JOBS} AND removed = 0 ORDER BY rowid`,
);

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

/** A job's approvals, answers and drawings, by id. */
export const requestsOf = ofJob((job): Requests => new Map(requestRows(job).map((row) => [row.id, requestOf(row)])));

export type WaitRow = Rows['request_wait'] & { job: string };

/** What stands still without a job's requests; of selections that were taken away nothing. */
export const waitRows = rowsOf<WaitRow>(
  `SELECT request_wait.*, request.job
    FROM request_wait
    JOIN request ON request.id = request_wait.request
    LEFT JOIN selection ON selection.id = request_wait.selection
    WHERE request.job ${OF_JOBS} AND request.removed = 0 AND coalesce(selection.removed, 0) = 0`,
);

export type CalculationRow = Rows['calculation'] & { area_name: string };

/** Kept results of a job, area by area. */
export const calculationRows = rowsOf<CalculationRow>(
  `SELECT calculation.*, area.name AS area_name
    FROM calculation
    JOIN area ON area.id = calculation.area
    WHERE calculation.job ${OF_JOBS} AND calculation.removed = 0
    ORDER BY area.position, calculation.rowid`,
);

/** The job that a kept result belongs to; undefined where there is no such result. */
export const jobOfCalculation = ({ db }: { db: Connection }, id: string): string | undefined =>
  queryOne<{ job: string }>(db, 'SELECT job FROM calculation WHERE id = @id', { id })?.job;

/** What was dropped is left out. */
export const deliveryRows = rowsOf<Rows['delivery']>(
  `SELECT * FROM delivery WHERE job ${OF_JOBS} AND state <> 'dropped' ORDER BY state DESC, day`,
);

/** Things of no selection that are kept on the site. */
export const spareRows = rowsOf<Rows['spare']>(
  `SELECT * FROM spare WHERE job ${OF_JOBS} AND state = 'kept' ORDER BY rowid`,
);

/** What every selection is called, those that were taken away among them: records of walks still speak of them. */
export const selectionNames = ofJob(
  (job) =>
    new Map(
      queryAll<{ id: string; area: string; category: string; choice: string }>(
        job.firm.db,
        'SELECT id, area, category, choice FROM selection WHERE job = @job',
        { job: job.id },
      ).map((item) => [item.id, item]),
    ),
);

/** The open requests that each selection’s order waits for. */
export const openRequests = ofJob((job): ReadonlyMap<string, OpenRequest[]> => {
  const requests = requestsOf(job);
  const ofSelections = groupBy(
    waitRows(job).filter((wait) => wait.selection !== null),
    (wait) => wait.selection ?? '',
  );
  return new Map(
    [...ofSelections].map(([selection, list]) => [
      selection,
      list.flatMap((wait) => {
        const request = requests.get(wait.request);
        return request && !isGiven(request)
          ? [{ label: requestLabel(request), expected: expectedOf(request, requests, job.firm.today) }]
          : [];
      }),
    ]),
  );
});

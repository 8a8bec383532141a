import type { Day } from '@/core/units/day';
import type { JobTask } from '@/core/sequence/rules';
import { groupBy } from '@/core/group-by';
import { queryAll, queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { OF_JOBS, rowsOf, type FirmReading, type JobReading } from './reading';

/** What somebody said of the order of a job's work, and what it waits for. */

export const ownLinkRows = rowsOf<Rows['own_link']>(`SELECT * FROM own_link WHERE job ${OF_JOBS}`);

export const gateRows = rowsOf<Rows['gate']>(`SELECT * FROM gate WHERE job ${OF_JOBS} ORDER BY rowid`);

export const gateEndRows = rowsOf<Rows['gate_end'] & { job: string }>(
  `SELECT gate_end.*, gate.job FROM gate_end JOIN gate ON gate.id = gate_end.gate WHERE gate.job ${OF_JOBS} ORDER BY place`,
);

/** The gates of a job: on each side its ends, as they are told. */
export const gatesWith = <End>(job: JobReading, told: (end: Pick<Rows['gate_end'], 'area' | 'phase'>) => End) => {
  const ends = groupBy(gateEndRows(job), (end) => end.gate);
  const side = (gate: string, which: 'before' | 'after'): End[] =>
    (ends.get(gate) ?? []).flatMap((end) => (end.side === which ? [told(end)] : []));
  return gateRows(job).map(({ id, label, reason, together }) => ({
    id,
    label,
    reason,
    together: together === 1,
    before: side(id, 'before'),
    after: side(id, 'after'),
  }));
};

/** What has to be there for a step; what is not needed is left out. */
export const logisticRows = rowsOf<Rows['logistic']>(
  `SELECT * FROM logistic WHERE job ${OF_JOBS} AND state <> 'dropped' ORDER BY rowid`,
);

/** What the works asked for, and somebody said is not needed here. */
export const notNeededRows = rowsOf<Rows['logistic']>(
  `SELECT * FROM logistic WHERE job ${OF_JOBS} AND state = 'dropped' ORDER BY rowid`,
);

/** What work waits for, the nearest first. */
export const holdRows = rowsOf<Rows['hold']>(
  `SELECT * FROM hold WHERE job ${OF_JOBS} AND state = 'open' ORDER BY expected_on, id`,
);

export const doneTaskRows = rowsOf<Rows['job_task_done']>(`SELECT * FROM job_task_done WHERE job ${OF_JOBS}`);

/** Tasks of the whole job that somebody has said are done. */
export const settledTasks = (job: JobReading): ReadonlySet<JobTask> =>
  new Set(doneTaskRows(job).map(({ task }) => task as JobTask));

export const pinRows = rowsOf<Rows['pin']>(`SELECT * FROM pin WHERE job ${OF_JOBS} ORDER BY task`);

/** Visits of offices that are booked, were passed or failed, in the order of their booking. */
export const inspectionRows = rowsOf<Rows['inspection']>(
  `SELECT * FROM inspection WHERE job ${OF_JOBS} AND state IN ('booked', 'passed', 'failed') ORDER BY rowid`,
);

/** One visit, however it went. */
export const inspectionRow = ({ firm: { db }, id: job }: JobReading, id: string): Rows['inspection'] | undefined =>
  queryOne<Rows['inspection']>(db, 'SELECT * FROM inspection WHERE id = @id AND job = @job', { id, job });

/** Visits that are booked, and those since a day, over all jobs, the booked ones first. */
export const visitRows = (
  firm: FirmReading,
  since: Day,
): (Rows['inspection'] & { area_name: string; job_name: string })[] =>
  queryAll(
    firm.db,
    `SELECT inspection.*, area.name AS area_name, job.name AS job_name
      FROM inspection
      JOIN area ON area.id = inspection.area
      JOIN job ON job.id = inspection.job
      WHERE job.removed = 0 AND (inspection.state = 'booked' OR day >= @since)
      ORDER BY inspection.state <> 'booked', day, half`,
    { since },
  );

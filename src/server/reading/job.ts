import { groupBy } from '@/core/group-by';
import { inUsualOrder, phaseFacts, type Phase } from '@/core/sequence/phases';
import type { JobId } from '@/core/ids';
import type { Connection } from '../database/open';
import { queryAll, queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { notFound } from '../refusal';
import { OF_JOBS, ofFirm, ofJob, readJob, rowsOf, type JobReading, type Source } from './reading';

/** A job itself: its row, its levels, its areas and the steps of their work. */

export type JobRow = Rows['job'];
export type AreaRow = Rows['area'] & { level_name: string | null; level_height: number | null };

const jobRows = rowsOf<JobRow & { job: string }>(
  `SELECT job.*, id AS job FROM job WHERE id ${OF_JOBS} AND removed = 0`,
);

/** The row of the job; refused where there is no such job. */
export const jobRow = ofJob((job): JobRow => {
  const [row] = jobRows(job);
  if (!row) throw notFound('job', 'job');
  return row;
});

/** The highest first. */
export const levelRows = rowsOf<Rows['level']>(`SELECT * FROM level WHERE job ${OF_JOBS} ORDER BY height DESC`);

/** Areas in the order in which they were set out, with their level. */
export const areaRows = rowsOf<AreaRow>(
  `SELECT area.*, level.name AS level_name, level.height AS level_height
    FROM area
    LEFT JOIN level ON level.id = area.level
    WHERE area.job ${OF_JOBS}
    ORDER BY area.position`,
);

/** Areas from the lowest level up, what is outside before them. */
export const areasUpward = ofJob((job): AreaRow[] =>
  [...areaRows(job)].sort((a, b) => (a.level_height ?? -99) - (b.level_height ?? -99)),
);

export const areaNames = ofJob(
  (job): ReadonlyMap<string, string> => new Map(areaRows(job).map(({ id, name }) => [id, name])),
);

/** The row of an area of this job, or a refusal. */
export function areaRow(job: JobReading, id: string): AreaRow {
  const row = areaRows(job).find((area) => area.id === id);
  if (!row) throw notFound('area in this job');
  return row;
}

/** The job that an area belongs to; refused where there is no such area. */
export function jobOfArea(source: Source, area: string): JobReading {
  const row = queryOne<{ job: JobId }>(source.db, 'SELECT job FROM area WHERE id = @area', { area });
  if (!row) throw notFound('area');
  return readJob(source, row.job);
}

export type StepRow = Rows['step'] & { job: string };

export const stepRows = rowsOf<StepRow>(
  `SELECT step.*, area.job
    FROM step
    JOIN area ON area.id = step.area
    WHERE area.job ${OF_JOBS}
    ORDER BY area.position, step.phase`,
);

export const stepsByArea = ofJob((job): ReadonlyMap<string, StepRow[]> => groupBy(stepRows(job), (step) => step.area));

export interface NamedPhase {
  phase: Phase;
  label: string;
}

/** The steps of every area that has work, in their usual order. */
export const phasesOf = ofJob(
  (job): ReadonlyMap<string, NamedPhase[]> =>
    new Map(
      [...stepsByArea(job)].map(([area, list]) => [
        area,
        inUsualOrder(list.map(({ phase }) => phase)).map((phase) => ({ phase, label: phaseFacts(phase).label })),
      ]),
    ),
);

export const partRows = rowsOf<Rows['step_part'] & { job: string }>(
  `SELECT step_part.*, area.job
    FROM step_part
    JOIN area ON area.id = step_part.area
    WHERE area.job ${OF_JOBS}
    ORDER BY part`,
);

export const besideRows = rowsOf<Rows['beside'] & { job: string }>(
  `SELECT beside.*, area.job FROM beside JOIN area ON area.id = beside.one WHERE area.job ${OF_JOBS}`,
);

/** Names of the jobs of a reading. */
export const jobNames = ofFirm(
  (firm): ReadonlyMap<string, string> => new Map(firm.jobs.map((id) => [id, jobRow(firm.job(id)).name])),
);

/** What lies beside an area, and to which of it the wall comes out. */
export function neighboursOf(job: JobReading, area: string): { beside: string[]; opensTo: string[] } {
  const pairs = besideRows(job).flatMap(({ one, other, opens }) =>
    one === area ? [{ id: other, opens }] : other === area ? [{ id: one, opens }] : [],
  );
  return { beside: pairs.map(({ id }) => id), opensTo: pairs.filter(({ opens }) => opens === 1).map(({ id }) => id) };
}

/** The areas of the newest jobs besides one, as they were set out. */
export const areasOfOthers = (
  db: Connection,
  job: string,
): (Pick<Rows['area'], 'job' | 'name' | 'kind' | 'works' | 'size' | 'passage'> & {
  job_name: string;
  level: string | null;
  height: number | null;
})[] =>
  queryAll(
    db,
    `SELECT area.job, job.name AS job_name, area.name, kind, works, size, passage, level.name AS level, height
      FROM (SELECT id, name, position FROM job WHERE removed = 0 AND example = 0 AND id <> @job
        ORDER BY position DESC LIMIT 12) AS job
      JOIN area ON area.job = job.id
      LEFT JOIN level ON level.id = area.level
      ORDER BY job.position DESC, area.rowid`,
    { job },
  );

import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import { OF_JOBS, rowsOf, type JobReading } from './reading';

/** What was agreed once and is measured against, the first made first. */
export const baselineRows = rowsOf<Rows['baseline']>(`SELECT * FROM baseline WHERE job ${OF_JOBS} ORDER BY made_at`);

/** What moved since an instant and why; a move of no task is one of the job's last day. */
export const movesSince = (job: JobReading, since: string): Pick<Rows['plan_move'], 'task' | 'halves' | 'cause'>[] =>
  queryAll(job.firm.db, 'SELECT task, halves, cause FROM plan_move WHERE job = @job AND made_at > @since ORDER BY id', {
    job: job.id,
    since,
  });

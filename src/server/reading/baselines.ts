import { causesIn } from '@/core/schedule/cause';
import type { MovedBy } from '@/core/schedule/slippage';
import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import { OF_JOBS, ofJob, rowsOf, type FirmReading, type JobReading } from './reading';

/** What was agreed once and is measured against, the first made first. */
export const baselineRows = rowsOf<Rows['baseline']>(`SELECT * FROM baseline WHERE job ${OF_JOBS} ORDER BY made_at`);

/** By how many worked half-days something moved, and why. */
export interface KeptMove extends MovedBy {
  task: string | null;
}

/** What moved since an instant and why; a move of no task is one of the job's last day. */
export const movesSince = (job: JobReading, since: string): KeptMove[] =>
  queryAll<Pick<Rows['plan_move'], 'task' | 'halves' | 'cause'>>(
    job.firm.db,
    'SELECT task, halves, cause FROM plan_move WHERE job = @job AND made_at > @since ORDER BY id',
    { job: job.id, since },
  ).map(({ cause, ...move }) => ({ ...move, causes: causesIn(cause) }));

/** How the job's last day moved since an instant, and why. */
export const endMovesSince = (job: JobReading, since: string): KeptMove[] =>
  queryAll<Pick<Rows['plan_move'], 'task' | 'halves' | 'cause'>>(
    job.firm.db,
    'SELECT task, halves, cause FROM plan_move WHERE job = @job AND task IS NULL AND made_at > @since ORDER BY id',
    { job: job.id, since },
  ).map(({ cause, ...move }) => ({ ...move, causes: causesIn(cause) }));

/** By how many worked half-days the last day of each job moved since an instant. */
export const endMovesOf = ({ db }: FirmReading, since: string): { job: string; halves: number }[] =>
  queryAll<{ job: string; halves: number }>(
    db,
    `SELECT job, sum(halves) AS halves FROM plan_move WHERE task IS NULL AND made_at > @since GROUP BY job`,
    { since },
  );

/** What the newest plan moved of a job, and why. */
export const newestMoves = ofJob((job): KeptMove[] =>
  queryAll<Pick<Rows['plan_move'], 'task' | 'halves' | 'cause'>>(
    job.firm.db,
    'SELECT task, halves, cause FROM plan_move WHERE job = @job AND version = (SELECT max(version) FROM plan)',
    { job: job.id },
  ).map(({ cause, ...move }) => ({ ...move, causes: causesIn(cause) })),
);

import { jobFinish, type Plan } from '@/core/schedule/plan';
import type { Day } from '@/core/units/day';
import { lastDay } from '@/core/units/slot';
import { execute, insert, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { FirmReading } from '../reading/reading';
import { endDays } from '../reading/visits';

/** The last day of a job. */
export interface EndDay {
  job: string;
  day: Day;
}

/** The end of a job follows its plan until its client was told one. */
export function endsFollowing(firm: FirmReading, plan: Plan): EndDay[] {
  const known = endDays(firm);
  return firm.jobs.flatMap((job) => {
    const finish = jobFinish(plan, job);
    const row = known.get(job);
    if (finish === undefined || (row?.said_at ?? null) !== null) return [];
    const day = lastDay(plan.origin, finish);
    return row?.day === day ? [] : [{ job, day }];
  });
}

/** The last day that a job's client goes by from now on. */
export function standEnd(db: Connection, job: string, day: Day, saidAt: string | null): void {
  execute(db, 'DELETE FROM end_day WHERE job = @job', { job });
  insert(db, 'end_day', { job, day, said_at: saidAt });
}

/** What a client was sent says when their job ends by the plan of now: that is what they go by. */
export function clientGoesBy({ db, now }: { db: Connection; now: string }, job: string): void {
  const day = queryOne<{ finish_day: Day | null }>(
    db,
    'SELECT finish_day FROM plan_part WHERE job = @job AND version = (SELECT max(version) FROM plan)',
    { job },
  )?.finish_day;
  if (day) standEnd(db, job, day, now);
}

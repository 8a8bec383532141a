import type { Day } from '@/core/units/day';
import { execute, insert, queryOne } from '../database/query';
import type { Connection } from '../database/open';

/** A client was told the last day of their job, and goes by it from now on. */
export function clientTold(db: Connection, job: string, day: Day, now: string): void {
  execute(db, 'DELETE FROM end_day WHERE job = @job', { job });
  insert(db, 'end_day', { job, day, said_at: now });
}

/** What a client was sent says when their job ends by the plan of now: that is what they go by. */
export function clientGoesBy({ db, now }: { db: Connection; now: string }, job: string): void {
  const day = queryOne<{ finish_day: Day | null }>(
    db,
    'SELECT finish_day FROM plan_part WHERE job = @job AND version = (SELECT max(version) FROM plan)',
    { job },
  )?.finish_day;
  if (day) clientTold(db, job, day, now);
}

import type { FirstVisitView } from '@/contract/views/scope';
import type { JobReading } from '../reading/reading';
import { firstVisitsOf } from '../reading/walk';
import { whenSeen } from '../words';
import { jobHead } from './job-head';
import { scopeCounts } from './scope-parts';

/** First visits of a job: the one that is under way, and those that were made. */
export function firstVisitView(job: JobReading): FirstVisitView {
  const visits = firstVisitsOf(job.firm.db, job.id);
  return {
    job: jobHead(job),
    counts: scopeCounts(job),
    open: visits.find((visit) => visit.finished_at === null)?.id ?? null,
    made: visits.map(({ id, started_at }) => ({ id, when: whenSeen(started_at, job.firm) })),
  };
}

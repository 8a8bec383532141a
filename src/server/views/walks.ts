import type { PastPlace } from '@/contract/past';
import type { WalksView } from '@/contract/views/walk';
import { jobHead } from './job-head';
import type { JobReading } from '../reading/reading';
import { pastShown } from '../reading/past';
import { walksOf } from '../reading/walk';
import { whenSeen } from '../words';

/** How many walks are listed at once. */
const SHOWN = 20;

/** The walks of a job, the newest first. @param before a place in the past: walks before it */
export function walksView(job: JobReading, before?: PastPlace): WalksView {
  const rows = walksOf(job.firm.db, job.id, SHOWN + 1, before);
  const shown = rows.slice(0, SHOWN);
  const oldest = shown.at(-1);
  return {
    job: jobHead(job),
    walks: shown.map((row) => ({
      id: row.id,
      kind: row.kind,
      when: whenSeen(row.started_at, job.firm),
      by: row.name,
      finished: row.finished_at !== null,
      records: row.records,
      summary: `${row.records} records, ${row.pictures} pictures`,
    })),
    past: pastShown(before, oldest && rows.length > SHOWN ? { at: oldest.started_at, id: oldest.id } : null),
  };
}

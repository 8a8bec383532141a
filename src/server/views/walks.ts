import type { PastPlace } from '@/contract/past';
import type { WalksView } from '@/contract/views/walk';
import { daysBetween } from '@/core/units/day';
import { keptEffect } from '../plan/effect';
import { areaNames } from '../reading/job';
import { pastShown } from '../reading/past';
import type { JobReading } from '../reading/reading';
import { leftByWalks, walksOf } from '../reading/walk';
import { whenSeen } from '../words';
import { jobHead } from './job-head';
import { smallSection } from './today-houses';

/** How many walks are listed at once. */
const SHOWN = 20;

/** The walks of a job by what they touched, the newest first. @param before a place in the past: walks before it */
export function walksView(job: JobReading, before?: PastPlace): WalksView {
  const { db } = job.firm;
  const rows = walksOf(db, job.id, SHOWN + 1, before);
  const shown = rows.slice(0, SHOWN);
  const left = leftByWalks(
    db,
    shown.map(({ id }) => id),
  );
  const names = areaNames(job);
  const oldest = shown.at(-1);
  return {
    job: jobHead(job),
    walks: shown.map((row) => {
      const when = whenSeen(row.started_at, job.firm);
      const { areas = [], pictures = [], effect = null } = left.get(row.id) ?? {};
      return {
        id: row.id,
        kind: row.kind,
        when,
        by: row.name,
        finished: row.finished_at !== null,
        records: row.records,
        summary: `${row.records} records, ${row.pictures} pictures`,
        touched: areas,
        pictures: pictures.map(({ hash, area }) => ({ hash, alt: `${names.get(area) ?? ''}, ${when}` })),
        later: laterBy(effect),
      };
    }),
    section: smallSection(job, (id) => ({ id, share: null, held: null })),
    past: pastShown(before, oldest && rows.length > SHOWN ? { at: oldest.started_at, id: oldest.id } : null),
  };
}

function laterBy(effect: string | null): number | null {
  const { before, after } = effect === null ? {} : keptEffect(effect).finish;
  return before && after ? daysBetween(before, after) : null;
}

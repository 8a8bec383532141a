import { carriedIn, foldedFrom, progressIn, recordsIn, type Standing } from '@/core/walks/standing';
import { inOrderSeen, ofKind, type ObservationKind, type Of } from '@/core/walks/observation';
import { groupBy } from '@/core/group-by';
import type { PhaseProgress } from '@/core/walks/progress';
import type { OpenItem } from '@/core/walks/open-items';
import type { Rows } from '../database/rows';
import { OF_JOBS, ofJob, rowsOf, type JobReading } from './reading';
import { recordsOfMatters, recordsOfWalk, shaped, type RecordRow } from './records';

/** What stands of what walks recorded: the last word on every matter of a job, however long its past is. */

/** What stands of a matter, from the record it stands by and what is kept beside it. */
export const standingFrom = (record: RecordRow, { at, state }: Pick<Rows['standing'], 'at' | 'state'>): Standing => ({
  record: shaped(record),
  at,
  ...(JSON.parse(state) as Pick<Standing, 'readings' | 'since'>),
});

type StandingRow = RecordRow & { newest: string; state: string };

const standingRows = rowsOf<StandingRow>(
  `SELECT observation.*, standing.at AS newest, standing.state
    FROM standing
    JOIN observation ON observation.id = standing.observation
    WHERE standing.job ${OF_JOBS}
    ORDER BY observation.at, observation.id`,
);

/** What stands of a job's records, in the order seen. */
export const standingOf = ofJob((job): Standing[] =>
  standingRows(job).map(({ newest, state, ...row }) => standingFrom(row, { at: newest, state })),
);

/** How far every step is that was looked at, by task id. */
export const progressOf = ofJob((job): ReadonlyMap<string, PhaseProgress> => progressIn(standingOf(job)));

/** Remaining work and cautions that no walk found done, the oldest first. */
export const carriedOf = ofJob((job): readonly OpenItem[] => carriedIn(standingOf(job)));

/** How what came was found, by selection. */
export const foundOf = ofJob(
  (job) => new Map(recordsThat(job, 'selection-check').map((check) => [check.selection, check])),
);

/** The records of one kind that stand: the newest of each matter. */
export const recordsThat = <Kind extends ObservationKind>(job: JobReading, kind: Kind): Of<Kind>[] =>
  recordsIn(standingOf(job), kind);

/** What is recorded in the walls of a job's rooms, by area. */
export const inWallsOf = ofJob((job) => groupBy(recordsThat(job, 'in-wall'), (thing) => thing.area));

/** What was carried when a walk began, without what that walk said of it, the oldest first. */
export function carriedBefore(job: JobReading, walk: string): OpenItem[] {
  const { db } = job.firm;
  const touched = new Set(ofKind(recordsOfWalk(db, walk), 'recheck').map((check) => check.about));
  const others = carriedOf(job).filter(({ item }) => item.walk !== walk && !touched.has(item.id));
  const records = groupBy(
    recordsOfMatters(
      db,
      [...touched].map((id) => `item:${id}`),
    ).filter((record) => record.walk !== walk),
    (record) => (record.kind === 'recheck' ? record.about : record.id),
  );
  const again = [...records.values()].flatMap((list) => foldedFrom(list) ?? []);
  return [...others, ...carriedIn(again)].sort((a, b) => inOrderSeen(a.item, b.item));
}

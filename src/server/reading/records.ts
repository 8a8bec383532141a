import { carriedIn, foldedFrom, progressIn, recordsIn, type Standing } from '@/core/walks/standing';
import {
  inOrderSeen,
  notWithdrawn,
  ofKind,
  type Annotation,
  type Observation,
  type ObservationKind,
  type Of,
} from '@/core/walks/observation';
import { addDays } from '@/core/units/day';
import { groupBy } from '@/core/group-by';
import type { PhaseProgress } from '@/core/walks/progress';
import type { OpenItem } from '@/core/walks/open-items';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { OF_JOBS, ofFirm, ofJob, rowsOf, type JobReading } from './reading';

/** What walks recorded. Pages and plans read what stands of it; what was seen long ago is read only by whom it is asked. */

export type RecordRow = Rows['observation'] & { matter: string | null };

/**
 * Columns that a kind has not are NULL; leaving them out, with the facts that have no column, gives the core's shape.
 */
export function shaped(row: Rows['observation']): Observation {
  const { facts, matter: _, ...columns } = row as RecordRow;
  const given: Record<string, unknown> = facts === '{}' ? {} : (JSON.parse(facts) as Record<string, unknown>);
  for (const [column, value] of Object.entries(columns)) if (value !== null) given[column] ??= value;
  return given as unknown as Observation;
}

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
  standingRows(job).map(({ newest, state, ...row }) => ({
    record: shaped(row),
    at: newest,
    ...(JSON.parse(state) as Pick<Standing, 'readings' | 'since'>),
  })),
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

/** Every record of a walk that was not withdrawn, in the order seen. */
export const recordsOfWalk = (db: Connection, walk: string): Observation[] =>
  notWithdrawn(queryAll<RecordRow>(db, 'SELECT * FROM observation WHERE walk = @walk', { walk }).map(shaped));

/** All that was said of some matters, of any walk, none withdrawn, in the order seen. */
export const recordsOfMatters = (db: Connection, matters: readonly string[]): Observation[] =>
  queryAll<RecordRow>(
    db,
    `SELECT *
      FROM standing_observation
      WHERE matter IN (SELECT value FROM json_each(@matters))
      ORDER BY at, id`,
    { matters: JSON.stringify(matters) },
  ).map(shaped);

/**
 * What a walk recorded, and of what it spoke of what was known before and is known since: of a step the last word before
 * the walk, of an item all words. What a walk changed is seen from these alone.
 */
export const recordsAround = (db: Connection, walk: string): Observation[] =>
  queryAll<RecordRow>(
    db,
    `WITH mine AS (SELECT id, kind, matter, at FROM standing_observation WHERE walk = @walk)
      SELECT *
      FROM standing_observation
      WHERE id IN (
        SELECT id FROM mine
        UNION
        SELECT other.id
          FROM mine
          JOIN observation AS other ON other.matter = mine.matter
          WHERE mine.kind IN ('remaining', 'caution', 'recheck')
        UNION
        SELECT (SELECT id
            FROM standing_observation AS before
            WHERE before.matter = mine.matter AND before.walk <> @walk AND before.at < (SELECT min(at) FROM mine)
            ORDER BY before.at DESC, before.id DESC
            LIMIT 1)
          FROM mine
          WHERE mine.kind = 'progress')
      ORDER BY at, id`,
    { walk },
  ).map(shaped);

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

/** Items that were found done after an instant, by whatever walk. */
export const closedSince = (job: JobReading, since: string): Observation[] =>
  queryAll<RecordRow>(
    job.firm.db,
    `SELECT item.*
      FROM standing_observation AS done
      JOIN standing_observation AS item ON item.id = done.about
      WHERE done.job = @job AND done.at > @since AND done.kind = 'recheck' AND done.verdict = 'done'
      ORDER BY item.at, item.id`,
    { job: job.id, since },
  ).map(shaped);

/**
 * The newest records of a room of each of some kinds, seen before an instant where one is given, the newest first.
 * @param most how many of each kind
 */
export const newestIn = (
  db: Connection,
  area: string,
  kinds: readonly ObservationKind[],
  most: number,
  before = '9',
): Observation[] =>
  queryAll<RecordRow>(
    db,
    `SELECT seen.*
      FROM json_each(@kinds) AS asked
      JOIN observation AS seen ON seen.id IN (
        SELECT id
        FROM standing_observation AS newest
        WHERE newest.area = @area AND newest.kind = asked.value AND newest.at < @before
        ORDER BY newest.at DESC, newest.id DESC
        LIMIT @most)
      ORDER BY seen.at DESC, seen.id DESC`,
    { kinds: JSON.stringify(kinds), area, most, before },
  ).map(shaped);

/** The newest pictures from each of some spots and the first one, the oldest first. */
export const picturesFrom = (db: Connection, spots: readonly string[], most: number): Of<'picture'>[] =>
  ofKind(
    queryAll<RecordRow>(
      db,
      `SELECT seen.*
        FROM json_each(@matters) AS spot
        JOIN observation AS seen ON seen.id IN (
          SELECT id FROM (SELECT id FROM standing_observation WHERE matter = spot.value ORDER BY at DESC LIMIT @most)
          UNION
          SELECT id FROM (SELECT id FROM standing_observation WHERE matter = spot.value ORDER BY at LIMIT 1))
        ORDER BY seen.at, seen.id`,
      { matters: JSON.stringify(spots.map((spot) => `spot:${spot}`)), most },
    ).map(shaped),
    'picture',
  );

/** What was drawn on some pictures, by the record of the picture: the newest drawing of each. */
export const marksOn = (db: Connection, pictures: readonly string[]): ReadonlyMap<string, Annotation[]> =>
  new Map(
    ofKind(
      queryAll<RecordRow>(
        db,
        `SELECT *
          FROM standing_observation
          WHERE about IN (SELECT value FROM json_each(@pictures)) AND kind = 'marks'
          ORDER BY at, id`,
        { pictures: JSON.stringify(pictures) },
      ).map(shaped),
      'marks',
    ).map((entry) => [entry.about, entry.marks]),
  );

/** When pictures were taken as their own files say, by hash. */
export const takenAtOf = (db: Connection, hashes: readonly string[]): ReadonlyMap<string, string> =>
  new Map(
    queryAll<{ hash: string; taken_at: string }>(
      db,
      'SELECT hash, taken_at FROM picture WHERE taken_at IS NOT NULL AND hash IN (SELECT value FROM json_each(@hashes))',
      { hashes: JSON.stringify(hashes) },
    ).map((row) => [row.hash, row.taken_at]),
  );

/** What ran out and was bought since some days ago, with when. */
const DAYS_OF_PURCHASES = 3;

const purchases = ofFirm((firm) =>
  queryAll<RecordRow & { bought_at: string }>(
    firm.db,
    `SELECT seen.*, purchased.at AS bought_at
      FROM purchased
      JOIN standing_observation AS seen ON seen.id = purchased.observation
      WHERE purchased.at >= @since
      ORDER BY seen.at, seen.id`,
    { since: addDays(firm.today, -DAYS_OF_PURCHASES) },
  ),
);

export const purchasedLately = (job: JobReading): { seen: Of<'short'>; at: string }[] =>
  purchases(job.firm).flatMap(({ bought_at, ...row }) => {
    const seen = shaped(row);
    return seen.job === job.id && seen.kind === 'short' ? [{ seen, at: bought_at }] : [];
  });

/** The newest pictures of a job, the newest first. */
export const newestPictures = (job: JobReading, most: number): Of<'picture'>[] =>
  ofKind(
    queryAll<RecordRow>(
      job.firm.db,
      `SELECT * FROM standing_observation WHERE job = @job AND kind = 'picture' ORDER BY at DESC, id DESC LIMIT @most`,
      { job: job.id, most },
    ).map(shaped),
    'picture',
  );

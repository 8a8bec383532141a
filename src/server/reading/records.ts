import type { PastPlace } from '@/contract/past';
import { inOrderSeen, notWithdrawn, type Observation, type ObservationKind, type Of } from '@/core/walks/observation';
import { addDays } from '@/core/units/day';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { ofFirm, type JobReading } from './reading';
import { NEWEST } from './past';

/** What walks recorded, read only by whom it is asked: pages and plans read what stands of it. */

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

/**
 * What was kept of a job after one of its records, however long ago it was seen, with all that was ever said of the items
 * it speaks of. A phone without a signal hands over what it saw long after others did.
 * @param last the newest record that was known then; undefined for what was seen of late
 * @param days how far back that is
 */
export function recordsKeptAfter(
  { id: job, firm: { db, today } }: JobReading,
  last: string | null | undefined,
  days = LATELY_DAYS,
): { all: Observation[]; fresh: ReadonlySet<string> } {
  const kept = queryAll<RecordRow>(
    db,
    last === undefined
      ? 'SELECT * FROM standing_observation WHERE job = @job AND at >= @since ORDER BY at, id'
      : // Found by the order of keeping.
        `SELECT *
          FROM standing_observation
          WHERE id IN (SELECT id
            FROM observation
            WHERE rowid > coalesce((SELECT rowid FROM observation WHERE id = @last), 0) AND job = @job)
          ORDER BY at, id`,
    last === undefined ? { job, since: addDays(today, -days) } : { job, last },
  );
  const items = new Set(
    kept.flatMap(({ matter, kind }) =>
      matter !== null && ['remaining', 'caution', 'recheck'].includes(kind) ? [matter] : [],
    ),
  );
  const fresh = new Set(kept.map(({ id }) => id));
  const before = recordsOfMatters(db, [...items]).filter(({ id }) => !fresh.has(id));
  return { all: [...before, ...kept.map(shaped)].sort(inOrderSeen), fresh };
}

/** How far back what was seen is told to whoever is told for the first time. */
export const LATELY_DAYS = 60;

/** Ids of records, withdrawn ones too, in the order in which they were kept: an archive carries them so. */
export const idsInOrderKept = (db: Connection, ids: readonly unknown[]): string[] =>
  queryAll<{ id: string }>(
    db,
    'SELECT id FROM observation WHERE id IN (SELECT value FROM json_each(@ids)) ORDER BY rowid',
    { ids: JSON.stringify(ids) },
  ).map(({ id }) => id);

/** The newest record that was kept, of whatever job; null where there is none. */
export const newestRecord = (db: Connection): string | null =>
  queryAll<{ id: string }>(db, 'SELECT id FROM observation ORDER BY rowid DESC LIMIT 1')[0]?.id ?? null;

/** What was noted of the household of a job since an instant. */
export const householdSince = (job: JobReading, since: string): Of<'household'>[] =>
  queryAll<RecordRow>(
    job.firm.db,
    `SELECT * FROM standing_observation WHERE job = @job AND kind = 'household' AND at >= @since ORDER BY at, id`,
    { job: job.id, since },
  ).map((row) => shaped(row) as Of<'household'>);

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
 * The newest records of a room of each of some kinds, before a place in the past where one is given, the newest first.
 * @param most how many of each kind
 */
export const newestIn = (
  db: Connection,
  area: string,
  kinds: readonly ObservationKind[],
  most: number,
  before: PastPlace = NEWEST,
): Observation[] =>
  queryAll<RecordRow>(
    db,
    `SELECT seen.*
      FROM json_each(@kinds) AS asked
      JOIN observation AS seen ON seen.id IN (
        SELECT id
        FROM standing_observation AS newest
        WHERE newest.area = @area AND newest.kind = asked.value AND (newest.at, newest.id) < (@at, @id)
        ORDER BY newest.at DESC, newest.id DESC
        LIMIT @most)
      ORDER BY seen.at DESC, seen.id DESC`,
    { kinds: JSON.stringify(kinds), area, most, ...before },
  ).map(shaped);

/** How long what was bought still stands on the list, as bought. */
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

/** What ran out of a job and was bought of late, with when. */
export const purchasedLately = (job: JobReading): { seen: Of<'short'>; at: string }[] =>
  purchases(job.firm).flatMap(({ bought_at, ...row }) => {
    const seen = shaped(row);
    return seen.job === job.id && seen.kind === 'short' ? [{ seen, at: bought_at }] : [];
  });

import { ofKind, type Annotation, type Of } from '@/core/walks/observation';
import type { PastPlace } from '@/contract/past';
import { NEWEST } from './past';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { JobReading } from './reading';
import { shaped, type RecordRow } from './records';

/** The newest pictures of a job, before a place in the past where one is given; the newest first. */
export const newestPictures = (job: JobReading, most: number, before: PastPlace = NEWEST): Of<'picture'>[] =>
  ofKind(
    queryAll<RecordRow>(
      job.firm.db,
      `SELECT *
        FROM standing_observation
        WHERE job = @job AND kind = 'picture' AND (at, id) < (@at, @id)
        ORDER BY at DESC, id DESC
        LIMIT @most`,
      { job: job.id, most, ...before },
    ).map(shaped),
    'picture',
  );

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

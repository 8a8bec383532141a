import type { PastPlace } from '@/contract/past';
import type { FiledAs } from '@/contract/commands/walks';
import type { NarrationView } from '@/contract/views/walk';
import { groupBy } from '@/core/group-by';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { notFound } from '../refusal';
import { NEWEST } from './past';

/** One walk and what belongs to it. */

export type WalkRow = Rows['walk'];

/** The walk of that id, or a refusal. */
export function walkRow(db: Connection, id: string): WalkRow {
  const row = queryOne<WalkRow>(db, 'SELECT * FROM walk WHERE id = @id', { id });
  if (!row) throw notFound('walk');
  return row;
}

/** The plans before and after a walk; undefined while it is not planned. */
export const planOfWalk = (db: Connection, walk: string): Rows['walk_plan'] | undefined =>
  queryOne<Rows['walk_plan']>(db, 'SELECT * FROM walk_plan WHERE walk = @walk', { walk });

/** Where the records of a walk were put, by record. */
export const filingsOfWalk = (
  db: Connection,
  walk: string,
): ReadonlyMap<string, { filedAs: FiledAs; target: string | null }> =>
  new Map(
    queryAll<{ observation: string; filedAs: FiledAs; target: string | null }>(
      db,
      `SELECT filing.observation, filing.filed_as AS filedAs, filing.target
        FROM standing_observation AS seen
        JOIN filing ON filing.observation = seen.id
        WHERE seen.walk = @walk`,
      { walk },
    ).map((row) => [row.observation, row]),
  );

/** What was dictated on a walk, with the drafts that somebody dropped or accepted. */
export function narrationsOf(db: Connection, walk: string): NarrationView[] {
  const dropped = groupBy(
    queryAll<{ narration: string; draft: string }>(
      db,
      `SELECT dropped_draft.*
        FROM dropped_draft
        JOIN narration ON narration.id = narration
        WHERE walk = @walk`,
      { walk },
    ),
    (row) => row.narration,
  );
  const accepted = groupBy(
    queryAll<{ narration: string; draft: string }>(
      db,
      `SELECT json_extract(facts, '$.said.narration') AS narration, json_extract(facts, '$.said.draft') AS draft
        FROM standing_observation
        WHERE walk = @walk AND json_extract(facts, '$.said.narration') IS NOT NULL`,
      { walk },
    ),
    (row) => row.narration,
  );
  return queryAll<{ id: string; name: string; text: string; recording: string | null }>(
    db,
    'SELECT id, name, text, recording FROM narration WHERE walk = @walk ORDER BY kept_at, id',
    { walk },
  ).map((row) => ({
    ...row,
    dropped: (dropped.get(row.id) ?? []).map((entry) => entry.draft),
    accepted: (accepted.get(row.id) ?? []).map((entry) => entry.draft),
  }));
}

/** The newest walks of a job, before a place in the past where one is given, each with how much it recorded. */
export const walksOf = (
  db: Connection,
  job: string,
  most: number,
  before: PastPlace = NEWEST,
): (WalkRow & { name: string; records: number; pictures: number })[] =>
  queryAll(
    db,
    `SELECT walk.*, person.name, (SELECT count(*) FROM standing_observation WHERE walk = walk.id) AS records,
        (SELECT count(*) FROM standing_observation WHERE walk = walk.id AND kind = 'picture') AS pictures
      FROM walk
      JOIN person ON person.id = walk.person
      WHERE walk.job = @job AND dropped = 0 AND (started_at, walk.id) < (@at, @id)
      ORDER BY started_at DESC, walk.id DESC
      LIMIT @most`,
    { job, ...before, most },
  );

/** Where each of some walks recorded something, with its newest pictures and what it did to the plan. */
export const leftByWalks = (
  db: Connection,
  walks: readonly string[],
): ReadonlyMap<string, { areas: string[]; pictures: { hash: string; area: string }[]; effect: string | null }> =>
  new Map(
    queryAll<{ walk: string; areas: string; pictures: string; effect: string | null }>(
      db,
      `SELECT cast(asked.value AS TEXT) AS walk, effect,
          (SELECT json_group_array(DISTINCT area) FROM standing_observation AS seen WHERE seen.walk = asked.value) AS areas,
          (SELECT json_group_array(json_object('hash', picture, 'area', area))
            FROM (SELECT picture, area
              FROM standing_observation AS seen
              WHERE seen.walk = asked.value AND kind = 'picture'
              ORDER BY at DESC
              LIMIT @most)) AS pictures
        FROM json_each(@walks) AS asked
        LEFT JOIN walk_plan ON walk_plan.walk = asked.value`,
      { walks: JSON.stringify(walks), most: PICTURES_OF_A_WALK },
    ).map((row) => [
      row.walk,
      {
        areas: JSON.parse(row.areas) as string[],
        pictures: JSON.parse(row.pictures) as { hash: string; area: string }[],
        effect: row.effect,
      },
    ]),
  );

/** Pictures by which a walk is known in a list. */
const PICTURES_OF_A_WALK = 3;

/** First visits of a job, the newest first: few, however long the job. */
export const firstVisitsOf = (db: Connection, job: string): Pick<Rows['walk'], 'id' | 'started_at' | 'finished_at'>[] =>
  queryAll(
    db,
    `SELECT id, started_at, finished_at FROM walk WHERE job = @job AND kind = 'scope' AND dropped = 0 ORDER BY started_at DESC LIMIT 20`,
    { job },
  );

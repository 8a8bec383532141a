import { folded, foldedFrom, type Standing } from '@/core/walks/standing';
import { execute, insert, queryAll, queryOne, type NewRow } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { shaped, type RecordRow } from '../reading/records';
import { standingFrom } from '../reading/standing';

/**
 * Records are written here and nowhere else: each with what stands after it, in the transaction of the command it came
 * with.
 */
export function writeRecord(db: Connection, row: NewRow<'observation'>): void {
  insert(db, 'observation', row);
  execute(db, `UPDATE projection SET records = records + 1 WHERE name = 'standing'`);
  const kept = requireRecord(db, row.id);
  if (kept.kind === 'withdrawal' && kept.about) foldAnew(db, requireRecord(db, kept.about).matter);
  else foldOn(db, kept);
}

/**
 * Records of one area are of another from now on: what was seen stays as it was seen, only the room has another name
 * and id. What stands of them is made anew.
 * @param only these records; all of the area where it is left out
 * @returns the ids of those that were moved
 */
export function moveRecords(db: Connection, from: string, into: string, only?: readonly string[]): string[] {
  const moved = queryAll<{ id: string; matter: string | null }>(
    db,
    `SELECT id, matter
      FROM observation
      WHERE area = @from AND (@only IS NULL OR id IN (SELECT value FROM json_each(@only)))`,
    { from, only: only ? JSON.stringify(only) : null },
  );
  const ids = JSON.stringify(moved.map(({ id }) => id));
  execute(db, 'UPDATE observation SET area = @into WHERE id IN (SELECT value FROM json_each(@ids))', { ids, into });
  const now = queryAll<{ matter: string | null }>(
    db,
    'SELECT matter FROM observation WHERE id IN (SELECT value FROM json_each(@ids))',
    { ids },
  );
  for (const matter of new Set([...moved, ...now].map((record) => record.matter))) foldAnew(db, matter);
  return moved.map(({ id }) => id);
}

/** A walk is thrown away or brought back: what was recorded on it counts no longer, or again. */
export function setWalkDropped(db: Connection, walk: string, dropped: boolean): void {
  execute(db, 'UPDATE walk SET dropped = @dropped WHERE id = @walk', { walk, dropped: dropped ? 1 : 0 });
  foldWalkAnew(db, walk);
}

/** What stands of everything that was said on a walk, anew. */
export function foldWalkAnew(db: Connection, walk: string): void {
  const said = queryAll<{ matter: string }>(
    db,
    'SELECT DISTINCT matter FROM observation WHERE walk = @walk AND matter IS NOT NULL',
    { walk },
  );
  for (const { matter } of said) foldAnew(db, matter);
}

/** What ran out was bought, or was not after all: it stands on the list only while it is missing. */
export function writePurchase(
  db: Connection,
  about: string,
  bought: { at: string; person: string | null } | null,
): void {
  if (bought)
    execute(db, 'INSERT OR IGNORE INTO purchased (observation, at, person) VALUES (@about, @at, @person)', {
      about,
      ...bought,
    });
  else execute(db, 'DELETE FROM purchased WHERE observation = @about', { about });
  foldAnew(db, requireRecord(db, about).matter);
}

function requireRecord(db: Connection, id: string): RecordRow {
  const row = queryOne<RecordRow>(db, 'SELECT * FROM observation WHERE id = @id', { id });
  if (!row) throw new Error(`There is no record ${id}.`);
  return row;
}

/** One word more on a matter: added to what stood, or, where it comes late, everything said of the matter anew. */
function foldOn(db: Connection, row: RecordRow): void {
  if (row.matter === null) return;
  const former = queryOne<Rows['standing']>(db, 'SELECT * FROM standing WHERE matter = @matter', {
    matter: row.matter,
  });
  if (!former || former.at >= row.at) return foldAnew(db, row.matter);
  const stood = standingFrom(requireRecord(db, former.observation), former);
  keep(db, row.matter, folded(stood, shaped(row)));
}

/** Everything that counts of a matter, anew. */
function foldAnew(db: Connection, matter: string | null): void {
  if (matter === null) return;
  const said = queryAll<RecordRow>(db, `${COUNTING} AND matter = @matter ORDER BY at, id`, { matter });
  keep(db, matter, foldedFrom(said.map(shaped)));
}

/** The records that count for what stands: not withdrawn, and not bought since. */
export const COUNTING = `SELECT *
  FROM standing_observation AS seen
  WHERE NOT (kind = 'short' AND EXISTS (SELECT 1 FROM purchased WHERE purchased.observation = seen.id))`;

/** What stands of a matter as it is kept. */
export const standingRow = (matter: string, { record, at, readings, since }: Standing): Rows['standing'] => ({
  matter,
  job: record.job,
  observation: record.id,
  at,
  state: JSON.stringify({ ...(readings ? { readings } : {}), ...(since ? { since } : {}) }),
});

function keep(db: Connection, matter: string, standing: Standing | undefined): void {
  const gone = execute(db, 'DELETE FROM standing WHERE matter = @matter', { matter });
  if (standing) insert(db, 'standing', standingRow(matter, standing));
  const more = (standing ? 1 : 0) - gone;
  if (more !== 0) execute(db, `UPDATE projection SET kept = kept + @more WHERE name = 'standing'`, { more });
}

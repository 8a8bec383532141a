import { folded, foldedFrom, type Standing } from '@/core/walks/standing';
import { execute, insert, queryAll, queryOne, type NewRow } from '../database/query';
import type { Connection } from '../database/open';
import { shaped, type RecordRow } from '../reading/records';

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
  const former = queryOne<{ observation: string; at: string; state: string }>(
    db,
    'SELECT observation, at, state FROM standing WHERE matter = @matter',
    { matter: row.matter },
  );
  if (!former || former.at >= row.at) return foldAnew(db, row.matter);
  const stood: Standing = {
    record: shaped(requireRecord(db, former.observation)),
    at: former.at,
    ...(JSON.parse(former.state) as Pick<Standing, 'readings' | 'since'>),
  };
  keep(db, row.matter, folded(stood, shaped(row)));
}

/** Everything said of a matter, none of it withdrawn, bought or unknown, anew. */
function foldAnew(db: Connection, matter: string | null): void {
  if (matter !== null) keep(db, matter, whatStands(db, matter));
}

/** What stands of a matter by its records alone. */
const whatStands = (db: Connection, matter: string): Standing | undefined =>
  foldedFrom(
    queryAll<RecordRow>(
      db,
      `SELECT *
        FROM standing_observation AS seen
        WHERE matter = @matter
          AND NOT (kind = 'short' AND EXISTS (SELECT 1 FROM purchased WHERE purchased.observation = seen.id))
        ORDER BY at, id`,
      { matter },
    ).map(shaped),
  );

/** What a row of what stands keeps besides the record itself. */
export const stateOf = ({ readings, since }: Standing): string =>
  JSON.stringify({ ...(readings ? { readings } : {}), ...(since ? { since } : {}) });

function keep(db: Connection, matter: string, standing: Standing | undefined): void {
  const gone = execute(db, 'DELETE FROM standing WHERE matter = @matter', { matter });
  if (standing)
    insert(db, 'standing', {
      matter,
      job: standing.record.job,
      observation: standing.record.id,
      at: standing.at,
      state: stateOf(standing),
    });
  const more = (standing ? 1 : 0) - gone;
  if (more !== 0) execute(db, `UPDATE projection SET kept = kept + @more WHERE name = 'standing'`, { more });
}

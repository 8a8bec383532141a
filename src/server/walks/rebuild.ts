import { foldedFrom, type Standing } from '@/core/walks/standing';
import { execute, insert, queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { shaped, type RecordRow } from '../reading/records';
import { stateOf } from './write';

/** Counted up whenever what stands is folded otherwise: kept rows of an older form are made anew. */
const FORM = 1;

interface Kept {
  matter: string;
  job: string;
  observation: string;
  at: string;
  state: string;
}

/** Rows of what stands that are not as the records say. */
interface Unlike {
  matter: string;
  kept: Kept | undefined;
  computed: Kept | undefined;
}

/**
 * Whether what stands can have been made from the records that are there, by counts alone: quick enough for every start.
 * @returns in words why not; undefined where it can
 */
export function staleStanding(db: Connection): string | undefined {
  const made = queryOne<{ form: number; records: number; kept: number }>(
    db,
    `SELECT form, records, kept FROM projection WHERE name = 'standing'`,
  );
  if (!made) return 'it was never computed';
  if (made.form !== FORM) return 'it was kept by an older version';
  const count = (table: string): number =>
    queryOne<{ count: number }>(db, `SELECT count(*) AS count FROM ${table}`)?.count ?? 0;
  const [records, kept] = [count('observation'), count('standing')];
  if (records !== made.records) return `it was made from ${made.records} records and there are ${records}`;
  return kept === made.kept ? undefined : `it had ${made.kept} lines and has ${kept}`;
}

/** What stands by the records alone, job by job. */
function computed(db: Connection, job: string): Map<string, Kept> {
  const records = new Map<string, ReturnType<typeof shaped>[]>();
  for (const row of queryAll<RecordRow>(
    db,
    `SELECT *
      FROM standing_observation AS seen
      WHERE job = @job AND matter IS NOT NULL
        AND NOT (kind = 'short' AND EXISTS (SELECT 1 FROM purchased WHERE purchased.observation = seen.id))
      ORDER BY at, id`,
    { job },
  )) {
    const matter = row.matter ?? '';
    const list = records.get(matter) ?? [];
    list.push(shaped(row));
    records.set(matter, list);
  }
  return new Map(
    [...records].flatMap(([matter, list]) => {
      const standing: Standing | undefined = foldedFrom(list);
      return standing
        ? [[matter, { matter, job, observation: standing.record.id, at: standing.at, state: stateOf(standing) }]]
        : [];
    }),
  );
}

const jobsOf = (db: Connection): string[] => queryAll<{ id: string }>(db, 'SELECT id FROM job').map(({ id }) => id);

/** Every row of what stands that is not as its records say. */
export function unlikeRecords(db: Connection): Unlike[] {
  return jobsOf(db).flatMap((job) => {
    const right = computed(db, job);
    const rows = new Map(
      queryAll<Kept>(db, 'SELECT * FROM standing WHERE job = @job', { job }).map((row) => [row.matter, row]),
    );
    return [...new Set([...right.keys(), ...rows.keys()])].flatMap((matter): Unlike[] => {
      const [kept, should] = [rows.get(matter), right.get(matter)];
      const alike =
        kept?.observation === should?.observation && kept?.at === should?.at && kept?.state === should?.state;
      return alike ? [] : [{ matter, kept, computed: should }];
    });
  });
}

/** Makes what stands anew from the records alone. @returns how many lines stand */
export function rebuildStanding(db: Connection): number {
  return db
    .transaction((): number => {
      execute(db, 'DELETE FROM standing');
      let kept = 0;
      for (const job of jobsOf(db)) {
        for (const row of computed(db, job).values()) {
          insert(db, 'standing', row);
          kept++;
        }
      }
      const records = queryOne<{ count: number }>(db, 'SELECT count(*) AS count FROM observation')?.count ?? 0;
      execute(
        db,
        `INSERT INTO projection (name, form, records, kept) VALUES ('standing', @form, @records, @kept)
          ON CONFLICT (name) DO UPDATE SET form = @form, records = @records, kept = @kept`,
        { form: FORM, records, kept },
      );
      return kept;
    })
    .immediate();
}

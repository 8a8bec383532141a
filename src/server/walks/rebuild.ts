import { groupBy } from '@/core/group-by';
import { foldedFrom } from '@/core/walks/standing';
import { execute, insert, queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { shaped, type RecordRow } from '../reading/records';
import { COUNTING, standingRow } from './write';

/** Counted up whenever what stands is folded otherwise: kept rows of an older form are made anew. */
const FORM = 1;

/** Rows of what stands that are not as the records say. */
interface Unlike {
  matter: string;
  kept: Rows['standing'] | undefined;
  computed: Rows['standing'] | undefined;
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

/** What stands of a job by its records alone. */
function computed(db: Connection, job: string): Map<string, Rows['standing']> {
  const said = groupBy(
    queryAll<RecordRow>(db, `${COUNTING} AND job = @job AND matter IS NOT NULL ORDER BY at, id`, { job }),
    ({ matter }) => matter ?? '',
  );
  return new Map(
    [...said].flatMap(([matter, records]) => {
      const standing = foldedFrom(records.map(shaped));
      return standing ? [[matter, standingRow(matter, standing)]] : [];
    }),
  );
}

const jobsOf = (db: Connection): string[] => queryAll<{ id: string }>(db, 'SELECT id FROM job').map(({ id }) => id);

/** Every row of what stands that is not as its records say. */
export function unlikeRecords(db: Connection): Unlike[] {
  return jobsOf(db).flatMap((job) => {
    const right = computed(db, job);
    const rows = new Map(
      queryAll<Rows['standing']>(db, 'SELECT * FROM standing WHERE job = @job', { job }).map((row) => [
        row.matter,
        row,
      ]),
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

import { queryAll, queryOne } from '../database/query';
import { columnsOf, jobTables, OF_FIRM, referencesOf } from '../database/job-tables';
import type { Connection } from '../database/open';
import { idsInOrderKept } from '../reading/records';

/**
 * What belongs to a job, found by the file’s own shape: rows that name the job, or name what belongs to it. What such rows
 * need of the firm goes with them; what is computed, or is of the house alone, stays where it is.
 */

/** A row as the file has it. */
export type Row = Record<string, string | number | null>;
export type TableRows = Map<string, Row[]>;

/** What never leaves the house: how somebody comes in. */
const SECRETS: Readonly<Record<string, readonly string[]>> = { person: ['password_hash', 'own_link'] };

/** The number of the newest migration that the file has seen. */
export const newestMigration = (db: Connection): number =>
  queryOne<{ number: number }>(db, 'SELECT max(number) AS number FROM migration')?.number ?? 0;

/** What the file works out by itself is not written again. */
const columnList = (db: Connection, table: string): string =>
  columnsOf(db, table)
    .map((name) => `"${name}"`)
    .join(', ');

const rowsWhere = (db: Connection, table: string, column: string, ids: readonly unknown[]): Row[] =>
  queryAll<Row>(
    db,
    `SELECT ${columnList(db, table)}
      FROM "${table}"
      WHERE "${column}" IN (SELECT value FROM json_each(@ids))`,
    { ids: JSON.stringify(ids) },
  );

/** All rows of a table, without what is secret. */
export const allRows = (db: Connection, table: string): Row[] =>
  queryAll<Row>(
    db,
    `SELECT ${columnList(db, table)}
      FROM "${table}"`,
  ).map((row) => without(row, SECRETS[table] ?? []));

const keyOf = (row: Row): string => JSON.stringify(row);

/** Everything of a job, table by table, in the order in which it was kept. */
export function rowsOfJob(db: Connection, job: string): TableRows {
  const tables = jobTables(db);
  const found: TableRows = new Map([['job', rowsWhere(db, 'job', 'id', [job])]]);
  // Twice over: a table may name one that comes after it.
  for (let round = 0; round < 2; round += 1)
    for (const table of tables) {
      if (table === 'job') continue;
      const rows = new Map((found.get(table) ?? []).map((row) => [keyOf(row), row]));
      for (const { from, table: named, to } of referencesOf(db, table)) {
        const parents = found.get(named);
        if (!parents || (named === table && rows.size === 0)) continue;
        for (const row of rowsWhere(db, table, from, [...new Set(parents.map((parent) => parent[to]))]))
          rows.set(keyOf(row), row);
      }
      found.set(table, [...rows.values()]);
    }
  return inOrderKept(db, found);
}

/** Rows are numbered as they were kept; what is read by that order is put back in it. */
function inOrderKept(db: Connection, found: TableRows): TableRows {
  const byId = new Map((found.get('observation') ?? []).map((row) => [row.id, row]));
  found.set(
    'observation',
    idsInOrderKept(db, [...byId.keys()]).flatMap((id): Row[] => {
      const row = byId.get(id);
      return row ? [row] : [];
    }),
  );
  return found;
}

/** What the rows of a job need of the firm, without what is secret. */
export function rowsOfFirm(db: Connection, rows: TableRows): TableRows {
  const wanted = new Map<string, Set<unknown>>();
  const want = (table: string, value: unknown): void => {
    if (value === null || value === undefined) return;
    wanted.set(table, (wanted.get(table) ?? new Set()).add(value));
  };
  for (const [table, list] of rows)
    for (const { from, table: named } of referencesOf(db, table))
      if (OF_FIRM.includes(named)) for (const row of list) want(named, row[from]);
  // Whoever comes is named by a word of its own: a sub, or people of the firm.
  for (const { crew } of rows.get('visit_day') ?? []) want('sub', crew);
  for (const text of [...(rows.get('selection') ?? []), ...(rows.get('finding') ?? [])])
    for (const hash of JSON.stringify(text).match(/[0-9a-f]{64}/g) ?? []) want('picture', hash);
  const of = (table: string, column: string): Row[] => rowsWhere(db, table, column, [...(wanted.get(table) ?? [])]);
  const subs = of('sub', 'id');
  return new Map([
    ['person', of('person', 'id').map((row) => without(row, SECRETS.person ?? []))],
    ['sub', subs],
    [
      'sub_trade',
      rowsWhere(
        db,
        'sub_trade',
        'sub',
        subs.map(({ id }) => id),
      ),
    ],
    ['supplier', of('supplier', 'id')],
    ['office', of('office', 'id')],
    ['picture', of('picture', 'hash')],
    ['recording', of('recording', 'hash')],
    ['pdf', of('pdf', 'hash')],
    ['own_assembly', queryAll<Row>(db, 'SELECT * FROM own_assembly')],
  ]);
}

const without = (row: Row, secret: readonly string[]): Row =>
  Object.fromEntries(Object.entries(row).map(([column, value]) => [column, secret.includes(column) ? null : value]));

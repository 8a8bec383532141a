import { groupBy } from '@/core/group-by';
import { queryAll, execute, queryOne } from './query';
import type { Connection } from './open';

/** A value of a column as it is written down; real numbers are text with all their digits. */
type Kept = string | number | null;
export type Columns = Record<string, Kept>;

/** What became of one row: of a new one there is no before, of one that is gone no after. */
export interface RowChange {
  table: string;
  key: Columns;
  before: Columns | null;
  after: Columns | null;
}

/** Of these it is only noted that a row was added: what was told, or recorded on a walk, is not put back like a row. */
export const LASTING_TABLES: ReadonlySet<string> = new Set(['message', 'observation', 'purchased']);

/** Tables that are not watched. */
const UNWATCHED = new Set([
  // What stands of the records, and what narrations are read as, follows from them.
  'standing',
  'projection',
  'narration_reading',
  // Who is signed in where is nothing of the house's.
  'session',
  'invitation',
  'sign_in',
  'second_factor',
  'house_secret',
  // What time it is, is nothing of the house's either.
  'trusted_clock',
  // From where an answer came is noted with it, and who was shown a link.
  'link_answer',
  'share_showing',
  // What was taken out is not brought back.
  'erasure',
  // Files lie beside the database.
  'picture',
  'recording',
  'pdf',
  // The log, and what the planner makes of everything else.
  'command_log',
  'command_inverse',
  'calendar_event',
  'plan',
  'plan_part',
  'plan_mark',
  'plan_move',
  'plan_problem',
  'plan_search',
  'walk_plan',
]);

interface Column {
  name: string;
  type: string;
  pk: number;
  hidden: number;
}

/** Nobody's password is written down a second time, not even its hash: it is not put back either. */
const SECRET = 'password_hash';

const columnsOf = (db: Connection, table: string): Column[] =>
  (db.pragma(`table_xinfo(${table})`) as Column[]).filter(({ hidden, name }) => hidden === 0 && name !== SECRET);

/** Expression for a row, or part of it, as JSON; `row` is NEW, OLD or the table itself. */
const json = (columns: readonly Column[], row: string): string =>
  `json_object(${columns
    .map(({ name, type }) => {
      const value = `${row}."${name}"`;
      return `'${name}', ${type === 'REAL' ? `iif(${value} IS NULL, NULL, format('%!.17g', ${value}))` : value}`;
    })
    .join(', ')})`;

interface ForeignKey {
  /** Which of its table's keys a column belongs to. */
  id: number;
  /** The table that is named, by which column, and the column that names it. */
  table: string;
  to: string | null;
  from: string;
  on_delete: string;
}
type Columned = [ForeignKey, ...ForeignKey[]];

const tableNames = (db: Connection): string[] =>
  (db.pragma('main.table_list') as { name: string; type: string }[])
    .filter(({ name, type }) => type === 'table' && !name.startsWith('sqlite_'))
    .map(({ name }) => name);

/** What a table names of others, each key by its columns. */
const foreignKeys = (db: Connection, table: string): Columned[] => [
  ...(groupBy(db.pragma(`foreign_key_list(${table})`) as ForeignKey[], ({ id }) => id).values() as Iterable<Columned>),
];

interface Watched {
  columns: readonly Column[];
  /** What a row is found by: its key, or where the table has none its number in the file. */
  key: readonly Column[];
  /** The tables that name its rows. */
  named: { by: string; columns: Columned }[];
}

const known = new WeakMap<Connection, ReadonlyMap<string, Watched>>();

/** The tables whose rows are noted; looked up where it is asked, since the framework loads this file more than once. */
function tablesOf(db: Connection): ReadonlyMap<string, Watched> {
  const before = known.get(db);
  if (before) return before;
  const names = tableNames(db);
  const tables = new Map<string, Watched>();
  for (const name of names) {
    if (UNWATCHED.has(name)) continue;
    const columns = columnsOf(db, name);
    const keys = columns.filter((column) => column.pk > 0);
    const key = keys.length > 0 ? keys : [{ name: 'rowid', type: 'INTEGER', pk: 1, hidden: 0 }];
    tables.set(name, { columns, key, named: [] });
  }
  for (const table of names)
    for (const columns of foreignKeys(db, table)) tables.get(columns[0].table)?.named.push({ by: table, columns });
  known.set(db, tables);
  return tables;
}

/** Has a connection note every row that is written to from now on; asked once, where it is opened. */
export function noteChanges(db: Connection): void {
  // It lives only as long as the connection does.
  db.pragma('temp_store = MEMORY');
  db.exec(`BEGIN; ${NOTES} ${[...tablesOf(db)].map(([name, watched]) => triggersOf(name, watched)).join('\n')} COMMIT`);
}

const NOTES =
  'CREATE TEMP TABLE row_change (n INTEGER PRIMARY KEY, name TEXT NOT NULL, key TEXT NOT NULL, before TEXT, after TEXT);';

function triggersOf(name: string, { columns, key }: Watched): string {
  const [was, is] = [json(columns, 'OLD'), json(columns, 'NEW')];
  const note = (act: string, row: string, before: string, after: string): string =>
    `CREATE TEMP TRIGGER noted_${name}_${act} AFTER ${act} ON main.${name} BEGIN
      INSERT INTO row_change (name, key, before, after) VALUES ('${name}', ${json(key, row)}, ${before}, ${after});
    END;`;
  if (LASTING_TABLES.has(name)) return note('insert', 'NEW', 'NULL', `'{}'`);
  return note('insert', 'NEW', 'NULL', is) + note('update', 'OLD', was, is) + note('delete', 'OLD', was, 'NULL');
}

interface NotedRow {
  name: string;
  key: string;
  before: string | null;
  after: string | null;
}

const read = (text: string | null): Columns | null => (text === null ? null : (JSON.parse(text) as Columns));

/** What has been written since this was asked last, each row once: as it was at first and as it is at last. */
export function changesSince(db: Connection): RowChange[] {
  const noted = queryAll<NotedRow>(db, 'SELECT name, key, before, after FROM row_change ORDER BY n');
  if (noted.length === 0) return [];
  execute(db, 'DELETE FROM row_change');
  const rows = new Map<string, NotedRow>();
  for (const row of noted) {
    const id = `${row.name} ${row.key}`;
    rows.set(id, { ...row, before: (rows.get(id) ?? row).before });
  }
  return [...rows.values()].flatMap(({ name, key, before, after }) =>
    before === after ? [] : [{ table: name, key: read(key) ?? {}, ...differing(read(before), read(after)) }],
  );
}

/** Of a row that was changed only the columns in which it differs. */
function differing(before: Columns | null, after: Columns | null): Pick<RowChange, 'before' | 'after'> {
  if (!before || !after) return { before, after };
  const names = Object.keys(after).filter((name) => before[name] !== after[name]);
  const only = (row: Columns): Columns => Object.fromEntries(names.map((name) => [name, row[name] ?? null]));
  return { before: only(before), after: only(after) };
}

const where = (key: readonly Column[]): string => key.map(({ name }) => `"${name}" = @key_${name}`).join(' AND ');
const keyValues = (key: Columns): Columns =>
  Object.fromEntries(Object.entries(key).map(([name, value]) => [`key_${name}`, value]));

/** A row as it is now; undefined where there is none. */
export function rowNow(db: Connection, { table, key }: Pick<RowChange, 'table' | 'key'>): Columns | undefined {
  const watched = tablesOf(db).get(table);
  if (!watched) return undefined;
  const row = queryOne<{ row: string }>(
    db,
    `SELECT ${json(watched.columns, table)} AS row FROM ${table} WHERE ${where(watched.key)}`,
    keyValues(key),
  );
  return row && (JSON.parse(row.row) as Columns);
}

/**
 * A table with rows that name a row: of those that the file itself would let go with it, or of any; undefined where nothing
 * names it.
 */
export function namedBy(
  db: Connection,
  { table, key }: Pick<RowChange, 'table' | 'key'>,
  which: 'would go with it' | 'any',
): string | undefined {
  const named = tablesOf(db).get(table)?.named ?? [];
  return named.find(({ by, columns }) => {
    // What only follows from a row does not stand on it.
    if (UNWATCHED.has(by) && columns[0].on_delete === 'CASCADE') return false;
    if (which !== 'any' && columns[0].on_delete !== 'CASCADE') return false;
    const values = Object.fromEntries(columns.map(({ from, to }) => [from, key[to ?? 'id'] ?? null]));
    if (Object.values(values).includes(null)) return false;
    const same = Object.keys(values).map((column) => `"${column}" = @${column}`);
    return queryOne(db, `SELECT 1 FROM ${by} WHERE ${same.join(' AND ')}`, values) !== undefined;
  })?.by;
}

/** Puts a row back as it was before; its version goes on counting, so that whoever looks at it hears of it. */
export function putBack(db: Connection, { table, key, before, after }: RowChange): void {
  const watched = tablesOf(db).get(table);
  if (!watched) throw new Error(`${table} is not watched.`);
  if (!before) {
    execute(db, `DELETE FROM ${table} WHERE ${where(watched.key)}`, keyValues(key));
    return;
  }
  const names = Object.keys(before).filter((name) => name !== 'version' || !after);
  if (!after) {
    execute(
      db,
      `INSERT INTO ${table} (${names.map((name) => `"${name}"`).join(', ')})
        VALUES (${names.map((name) => `@${name}`).join(', ')})`,
      before,
    );
    return;
  }
  const set = names.map((name) => `"${name}" = @${name}`);
  if ('version' in before) set.push('version = version + 1');
  if (set.length === 0) return;
  execute(db, `UPDATE ${table} SET ${set.join(', ')} WHERE ${where(watched.key)}`, {
    ...Object.fromEntries(names.map((name) => [name, before[name] ?? null])),
    ...keyValues(key),
  });
}

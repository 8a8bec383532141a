import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { idsInOrderKept } from '../reading/records';

/**
 * What belongs to a job, found by the file’s own shape: rows that name the job, or name what belongs to it. What such rows
 * need of the firm goes with them; what is computed, or is of the house alone, stays where it is.
 */

/** A row as the file has it. */
export type Row = Record<string, string | number | null>;
export type TableRows = Map<string, Row[]>;

/** Computed from the rest, or the diary of the house it was made in: each with why it is not carried. */
export const NOT_CARRIED: Readonly<Record<string, string>> = {
  command_log: 'the diary of its own house',
  command_inverse: 'the diary of its own house',
  plan: 'made anew',
  plan_part: 'made anew',
  plan_mark: 'made anew',
  plan_move: 'of plans that are made anew',
  plan_problem: 'made anew',
  plan_search: 'made anew',
  walk_plan: 'of plans that are made anew',
  standing: 'computed from what walks recorded',
  projection: 'computed',
  calendar_event: 'computed from the plan',
  narration_reading: 'computed from what was said',
  migration: 'the form of the file',
  firm: 'every house has its own',
  holiday: 'of the firm',
  day_away: 'of the firm',
  busy: 'of the firm',
  busy_source: 'of the firm',
  feed: 'secrets of its own house',
  supplier_closure: 'of the firm',
  price: 'of the firm',
  rate: 'of the firm',
  hour_rate: 'of the firm',
  plant: 'of the firm',
  plant_down: 'of the firm',
  outlook: 'of the firm',
  normal: 'of the firm',
  travel: 'of the firm',
  spot: 'of the firm',
  route_stop: 'of the firm',
  route_day: 'of the firm',
};

/** Of the firm, and carried where something of the job names it; whoever has it already keeps their own. */
export const OF_FIRM: readonly string[] = [
  ...['person', 'sub', 'sub_trade', 'supplier', 'office', 'picture', 'recording', 'own_assembly'],
];

/** What never leaves the house. */
const SECRETS: Readonly<Record<string, readonly string[]>> = { person: ['password_hash'] };

interface Reference {
  from: string;
  table: string;
  to: string;
}

/** The number of the newest migration that the file has seen. */
export const newestMigration = (db: Connection): number =>
  queryOne<{ number: number }>(db, 'SELECT max(number) AS number FROM migration')?.number ?? 0;

export const allTables = (db: Connection): string[] =>
  (db.pragma('main.table_list') as { name: string; type: string }[])
    .filter(({ name, type }) => type === 'table' && !name.startsWith('sqlite_'))
    .map(({ name }) => name)
    .sort();

export const columnsOf = (db: Connection, table: string): string[] =>
  (db.pragma(`table_xinfo(${table})`) as { name: string; hidden: number }[])
    .filter(({ hidden }) => hidden === 0)
    .map(({ name }) => name);

function referencesOf(db: Connection, table: string): Reference[] {
  // A step is named by its area and itself: the area alone says whose it is.
  const declared = (
    db.pragma(`foreign_key_list(${table})`) as { seq: number; table: string; from: string; to: string | null }[]
  ).flatMap(({ seq, table: to, from, to: column }) => (seq === 0 ? [{ from, table: to, to: column ?? 'id' }] : []));
  const named = columnsOf(db, table).includes('job') && !declared.some(({ from }) => from === 'job');
  return named ? [...declared, { from: 'job', table: 'job', to: 'id' }] : declared;
}

/** Tables of a job, those that are named before those that name them. */
export function jobTables(db: Connection): string[] {
  const open = allTables(db).filter((table) => !(table in NOT_CARRIED) && !OF_FIRM.includes(table));
  const found = ['job'];
  for (let more = true; more;) {
    const next = open.filter(
      (table) => !found.includes(table) && referencesOf(db, table).some((reference) => found.includes(reference.table)),
    );
    found.push(...next);
    more = next.length > 0;
  }
  return found;
}

const rowsWhere = (db: Connection, table: string, column: string, ids: readonly unknown[]): Row[] =>
  queryAll<Row>(
    db,
    // What the file works out by itself is not written again.
    `SELECT ${columnsOf(db, table)
      .map((name) => `"${name}"`)
      .join(', ')}
      FROM "${table}"
      WHERE "${column}" IN (SELECT value FROM json_each(@ids))`,
    { ids: JSON.stringify(ids) },
  );

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
    ['own_assembly', queryAll<Row>(db, 'SELECT * FROM own_assembly')],
  ]);
}

const without = (row: Row, secret: readonly string[]): Row =>
  Object.fromEntries(Object.entries(row).map(([column, value]) => [column, secret.includes(column) ? null : value]));

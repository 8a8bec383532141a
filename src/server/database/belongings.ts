import type { Connection } from './open';
import { execute, queryOne } from './query';

/** A column of a table that names an area: by itself, or with a step of it. */
export interface Naming {
  table: string;
  column: string;
}

interface ForeignKey {
  table: string;
  from: string;
  to: string | null;
}

/** Every column that names an area, read from the file's own shape, so that a new table joins by itself. */
export function namingAreas(db: Connection): Naming[] {
  const tables = (db.pragma('main.table_list') as { name: string; type: string }[]).filter(
    ({ name, type }) => type === 'table' && !name.startsWith('sqlite_'),
  );
  return tables.flatMap(({ name }) =>
    (db.pragma(`foreign_key_list(${name})`) as ForeignKey[])
      .filter(({ table, to }) => table === 'area' || (table === 'step' && to === 'area'))
      .map(({ from }) => ({ table: name, column: from })),
  );
}

/** How many rows of a table name an area. @param which a condition of SQL, where only some of them count */
export const countNaming = (db: Connection, { table, column }: Naming, area: string, which = 'TRUE'): number =>
  queryOne<{ count: number }>(db, `SELECT count(*) AS count FROM ${table} WHERE "${column}" = @area AND (${which})`, {
    area,
  })?.count ?? 0;

/** What names an area goes with it, once the caller has seen that nothing of it must be kept. */
export function dropNaming(db: Connection, area: string): void {
  // Rows that name one another go in an order of their own; that none is left behind is seen at the end.
  db.pragma('defer_foreign_keys = ON');
  for (const { table, column } of namingAreas(db))
    execute(db, `DELETE FROM ${table} WHERE "${column}" = @area`, { area });
}

/**
 * What names one area names another from now on; where that one has the same already, such as a step or a drawing, its
 * own stays.
 * @param except tables that are not touched here
 */
export function moveNaming(db: Connection, from: string, into: string, except: ReadonlySet<string>): void {
  db.pragma('defer_foreign_keys = ON');
  const namings = namingAreas(db).filter(({ table }) => !except.has(table));
  for (const naming of namings) moveRows(db, naming, { from, into });
  // Only now: a step that goes takes along what hangs on it.
  for (const { table, column } of namings) execute(db, `DELETE FROM ${table} WHERE "${column}" = @from`, { from });
}

/** A row that is found by what it names is another row afterwards, and is written as one: what was noted can be put back. */
function moveRows(db: Connection, { table, column }: Naming, areas: { from: string; into: string }): void {
  const columns = (db.pragma(`table_xinfo(${table})`) as { name: string; pk: number; hidden: number }[]).filter(
    ({ hidden }) => hidden === 0,
  );
  if (!columns.some(({ name, pk }) => name === column && pk > 0)) {
    execute(db, `UPDATE OR IGNORE ${table} SET "${column}" = @into WHERE "${column}" = @from`, areas);
    return;
  }
  const names = columns.map(({ name }) => `"${name}"`);
  const values = names.map((name) => (name === `"${column}"` ? '@into' : name));
  execute(
    db,
    `INSERT OR IGNORE INTO ${table} (${names.join(', ')})
      SELECT ${values.join(', ')}
      FROM ${table}
      WHERE "${column}" = @from`,
    areas,
  );
}

import type { Statement } from 'better-sqlite3';
import type { Connection } from './open';
import type { Defaults, Rows } from './rows';

type Value = string | number | null;
export type Values = Record<string, Value>;

const prepared = new WeakMap<Connection, Map<string, Statement>>();

/** Every statement is prepared once for a connection. */
function statement(db: Connection, sql: string): Statement {
  const known = prepared.get(db) ?? new Map<string, Statement>();
  prepared.set(db, known);
  const found = known.get(sql) ?? db.prepare(sql);
  known.set(sql, found);
  return found;
}

export const queryAll = <Row>(db: Connection, sql: string, values: Values = {}): Row[] =>
  statement(db, sql).all(values) as Row[];
export const queryOne = <Row>(db: Connection, sql: string, values: Values = {}): Row | undefined =>
  statement(db, sql).get(values) as Row | undefined;
/** @returns how many rows changed */
export const execute = (db: Connection, sql: string, values: Values = {}): number =>
  statement(db, sql).run(values).changes;

/** The tables that rows are written to. */
export type Table = keyof Defaults;
/** A row to be: what may be NULL or has a default need not be given. */
export type NewRow<Name extends Table> = Omit<Rows[Name], Defaults[Name]> &
  Partial<Pick<Rows[Name], Defaults[Name] & keyof Rows[Name]>>;

/** Inserts one row. */
export function insert<Name extends Table>(db: Connection, table: Name, row: NewRow<Name>): void {
  const columns = Object.keys(row);
  execute(
    db,
    `INSERT INTO ${table} (${columns.join(', ')})
      VALUES (${columns.map((column) => `@${column}`).join(', ')})`,
    row,
  );
}

/** The tables whose rows are changed one by one and counted up. */
export type Versioned = { [Name in Table]: Rows[Name] extends { id: string; version: number } ? Name : never }[Table];

/** Changes one row of that id and counts its version up. */
export function update<Name extends Versioned>(
  db: Connection,
  table: Name,
  id: string,
  changed: Partial<Omit<Rows[Name], 'id' | 'version'>>,
): void {
  execute(
    db,
    `UPDATE ${table} SET ${Object.keys(changed)
      .map((column) => `${column} = @${column}`)
      .join(', ')}, version = version + 1 WHERE id = @id`,
    { ...(changed as Values), id },
  );
}

/** Nothing given is NULL in the file. */
export const orNull = <Kind extends string | number>(value: Kind | undefined): Kind | null => value ?? null;
export const flag = (value: boolean): 0 | 1 => (value ? 1 : 0);

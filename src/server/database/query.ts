import type { Statement } from 'better-sqlite3';
import type { Connection } from './open';

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

/** Inserts one row; the keys are column names and come from our own code only. */
export function insert(db: Connection, table: string, row: Values): void {
  const columns = Object.keys(row);
  execute(
    db,
    `INSERT INTO ${table} (${columns.join(', ')})
      VALUES (${columns.map((column) => `@${column}`).join(', ')})`,
    row,
  );
}

/** Changes one row of that id and counts its version up; the keys are column names and come from our own code only. */
export function update(db: Connection, table: string, id: string, changed: Values): void {
  execute(
    db,
    `UPDATE ${table} SET ${Object.keys(changed)
      .map((column) => `${column} = @${column}`)
      .join(', ')}, version = version + 1 WHERE id = @id`,
    { ...changed, id },
  );
}

/** Nothing given is NULL in the file. */
export const orNull = <Kind extends string | number>(value: Kind | undefined): Kind | null => value ?? null;
export const flag = (value: boolean): 0 | 1 => (value ? 1 : 0);

import { createHash } from 'node:crypto';
import { addDays } from '@/core/units/day';
import type { Connection } from '@/server/database/open';
import type { Belonging } from './belongings';
import { idAt, UUID } from './ids';

type Row = Record<string, string | number | null>;

/** A job with all that belongs to it, as it is copied again and again. */
export interface Template {
  job: Row;
  rows: { table: string; columns: string[]; rows: Row[] }[];
}

/** Columns that are written; what SQLite computes or numbers itself is not. */
const columnsOf = (db: Connection, table: string): string[] =>
  (db.pragma(`table_info(${table})`) as { name: string; type: string; pk: number }[]).flatMap(({ name, type, pk }) =>
    pk > 0 && type === 'INTEGER' && name === 'id' ? [] : [name],
  );

export function templateOf(db: Connection, belongings: readonly Belonging[], job: string): Template {
  return {
    job: db.prepare('SELECT * FROM job WHERE id = ?').get(job) as Row,
    rows: belongings.map(({ table, of }) => {
      const columns = columnsOf(db, table);
      return {
        table,
        columns,
        rows: db.prepare(`SELECT ${columns.join(', ')} FROM ${table} WHERE ${of}`).all({ job }) as Row[],
      };
    }),
  };
}

const DAY = /(?<![\d-])20\d\d-\d\d-\d\d/g;

/** More than a job of the demo has orders. */
const NUMBERS = 100;

export interface CopyTerms {
  /** Names the copy; the same number makes the same ids. */
  number: number;
  name: string;
  state: string;
  position: number;
  /** Days by which everything in it lies earlier. */
  earlier: number;
}

/** Copies a job row by row: every id in it becomes another, every day an earlier one. @returns the copy's id */
export function copyJob(db: Connection, template: Template, terms: CopyTerms): string {
  // Only what belongs to the job becomes another; whom it names besides stays who it is. The new ids are in the order of
  // the old, which pairs of areas rely on.
  const own = [String(template.job.id), ...template.rows.flatMap(({ rows }) => rows.flatMap(({ id }) => id ?? []))];
  const began = Date.UTC(2017, 0, 1) + terms.number * 86_400_000;
  const ids = new Map(
    [...new Set(own.map(String))].sort().map((id, rank) => [id, idAt(began + rank, 'copy', terms.number, id)]),
  );
  const moved = (text: string): string => {
    const renamed = text.replace(UUID, (id: string): string => ids.get(id) ?? id);
    return terms.earlier === 0 ? renamed : renamed.replace(DAY, (day) => addDays(day, -terms.earlier));
  };
  const copied = (row: Row): Row =>
    Object.fromEntries<string | number | null>(
      Object.entries(row).map(([column, value]) => {
        if (typeof value !== 'string') return [column, value];
        if (column === 'token_hash')
          return [column, createHash('sha256').update(`${terms.number}${value}`).digest('hex')];
        return [column, moved(value)];
      }),
    );
  const insert = (table: string, row: Row): void => {
    const columns = Object.keys(row);
    db.prepare(
      `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map((column) => `@${column}`).join(', ')})`,
    ).run(row);
  };
  // One row of numbers for the whole firm goes on; all others begin anew in each job.
  const numbered = (table: string, row: Row): Row =>
    table === 'purchase_order' ? { ...row, number: Number(row.number) + NUMBERS * terms.number } : row;
  const { name, state, position } = terms;
  insert('job', { ...copied(template.job), name, state, position });
  for (const { table, rows } of template.rows) for (const row of rows) insert(table, numbered(table, copied(row)));
  return ids.get(String(template.job.id)) ?? '';
}

import type { Connection } from '@/server/database/open';

/** What a job's rows are found by: a table, and the condition that leads from its rows to the job `@job`. */
export interface Belonging {
  table: string;
  of: string;
}

/** What is made from other rows, and what belongs to the file and not to a job. */
const NOT_COPIED = new Set([
  'job',
  'plan',
  'plan_part',
  'plan_mark',
  'plan_problem',
  'walk_plan',
  'command_log',
  'standing',
  'projection',
  'migration',
]);

interface ForeignKey {
  from: string;
  table: string;
  to: string | null;
}

/**
 * Every table with rows that belong to a job, those that others point at first: by the foreign keys of the file, so that a
 * new table is found by itself.
 */
export function belongingsOf(db: Connection): Belonging[] {
  const tables = (
    db
      .prepare(`SELECT name FROM sqlite_schema WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY rowid`)
      .all() as { name: string }[]
  )
    .map(({ name }) => name)
    .filter((name) => !NOT_COPIED.has(name));
  const found = new Map<string, string>();
  for (let more = true; more;) {
    more = false;
    for (const table of tables) {
      if (found.has(table)) continue;
      const keys = db.pragma(`foreign_key_list(${table})`) as ForeignKey[];
      const own = keys.find((key) => key.table === 'job');
      const by = own ?? keys.find((key) => found.has(key.table));
      if (!by) continue;
      found.set(
        table,
        own
          ? `${table}.${own.from} = @job`
          : `${table}.${by.from} IN (SELECT ${by.to ?? 'id'} FROM ${by.table} WHERE ${found.get(by.table) ?? ''})`,
      );
      more = true;
    }
  }
  return [...found].map(([table, of]) => ({ table, of }));
}

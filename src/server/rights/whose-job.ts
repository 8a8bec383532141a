import { groupBy } from '@/core/group-by';
import { columnsOf, jobTables, referencesOf } from '../database/job-tables';
import { queryAll } from '../database/query';
import { isKept } from '../database/kept';
import type { Connection } from '../database/open';

/** Whose job something is, by its id alone: asked of every table of a job, so that a new one is never forgotten. */

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}/g;
const HASH = /\b[0-9a-f]{64}\b/g;

interface Lookup {
  byId: string;
  byHash: string;
}

const known = new WeakMap<Connection, Lookup>();

/**
 * What is named anywhere in what is given, by its own id or by what is in it, each with the jobs it belongs to: one for what
 * has an id; for a picture, a recording or a PDF all that have it, and whoever sees one of them sees it.
 */
export function jobsNamed(db: Connection, value: unknown): ReadonlySet<string>[] {
  const text = JSON.stringify([value]);
  const lookup = known.get(db) ?? lookupOf(db);
  known.set(db, lookup);
  const found = (sql: string, names: readonly string[] | null): ReadonlySet<string>[] => {
    if (names === null) return [];
    const rows = queryAll<{ name: string; job: string | null }>(db, sql, { ids: JSON.stringify([...new Set(names)]) });
    const of = groupBy(
      rows.filter(({ job }) => job !== null),
      ({ name }) => name,
    );
    return [...of.values()].map((jobs) => new Set(jobs.map(({ job }) => job ?? '')));
  };
  return [...found(lookup.byId, text.match(UUID)), ...found(lookup.byHash, text.match(HASH))];
}

function lookupOf(db: Connection): Lookup {
  const tables = jobTables(db);
  const jobOf = new Map(tables.map((table) => [table, jobColumn(db, table, tables)]));
  const wanted = 'IN (SELECT value FROM json_each(@ids))';
  const byId = tables.flatMap((table) =>
    columnsOf(db, table).includes('id')
      ? [`SELECT row.id AS name, ${jobOf.get(table) ?? 'NULL'} AS job FROM "${table}" AS row WHERE row.id ${wanted}`]
      : [],
  );
  const byHash = tables.flatMap((table) =>
    referencesOf(db, table).flatMap(({ from, table: to }) =>
      isKept(to)
        ? [
            `SELECT row."${from}" AS name, ${jobOf.get(table) ?? 'NULL'} AS job
              FROM "${table}" AS row WHERE row."${from}" ${wanted}`,
          ]
        : [],
    ),
  );
  return {
    byId: [...byId, `SELECT id AS name, job FROM command_log WHERE id ${wanted}`].join(' UNION '),
    byHash: byHash.join(' UNION '),
  };
}

/** How the job of a row is read off it: its own column, or that of what it belongs to. */
function jobColumn(db: Connection, table: string, tables: readonly string[], row = 'row'): string {
  if (table === 'job') return `${row}.id`;
  if (columnsOf(db, table).includes('job')) return `${row}.job`;
  const owner = referencesOf(db, table).find((reference) => tables.includes(reference.table));
  if (!owner) throw new Error(`${table} belongs to no job.`);
  const inner = `${row}_of`;
  const job = jobColumn(db, owner.table, tables, inner);
  return `(SELECT ${job} FROM "${owner.table}" AS ${inner} WHERE ${inner}."${owner.to}" = ${row}."${owner.from}")`;
}

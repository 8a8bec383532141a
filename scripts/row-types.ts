import { groupBy } from '../src/core/group-by';
import type { Connection } from '../src/server/database/open';

interface Column {
  name: string;
  type: string;
  notnull: 0 | 1;
  dflt_value: string | null;
  pk: number;
}

/** Columns whose words are known to the core by a closed list, wherever they stand. */
const OF_THE_CORE: Record<string, { type: string; from?: string }> = {
  phase: { type: 'Phase', from: '@/core/sequence/phases' },
  before_phase: { type: 'Phase', from: '@/core/sequence/phases' },
  after_phase: { type: 'Phase', from: '@/core/sequence/phases' },
  due_phase: { type: 'Phase', from: '@/core/sequence/phases' },
  due_area: { type: 'AreaId', from: '@/core/ids' },
  trade: { type: 'Trade', from: '@/core/sequence/trades' },
  fallback_trade: { type: 'Trade', from: '@/core/sequence/trades' },
  method: { type: 'MethodKey', from: '@/core/sequence/methods' },
  measure: { type: 'Measure', from: '@/core/layout/measures' },
  job: { type: 'JobId', from: '@/core/ids' },
  area: { type: 'AreaId', from: '@/core/ids' },
  walk: { type: 'WalkId', from: '@/core/ids' },
  selection: { type: 'SelectionId', from: '@/core/ids' },
  request: { type: 'RequestId', from: '@/core/ids' },
  person: { type: 'PersonId', from: '@/core/ids' },
  sub: { type: 'SubId', from: '@/core/ids' },
  supplier: { type: 'SupplierId', from: '@/core/ids' },
  task: { type: 'TaskId', from: '@/core/ids' },
  half: { type: '0 | 1' },
  first_half: { type: '0 | 1' },
  last_half: { type: '0 | 1' },
};

/** What a CHECK lets a column be, as a union; undefined where it says nothing of it. */
function listed(sql: string, column: string): string | undefined {
  const found = new RegExp(`\\b${column}\\s+IN\\s*\\(([^()]*)\\)`, 'i').exec(sql)?.[1];
  return found
    ?.split(',')
    .map((value) => value.trim())
    .join(' | ');
}

function typeOf(table: string, sql: string, { name, type, notnull, pk }: Column): string {
  // The id of a table's own row is what other tables name after it.
  const known = OF_THE_CORE[name === 'id' ? table : name];
  const own = listed(sql, name) ?? known?.type ?? (type === 'TEXT' ? 'string' : type === 'BLOB' ? 'Buffer' : 'number');
  return notnull === 1 || pk > 0 ? own : `${own} | null`;
}

/** The rows of every table and view of a migrated file, as TypeScript. */
export function rowTypes(db: Connection): string {
  const tables = db
    .prepare(
      `SELECT name, type, sql
        FROM sqlite_schema
        WHERE type IN ('table', 'view') AND name NOT LIKE 'sqlite_%'
        ORDER BY name`,
    )
    .all() as { name: string; type: 'table' | 'view'; sql: string }[];
  const columnsOf = (table: string): Column[] => db.pragma(`table_info(${table})`) as Column[];
  const rows: string[] = [];
  const defaults: string[] = [];
  for (const { name, type, sql } of tables) {
    // A view's columns are those of the table it narrows; SQLite forgets on the way which may not be NULL.
    const source = type === 'view' ? (/\bFROM\s+(\w+)/i.exec(sql)?.[1] ?? name) : name;
    const schema = tables.find((table) => table.name === source)?.sql ?? sql;
    const columns = columnsOf(source);
    rows.push(
      `  ${name}: {`,
      ...columns.map((column) => `    ${column.name}: ${typeOf(source, schema, column)};`),
      `  };`,
    );
    if (type === 'view') continue;
    const numbered = columns.filter(({ pk }) => pk > 0).length === 1;
    const free = columns.filter(
      ({ type: kind, dflt_value, notnull, pk }) =>
        dflt_value !== null || (pk > 0 ? numbered && kind === 'INTEGER' : notnull === 0),
    );
    defaults.push(`  ${name}: ${free.map((column) => `'${column.name}'`).join(' | ') || 'never'};`);
  }
  return [
    '// Made from the migrations by `npm run rows`; a test holds it to them.',
    ...[...groupBy(Object.values(OF_THE_CORE), ({ from = '' }) => from)].flatMap(([from, known]) =>
      from ? [`import type { ${[...new Set(known.map(({ type }) => type))].join(', ')} } from '${from}';`] : [],
    ),
    '',
    '/** A row of each table and view, as SQLite gives it back. */',
    'export interface Rows {',
    ...rows,
    '}',
    '',
    '/** Columns that need not be given for a new row: they may be NULL or have a default. */',
    'export interface Defaults {',
    ...defaults,
    '}',
    '',
  ].join('\n');
}

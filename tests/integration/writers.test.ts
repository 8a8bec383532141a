import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const SERVER = 'src/server';

/** `scope/take-away` marks a line of any kind as taken away; what that asks of each kind stands there together. */

/** The file's own form: what it was migrated to, and what was noted of any row that is written. */
const ITSELF = 'database';

const WRITES = [
  // insert(db, 'area', …), update(context.db, 'area', …)
  /\b(?:insert|update)(?:<[^>]*>)?\(\s*(?:\w+\.)?db,\s*'(\w+)'/g,
  /\b(?:INSERT (?:OR \w+ )?INTO|(?<!DO )UPDATE|DELETE\s+FROM)\s+([a-z]\w*)/g,
];

const tablesWritten = (text: string): string[] =>
  WRITES.flatMap((pattern) => [...text.matchAll(pattern)].flatMap(([, table]) => table ?? []));

/** By table the folders of the server that write it. */
function writers(): Map<string, Set<string>> {
  const found = new Map<string, Set<string>>();
  for (const file of readdirSync(SERVER, { recursive: true, encoding: 'utf8' })) {
    const [folder = ''] = file.split(/[\\/]/);
    if (!file.endsWith('.ts') || folder === ITSELF) continue;
    for (const table of tablesWritten(readFileSync(join(SERVER, file), 'utf8')))
      found.set(table, (found.get(table) ?? new Set()).add(folder));
  }
  return found;
}

describe('what writes a table', () => {
  it('is seen in every manner it can be written', () => {
    expect(
      [
        `insert(db, 'area', area)`,
        `insert<'area'>(context.db, 'area', area)`,
        `update(\n  context.db,\n  'area', id, {})`,
        'INSERT OR IGNORE INTO area (id)',
        'UPDATE area SET',
        'DELETE\n  FROM area',
      ].map(tablesWritten),
    ).toEqual(Array(6).fill(['area']));
    expect(tablesWritten('ON CONFLICT (id) DO UPDATE SET name = excluded.name')).toEqual([]);
  });

  it('is the one subject it belongs to, so that what always holds of it is said once', () => {
    const table = writers();
    expect(table.size).toBeGreaterThan(60);
    expect([...table].flatMap(([name, folders]) => (folders.size > 1 ? [[name, ...folders]] : []))).toEqual([]);
  });
});

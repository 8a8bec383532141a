import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { expect, it } from 'vitest';
import { emptyHouse, root } from '../support/installations';

const SQL = /^\s*(?:SELECT|INSERT INTO|UPDATE|DELETE|WITH)\b/;

/** Every text of SQL that stands whole in the server's code, with where it stands. */
function statements(): { place: string; sql: string }[] {
  const folder = join(root, 'src', 'server');
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .flatMap((file) => {
      const source = ts.createSourceFile(file, readFileSync(join(folder, file), 'utf8'), ts.ScriptTarget.Latest, true);
      const found: { place: string; sql: string }[] = [];
      const look = (node: ts.Node): void => {
        if (ts.isStringLiteralLike(node) && SQL.test(node.text)) {
          const { line } = source.getLineAndCharacterOfPosition(node.getStart());
          found.push({ place: `${file}:${line + 1}`, sql: node.text });
        }
        ts.forEachChild(node, look);
      };
      look(source);
      return found;
    });
}

it('every statement of the server is one that the file understands, with tables and columns that are there', () => {
  const { db } = emptyHouse();
  const all = statements();
  // Were they no longer found, nothing would be proven.
  expect(all.length).toBeGreaterThan(300);
  const wrong = all.flatMap(({ place, sql }) => {
    try {
      db.prepare(sql);
      return [];
    } catch (error) {
      return [`${place}: ${String(error)}`];
    }
  });
  expect(wrong).toEqual([]);
});

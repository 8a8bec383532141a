import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import ts from 'typescript';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Connection } from '@/server/database/open';
import { rowTypes } from '../../scripts/row-types';
import { emptyHouse, root } from '../support/installations';

const SQL = /^\s*(?:SELECT|INSERT INTO|UPDATE|DELETE|WITH)\b/;

interface Column {
  name: string;
  column: string | null;
  table: string | null;
}

/** A field of a row as the code believes in it. */
interface Believed {
  name: string;
  text: boolean;
  number: boolean;
  null: boolean;
}
interface Query {
  place: string;
  sql: string;
  /** Nothing where the statement is not asked for rows, or its text has a part that is not written out. */
  row?: Believed[];
}

/** Every whole text of SQL in the server's code, with where it stands and what its rows are believed to be. */
function queries(): Query[] {
  const config = ts.readConfigFile(join(root, 'tsconfig.json'), (path) => readFileSync(path, 'utf8')).config as object;
  const { fileNames, options } = ts.parseJsonConfigFileContent({ ...config, include: ['src/server'] }, ts.sys, root);
  const program = ts.createProgram(fileNames, options);
  const checker = program.getTypeChecker();
  const believed = (node: ts.TypeNode): Believed[] =>
    checker
      .getTypeFromTypeNode(node)
      .getProperties()
      .map((property) => {
        const type = checker.getTypeOfSymbol(property);
        // An id is a string with a name to it: a type that is made of two.
        const kinds = (type.isUnion() ? type.types : [type]).flatMap((kind) =>
          kind.isIntersection() ? kind.types : [kind],
        );
        const any = (flag: ts.TypeFlags): boolean => kinds.some((kind) => (kind.flags & flag) !== 0);
        return {
          name: property.name,
          text: any(ts.TypeFlags.StringLike),
          number: any(ts.TypeFlags.NumberLike),
          null: any(ts.TypeFlags.Null),
        };
      });
  /** The text of a string, with the constants that are put into it; undefined where a part is known only at run time. */
  const textOf = (node: ts.Node): string | undefined => {
    if (ts.isStringLiteralLike(node)) return node.text;
    if (ts.isNumericLiteral(node)) return node.text;
    if (ts.isTemplateExpression(node)) {
      const parts = node.templateSpans.map((span) => [textOf(span.expression), span.literal.text]);
      return parts.some(([part]) => part === undefined) ? undefined : node.head.text + parts.flat().join('');
    }
    if (!ts.isIdentifier(node)) return undefined;
    const found = checker.getSymbolAtLocation(node);
    const symbol = found && found.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(found) : found;
    const [declared] = symbol?.declarations ?? [];
    return declared && ts.isVariableDeclaration(declared) && declared.initializer
      ? textOf(declared.initializer)
      : undefined;
  };
  return program
    .getSourceFiles()
    .filter((source) => source.fileName.includes('/src/server/') && !source.fileName.endsWith('.test.ts'))
    .flatMap((source) => {
      const found: Query[] = [];
      const look = (node: ts.Node): void => {
        const sql = ts.isStringLiteralLike(node) || ts.isTemplateExpression(node) ? textOf(node) : undefined;
        if (sql !== undefined && SQL.test(sql)) {
          const { line } = source.getLineAndCharacterOfPosition(node.getStart());
          const place = `${source.fileName.slice(root.length + 1)}:${line + 1}`;
          const call = node.parent;
          const asks = ts.isCallExpression(call) && /^(query(One|All)|rowsOf)$/.test(call.expression.getText(source));
          const row = asks ? call.typeArguments?.[0] : undefined;
          found.push({ place, sql, ...(row ? { row: believed(row) } : {}) });
        }
        ts.forEachChild(node, look);
      };
      look(source);
      return found;
    });
}

/** What the file knows of a column that comes straight from a table. */
function origin(db: Connection, { table, column }: Column): { text: boolean; nullable: boolean } | undefined {
  if (!table || !column) return undefined;
  const facts = (
    db.pragma(`table_info(${table})`) as { name: string; type: string; notnull: 0 | 1; pk: number }[]
  ).find(({ name }) => name === column);
  return facts && { text: facts.type === 'TEXT', nullable: facts.notnull === 0 && facts.pk === 0 };
}

/** Where a row is believed to be what the file does not give. */
function wrongBelief(db: Connection, sql: string, columns: Column[], field: Believed): string | undefined {
  const column = columns.find(({ name }) => name === field.name);
  if (!column) return `has no ${field.name}`;
  const from = origin(db, column);
  if (!from) return undefined;
  if (from.text ? !field.text : !field.number) return `${field.name} is ${from.text ? 'text' : 'a number'}`;
  const asked = new RegExp(`\\b${column.column ?? ''} (IS NOT NULL|=|IN|>=|<=|LIKE|<>)`).test(sql);
  return from.nullable && !field.null && !asked ? `${field.name} may be NULL` : undefined;
}

describe('every statement of the server', () => {
  let all: Query[];
  // The compiler reads the whole server for it, beside everything else that runs.
  beforeAll(() => {
    all = queries();
  }, 300_000);

  it('is one that the file understands, with tables and columns that are there', () => {
    const { db } = emptyHouse();
    // Were they no longer found, nothing would be proven.
    expect(all.length).toBeGreaterThan(250);
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

  it('gives back the rows that the code believes in', () => {
    const { db } = emptyHouse();
    const asked = all.filter(({ row }) => row);
    expect(asked.length).toBeGreaterThan(150);
    const wrong = asked.flatMap(({ place, sql, row = [] }) => {
      const columns = db.prepare(sql).columns();
      return row.flatMap((field) => {
        const problem = wrongBelief(db, sql, columns, field);
        return problem ? [`${place}: ${problem}`] : [];
      });
    });
    expect(wrong).toEqual([]);
  });
});

it('the types of rows are those of the migrated file', async () => {
  const file = join(root, 'src', 'server', 'database', 'rows.ts');
  const made = await format(rowTypes(emptyHouse().db), { ...(await resolveConfig(file)), filepath: file });
  expect(readFileSync(file, 'utf8'), 'run: npm run rows').toBe(made);
});

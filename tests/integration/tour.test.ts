import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { describe, expect, it } from 'vitest';
import { root } from '../support/installations';

const tour = readFileSync(join(root, 'docs', 'tour.md'), 'utf8');
const source = join(root, 'src');
const ENDINGS = ['.ts', '.tsx', '.mjs', '/index.ts'];
const fileOf = (name: string): string | undefined =>
  ENDINGS.map((ending) => join(source, name + ending)).find((path) => existsSync(path));

/** Every pair of names with an arrow between them; what stands in brackets after a name is for the reader. */
const steps = [...tour.matchAll(/`([\w/-]+)`(?: \([^)]*\))? ([→⇢]) (?=`([\w/-]+)`)/g)].map(
  ([, from = '', arrow = '', to = '']) => ({ from, arrow, to }),
);
const names = [
  ...new Set([...tour.matchAll(/`((?:ui|server|core|app|workers)\/[\w/-]+)`/g)].map(([, name = '']) => name)),
];

/** What a file imports, as names under `src`. */
function importsOf(path: string): string[] {
  const text = readFileSync(path, 'utf8');
  return [...text.matchAll(/(?:from|import\()\s*'((?:@\/|\.)[^']+)'/g)].map(([, spec = '']) =>
    spec.startsWith('@/') ? spec.slice(2) : relative(source, join(dirname(path), spec)),
  );
}

/** Whether one file reaches the other by imports, directly or through at most one more. */
function reaches(from: string, to: string): boolean {
  const path = fileOf(from);
  const direct = path ? importsOf(path) : [];
  return (
    direct.includes(to) ||
    direct.some((name) => {
      const next = fileOf(name);
      return next !== undefined && importsOf(next).includes(to);
    })
  );
}

describe('the tour through the code', () => {
  it('has steps to follow', () => expect(steps.length).toBeGreaterThan(40));

  it.each(names)('%s is there', (name) => expect(fileOf(name)).toBeDefined());

  it.each(steps.filter(({ arrow }) => arrow === '→'))('$from leads to $to', ({ from, to }) =>
    expect(reaches(from, to), `${from} does not import ${to}`).toBe(true),
  );

  it.each(steps.filter(({ arrow }) => arrow === '⇢'))('$from leads to $to without knowing it', ({ from, to }) => {
    const path = fileOf(from);
    expect(path && importsOf(path).includes(to), `${from} imports ${to}: that is an arrow of its own`).toBe(false);
  });
});

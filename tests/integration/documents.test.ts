import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { assembliesDocument } from '../../scripts/assemblies-document';
import { calculationsDocument } from '../../scripts/calculations-document';
import { folder, root } from '../support/installations';

describe('the page of sources', () => {
  it('says what the calculators say', () =>
    expect(readFileSync(join(root, 'docs', 'calculations.md'), 'utf8')).toBe(calculationsDocument()));

  it('of assemblies is what they are', () =>
    expect(readFileSync(join(root, 'docs', 'assemblies.md'), 'utf8')).toBe(assembliesDocument()));
});

describe('the vectors command', () => {
  const run = (cases: object[]): { status: number | null; last: string } => {
    const file = join(folder(), 'vectors.json');
    writeFileSync(file, JSON.stringify({ tolerance: 0.0001, cases }));
    const { status, stdout } = spawnSync(join(root, 'node_modules', '.bin', 'tsx'), ['scripts/vectors.ts', file], {
      cwd: root,
      encoding: 'utf8',
    });
    return { status, last: stdout.trim().split('\n').at(-1) ?? '' };
  };
  const boxes = { calc: 'boxes', input: { area: 10, waste: 0.1, perBox: 2 } };

  it('passes what agrees, fails what does not, and counts both on its last line', () => {
    expect(
      run([
        { ...boxes, expect: { boxes: 6 } },
        { ...boxes, input: { area: -1, waste: 0, perBox: 2 }, expect: { problem: true } },
      ]),
    ).toEqual({ status: 0, last: '2 passed, 0 failed' });
    expect(
      run([
        { ...boxes, expect: { boxes: 7 } },
        { ...boxes, expect: { problem: true } },
        { calc: 'none', input: {}, expect: { boxes: 1 } },
      ]),
    ).toEqual({ status: 1, last: '0 passed, 3 failed' });
  });
});

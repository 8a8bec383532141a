import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { checkPlan } from '@/core/schedule/check';
import type { Plan, PlannedTask } from '@/core/schedule/plan';
import { assembliesDocument } from '../../scripts/assemblies-document';
import { calculationsDocument } from '../../scripts/calculations-document';
import { forbiddenDocument } from '../../scripts/forbidden-document';
import { plannedJob } from '../../scripts/plan-job';
import { folder, root } from '../support/installations';

describe('the page of sources', () => {
  it('says what the calculators say', () =>
    expect(readFileSync(join(root, 'docs', 'calculations.md'), 'utf8')).toBe(calculationsDocument()));

  it('of assemblies is what they are', () =>
    expect(readFileSync(join(root, 'docs', 'assemblies.md'), 'utf8')).toBe(assembliesDocument()));

  it('of orders that never come out is what is looked for in plans', () =>
    expect(readFileSync(join(root, 'docs', 'forbidden-orders.md'), 'utf8')).toBe(forbiddenDocument()));
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

describe('the plan command', () => {
  const basement = join(root, 'tests', 'fixtures', 'basement-and-kitchen.csv');

  it('sets out the job of a list in an empty house, in the ways that are named, and prints its plan', () => {
    const ways = ['--way', 'floor-cabinets=cabinets-first', '--start', '2027-03-22', '--lived-in'];
    const plan = JSON.parse(plannedJob([basement, ...ways])) as Omit<Plan, 'tasks'> & {
      tasks: (PlannedTask & { label: string })[];
    };
    expect(checkPlan(plan)).toEqual([]);
    const start = (label: string) => plan.tasks.find((task) => task.label === label)!.start;
    const finish = (label: string) => plan.tasks.find((task) => task.label === label)!.finish;
    expect(start('Kitchen · flooring')).toBeGreaterThanOrEqual(finish('Kitchen · cabinets'));
    // One sink always: the bar's works before the kitchen comes out.
    expect(start('Kitchen · tear-out')).toBeGreaterThanOrEqual(finish('Bar · finish plumbing'));
    // The bath's branch falls to the pit, which is set first; its window's well is dug, cut, closed and filled in order.
    expect(start('Basement bath · pipe in floor')).toBeGreaterThanOrEqual(finish('Basement bath · pump pit'));
    expect(start('Guest room · cut opening')).toBeGreaterThanOrEqual(finish('Guest room · dig the well'));
    expect(start('Guest room · fill round the well')).toBeGreaterThanOrEqual(
      finish('Guest room · set and flash window'),
    );
    expect(plan.tasks.filter(({ label }) => / · (?:rebuild masonry|pads)$/.test(label))).toEqual([]);
  });

  it('says what is wrong with a list, a way or a day, and prints nothing', () => {
    const list = join(folder(), 'job.csv');
    writeFileSync(list, 'area,works\nKitchen,cook\n');
    const tsx = join(root, 'node_modules', '.bin', 'tsx');
    expect(spawnSync(tsx, ['scripts/plan.ts', list], { cwd: root, encoding: 'utf8' })).toMatchObject({
      status: 1,
      stdout: '',
      stderr: expect.stringContaining('“cook” is no work') as string,
    });
    expect(() => plannedJob([basement, '--way', 'tear-out=slow'])).toThrow('there are: fast, careful');
    expect(() => plannedJob([basement, '--start', 'soon'])).toThrow('“soon” is no day');
  });
});

import { describe, expect, it } from 'vitest';
import { at, input, link, planned, task } from '../../../tests/support/networks';
import { dayOfEvents } from '../../../tests/support/firm-at-work';
import { reasonSaid } from '../../../tests/support/said';
import type { Standing, Stood } from './calm';
import { checkPlan } from './check';
import { makePlan, type Plan } from './plan';

const standing = (stood: Record<string, Stood | number>, over: Partial<Standing> = {}): Standing => ({
  stood: new Map(
    Object.entries(stood).map(([id, one]) => [id, typeof one === 'number' ? { slot: one, said: 'nothing' } : one]),
  ),
  ...{ frozen: 4, near: 14, late: 0, pencil: new Set<string>() },
  ...over,
});
const crews = ['crew', 'other'].map((id) => ({ id, name: id, capacity: 1, away: new Set<number>() }));
const startsOf = (plan: Plan): Record<string, number> =>
  Object.fromEntries(plan.tasks.map(({ id, start }) => [id, start]));

describe('what stands', () => {
  it('stays where it stands though it could begin sooner, and says so', () => {
    const plan = planned({
      tasks: [task('a'), task('b', { crew: 'other' })],
      crews,
      standing: standing({ a: 7, b: 2 }),
    });
    expect(startsOf(plan)).toEqual({ a: 7, b: 2 });
    expect(reasonSaid(at(plan, 'a'))).toBe('It stays on the day people go by; it could begin sooner.');
    expect(reasonSaid(at(plan, 'b'))).toBe('The next days stay as they were said.');
    expect(checkPlan(plan)).toEqual([]);
  });

  it('beyond the next two weeks begins as soon as it can, but not unasked in them', () => {
    const plan = planned({ tasks: [task('a')], standing: standing({ a: 40 }) });
    expect(startsOf(plan)).toEqual({ a: 14 });
    expect(reasonSaid(at(plan, 'a'))).toContain('nothing new is put into the next two weeks unasked');
  });

  it('makes way for what must come before it, and nothing else moves for that', () => {
    const plan = planned({
      tasks: [task('first', { duration: 6, state: 'under-way' }), task('then'), task('apart', { crew: 'other' })],
      links: [link('first', 'then')],
      crews,
      standing: standing({ then: 4, apart: 5 }),
    });
    expect(startsOf(plan)).toEqual({ first: 0, then: 6, apart: 5 });
    expect(plan.unkept).toBeUndefined();
  });

  it('is named where it was confirmed or is frozen and cannot be kept', () => {
    const plan = planned({
      tasks: [task('first', { duration: 8, state: 'under-way' }), task('yes'), task('soon', { crew: 'other' })],
      links: [link('first', 'yes'), link('first', 'soon')],
      crews,
      standing: standing({ yes: { slot: 6, said: 'confirmed' }, soon: 2 }),
    });
    expect(plan.unkept).toEqual([
      { task: 'yes', job: 'job', from: 6, to: 8, said: 'confirmed' },
      { task: 'soon', job: 'job', from: 2, to: 8, said: 'frozen' },
    ]);
  });

  it('goes before work of jobs that nobody has signed: that takes what is left', () => {
    const tasks = [task('signed', { job: 'job', rank: 9 }), task('pencil', { job: 'idea', duration: 4 })];
    const plan = (pencil: string[]) =>
      startsOf(
        planned({
          tasks,
          jobCalendars: { job: 'days', idea: 'days' },
          standing: standing({ pencil: 0 }, { pencil: new Set(pencil), frozen: 0 }),
        }),
      );
    expect(plan([])).toEqual({ pencil: 0, signed: 4 });
    expect(plan(['idea'])).toEqual({ signed: 0, pencil: 2 });
  });

  it('gives way where its own job would else be late by more than the moves are worth', () => {
    const late = (promise: number) =>
      startsOf(
        planned({
          tasks: [task('a'), task('b', { crew: 'other' })],
          links: [link('a', 'b')],
          crews,
          promises: { job: promise },
          standing: standing({ a: 6, b: 8 }),
        }),
      );
    // Two half-days late count 40, two visits moved by a day each 8.
    expect(late(8)).toEqual({ a: 4, b: 6 });
    expect(late(10)).toEqual({ a: 6, b: 8 });
  });

  it('gives way less where somebody was told, and for nobody where nothing is later than it was', () => {
    const starts = (said: Stood['said'], late: number) =>
      startsOf(
        planned({
          tasks: [task('a'), task('b', { crew: 'other' })],
          links: [link('a', 'b')],
          crews,
          promises: { job: 9 },
          standing: standing({ a: { slot: 6, said }, b: { slot: 8, said } }, { late }),
        }),
      );
    // A half-day late counts 20, two visits moved by half a day each 4, and by as much that was told 8.
    expect(starts('nothing', 0)).not.toEqual({ a: 6, b: 8 });
    expect(starts('told', 1)).toEqual({ a: 6, b: 8 });
  });

  it('is worked out alike every time', () => {
    const given = input({ tasks: [task('a'), task('b')], standing: standing({ a: 3, b: 9 }) });
    expect(JSON.stringify(makePlan(given))).toBe(JSON.stringify(makePlan(given)));
  });
});

/** Firms with a day of eight events each: `npm run long -- calm 25` asks 200. */
const FIRMS = Number(process.env['CALM_FIRMS'] ?? 6);

const median = (list: readonly number[]): number => [...list].sort((a, b) => a - b)[list.length >> 1] ?? 0;

describe('a day of events', () => {
  it('moves next to nothing beyond what each event forbids, and no promise goes unnamed', () => {
    const told = Array.from({ length: FIRMS }, (_, seed) => dayOfEvents(seed + 1, 8)).flat();
    expect(told).toHaveLength(8 * FIRMS);
    expect(told.filter(({ unnamed }) => unnamed > 0)).toEqual([]);
    expect(told.some(({ named }) => named > 0)).toBe(true);
    expect(median(told.map(({ moved }) => moved.length))).toBeLessThanOrEqual(3);
    expect(median(told.map(({ people }) => people))).toBeLessThanOrEqual(2);
    // Nine of ten are quiet, and not only every second one.
    expect(told.filter(({ moved }) => moved.length > 3).length).toBeLessThan(told.length / 10);
    expect(told.reduce((sum, { backAndForth }) => sum + backAndForth, 0)).toBe(0);
  }, 600_000);
});

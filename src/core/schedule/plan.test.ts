import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPlan } from './check';
import { at, days, input, link, networks, planned, task } from '../../../tests/support/networks';
import { inTheWay } from './reasons';
import { makePlan } from './plan';
import { reasonSaid } from '../../../tests/support/said';

describe('placing', () => {
  it('takes worked slots only and goes on after the weekend', () => {
    const plan = planned({ tasks: [task('a', { duration: 12 })] });
    expect(at(plan, 'a').slots).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 14, 15]);
  });

  it('counts drying through the weekend and making time in worked days', () => {
    const plan = planned({
      tasks: [task('pour', { duration: 10 }), task('dry', { crew: null }), task('made', { crew: null })],
      links: [link('pour', 'dry', { lag: 4, lagUnit: 'elapsed' }), link('pour', 'made', { lag: 4 })],
    });
    expect([at(plan, 'dry').start, at(plan, 'made').start]).toEqual([14, 18]);
    expect(reasonSaid(at(plan, 'made'))).toContain('2 days to be made');
  });

  it('keeps start-to-start and finish-to-finish', () => {
    const plan = planned({
      tasks: [
        task('a', { duration: 8 }),
        task('b', { crew: null, duration: 2 }),
        task('c', { crew: null, duration: 2 }),
      ],
      links: [link('a', 'b', { kind: 'SS', lag: 2 }), link('a', 'c', { kind: 'FF' })],
    });
    expect([at(plan, 'b').start, at(plan, 'c').finish]).toEqual([2, 8]);
  });

  it('shares a crew over all jobs and says where it is', () => {
    const plan = planned({
      tasks: [task('a', { job: 'one', rank: 1 }), task('b', { job: 'two', rank: 2 })],
      jobCalendars: { one: 'days', two: 'days' },
    });
    expect(at(plan, 'b').start).toBe(2);
    expect(at(plan, 'b').reason).toMatchObject({ kind: 'crew', task: 'a' });
  });

  it('gives a room to one task at a time unless both share it', () => {
    const room = { area: 'room', crew: null };
    const alone = planned({ tasks: [task('a', { ...room, shares: 2 }), task('b', { ...room, shares: 2, rank: 1 })] });
    expect(at(alone, 'b')).toMatchObject({ start: 2, reason: { kind: 'area', task: 'a' } });
    const together = planned({ tasks: [task('a', { ...room, shares: 1 }), task('b', { ...room, shares: 1 })] });
    expect(at(together, 'b').start).toBe(0);
  });

  it('waits for a delivery, and for a crew that is away, and says so', () => {
    const plan = planned({
      tasks: [task('a'), task('b', { crew: 'gone' })],
      notBefore: [{ task: 'a', slot: 4, wait: { kind: 'told', text: 'cabinets arrive Tue 9 Mar' }, open: false }],
      crews: [
        { id: 'crew', name: 'Crew', capacity: 1, away: new Set() },
        { id: 'gone', name: 'Gull Wiring', capacity: 1, away: new Set([0, 1, 2, 3]) },
      ],
    });
    expect(at(plan, 'a')).toMatchObject({
      start: 4,
      reason: { kind: 'not-before', wait: { text: 'cabinets arrive Tue 9 Mar' } },
    });
    expect(at(plan, 'b')).toMatchObject({
      start: 4,
      reason: { kind: 'away', crew: 'Gull Wiring', from: '2027-03-08', until: '2027-03-09' },
    });
  });

  it('takes work done out of order as a fact', () => {
    const plan = planned({
      tasks: [task('first', { duration: 6 }), task('second', { state: 'under-way', crew: null })],
      links: [link('first', 'second')],
    });
    expect(at(plan, 'second')).toMatchObject({ start: 0, reason: { kind: 'under-way' } });
    expect(checkPlan(plan)).toEqual([]);
  });

  it('says how long an opened roof stays open and what would cure it', () => {
    const plan = planned({
      tasks: [task('open'), task('tight')],
      links: [link('open', 'tight', { lag: 2, lagUnit: 'work' })],
      exposures: [{ from: 'open', to: 'tight', most: 2, rule: 12, reason: 'rain', cure: 'a cover' }],
    });
    expect(plan.exposures).toMatchObject([{ actual: 6, kept: false, cure: 'a cover' }]);
  });

  it('refuses a ring, naming it task by task', () => {
    const outcome = makePlan(
      input({ tasks: ['a', 'b', 'c'].map((id) => task(id)), links: [link('a', 'b'), link('b', 'c'), link('c', 'b')] }),
    );
    expect(outcome).toMatchObject({
      ok: false,
      problem: { code: 'sequence-loop', message: 'These wait for each other in a ring: b → c → b.' },
    });
  });

  it('refuses a calendar without worked days instead of looking for ever', () => {
    expect(
      makePlan(input({ tasks: [task('a', { calendar: 'never' })], calendars: { days, never: () => false } })),
    ).toMatchObject({ ok: false, problem: { code: 'calendar-empty' } });
  });
});

describe('every plan', () => {
  it('obeys itself, from its document alone', () =>
    fc.assert(
      fc.property(networks, (network) => {
        expect(checkPlan(planned(network))).toEqual([]);
      }),
      { numRuns: 400 },
    ));

  it('is the same for the same input', () =>
    fc.assert(
      fc.property(networks, (network) => {
        expect(JSON.stringify(planned(network))).toBe(JSON.stringify(planned(network)));
      }),
      { numRuns: 30 },
    ));

  it('has a reason for every start, and none says “nothing”', () =>
    fc.assert(
      fc.property(networks, (network) => {
        for (const one of planned(network).tasks) {
          expect(reasonSaid(one)).not.toBe('');
          expect(`${one.id} ${one.reason.kind}`).not.toBe(`${one.id} none`);
        }
      }),
      { numRuns: 200 },
    ));

  it('names a predecessor whose going away lets the task be earlier or shows the next hindrance', () =>
    fc.assert(
      fc.property(networks, (network) => {
        for (const one of planned(network).tasks.filter((each) => each.reason.kind === 'link')) {
          expect(network.links.some((each) => each.before === inTheWay(one.reason) && each.after === one.id)).toBe(
            true,
          );
        }
      }),
      { numRuns: 100 },
    ));

  it('is caught by the checker when a block is moved by hand', () => {
    const plan = planned({ tasks: [task('a'), task('b')], links: [link('a', 'b')] });
    const moved = {
      ...plan,
      tasks: plan.tasks.map((plannedTask) =>
        plannedTask.id === 'b' ? { ...plannedTask, start: 0, finish: 2, slots: [0, 1] } : plannedTask,
      ),
    };
    expect(checkPlan(moved)).toEqual(['b: no crew free on 0', 'b: no crew free on 1', 'a > b: FS + 0 work not kept']);
  });
});

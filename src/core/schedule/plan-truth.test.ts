import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at, days, input, link, networks, planned, rainOn, task } from '../../../tests/support/networks';
import { blockersOf, holdersOf, slotBefore, type Blocker } from './blockers';
import { boundOf } from './bound';
import { checkPlan } from './check';
import { compile, type Compiled } from './compiled';
import { pushedBack } from './justify';
import { forwardPass } from './passes';
import { better } from './objective';
import type { Plan, PlannedTask } from './plan';
import { makePlan, placedLike } from './plan';
import type { PlanInput } from './plan-input';
import { pullForward } from './pull-forward';
import { reasonSaid } from '../../../tests/support/said';

/**
 * The same plan with one task moved to the slot before, everything else where it is; undefined where there is no such
 * slot.
 */
function moved(plan: Plan, plannedTask: PlannedTask, slot: number, net: Compiled): Plan | undefined {
  const number = net.index.get(plannedTask.id) ?? -1;
  const calendar = net.calendar[number];
  if (slot < 0 || !calendar) return undefined;
  const from = plannedTask.duration === 0 ? 0 : (calendar.before[slot] ?? 0);
  const slots = plannedTask.duration === 0 ? [] : [...calendar.worked.subarray(from, from + plannedTask.duration)];
  const start = plannedTask.duration === 0 ? slot : (slots[0] ?? slot);
  return {
    ...plan,
    tasks: plan.tasks.map((other) =>
      other.id === plannedTask.id
        ? { ...other, start, slots, finish: plannedTask.duration === 0 ? slot : (slots.at(-1) ?? 0) + 1 }
        : other,
    ),
  };
}

const waiting = (plan: Plan): PlannedTask[] => plan.tasks.filter((plannedTask) => plannedTask.state === 'waiting');
const netOf = (network: PlanInput): Compiled => {
  const net = compile(network, 1_500);
  if (!net.ok) throw new Error(net.problem.message);
  return net.value;
};

/** The plan of a network, and for everything that waits the slot before its start with all that forbids it. */
function looked(network: PlanInput): {
  net: Compiled;
  plan: Plan;
  asked: { one: PlannedTask; slot: number; blockers: Blocker[] }[];
} {
  const placed = placedLike(network);
  if (!placed.ok) throw new Error(placed.problem.message);
  const { net, placement } = placed.value;
  const holders = holdersOf(net, placement);
  const plan = planned(network);
  const asked = waiting(plan).map((plannedTask) => {
    const number = net.index.get(plannedTask.id) ?? -1;
    return {
      one: plannedTask,
      slot: slotBefore(net, placement, number),
      blockers: blockersOf(net, placement, number, holders),
    };
  });
  return { net, plan, asked };
}

describe('reasons', () => {
  it('are the whole truth: with everything named gone the task could start on the slot before', () =>
    fc.assert(
      fc.property(networks, (network) => {
        const { net, plan, asked } = looked(network);
        for (const { one, slot, blockers } of asked) {
          if (slot < 0) continue;
          const links = new Set(blockers.flatMap((blocker) => (blocker.kind === 'link' ? [blocker.bound.link] : [])));
          const others = new Set(
            blockers.flatMap((blocker) =>
              'holders' in blocker ? blocker.holders.map((other) => net.tasks[other]?.id) : [],
            ),
          );
          const there = blockers.some((blocker) => blocker.kind === 'away' || blocker.kind === 'weather');
          const missing = blockers.some((blocker) => blocker.kind === 'crew' && blocker.holders.length === 0);
          if (there || missing) continue;
          // Links of others to it may break: only what holds this one is asked for.
          const without: Plan = {
            ...plan,
            links: plan.links.filter((each) => each.after === one.id && !links.has(each)),
            tasks: plan.tasks
              .filter((each) => !others.has(each.id))
              .map((each) => (each.id === one.id ? { ...each, floor: 0 } : each)),
            notBefore: [],
          };
          expect([
            one.id,
            moved(without, one, slot, net) &&
              checkPlan(moved(without, one, slot, net) as Plan)
                .filter((text) => text.startsWith(`${one.id}:`) || text.includes(`> ${one.id}:`))
                .filter((text) => !text.includes('names no task')),
          ]).toEqual([one.id, []]);
        }
      }),
      { numRuns: 300 },
    ));

  it('do not blame a task that spans a slot without working on it for what stands broken there', () => {
    const rain = rainOn(7);
    const calendars = { days, always: () => true, outdoor: (slot: number) => days(slot) && !rain.has(slot) };
    const plan = planned({
      tasks: [
        task('dig', { crew: 'a', duration: 3, floor: 5, calendar: 'outdoor', plant: 'digger' }),
        task('carry', { crew: null, duration: 1, floor: 5, plant: 'digger' }),
      ],
      crews: [
        { id: 'a', name: 'A', capacity: 1, away: new Set([8]) },
        { id: 'digger', name: 'the digger', capacity: 1, away: new Set(), fewer: new Map([[7, 1]]) },
      ],
      calendars,
      keptOff: { outdoor: { base: 'days', slots: rain } },
      rain,
    });
    expect(at(plan, 'dig').slots).toEqual([5, 6, 9]);
    expect(at(plan, 'carry')).toMatchObject({ start: 8 });
    expect(reasonSaid(at(plan, 'carry'))).not.toContain('is at dig');
  });

  it('leave nothing to pull forward: whatever is moved one slot earlier by itself breaks the plan', () =>
    fc.assert(
      fc.property(networks, (network) => {
        const plan = planned(network);
        const net = netOf(network);
        const start = { start: Int32Array.from(plan.tasks, (plannedTask) => plannedTask.start) };
        for (const one of waiting(plan)) {
          const slot = slotBefore(net, start, net.index.get(one.id) ?? -1);
          const earlier = moved(plan, one, slot, net);
          if (!earlier || earlier.tasks.some((each) => each.id === one.id && each.start === one.start)) continue;
          expect([one.id, checkPlan(earlier).length > 0]).toEqual([one.id, true]);
        }
      }),
      { numRuns: 300 },
    ));

  it('each forbid the earlier slot by themselves: with all others gone the task still cannot have it', () =>
    fc.assert(
      fc.property(networks, (network) => {
        const { net, plan, asked } = looked(network);
        for (const { one, slot, blockers } of asked) {
          const earlier = moved(plan, one, slot, net);
          // Where its own calendar has no such slot, days away or the weather hold it, and moving shows nothing.
          if (!earlier || at(earlier, one.id).start === one.start) continue;
          const alone: Plan = {
            ...earlier,
            links: [],
            notBefore: [],
            tasks: earlier.tasks.filter((each) => each.id === one.id).map((each) => ({ ...each, floor: 0 })),
          };
          for (const blocker of blockers) {
            const kept =
              blocker.kind === 'link'
                ? {
                    links: [blocker.bound.link],
                    tasks: [...alone.tasks, ...plan.tasks.filter((each) => each.id === blocker.bound.link.before)],
                  }
                : blocker.kind === 'not-before'
                  ? { notBefore: [blocker.wait] }
                  : undefined;
            if (kept)
              expect([one.id, blocker.kind, checkPlan({ ...alone, ...kept }).length > 0]).toEqual([
                one.id,
                blocker.kind,
                true,
              ]);
          }
        }
      }),
      { numRuns: 200 },
    ));
});

describe('the bound', () => {
  const bound = (network: PlanInput): ReturnType<typeof boundOf> => {
    const net = netOf(network);
    return boundOf(net, forwardPass(net));
  };

  it('is never above the plan', () =>
    fc.assert(
      fc.property(networks, (network) => {
        const plan = planned(network);
        for (const one of waiting(plan))
          expect(plan.bound.jobs[one.job] ?? 0).toBeLessThanOrEqual(
            Math.max(
              ...plan.tasks.filter((each) => each.job === one.job && each.state !== 'done').map((each) => each.finish),
            ),
          );
      }),
      { numRuns: 200 },
    ));

  it('is never worse with one more crew, or with one rule less', () =>
    fc.assert(
      fc.property(networks, fc.nat(40), (network, gone) => {
        const now = bound(network);
        const more = bound({
          ...network,
          crews: network.crews.map((crew) => ({ ...crew, capacity: crew.capacity + 1 })),
        });
        const fewer = bound({ ...network, links: network.links.filter((_, place) => place !== gone) });
        for (const other of [more, fewer]) {
          expect(other.all).toBeLessThanOrEqual(now.all);
          for (const [job, slot] of Object.entries(other.jobs)) expect(slot).toBeLessThanOrEqual(now.jobs[job] ?? 0);
        }
      }),
      { numRuns: 200 },
    ));
});

describe('pushing a schedule to its end', () => {
  it('moves nothing to an earlier slot and no job to a later end, and what comes out obeys the checker', () =>
    fc.assert(
      fc.property(networks, (network) => {
        const placed = placedLike(network);
        if (!placed.ok) throw new Error(placed.problem.message);
        const { net, placement } = placed.value;
        const late = pushedBack(net, placement);
        const plan = planned(network);
        const pushed: Plan = {
          ...plan,
          tasks: plan.tasks.map((plannedTask) => {
            const number = net.index.get(plannedTask.id) ?? -1;
            const [start, finish] = [late.start[number] ?? 0, late.finish[number] ?? 0];
            expect(start).toBeGreaterThanOrEqual(plannedTask.start);
            const from = net.calendar[number]?.before[start] ?? 0;
            return plannedTask.state === 'done'
              ? plannedTask
              : {
                  ...plannedTask,
                  start,
                  finish,
                  slots:
                    plannedTask.duration === 0
                      ? []
                      : [...(net.calendar[number]?.worked.subarray(from, from + plannedTask.duration) ?? [])],
                };
          }),
        };
        const ends = (tasks: PlannedTask[], job: string): number =>
          Math.max(
            0,
            ...tasks
              .filter((plannedTask) => plannedTask.job === job && plannedTask.state !== 'done')
              .map((plannedTask) => plannedTask.finish),
          );
        for (const job of ['odd', 'even']) expect(ends(pushed.tasks, job)).toBeLessThanOrEqual(ends(plan.tasks, job));
        expect(checkPlan(pushed)).toEqual([]);
      }),
      { numRuns: 200 },
    ));
});

describe('improving', () => {
  it('obeys the checker on any network, breaks no more and is no worse than without it', () =>
    fc.assert(
      fc.property(networks, fc.integer({ min: 1, max: 1000 }), (network, seed) => {
        const [none, some] = [makePlan(network), makePlan(network, { schedules: 12, seed })];
        if (!none.ok || !some.ok) throw new Error('no plan');
        expect(checkPlan(some.value)).toEqual([]);
        expect(better(none.value.score, some.value.score)).toBe(false);
      }),
      { numRuns: 80 },
    ));

  const wide = (): PlanInput =>
    input({
      tasks: Array.from({ length: 24 }, (_, number) =>
        task(`t${String(number).padStart(2, '0')}`, {
          duration: 1 + ((number * 7) % 5),
          job: `j${number % 4}`,
          crew: ['a', 'b', 'c'][number % 3] ?? 'a',
        }),
      ),
      links: Array.from({ length: 18 }, (_, number) =>
        link(`t${String(number).padStart(2, '0')}`, `t${String(number + 4 + (number % 3)).padStart(2, '0')}`),
      ).filter((each) => Number(each.after.slice(1)) < 24),
      crews: ['a', 'b', 'c'].map((id) => ({ id, name: id, capacity: 1, away: new Set<number>() })),
      jobCalendars: { j0: 'days', j1: 'days', j2: 'days', j3: 'days' },
      promises: { j3: 12 },
    });
  const tried = (schedules: number, seed = 1): Plan => {
    const plan = makePlan(wide(), { schedules, seed });
    if (!plan.ok) throw new Error(plan.problem.message);
    return plan.value;
  };

  it('never makes it worse, obeys the checker, and gives the same plan for the same seed', () => {
    const [none, some, again] = [tried(0), tried(300), tried(300)];
    expect(checkPlan(some)).toEqual([]);
    expect(
      [some.score.broken, some.score.late, some.score.cost] <= [none.score.broken, none.score.late, none.score.cost],
    ).toBe(true);
    expect(some.score.late * 1000 + some.score.cost).toBeLessThan(none.score.late * 1000 + none.score.cost);
    expect(JSON.stringify(some)).toBe(JSON.stringify(again));
  });

  it('is stopped at once and keeps the best so far', () => {
    let asked = 0;
    const plan = makePlan(wide(), { schedules: 1_000_000, stop: () => ++asked > 20 });
    expect(plan.ok && checkPlan(plan.value)).toEqual([]);
    expect(asked).toBe(21);
  });

  it('begins from the plan before, so that nothing moves that need not', () => {
    const first = tried(300);
    const again = makePlan({
      ...wide(),
      standing: {
        stood: new Map(first.tasks.map(({ id, start }) => [id, { slot: start, said: 'nothing' }])),
        frozen: 0,
        near: 1_000,
        late: first.score.late,
        pencil: new Set(),
      },
    });
    expect(again.ok && again.value.score).toEqual(first.score);
  });
});

describe('what hand and sky decide', () => {
  it('holds a pin where it was put, and says who put it there', () => {
    const plan = planned({
      tasks: [task('a', { rank: 1 }), task('b')],
      notBefore: [{ task: 'a', slot: 1, wait: { kind: 'pin', why: 'the client is in' }, open: false, kind: 'pin' }],
    });
    expect([at(plan, 'a').start, at(plan, 'b').start]).toEqual([1, 3]);
    expect(reasonSaid(at(plan, 'a'))).toBe('Fixed to this day: the client is in.');
  });

  it('lets a pin go where what comes before does not let it, and counts that against the plan', () => {
    const plan = planned({
      tasks: [task('a', { duration: 6 }), task('b')],
      links: [link('a', 'b')],
      notBefore: [{ task: 'b', slot: 2, wait: { kind: 'pin', why: 'so wished' }, open: false, kind: 'pin' }],
    });
    expect(at(plan, 'b')).toMatchObject({ start: 6, reason: { kind: 'link' } });
    expect(plan.score.broken).toBe(1);
  });

  it('keeps outdoor work off forbidden slots and names them', () => {
    const rain = rainOn(0, 1);
    const plan = planned({
      tasks: [task('a', { calendar: 'outdoor' })],
      calendars: {
        days: (slot) => Math.floor(slot / 2) % 7 < 5,
        outdoor: (slot) => slot > 1 && Math.floor(slot / 2) % 7 < 5,
      },
      keptOff: { outdoor: { base: 'days', slots: rain } },
    });
    expect(at(plan, 'a')).toMatchObject({
      start: 2,
      reason: { kind: 'weather', weather: { of: 'rain', amount: 9 } },
    });
  });

  it('opens a roof when the rain is over and the crew that closes it is there', () => {
    const exposure = {
      from: 'open',
      to: 'tight',
      most: 4,
      rule: 12,
      reason: 'one night of rain costs more than the roof',
      cure: 'a cover',
      dry: true as const,
    };
    const rain = rainOn(2, 3);
    const wet = planned({
      tasks: [task('open'), task('tight')],
      links: [link('open', 'tight')],
      exposures: [exposure],
      rain,
    });
    expect(at(wet, 'open').start).toBe(4);
    // Waiting for the sun is the plan's own choice: the bound knows nothing of it.
    expect([wet.bound.all, at(wet, 'tight').finish]).toEqual([4, 8]);
    expect(reasonSaid(at(wet, 'open'))).toContain('9 mm of rain expected Tue 9 Mar');
    const away = planned({
      tasks: [task('open'), task('tight', { crew: 'other' })],
      links: [link('open', 'tight')],
      exposures: [exposure],
      crews: [
        { id: 'crew', name: 'Crew', capacity: 1, away: new Set() },
        { id: 'other', name: 'Other', capacity: 1, away: new Set([0, 1, 2, 3, 4, 5, 6, 7]) },
      ],
    });
    expect(away.exposures[0]).toMatchObject({ kept: true });
    expect(at(away, 'open').start).toBe(6);
  });

  it('shares a digger, does without a broken one, and refuses what nobody has', () => {
    const digger = (fewer?: Map<number, number>) => ({
      crews: [
        { id: 'crew', name: 'Crew', capacity: 3, away: new Set<number>() },
        { id: 'digger', name: 'the digger', capacity: 1, away: new Set<number>(), ...(fewer ? { fewer } : {}) },
      ],
    });
    const two = [task('a', { plant: 'digger' }), task('b', { plant: 'digger', rank: 1 })];
    expect(at(planned({ tasks: two, ...digger() }), 'b')).toMatchObject({
      start: 2,
      reason: { kind: 'crew', crew: 'the digger', task: 'a', day: '2027-03-08' },
    });
    expect(
      at(
        planned({
          tasks: two,
          ...digger(
            new Map([
              [0, 1],
              [1, 1],
            ]),
          ),
        }),
        'a',
      ).start,
    ).toBe(2);
    expect(makePlan(input({ tasks: [task('a', { crews: 3 })] }))).toMatchObject({
      ok: false,
      problem: { code: 'crew-too-few', message: 'a wants 3 of Crew at once, and there is 1.' },
    });
    expect(
      makePlan(input({ tasks: [task('a')], crews: [{ id: 'crew', name: 'Crew', capacity: 0, away: new Set() }] })),
    ).toMatchObject({ ok: false, problem: { code: 'crew-too-few' } });
    expect(makePlan(input({ tasks: [task('a', { duration: -2 })] }))).toMatchObject({
      ok: false,
      problem: { code: 'duration-unfit', field: 'a' },
    });
  });

  it('says what would pull a task forward, back along the thread, and by how much', () => {
    const placed = placedLike(
      input({
        tasks: [task('a'), task('b'), task('c', { crew: 'other' })],
        links: [link('b', 'c')],
        notBefore: [{ task: 'b', slot: 10, wait: { kind: 'told', text: 'tiles come' }, open: false }],
        crews: [
          { id: 'crew', name: 'Crew', capacity: 1, away: new Set() },
          { id: 'other', name: 'Other', capacity: 1, away: new Set() },
        ],
      }),
    );
    if (!placed.ok) throw new Error(placed.problem.message);
    const { net, placement } = placed.value;
    expect(pullForward(net, placement, net.index.get('c') ?? -1)).toEqual([
      {
        give: { kind: 'wait', work: { kind: 'called', text: 'b' }, wait: { kind: 'told', text: 'tiles come' } },
        kind: 'not-before',
        at: 'b',
        gain: 8,
        finish: 8,
      },
    ]);
    expect(pullForward(net, placement, net.index.get('a') ?? -1)).toEqual([]);
  });
});

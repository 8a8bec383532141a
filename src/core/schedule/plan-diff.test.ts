import { describe, expect, it } from 'vitest';
import { checkPlan } from './check';
import { compile } from './compiled';
import type { Link, Task } from './network';
import { timesOf } from './passes';
import { jobFinish, makePlan, type Plan } from './plan';
import { planDiff } from './plan-diff';
import type { PlanInput } from './plan-input';

const MONDAY = '2027-03-08';
const days = (slot: number): boolean => Math.floor(slot / 2) % 7 < 5;
const task = (id: string, over: Partial<Task> = {}): Task => ({
  id,
  job: 'job',
  area: null,
  phase: null,
  work: { kind: 'called', text: id },
  trade: 'carpentry',
  crew: null,
  duration: 2,
  shares: 0,
  state: 'waiting',
  floor: 0,
  calendar: 'days',
  rank: 0,
  ...over,
});
const link = (before: string, after: string, over: Partial<Link> = {}): Link => ({
  before,
  after,
  kind: 'FS',
  lag: 0,
  lagUnit: 'work',
  strength: 'hard',
  rule: 8,
  reason: 'so it is',
  ...over,
});
const input = (over: Partial<PlanInput>): PlanInput => ({
  origin: MONDAY,
  tasks: [],
  links: [],
  notBefore: [],
  exposures: [],
  crews: [{ id: 'crew', name: 'Gull Wiring', capacity: 1, away: new Set() }],
  calendars: { days, always: () => true },
  jobCalendars: { job: 'days', other: 'days' },
  promises: {},
  ...over,
});
function planned(over: Partial<PlanInput>): Plan {
  const outcome = makePlan(input(over));
  if (!outcome.ok) throw new Error(outcome.problem.message);
  expect(checkPlan(outcome.value)).toEqual([]);
  return outcome.value;
}
const at = (plan: Plan, id: string) => plan.tasks.find((plannedTask) => plannedTask.id === id);

describe('two plans', () => {
  const before = planned({
    tasks: [task('a'), task('b'), task('gone'), task('x', { job: 'other' })],
    links: [link('a', 'b')],
  });

  it('differ in what moved, came and went, each job for itself', () => {
    const after = planned({
      tasks: [task('a', { duration: 6 }), task('b'), task('new'), task('x', { job: 'other', floor: 4 })],
      links: [link('a', 'b')],
    });
    const diff = planDiff(before, after, 'job');
    expect(diff.moved.map(({ task: { id }, from, to }) => [id, from, to])).toEqual([['b', 2, 6]]);
    expect(diff.added.map(({ id }) => id)).toEqual(['new']);
    expect(diff.gone).toEqual(['gone']);
    expect(diff.finish).toEqual({ from: 4, to: 8 });
  });

  it('made on different days are compared on the same calendar', () => {
    const later = planned({
      origin: '2027-03-09',
      tasks: [task('a', { state: 'done', duration: 0 }), task('b'), task('gone')],
      links: [link('a', 'b')],
      calendars: { days: (slot) => days(slot + 2), always: () => true },
    });
    const diff = planDiff(before, later, 'job');
    // b stood on Tuesday morning before, and stands there still: half-day 0 of the later plan.
    expect(diff.moved.map(({ task: { id } }) => id)).toEqual(['gone']);
    expect(diff.gone).toEqual(['a']);
  });

  it('against nothing is all new', () => {
    expect(planDiff(undefined, before, 'job')).toMatchObject({ moved: [], gone: [], finish: { to: 4 } });
    expect(jobFinish(before, 'nowhere')).toBeUndefined();
  });
});

describe('early and late', () => {
  const times = (over: Partial<PlanInput>) => {
    const net = compile(input(over), 200);
    if (!net.ok) throw new Error(net.problem.message);
    const { earlyStart, earlyFinish, lateStart, lateFinish } = timesOf(net.value);
    return net.value.tasks.map(({ id }, number) => [
      id,
      earlyStart[number],
      earlyFinish[number],
      lateStart[number],
      lateFinish[number],
    ]);
  };

  it('go forward along links and back from the end, over a weekend', () => {
    // a ends on Friday noon; b takes Friday afternoon and Monday morning; c has until then.
    expect(times({ tasks: [task('a', { duration: 9 }), task('b'), task('c')], links: [link('a', 'b')] })).toEqual([
      ['a', 0, 9, 0, 9],
      ['b', 9, 15, 9, 15],
      ['c', 0, 2, 9, 15],
    ]);
  });

  it('leave room up to the promise, and count it back through lags', () => {
    expect(
      times({ tasks: [task('a'), task('b')], links: [link('a', 'b', { lag: 4 })], promises: { job: 10 } }),
    ).toEqual([
      ['a', 0, 2, 2, 4],
      ['b', 6, 8, 8, 10],
    ]);
    expect(
      times({
        tasks: [task('a'), task('b')],
        links: [link('a', 'b', { lag: 4, lagUnit: 'elapsed' })],
        promises: { job: 10 },
      }),
    ).toEqual([
      ['a', 0, 2, 2, 4],
      ['b', 6, 8, 8, 10],
    ]);
  });

  it('know start-to-start and finish-to-finish', () => {
    expect(
      times({ tasks: [task('a', { duration: 6 }), task('b')], links: [link('a', 'b', { kind: 'SS', lag: 2 })] }),
    ).toEqual([
      ['a', 0, 6, 0, 6],
      ['b', 2, 4, 4, 6],
    ]);
    expect(times({ tasks: [task('a', { duration: 6 }), task('b')], links: [link('a', 'b', { kind: 'FF' })] })).toEqual([
      ['a', 0, 6, 0, 6],
      ['b', 4, 6, 4, 6],
    ]);
  });
});

describe('what may slip', () => {
  it('is the time until somebody waits, and nothing on the way that decides the end', () => {
    const plan = planned({
      tasks: [task('long', { duration: 8 }), task('short'), task('end')],
      links: [link('long', 'end'), link('short', 'end')],
    });
    expect(
      [at(plan, 'long'), at(plan, 'short'), at(plan, 'end')].map((entry) => [entry?.float, entry?.critical]),
    ).toEqual([
      [0, true],
      [6, false],
      [0, true],
    ]);
  });
});

describe('a network that cannot be planned', () => {
  it('is refused with the task whose crew nobody knows', () => {
    expect(
      makePlan(input({ tasks: [task('a', { crew: 'strangers', work: { kind: 'called', text: 'Kitchen · wires' } })] })),
    ).toMatchObject({
      ok: false,
      problem: { code: 'crew-unknown', message: 'Kitchen · wires is given to a crew that is not on the list.' },
    });
  });

  it('leaves links to nowhere aside, as from a job that is closed', () => {
    expect(at(planned({ tasks: [task('a')], links: [link('ghost', 'a'), link('a', 'ghost')] }), 'a')?.start).toBe(0);
  });
});

describe('the checker', () => {
  const plan = planned({
    tasks: [
      task('a', { crew: 'crew' }),
      task('b', { area: 'room', shares: 2 }),
      task('c', { area: 'room', shares: 2 }),
      task('d', { floor: 4 }),
      task('m', { duration: 0 }),
    ],
    links: [link('a', 'b', { lag: 2 }), link('a', 'm')],
    notBefore: [{ task: 'c', slot: 2, wait: { kind: 'told', text: 'it comes' }, open: false }],
  });
  const moved = (id: string, start: number, over: object = {}): Plan => ({
    ...plan,
    tasks: plan.tasks.map((plannedTask) =>
      plannedTask.id === id
        ? {
            ...plannedTask,
            start,
            finish: start + plannedTask.duration,
            slots: Array.from({ length: plannedTask.duration }, (_, add) => start + add),
            ...over,
          }
        : plannedTask,
    ),
  });

  it.each([
    ['a lag that is not kept', moved('b', 2), 'a > b: FS + 2 work not kept'],
    ['a start before its floor', moved('d', 0), 'd: starts before 4'],
    ['a start before what it waits for', moved('c', 0), 'c: starts before 2'],
    ['two in a room for one', moved('c', 4), 'area full'],
    ['work on a day off', moved('d', 10), 'd: does not take the worked slots between its start and its finish'],
    ['fewer half-days than it needs', moved('d', 4, { slots: [4] }), 'd: takes 1 slots, not 2'],
    ['a milestone that takes time', moved('m', 2, { finish: 4 }), 'm: takes time though it has none to take'],
    ['a link to nowhere', { ...plan, links: [...plan.links, link('a', 'ghost')] }, 'a > ghost: names no task'],
    [
      'a crew that is away',
      { ...plan, crewCapacity: [{ sub: 'crew', name: 'Gull Wiring', capacity: 1, away: [0] }] },
      'a: does not take the worked slots between its start and its finish',
    ],
  ])('finds %s', (_, broken, words) => {
    expect(checkPlan(broken).join('\n')).toContain(words);
  });
});

import { describe, expect, it } from 'vitest';
import type { Link, Task } from './network';
import { makePlan } from './plan';
import type { PlanInput } from './plan-input';
import type { Reason } from './reasons';
import { sayReason } from '../words/reason';

const days = (slot: number): boolean => Math.floor(slot / 2) % 7 < 5;
const task = (id: string, over: Partial<Task> = {}): Task => ({
  id,
  job: 'job',
  area: null,
  phase: null,
  work: { kind: 'called', text: `Kitchen · ${id}` },
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
  rule: 14,
  reason: 'paint over wet board peels',
  ...over,
});

/** Origin is a Monday. @returns why `b` starts when it does */
function why(over: Partial<PlanInput>): Reason | undefined {
  const outcome = makePlan({
    origin: '2027-03-08',
    tasks: [],
    links: [],
    notBefore: [],
    exposures: [],
    crews: [{ id: 'crew', name: 'Gull Wiring', capacity: 1, away: new Set() }],
    calendars: { days, always: () => true },
    jobCalendars: { job: 'days' },
    promises: {},
    ...over,
  });
  if (!outcome.ok) throw new Error(outcome.problem.message);
  return outcome.value.tasks.find((planned) => planned.id === 'b')?.reason;
}

/** The same as it is said. */
const said = (over: Partial<PlanInput>): string => {
  const reason = why(over);
  return reason ? sayReason(reason, '2027-03-08') : '';
};

describe('why here?', () => {
  it('because of the work before it, with its end and what a rule says', () => {
    const after = { tasks: [task('a'), task('b')], links: [link('a', 'b')] };
    expect(why(after)).toEqual({
      kind: 'link',
      task: 'a',
      work: { kind: 'called', text: 'Kitchen · a' },
      how: 'ends',
      at: { day: '2027-03-08', afternoon: true },
      rule: 14,
      why: 'paint over wet board peels',
    });
    expect(said(after)).toBe(
      'It comes after Kitchen · a, which ends Mon 8 Mar, afternoon: paint over wet board peels.',
    );
  });

  it.each([
    [1, 'work', 'half a day to be made'],
    [2, 'elapsed', 'a day to dry or cure'],
    [14, 'elapsed', '7 days to dry or cure'],
  ] as const)('then %i half-days (%s) are said as %s', (lag, lagUnit, words) => {
    expect(said({ tasks: [task('a'), task('b')], links: [link('a', 'b', { lag, lagUnit })] })).toContain(
      `, plus ${words}: `,
    );
  });

  it('because of work that is done and still dries', () => {
    const done = task('a', { state: 'done', duration: 0, floor: 0 });
    expect(said({ tasks: [done, task('b')], links: [link('a', 'b', { lag: 6, lagUnit: 'elapsed' })] })).toContain(
      'Kitchen · a is done, plus 3 days to dry or cure',
    );
    expect(why({ tasks: [done, task('b')], links: [link('a', 'b')] })?.kind).not.toBe('link');
  });

  it('because of the hard one of two that end together', () => {
    const links = [link('c', 'b', { strength: 'soft', reason: 'it is nicer' }), link('a', 'b')];
    expect(why({ tasks: [task('a'), task('c'), task('b')], links })).toMatchObject({ task: 'a' });
  });

  it('because of a milestone that is reached', () => {
    expect(said({ tasks: [task('a', { duration: 0, floor: 4 }), task('b')], links: [link('a', 'b')] })).toContain(
      'It comes after Kitchen · a on Wed 10 Mar',
    );
  });

  it('because somebody has not answered, and that is only hoped for', () => {
    expect(
      why({
        tasks: [task('b')],
        notBefore: [{ task: 'b', slot: 6, wait: { kind: 'told', text: 'the engineer has not answered' }, open: true }],
      }),
    ).toEqual({ kind: 'not-before', held: true, wait: { kind: 'told', text: 'the engineer has not answered' } });
    expect(
      why({
        tasks: [task('b')],
        notBefore: [{ task: 'b', slot: 6, wait: { kind: 'told', text: 'tiles arrive' }, open: false }],
      }),
    ).not.toHaveProperty('held');
  });

  it('because the crew is elsewhere or away, by name', () => {
    const busy = { tasks: [task('a', { crew: 'crew' }), task('b', { crew: 'crew', rank: 1 })] };
    expect(why(busy)).toMatchObject({ kind: 'crew', task: 'a' });
    expect(said(busy)).toBe('Gull Wiring is at Kitchen · a on Mon 8 Mar.');
    expect(
      said({
        tasks: [task('b', { crew: 'crew' })],
        crews: [{ id: 'crew', name: 'Gull Wiring', capacity: 1, away: new Set([0, 1]) }],
      }),
    ).toBe('Gull Wiring is away on Mon 8 Mar.');
  });

  it('because the room is taken', () => {
    const room = { area: 'room', shares: 2 };
    const taken = { tasks: [task('a', room), task('b', { ...room, rank: 1 })] };
    expect(why(taken)).toMatchObject({ kind: 'area', task: 'a' });
    expect(said(taken)).toBe('Kitchen · a has the room until Mon 8 Mar, afternoon.');
  });

  it('because nothing holds it, or its job begins then, or it is under way', () => {
    expect(why({ tasks: [task('b')] })).toEqual({ kind: 'now' });
    expect(said({ tasks: [task('b')] })).toBe('Ready to start.');
    expect(said({ tasks: [task('b', { floor: 14 })] })).toBe('Work on this job begins on Mon 15 Mar.');
    expect(why({ tasks: [task('b', { state: 'under-way' })] })).toMatchObject({ kind: 'under-way' });
    expect(why({ tasks: [task('b', { state: 'done', duration: 0 })] })).toEqual({ kind: 'done' });
  });
});

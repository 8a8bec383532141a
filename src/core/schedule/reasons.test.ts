import { describe, expect, it } from 'vitest';
import type { Link, Task } from './network';
import { makePlan } from './plan';
import type { PlanInput } from './plan-input';
import type { Reason } from './reasons';

const days = (slot: number): boolean => Math.floor(slot / 2) % 7 < 5;
const task = (id: string, over: Partial<Task> = {}): Task => ({
  id,
  job: 'job',
  area: null,
  phase: null,
  label: `Kitchen · ${id}`,
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

describe('why here?', () => {
  it('because of the work before it, with its end and what a rule says', () => {
    expect(why({ tasks: [task('a'), task('b')], links: [link('a', 'b')] })).toEqual({
      kind: 'link',
      task: 'a',
      rule: 14,
      text: 'Not earlier: Kitchen · a ends Mon 8 Mar, afternoon — paint over wet board peels.',
    });
  });

  it.each([
    [1, 'work', 'half a day of making time'],
    [2, 'elapsed', 'a day to dry or cure'],
    [14, 'elapsed', '7 days to dry or cure'],
  ] as const)('and then %i half-days (%s) are said as %s', (lag, lagUnit, words) => {
    expect(why({ tasks: [task('a'), task('b')], links: [link('a', 'b', { lag, lagUnit })] })?.text).toContain(
      `, and then ${words} — `,
    );
  });

  it('because of work that is done and still dries', () => {
    const done = task('a', { state: 'done', duration: 0, floor: 0 });
    expect(why({ tasks: [done, task('b')], links: [link('a', 'b', { lag: 6, lagUnit: 'elapsed' })] })?.text).toContain(
      'Kitchen · a is done, and then 3 days to dry or cure',
    );
    expect(why({ tasks: [done, task('b')], links: [link('a', 'b')] })?.kind).not.toBe('link');
  });

  it('because of the hard one of two that end together', () => {
    const links = [link('c', 'b', { strength: 'soft', reason: 'it is nicer' }), link('a', 'b')];
    expect(why({ tasks: [task('a'), task('c'), task('b')], links })?.task).toBe('a');
  });

  it('because of a milestone that is reached', () => {
    expect(why({ tasks: [task('a', { duration: 0, floor: 4 }), task('b')], links: [link('a', 'b')] })?.text).toContain(
      'Kitchen · a is reached on Wed 10 Mar',
    );
  });

  it('because somebody has not answered, and that is only hoped for', () => {
    expect(
      why({
        tasks: [task('b')],
        notBefore: [{ task: 'b', slot: 6, because: 'the engineer has not answered', open: true }],
      }),
    ).toEqual({ kind: 'not-before', held: true, text: 'Not earlier: the engineer has not answered.' });
    expect(
      why({ tasks: [task('b')], notBefore: [{ task: 'b', slot: 6, because: 'tiles arrive', open: false }] })?.held,
    ).toBeUndefined();
  });

  it('because the crew is elsewhere or away, by name', () => {
    expect(why({ tasks: [task('a', { crew: 'crew' }), task('b', { crew: 'crew', rank: 1 })] })).toMatchObject({
      kind: 'crew',
      task: 'a',
      text: 'Not earlier: Gull Wiring is at Kitchen · a on Mon 8 Mar.',
    });
    expect(
      why({
        tasks: [task('b', { crew: 'crew' })],
        crews: [{ id: 'crew', name: 'Gull Wiring', capacity: 1, away: new Set([0, 1]) }],
      }),
    ).toMatchObject({ kind: 'away', text: 'Not earlier: Gull Wiring is away from Mon 8 Mar to Mon 8 Mar.' });
  });

  it('because the room is taken', () => {
    const room = { area: 'room', shares: 2 };
    expect(why({ tasks: [task('a', room), task('b', { ...room, rank: 1 })] })).toMatchObject({
      kind: 'area',
      task: 'a',
      text: 'Not earlier: Kitchen · a has the room until Mon 8 Mar, afternoon.',
    });
  });

  it('because nothing holds it, or its job begins then, or it is under way', () => {
    expect(why({ tasks: [task('b')] })).toMatchObject({
      kind: 'now',
      text: 'It starts as soon as it can: all that comes before it is done.',
    });
    expect(why({ tasks: [task('b', { floor: 14 })] })?.text).toBe('Work at this job begins on Mon 15 Mar.');
    expect(why({ tasks: [task('b', { state: 'under-way' })] })).toMatchObject({ kind: 'under-way' });
    expect(why({ tasks: [task('b', { state: 'done', duration: 0 })] })).toEqual({ kind: 'done', text: 'Done.' });
  });
});

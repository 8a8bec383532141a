import { describe, expect, it } from 'vitest';
import { at, input, link, task } from '../../../tests/support/networks';
import { reasonSaid } from '../../../tests/support/said';
import { compile } from './compiled';
import { improve } from './improve';
import { makePlan } from './plan';
import type { PlanInput } from './plan-input';

/** Three steps at each of so many jobs, each job with a crew of its own; the first job's first step has run on. */
function afterOneWalk(jobs: number): PlanInput {
  const numbers = Array.from({ length: jobs }, (_, number) => number);
  return input({
    tasks: numbers.flatMap((n) => [
      task(`a${n}`, { job: `j${n}`, crew: `c${n}`, ...(n === 0 ? { state: 'under-way' as const, duration: 5 } : {}) }),
      task(`b${n}`, { job: `j${n}`, crew: `c${n}` }),
      task(`c${n}`, { job: `j${n}`, crew: `c${n}` }),
    ]),
    links: numbers.flatMap((n) => [link(`a${n}`, `b${n}`), link(`b${n}`, `c${n}`)]),
    crews: numbers.map((n) => ({ id: `c${n}`, name: `c${n}`, capacity: 1, away: new Set<number>() })),
    jobCalendars: Object.fromEntries(numbers.map((n) => [`j${n}`, 'days'])),
    standing: {
      ...{ frozen: 2, near: 28, late: 0, pencil: new Set<string>() },
      stood: new Map(
        numbers.flatMap((n) => [
          [`a${n}`, { slot: 0, said: 'nothing' }],
          [`b${n}`, { slot: 4, said: 'nothing' }],
          [`c${n}`, { slot: 8, said: 'nothing' }],
        ]),
      ),
    },
  });
}

/** How many schedules are made for its plan. */
function madeFor(given: PlanInput): number {
  const net = compile(given, 1_500);
  return (net.ok && improve(net.value, { schedules: 0, refined: true })?.made) || 0;
}

describe('after a walk', () => {
  it('a large firm is placed once, what stands stays, and says so', () => {
    const given = afterOneWalk(700);
    expect(madeFor(given)).toBe(1);
    const plan = makePlan(given);
    if (!plan.ok) throw new Error(plan.problem.message);
    const moved = plan.value.tasks.filter(({ id, start }) => start !== { a: 0, b: 4, c: 8 }[id[0] ?? '']);
    expect(moved.map(({ id, start }) => [id, start])).toEqual([['b0', 5]]);
    expect(reasonSaid(at(plan.value, 'b9'))).toBe('It stays on the day people go by; it could begin sooner.');
  });

  it('a small one is tried in other orders as well', () => {
    expect(madeFor(afterOneWalk(7))).toBeGreaterThan(2);
  });
});

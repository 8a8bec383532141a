import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { afterWork, beforeWork, countBefore, makeCalendar } from './calendar';
import { findLoop } from './network';
import { ReadyQueue } from './ready-queue';

const week = makeCalendar(56, (slot) => Math.floor(slot / 2) % 7 < 5);

describe('a calendar of half-days', () => {
  it('counts what is worked, over weekends and beyond its ends', () => {
    expect(week.worked).toHaveLength(40);
    expect([
      countBefore(week, 0),
      countBefore(week, 10),
      countBefore(week, 14),
      countBefore(week, 15),
      countBefore(week, -3),
      countBefore(week, 999),
    ]).toEqual([0, 10, 10, 11, 0, 40]);
  });

  it('passes worked time after an event and before one', () => {
    expect(afterWork(week, 9, 0)).toBe(9);
    expect(afterWork(week, 9, 1)).toBe(10);
    // From Saturday noon, one worked half-day has passed on Monday noon.
    expect(afterWork(week, 11, 1)).toBe(15);
    expect(beforeWork(week, 15, 1)).toBe(14);
    expect(beforeWork(week, 14, 1)).toBe(9);
  });

  it('goes there and back: what has passed by then began no later', () =>
    fc.assert(
      fc.property(
        fc.nat(40),
        fc.integer({ min: 1, max: 12 }),
        fc.uniqueArray(fc.nat(99), { maxLength: 70 }),
        (event, lag, off) => {
          const calendar = makeCalendar(100, (slot) => !off.includes(slot));
          const then = afterWork(calendar, event, lag);
          fc.pre(then <= 100);
          expect(countBefore(calendar, then) - countBefore(calendar, event)).toBe(lag);
          expect(beforeWork(calendar, then, lag)).toBeGreaterThanOrEqual(event);
          expect(countBefore(calendar, beforeWork(calendar, then, lag))).toBe(countBefore(calendar, event));
        },
      ),
    ));
});

describe('a ring of tasks', () => {
  const links = (...pairs: [string, string][]) => pairs.map(([before, after]) => ({ before, after }));

  it('is named in its order, wherever it hides', () => {
    expect(findLoop(['a', 'b', 'c', 'd'], links(['a', 'b'], ['b', 'c'], ['c', 'd'], ['d', 'b']))).toEqual([
      'b',
      'c',
      'd',
    ]);
    expect(findLoop(['a'], links(['a', 'a']))).toEqual(['a']);
    expect(findLoop(['a', 'b', 'c'], links(['a', 'b'], ['a', 'c'], ['b', 'c']))).toBeUndefined();
  });

  it('is found in a chain deeper than any stack', () => {
    const ids = Array.from({ length: 30_000 }, (_, number) => `t${number}`);
    const chain = ids.slice(1).map((id, index) => ({ before: ids[index] ?? '', after: id }));
    expect(findLoop(ids, chain)).toBeUndefined();
    expect(findLoop(ids, [...chain, { before: 't29999', after: 't0' }])).toHaveLength(30_000);
  });

  it('is found exactly where tasks cannot be put in a row', () =>
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(8), fc.nat(8)), { maxLength: 20 }), (pairs) => {
        const ids = Array.from({ length: 9 }, (_, number) => String(number));
        const given = pairs.map(([before, after]) => ({ before: String(before), after: String(after) }));
        // The plain way: take away whoever waits for nobody until none is left or nobody can be taken.
        let left = new Set(ids);
        for (let free = ids; free.length > 0;) {
          free = [...left].filter((id) => !given.some((link) => link.after === id && left.has(link.before)));
          left = new Set([...left].filter((id) => !free.includes(id)));
        }
        const loop = findLoop(ids, given);
        expect(loop !== undefined).toBe(left.size > 0);
        loop?.forEach((id, index) =>
          expect(given).toContainEqual({ before: id, after: loop[(index + 1) % loop.length] }),
        );
      }),
      { numRuns: 500 },
    ));
});

describe('the ready queue', () => {
  it('gives back the least first, whatever the order they came in', () =>
    fc.assert(
      fc.property(fc.array(fc.boolean(), { maxLength: 60 }), fc.infiniteStream(fc.nat()), (takes, seeds) => {
        // A shuffled row of places, each different.
        const place = Int32Array.from(takes.keys());
        for (let at = place.length - 1; at > 0; at--) {
          const other = (seeds.next().value ?? 0) % (at + 1);
          [place[at], place[other]] = [place[other] ?? 0, place[at] ?? 0];
        }
        const queue = new ReadyQueue(place);
        const plain: number[] = [];
        takes.forEach((take, task) => {
          if (take) {
            plain.sort((a, b) => (place[a] ?? 0) - (place[b] ?? 0));
            expect(queue.pop()).toBe(plain.shift());
          } else {
            queue.push(task);
            plain.push(task);
          }
          expect(queue.size).toBe(plain.length);
        });
      }),
    ));
});

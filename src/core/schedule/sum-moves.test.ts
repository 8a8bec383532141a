import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { causesIn } from './cause';
import { sumByCause } from './slippage';
import { sumMoves, type Move } from './sum-moves';

const instant = (day: number): string => new Date(Date.UTC(2026, 0, 1 + day)).toISOString();
const moves = fc
  .array(
    fc.record({
      day: fc.nat({ max: 40 }),
      task: fc.constantFrom('a', 'b', null),
      halves: fc.integer({ min: -6, max: 6 }),
      cause: fc.constantFrom('rain', 'a late delivery', 'a walk'),
    }),
    { maxLength: 40 },
  )
  .map((list): Move[] =>
    list
      .sort((one, other) => one.day - other.day)
      .map(({ day, ...move }, id) => ({ ...move, id, madeAt: instant(day) })),
  );

describe('moves made one', () => {
  it('tell of every baseline what they told before, and cannot be made fewer', () => {
    fc.assert(
      fc.property(moves, fc.array(fc.nat({ max: 41 }).map(instant), { maxLength: 4 }), (before, baselines) => {
        const { kept, dropped } = sumMoves(before, baselines);
        const sums = new Map(kept.map(({ id, halves }) => [id, halves]));
        const after = before
          .filter(({ id }) => !dropped.includes(id))
          .map((move) => ({ ...move, halves: sums.get(move.id) ?? move.halves }));
        for (const since of ['', ...baselines])
          for (const task of ['a', 'b', null]) {
            const told = (list: readonly Move[]) =>
              sumByCause(
                list
                  .filter((move) => move.task === task && move.madeAt > since)
                  .map(({ cause, halves }) => ({ causes: causesIn(cause), halves })),
              );
            expect(told(after)).toEqual(told(before));
          }
        expect(sumMoves(after, baselines)).toEqual({ kept: [], dropped: [] });
      }),
    );
  });
});

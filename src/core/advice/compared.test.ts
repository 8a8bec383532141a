import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compareAnswers, type Comparable } from './compared';

const answer = (key: string, over: Partial<Comparable> = {}): Comparable => ({
  ...{
    key,
    title: key,
    won: 0,
    lateInAll: 0,
    trips: 0,
    people: 0,
    conflicts: 0,
    nights: 0,
    daysOff: 0,
    cost: 0,
    open: 0,
    points: 100,
  },
  ...over,
});
const wait = answer('wait', { lateInAll: 4, people: 3 });

describe('answers to a slip', () => {
  it('stand by the firm’s weights, and what is no better than another says which and why', () => {
    const { best, folded } = compareAnswers(wait, [
      answer('saturday', { won: 2, lateInAll: 2, people: 3, points: 80 }),
      answer('trim first', { won: 5, lateInAll: 0, trips: 1, people: 3, points: 20 }),
      answer('two Saturdays', { won: 2, lateInAll: 2, trips: 1, people: 4, points: 90 }),
      answer('same again', { lateInAll: 4, people: 3 }),
      answer('three days later', { won: -3, lateInAll: 4, trips: -1, people: 0, points: 160 }),
    ]);
    expect(best.map(({ key }) => key)).toEqual(['trim first', 'saturday']);
    expect(folded.map(({ answer: { key }, why }) => [key, why])).toEqual([
      ['two Saturdays', '“trim first” wins more, is less late, moves fewer people'],
      ['same again', 'comes to the same as “wait”'],
      ['three days later', 'worse than “wait” by what the firm weighs: ends, trips and visits that move'],
    ]);
  });

  const middling = answer('wait', { people: 1, points: 10 });
  const figures = fc.record({
    ...{ won: fc.integer({ min: -3, max: 3 }), lateInAll: fc.nat(3), trips: fc.integer({ min: -2, max: 2 }) },
    ...{
      people: fc.nat(3),
      conflicts: fc.nat(1),
      nights: fc.nat(1),
      daysOff: fc.nat(1),
      open: fc.nat(1),
      points: fc.nat(20),
    },
  });

  it('are none lost, none is worse than waiting by the weights, and whatever is folded has somebody who is nowhere worse', () =>
    fc.assert(
      fc.property(fc.array(figures, { maxLength: 8 }), (list) => {
        const given = list.map((one, at) => answer(`a${at}`, one));
        const { best, folded } = compareAnswers(middling, given);
        expect([...best, ...folded.map((one) => one.answer)].map(({ key }) => key).sort()).toEqual(
          given.map(({ key }) => key).sort(),
        );
        expect(best.filter(({ points, open }) => points > middling.points && open >= middling.open)).toEqual([]);
        const sides = ['lateInAll', 'trips', 'people', 'conflicts', 'nights', 'daysOff', 'open'] as const;
        for (const { answer: one } of folded)
          expect(
            one.points > middling.points ||
              [middling, ...best].some(
                (other) => other.won >= one.won && sides.every((side) => other[side] <= one[side]),
              ),
          ).toBe(true);
      }),
    ));
});

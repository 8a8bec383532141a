import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { getIn, longestRound } from './get-in';

const way = fc.integer({ min: 500, max: 3000 });

describe('a piece round a corner', () => {
  it('is as long as a line without thickness, by its closed form', () =>
    fc.assert(
      fc.property(way, way, (a, b) => {
        expect(longestRound(a, b, 0)).toBeCloseTo((a ** (2 / 3) + b ** (2 / 3)) ** 1.5, 2);
      }),
    ));

  it('touches the inner corner at no angle, and is shorter the thicker it is', () =>
    fc.assert(
      fc.property(way, way, fc.integer({ min: 0, max: 400 }), (a, b, thickness) => {
        const longest = longestRound(a, b, thickness);
        expect(longest).toBeLessThanOrEqual(longestRound(a, b, Math.max(0, thickness - 10)) + 1e-6);
        for (let angle = 0.02; angle < Math.PI / 2; angle += 0.02)
          expect(longest).toBeLessThanOrEqual(
            a / Math.cos(angle) + b / Math.sin(angle) - thickness / (Math.sin(angle) * Math.cos(angle)) + 1e-6,
          );
      }),
    ));

  it('does not go where it is thicker than the way', () => expect(longestRound(800, 900, 850)).toBe(0));
});

describe('whether it can be got in', () => {
  const opening = (width: number, height: number) => [{ kind: 'opening', width, height }];
  const sheet = { piece: 'sheet', length: 2500, width: 1250, height: 13, mass: 28 };
  const boiler = { piece: 'machine', length: 900, width: 700, height: 1400, mass: 300 };

  it.each<[string, object, object]>([
    // Into 0.90 m out of 1.00 m: 2.69 m less what its 90 mm take, tilted in 2.35 m; 5.20 m are two pieces.
    [
      'a beam that is too long for a turn',
      {},
      { fits: false, pieces: 2, people: 2, stops: ['the turn, number 2 on its way'] },
    ],
    ['a shorter one', { length: 3000 }, { fits: true, pieces: 1, longest: 3000, people: 3 }],
    ['a sheet on edge that is too high', { ...sheet, ways: opening(700, 1200) }, { fits: false, pieces: 0 }],
    ['a sheet on edge', { ...sheet, ways: opening(700, 1300) }, { fits: true, people: 2 }],
    ['a boiler that may not be laid down', { ...boiler, ways: opening(750, 1350) }, { fits: false, longest: 0 }],
    [
      'a boiler up a stair',
      { ...boiler, ways: [{ kind: 'stair', width: 750, headroom: 1900 }] },
      { fits: true, people: 12, follows: ['a machine or rollers instead of hands'] },
    ],
    [
      'a crane that lifts it, but not its slings',
      { mass: 500, ways: [{ kind: 'crane', lifts: 545 }] },
      { fits: false },
    ],
    ['a crane that lifts both', { mass: 500, ways: [{ kind: 'crane', lifts: 550 }] }, { fits: true }],
    ['a hose that is too short', { ways: [{ kind: 'hose', distance: 30_000, hose: 25_000 }] }, { fits: false }],
  ])('%s', (_, over, expected) => {
    const outcome = getIn.run({ ...getIn.example, ...over });
    expect(outcome).toMatchObject({ ok: true, value: expected });
  });

  it('gets no harder by a wider way, and no easier by a longer piece', () =>
    fc.assert(
      fc.property(
        way,
        way,
        fc.integer({ min: 500, max: 9000 }),
        fc.integer({ min: 0, max: 900 }),
        (before, after, length, more) => {
          const fits = (over: object): boolean => {
            const outcome = getIn.run({ ...getIn.example, length, ...over });
            return outcome.ok && outcome.value.fits === true;
          };
          const turn = (wider: number) => [{ kind: 'turn', before: before + wider, after, height: 2400 }];
          if (fits({ ways: turn(0) })) expect(fits({ ways: turn(more) })).toBe(true);
          else expect(fits({ ways: turn(0), length: length + more })).toBe(false);
        },
      ),
    ));
});

import fc from 'fast-check';
import { sayWay, sayWayIn } from '../words/way-in';
import { describe, expect, it } from 'vitest';
import { getIn } from './get-in';
import { judgeWayIn, longestRound, type LargePiece, type Way } from './way-in';

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

describe('a large piece against the ways of a job', () => {
  const beam: LargePiece = { kind: 'beam', length: 5200, width: 90, height: 240, mass: 62 };
  const ways = (...list: Way[]) => list.map((way, at) => ({ id: String(at), way }));
  const turn: Way = { kind: 'turn', before: 1000, after: 900, height: 2350 };
  const gate: Way = { kind: 'opening', width: 820, height: 2040 };
  const said = (piece: LargePiece, usual: Way[], beside: Way[] = []): string[] => {
    const [passed, others] = [ways(...usual), beside.map((way, at) => ({ id: `other ${at}`, way }))];
    const all = new Map([...passed, ...others].map(({ id, way }) => [id, sayWay(way, 'metric')]));
    return sayWayIn(judgeWayIn(piece, passed, others), piece, (id) => all.get(id) ?? '', 'metric').map(
      ({ text }) => text,
    );
  };

  it('says what stops it, which other way takes it, in how many pieces, by how many people and for how long', () => {
    expect(said(beam, [gate, turn, { kind: 'carry', distance: 40_000 }])).toEqual([
      'It does not come through turn out of 1000 mm into 900 mm, 2350 mm high.',
      expect.stringMatching(
        /^In 2 pieces of at most 3[23]\d\d mm each, where the engineer’s drawing allows a joint\.$/,
      ),
      '2 people to a piece by usual guidance.',
      'Carrying it is 10 minutes of work in all.',
    ]);
    expect(said(beam, [turn], [{ kind: 'opening', width: 1200, height: 900 }])[1]).toMatch(
      /^It comes in another way: 1200 mm wide, 900 mm high\./,
    );
    expect(said({ ...beam, length: 2900 }, [gate, turn])).toEqual([
      'It comes in as it is.',
      '3 people to a piece by usual guidance.',
    ]);
  });

  it('leaves a machine upright, takes a crane as another way, and asks for a weight nobody has said', () => {
    const boiler: LargePiece = { kind: 'machine', length: 900, width: 700, height: 1400, mass: 300 };
    const low: Way = { kind: 'opening', width: 900, height: 1350 };
    expect(said(boiler, [low])).toEqual([
      expect.stringContaining('does not come through'),
      'Taken apart, a smaller one, or an opening made for it.',
      'It takes 12 people, more than get round one piece: use rollers or a machine.',
    ]);
    expect(said(boiler, [low, { kind: 'crane', lifts: 329 }])[1]).toMatch(/^Taken apart/);
    expect(said(boiler, [low, { kind: 'crane', lifts: 331 }])[1]).toMatch(/^It comes in another way: a crane/);
    expect(said({ ...boiler, mass: null }, [])).toEqual(['It comes in as it is.', 'Nobody has said what it weighs.']);
    expect(sayWay({ kind: 'hose', distance: 30_000, hose: 25_000 }, 'metric')).toMatch(/the hose is 5000 mm too short/);
  });

  it('never gets in by fewer ways what gets in by more in its way, and is judged as Bench judges it', () => {
    const size = fc.integer({ min: 300, max: 3000 });
    const anyWay = fc.oneof(
      fc.record({ kind: fc.constant('opening' as const), width: size, height: size }),
      fc.record({ kind: fc.constant('stair' as const), width: size, headroom: size }),
      fc.record({ kind: fc.constant('turn' as const), before: size, after: size, height: size }),
    );
    const anyPiece = fc.record({
      kind: fc.constantFrom('beam' as const, 'sheet' as const, 'machine' as const),
      length: fc.integer({ min: 100, max: 8000 }),
      width: fc.integer({ min: 10, max: 1500 }),
      height: fc.integer({ min: 10, max: 2200 }),
      mass: fc.integer({ min: 1, max: 900 }),
    });
    fc.assert(
      fc.property(anyPiece, fc.array(anyWay, { minLength: 1, maxLength: 5 }), (piece, list) => {
        const verdict = judgeWayIn(piece, ways(...list), []);
        if (verdict.fits) expect(judgeWayIn(piece, ways(...list.slice(1)), []).fits).toBe(true);
        const { kind, ...rest } = piece;
        const bench = getIn.run({ piece: kind, ...rest, ways: list, carry: 0 });
        expect(bench.ok && bench.value.fits).toBe(verdict.fits);
        expect(bench.ok && bench.value.pieces).toBe(verdict.pieces);
      }),
    );
  });
});

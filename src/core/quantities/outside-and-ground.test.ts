import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drainFittings } from './drain-fittings';
import { footingSteps } from './footing-steps';
import { roofEdges } from './roof-edges';

/** Worked with a pencil before they were run. */
const given = (calculator: { run: (input: unknown) => { ok: boolean; value?: unknown } }, input: object) => {
  const outcome = calculator.run(input);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome));
  return outcome.value;
};

describe('edges of a roof', () => {
  it('are longer on the slope: at 12 in 12 a verge by √2 and a hip by √3', () => {
    const square = { ...roofEdges.example, riseIn12: 12, run: 1000, ridge: 0, hips: 1, valleys: 0, lap: 0, waste: 0 };
    expect(given(roofEdges, { ...square, piece: 1000 })).toMatchObject({
      verge: expect.closeTo(1414.21, 2) as number,
      hip: expect.closeTo(1732.05, 2) as number,
      caps: 2,
    });
    // 5200 + 4 · 4200 · √(2 + 0.3403) = 5200 + 25 701; · 1.05 = 32 446; / 1900 = 17.08
    expect(given(roofEdges, roofEdges.example)).toMatchObject({ caps: 18, valleyPieces: 8, eavesPieces: 21 });
    expect(roofEdges.run({ ...roofEdges.example, lap: 2000 })).toMatchObject({ ok: false, problem: { field: 'lap' } });
  });
});

describe('a footing that steps with its ground', () => {
  const slope = {
    ...footingSteps.example,
    ground: [
      { along: 0, ground: 0 },
      { along: 4500, ground: -450 },
    ],
    waste: 0,
  };

  it('steps up from its lowest place, with its concrete and its bars', () => {
    expect(given(footingSteps, slope)).toMatchObject({
      steps: 1,
      ends: [2250, 4500],
      bottoms: [-1125, -1350],
      volume: expect.closeTo(0.7425, 6) as number, // (4.5 + 0.45) · 0.6 · 0.25
      steel: 16_350, // 3 · (4500 + 450 + 500)
      uprights: 12, // 4500 / 400, and one at the end
      chairs: 10, // 2 · 5
    });
  });

  it('refuses a step that leaves nothing to join, and ground of one place', () => {
    expect(footingSteps.run({ ...slope, step: 300 })).toMatchObject({ ok: false, problem: { field: 'step' } });
    const flat = [
      { along: 0, ground: 0 },
      { along: 0, ground: -100 },
    ];
    expect(footingSteps.run({ ...slope, ground: flat })).toMatchObject({ ok: false, problem: { field: 'ground' } });
  });

  it('lies everywhere deep enough, and nowhere a whole step deeper than its strip asks', () => {
    const ground = fc.array(fc.integer({ min: -1500, max: 0 }), { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(ground, fc.integer({ min: 100, max: 250 }), (levels, step) => {
        const points = levels.map((level, at) => ({ along: at * 2000, ground: level }));
        const { ends, bottoms, steps } = given(footingSteps, { ...slope, ground: points, step }) as {
          ends: number[];
          bottoms: number[];
          steps: number;
        };
        const at = (x: number): number => {
          const before = Math.min(levels.length - 2, Math.floor(x / 2000));
          const [low = 0, high = 0] = [levels[before], levels[before + 1]];
          return low + ((high - low) * (x - before * 2000)) / 2000;
        };
        bottoms.forEach((bottom, run) => {
          for (let x = ends[run - 1] ?? 0; x <= (ends[run] ?? 0); x += 10)
            expect(at(x) - bottom).toBeGreaterThanOrEqual(900 - 1e-6);
        });
        expect(steps).toBeGreaterThanOrEqual(bottoms.length - 1);
      }),
    );
  });
});

describe('pipes and fittings of a drain', () => {
  it('are whole pipes a leg, what joins them, and chambers that reach every part', () => {
    // 12.4 · 1.05 / 3 = 4.34; 6.1 · 1.05 / 3 = 2.14; couplings 8 + 2 · 3 + 3 · 4; one chamber at the head and one between
    expect(given(drainFittings, drainFittings.example)).toEqual({
      pipes: 8,
      couplings: 26,
      bends: 3,
      junctions: 4,
      chambers: 2,
    });
    const long = { ...drainFittings.example, legs: [{ length: 50_000, fall: 0.0125 }] };
    expect(given(drainFittings, long)).toMatchObject({ chambers: 3 });
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { longestRound } from './get-in';

const way = fc.integer({ min: 500, max: 3000 });

describe('a piece round a corner', () => {
  it('is at most what a line without thickness is, by its closed form', () =>
    fc.assert(
      fc.property(way, way, (a, b) => {
        expect(longestRound(a, b, 0)).toBeCloseTo((a ** (2 / 3) + b ** (2 / 3)) ** 1.5, 2);
      }),
    ));

  it('touches the inner corner nowhere before that, at any angle, and is shorter the thicker it is', () =>
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

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BEARING_SIGN_KEYS, BEARING_SIGNS, weigh } from './bearing-signs';

describe('signs that a wall carries, or not', () => {
  it('stand side by side, and the quickest of what was not looked at comes next', () => {
    expect(weigh(['joists-along', 'wall-above'])).toEqual({
      carries: ['a wall stands above it'],
      not: ['joists run along it'],
      next: { look: 'measure it downstairs', minutes: 10 },
    });
    expect(weigh([]).next).toEqual({ look: 'measure it upstairs', minutes: 10 });
    expect(weigh(BEARING_SIGN_KEYS).next).toBeUndefined();
  });

  it('name each sign that was seen once, whichever way it speaks', () =>
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom(...BEARING_SIGN_KEYS)), (seen) => {
        const { carries, not } = weigh(seen);
        expect([...carries, ...not].sort()).toEqual(seen.map((sign) => BEARING_SIGNS[sign].label).sort());
      }),
    ));
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blocksOf } from './rungs';

const rung = fc
  .record({
    label: fc.string(),
    from: fc.integer({ min: 0, max: 60 }),
    long: fc.integer({ min: 1, max: 9 }),
    slipped: fc.boolean(),
  })
  .map(({ long, ...rest }) => ({ ...rest, to: rest.from + long }));

describe('work that is drawn as blocks', () => {
  it('keeps every piece once, in the order of time, and covers each', () => {
    fc.assert(
      fc.property(fc.array(rung), fc.integer({ min: 1, max: 12 }), (rungs, least) => {
        const blocks = blocksOf(rungs, least);
        expect(blocks.flatMap(({ labels }) => labels).sort()).toEqual(rungs.map(({ label }) => label).sort());
        for (const { from, to, slipped } of rungs)
          expect(blocks.some((block) => block.from <= from && block.to >= to && block.slipped === slipped)).toBe(true);
      }),
    );
  });

  it('joins what is too short for words with what follows at once, and never what slipped with what did not', () => {
    const at = (label: string, from: number, to: number, slipped = false) => ({ label, from, to, slipped });
    expect(blocksOf([at('trim', 4, 6), at('tile', 0, 4), at('cabinets', 6, 8, true)], 6)).toEqual([
      { labels: ['tile', 'trim'], from: 0, to: 6, slipped: false },
      { labels: ['cabinets'], from: 6, to: 8, slipped: true },
    ]);
    expect(blocksOf([at('tile', 0, 8), at('trim', 8, 16)], 6)).toHaveLength(2);
  });
});

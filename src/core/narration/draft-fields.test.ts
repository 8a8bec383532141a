import { describe, expect, it } from 'vitest';
import { howFar } from './draft-fields';
import { classOf, doesOf, stemOf } from './word-classes';
import { wordsOf } from './words';

const far = (text: string): number => howFar(wordsOf([{ start: 0, end: 1, text }]).map((word) => word.text));

describe('how far something is', () => {
  it.each([
    ['about forty percent of it', 0.4],
    ['60% on', 0.6],
    ['a third of the walls', 1 / 3],
    ['three quarters up', 0.75],
    ['halfway round', 0.5],
    ['nearly all skimmed just round the window', 0.9],
    ['he has just made a start', 0.1],
    ['not a tile on the wall', 0],
    ['nobody has touched it', 0],
    ['it is all in and pressure tested', 1],
    ['done, two and three quarters inches thick', 1],
  ])('“%s”: %f', (text, share) => {
    expect(far(text)).toBeCloseTo(share, 2);
  });
});

describe('a word', () => {
  it('has a class, a use in its clause, and one form whatever its ending', () => {
    expect([classOf('joists'), classOf('zzyzx'), classOf('varnished')]).toEqual(['structure', 'other', 'worked']);
    expect([doesOf('the'), doesOf('grouted'), doesOf('she'), doesOf('forty')]).toEqual([
      'the',
      'worked',
      'he',
      'number',
    ]);
    expect(new Set(['plastering', 'plastered'].map(stemOf)).size).toBe(1);
  });
});

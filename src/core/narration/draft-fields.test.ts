import { describe, expect, it } from 'vitest';
import { fieldsOf, howFar } from './draft-fields';
import { learnt } from './learnt';
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

describe('what a draft becomes', () => {
  const fields = (kind: 'remaining' | 'caution' | 'order', text: string) =>
    fieldsOf(kind, wordsOf([{ start: 0, end: 1, text }]), learnt().choices, false);

  it('is counted once, is never cut in the middle, and blames no order that is only an order', () => {
    expect(fields('remaining', 'there are still two boxes to move up')).toMatchObject({
      subject: expect.not.stringContaining('two'),
      quantity: 2,
    });
    expect(
      fields(
        'caution',
        "it's deeper than my chest along the whole of this side and there's no boards in it so keep out",
      ).subject,
    ).toMatch(/keep out$/);
    expect(fields('order', 'the drain pipe is ordered it is three days')).toMatchObject({ days: 3 });
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

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mayCount, numberAt, partAt } from './numbers';

const ONES = (
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen ' +
  'seventeen eighteen nineteen'
).split(' ');
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');

/** A number under a hundred as it is spoken. */
const underHundred = (value: number): string =>
  value < 20
    ? (ONES[value] ?? '')
    : [TENS[Math.floor(value / 10) - 2], ...(value % 10 === 0 ? [] : [ONES[value % 10]])].join(' ');
/** A number under ten thousand in full. */
function spoken(value: number, and: boolean): string {
  const rest = (part: number): string => (part === 0 ? '' : `${and ? ' and' : ''} ${underHundred(part)}`);
  if (value < 100) return underHundred(value);
  if (value < 1000) return `${underHundred(Math.floor(value / 100))} hundred${rest(value % 100)}`;
  const hundreds = value % 1000;
  const said = hundreds < 100 ? rest(hundreds) : ` ${spoken(hundreds, and)}`;
  return `${underHundred(Math.floor(value / 1000))} thousand${said}`;
}

describe('a number in speech', () => {
  it('is read whole, however large and with or without “and”', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), fc.boolean(), (value, and) => {
        const words = spoken(value, and).split(' ');
        expect(numberAt(words, 0)).toMatchObject({ value, to: words.length, fraction: false });
      }),
    );
  });

  it('is read in pairs as builders say it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 11, max: 99 }), fc.integer({ min: 10, max: 99 }), (first, second) => {
        fc.pre(first % 10 !== 0 || first < 20);
        const words = `${underHundred(first)} ${underHundred(second)}`.split(' ');
        expect(numberAt(words, 0)).toMatchObject({ value: first * 100 + second, pairs: true });
      }),
    );
  });

  it.each([
    ['a dozen', 12, 2],
    ['a hundred and ten', 110, 4],
    ['a thousand and fifty', 1050, 4],
    ['a hundred', 100, 2],
    ['eighteen hundred', 1800, 2],
    ['two seven fifty', 2750, 3],
    ['two point four', 2.4, 3],
    ['thirty four and three quarters', 34.75, 5],
    ['2.4', 2.4, 1],
    ['1,200', 1200, 1],
    ['three quarters', 0.75, 2],
    ['half', 0.5, 1],
  ])('“%s” is %s', (text, value, to) => {
    expect(numberAt(text.split(' '), 0)).toMatchObject({ value, to });
  });

  it.each(['the', 'and', 'wall', 'oh', 'hundred', ''])('does not begin with “%s”', (word) => {
    expect(numberAt([word], 0)).toBeUndefined();
  });

  it('is sought only where one can begin', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), (value) => mayCount(spoken(value, false).split(' ')[0] ?? '')),
    );
    expect(['wall', 'the', 'framing'].some(mayCount)).toBe(false);
  });

  it.each([
    ['3/4', 0.75],
    ['a quarter', 0.25],
    ['two thirds', 2 / 3],
    ['five eighths', 0.625],
  ])('“%s” is a part', (text, value) => {
    expect(partAt(text.split(' '), 0)?.value).toBeCloseTo(value, 9);
  });

  it('knows no part of nothing', () => {
    expect(partAt(['3/0'], 0)).toBeUndefined();
    expect(partAt(['zero', 'quarters'], 0)).toBeUndefined();
  });
});

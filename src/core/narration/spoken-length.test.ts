import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lengthAt, speaksMetric } from './spoken-length';

const mm = (text: string, metric: boolean): number | undefined => lengthAt(text.split(' '), 0, metric)?.mm;

describe('a length in speech', () => {
  it.each([
    ['five foot two', 1574.8],
    ['five foot', 1524],
    ['five foot eleven and a half', 1816.1],
    ['a foot and a half', 457.2],
    ['thirty four and three quarters', 882.65],
    ['thirty inches', 762],
    ['6ft 8', 2032],
    ['12"', 304.8],
    ['ten ten', 130 * 25.4],
    ['six four', 76 * 25.4],
    ['eleven ten and a half', 142.5 * 25.4],
    ['thirty six and a half', 36.5 * 25.4],
  ])('in feet: “%s” is %s mm', (text, length) => {
    expect(mm(text, false)).toBeCloseTo(length, 6);
  });

  it.each([
    ['two metres ten', 2100],
    ['two metres four fifty', 2450],
    ['seven metres thirty', 7300],
    ['two and a half metres', 2500],
    ['half a metre', 500],
    ['eighteen forty', 1840],
    ['two point four', 2400],
    ['ninety centimetres', 900],
    ['890mm', 890],
    ['2.4m', 2400],
  ])('in metres: “%s” is %s mm', (text, length) => {
    expect(mm(text, true)).toBeCloseTo(length, 6);
  });

  it('of feet and inches is what was said', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 11 }), (feet, inches) => {
        expect(mm(`${feet} foot ${inches}`, false)).toBeCloseTo((feet * 12 + inches) * 25.4, 6);
        expect(mm(`${feet} feet and ${inches} inches`, false)).toBeCloseTo((feet * 12 + inches) * 25.4, 6);
      }),
    );
  });

  it('of metres and centimetres is what was said', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 1, max: 99 }), (metres, centimetres) => {
        expect(mm(`${metres} metres ${centimetres}`, true)).toBe(metres * 1000 + centimetres * 10);
      }),
    );
  });

  it('takes the unit of the one before it in the same breath', () => {
    const words = 'two metres ten by ninety'.split(' ');
    const first = lengthAt(words, 0, true);
    expect(first).toMatchObject({ mm: 2100, to: 3 });
    expect(lengthAt(words, 4, true, first)?.unit).toBe('mm');
  });

  it.each(['half done', 'three quarters up', 'forty percent', 'ten square metres', 'the wall', 'zero'])(
    'is not in “%s”',
    (text) => {
      expect(lengthAt(text.split(' '), 0, false)).toBeUndefined();
    },
  );

  it('is sure where a unit or a fraction was said, and unsure where it may be a count', () => {
    expect(lengthAt(['thirty'], 0, false)?.sure).toBe(false);
    expect(lengthAt(['thirty', 'inches'], 0, false)?.sure).toBe(true);
    expect(lengthAt('thirty and a half'.split(' '), 0, false)?.sure).toBe(true);
  });

  it('tells by what is heard whether somebody speaks in metres', () => {
    expect(speaksMetric('the opening is two metres ten'.split(' '))).toBe(true);
    expect(speaksMetric('the opening is six foot eight'.split(' '))).toBe(false);
    expect(speaksMetric('it is eighteen hundred wide'.split(' '))).toBe(true);
    expect(speaksMetric('all done in here'.split(' '))).toBe(false);
  });
});

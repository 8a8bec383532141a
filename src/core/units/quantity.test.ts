import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import cases from '../../../tests/fixtures/numbers.json';
import { plainSigns, readNumber } from './number';
import { formatQuantity, inOwnUnit } from './format-quantity';
import { readQuantity } from './quantity';
import type { QuantityKind, UnitSystem } from './units';

const SYSTEMS: readonly UnitSystem[] = ['metric', 'imperial'];
const read = (kind: QuantityKind, text: string, system: UnitSystem = 'imperial', shown?: string): number | null => {
  const found = readQuantity(kind, text, system, shown === undefined ? {} : { shown });
  return found.ok ? found.value : null;
};

describe('numbers as people write them', () => {
  it('are read whatever parts their thousands and decimals', () => {
    const of = (value: number, comma: string, parts: string): string => {
      const [whole = '', part] = String(value).split('.');
      return whole.replace(/\B(?=(\d{3})+$)/g, parts) + (part === undefined ? '' : comma + part);
    };
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999_999 }), fc.integer({ min: 0, max: 99 }), (whole, cents) => {
        const value = Number(`${whole}.${String(cents).padStart(2, '0')}`);
        for (const [comma, parts] of [
          ['.', ','],
          ['.', ' '],
          ['.', '\u202f'],
          ['.', '’'],
          ['.', ''],
        ] as const)
          expect(readNumber(plainSigns(of(value, comma, parts)), { commaIs: 'thousands' })).toEqual({ value });
        if (value >= 1000 && !Number.isInteger(value)) expect(readNumber(of(value, ',', '.'))).toEqual({ value });
      }),
    );
  });

  it('are asked back where a comma can be either, and said by whoever knows', () => {
    expect(readNumber('1,250')).toEqual({ ambiguous: [1250, 1.25] });
    expect(readNumber('1,250', { commaIs: 'thousands' })).toEqual({ value: 1250 });
    expect(readNumber('1,250', { commaIs: 'decimals' })).toEqual({ value: 1.25 });
    expect([readNumber('0,125'), readNumber('1,25'), readNumber('12345,678')]).toEqual([
      { value: 0.125 },
      { value: 1.25 },
      { value: 12345.678 },
    ]);
  });

  it.each([
    '',
    '.',
    ',',
    '1,',
    ',5',
    '1,2,3',
    '12,34,567',
    '1 23',
    '1.2.3',
    '1/0',
    '5/4',
    '1/2/3',
    '4 5/',
    '1,200,00',
    '--3',
    '1e9',
    'x',
  ])('are none where they are written like “%s”', (text) => expect(readNumber(text)).toBeUndefined());
});

describe('quantities as they are typed', () => {
  it.each(
    (cases as { cases: { kind: QuantityKind; system: UnitSystem; text: string; expect: { value: number } | null }[] })
      .cases,
  )('$kind in $system: “$text”', ({ kind, system, text, expect: wanted }) => {
    const value = read(kind, text, system);
    if (wanted === null) expect(value).toBeNull();
    else
      expect(Math.abs((value ?? Number.NaN) - wanted.value)).toBeLessThanOrEqual(1e-4 * Math.max(1e-9, wanted.value));
  });

  it.each<[QuantityKind, string, UnitSystem, number]>([
    ['length', `6' 0 1/2"`, 'metric', 1841.5],
    ['length', '6ft. 6 in.', 'imperial', 1981.2],
    ['length', '1 m 20 cm', 'metric', 1200],
    ['length', '2 yd', 'imperial', 1828.8],
    ['length', '1,250', 'metric', 1250],
    ['area', `10' x 12' 6"`, 'metric', 11.612_88],
    ['area', '2,5 × 4 m', 'metric', 10],
    ['area', '3 sq', 'imperial', 27.870_912],
    ['area', '46 m^2', 'imperial', 46],
    ['volume', `10' x 10' x 4"`, 'imperial', 0.943_895],
    ['volume', '200 l', 'metric', 0.2],
    ['mass', '2 tons', 'imperial', 1814.369_48],
    ['mass', '2 tons', 'metric', 2000],
    ['liquid', '5 gal', 'metric', 18.927_059],
    ['money', '€1.850,50', 'metric', 185_050],
    ['money', '12 USD', 'imperial', 1200],
    ['count', '2 doz', 'imperial', 24],
    ['count', '12 pcs', 'metric', 12],
    ['fall', '¼ in/ft', 'metric', 1 / 48],
    ['fall', '12 mm per m', 'imperial', 0.012],
    ['resistance', 'R-19', 'metric', 3.346_092],
    ['resistance', '2.58 m²K/W', 'imperial', 2.58],
    ['density', '35 lb/ft³', 'metric', 560.646],
    ['coverage', '350 sq ft/gal', 'metric', 8.589_66],
  ])('%s “%s” in %s', (kind, text, system, value) => {
    expect(read(kind, text, system)).toBeCloseTo(value, 3);
  });

  it.each<[QuantityKind, string, UnitSystem]>([
    ['length', '1,250 m', 'metric'],
    ['area', '1,250 m²', 'metric'],
    ['mass', '1,250 kg', 'imperial'],
    ['money', '1.850', 'metric'],
  ])('%s “%s” is asked back, both ways said', (kind, text, system) => {
    const asked = readQuantity(kind, text, system);
    expect(asked).toMatchObject({ ok: false, problem: { code: `${kind}-asked` } });
    expect(asked.ok ? '' : asked.problem.message).toMatch(/can be (1250|1850) or 1\.(2|8)5/);
  });

  it('a bare number is read where the field shows its unit, and nowhere else', () => {
    expect([read('area', '46'), read('area', '46', 'imperial', 'sq ft'), read('area', '46', 'metric', 'm²')]).toEqual([
      null,
      46 * 0.09290304,
      46,
    ]);
    expect(read('area', '46 m²', 'imperial', 'sq ft')).toBe(46);
  });

  it('less than 0 only where it can be meant, and never more than a house', () => {
    expect(readQuantity('length', `-2' 6"`, 'imperial', { signed: true })).toEqual({ ok: true, value: -762 });
    expect(read('length', `-2' 6"`)).toBeNull();
    expect(readQuantity('mass', '99,000,000 kg', 'metric')).toMatchObject({ problem: { code: 'mass-absurd' } });
  });

  it('are read back as they are written', () => {
    const kinds = ['area', 'volume', 'liquid', 'mass', 'resistance', 'density', 'coverage'] as const;
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.constantFrom(...SYSTEMS),
        fc.double({ min: 0.01, max: 90, noNaN: true }),
        (kind, system, value) => {
          const back = read(kind, formatQuantity(kind, value, system), system === 'metric' ? 'imperial' : 'metric');
          // What is written is rounded in the job's own unit.
          const step = inOwnUnit(kind, 1, system);
          expect(Math.abs(((back ?? Number.NaN) - value) * step)).toBeLessThanOrEqual(0.501);
        },
      ),
    );
  });
});

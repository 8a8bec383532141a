import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Ask } from './ask';
import { measuredIn, measureUnit, sayMeasure } from './measured';
import { calculatorNamed } from './registry';
import { sayResult } from './say';
import { readTyped, writeTyped } from './typed';
import { understoodAs } from './understood';
import { boughtIn, readAmount, sayAmount, sayPurchase, shownUnit, typedAmount } from './units';

const UNITS = ['m²', 'm³', 'L', 'kg', 'kg/m³', 'm²/L', 'm²K/W', 'W/mK', 'W/m²K', 'cfm', 'm', 'ft', 'in', 'mm', 'times'];

describe('amounts in the job’s units', () => {
  it('are read back as they are typed, in both systems and by the unit of the other', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNITS),
        fc.constantFrom('metric' as const, 'imperial' as const),
        fc.double({ min: 0.01, max: 90, noNaN: true }),
        (unit, system, value) => {
          const text = typedAmount(value, unit, system);
          const bare = readAmount(text, unit, system);
          const other = readAmount(
            `${text} ${shownUnit(unit, system)}`,
            unit,
            system === 'metric' ? 'imperial' : 'metric',
          );
          for (const read of unit === 'times' ? [bare] : [bare, other])
            expect(Math.abs((read.ok ? read.value : Number.NaN) - value)).toBeLessThanOrEqual(1e-5 * value + 1e-9);
        },
      ),
    );
  });

  it('are bought in feet, yards and pounds, rounded up; pieces by their size', () => {
    expect(boughtIn(2, 'm³', 'imperial')).toEqual({ quantity: 2.7, unit: 'yd³' });
    expect(boughtIn(16, 'sheets', 'imperial')).toEqual({ quantity: 16, unit: 'sheets' });
    expect(boughtIn(12.5, 'm²', 'metric')).toEqual({ quantity: 12.5, unit: 'm²' });
    const sheets = { what: 'sheets', size: [1219.2, 2438.4], use: 'for strips' };
    expect(sayPurchase(sheets, 'imperial')).toBe('sheets 4\' 0" × 8\' 0", for strips');
    expect(sayPurchase(sheets, 'metric')).toBe('sheets 1219 × 2438 mm, for strips');
  });

  it('ask and answer a calculator in feet and inches', () => {
    const sheets = calculatorNamed('sheets');
    if (!sheets) throw new Error('There is no such calculator.');
    const typed = { ...writeTyped(sheets.asks, sheets.example, 'imperial') };
    const area = Object.entries(sheets.asks).find(([, ask]) => ask.unit === 'm²')?.[0] ?? '';
    // 456 square feet are no 456 square metres.
    const read = readTyped(sheets.asks, { ...typed, [area]: '456' }, 'imperial');
    expect(read.input[area]).toBeCloseTo(42.3638, 3);
    expect(readTyped(sheets.asks, { ...typed, [area]: "48' x 9' 6\"" }, 'imperial').input[area]).toBeCloseTo(
      42.3638,
      3,
    );
    expect(readTyped(sheets.asks, { ...typed, [area]: '1,250 m²' }, 'imperial').problem?.message).toContain(
      '1250 or 1.25',
    );
    expect(sayResult({ kind: 'area', label: '' }, 42.3638, 'imperial')).toBe('456 sq ft');
  });

  it('are said back as they were understood, where they do not stand for themselves', () => {
    const area = { kind: 'amount', label: 'area', unit: 'm²' } as Ask<unknown>;
    expect(understoodAs(area, '2,500 sq ft', 'metric')).toBe('= 232.3 m²');
    expect(understoodAs(area, '46', 'metric')).toBeUndefined();
    expect(understoodAs(area, 'apples', 'metric')).toBeUndefined();
    expect(understoodAs({ kind: 'length', label: 'l' }, '48', 'imperial')).toBe(`= 4' 0"`);
    expect(understoodAs({ kind: 'fraction', label: 'fall' }, '1/4 in per ft', 'imperial')).toBe('= 2.08333 %');
    expect(sayAmount(3.346, 'm²K/W', 'imperial', 1)).toBe('R-19');
  });

  it('follow a drawing into the lines of work', () => {
    const measures = { floor: 42.3638, perimeter: 26_212.8 };
    expect([measuredIn(measures, 'floor', 'imperial'), measureUnit('floor', 'imperial')]).toEqual([456, 'sq ft']);
    expect([measuredIn(measures, 'perimeter', 'imperial'), measureUnit('perimeter', 'imperial')]).toEqual([86, 'ft']);
    expect([measuredIn(measures, 'floor', 'metric'), measuredIn({}, 'floor', 'metric')]).toEqual([42.36, undefined]);
    expect(sayMeasure('floor', 42.3638, 'imperial')).toBe('456 sq ft');
  });
});

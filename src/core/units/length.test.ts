import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatLength, parseLength, type LengthSystem } from './length';

const mm = (text: string, system: LengthSystem): number | string => {
  const outcome = parseLength(text, system);
  return outcome.ok ? Math.round(outcome.value * 1e4) / 1e4 : outcome.problem.code;
};

describe('lengths as typed', () => {
  it.each([
    [`7'`, 2133.6],
    [`7' 4"`, 2235.2],
    [`7'-4 1/2"`, 2247.9],
    ['7 ft 4-1/2 in', 2247.9],
    ['4 1/2"', 114.3],
    ['3/8"', 9.525],
    [`6.5'`, 1981.2],
    ['54"', 1371.6],
    ['2.248 m', 2248],
    ['224.8cm', 2248],
    ['2248mm', 2248],
    [`25'-9 13/16"`, 7869.2375],
    ['27ft 0 13/16in', 8250.2375],
    ['7′ 4″', 2235.2],
    ['7’ 4 ½"', 2247.9],
    ['23', 584.2],
  ])('%s', (text, expected) => expect(mm(text, 'imperial')).toBe(expected));

  it('reads a bare number in the unit of the job', () => {
    expect(mm('54', 'metric')).toBe(54);
    expect(mm('54', 'imperial')).toBe(1371.6);
  });

  it.each([
    '',
    'abc',
    `12'' 6'`,
    `5' 13" 2`,
    '1/0"',
    '3 4 5',
    '-',
    `7' 6' 2"`,
    '1e400',
    'NaN',
    `12' 6 1/`,
    `7' 12"`,
    '-3 mm',
    '5/4"',
  ])('refuses %j', (text) => expect(mm(text, 'imperial')).toBe('length-unreadable'));

  it('asks again about lengths that no house has', () =>
    expect(mm('2 000 m'.replace(' ', ''), 'metric')).toBe('length-absurd'));

  it.each([
    [6368.736, `20' 10 3/4"`],
    [1536.7, `5' 0 1/2"`],
    [2133.6, `7' 0"`],
    [273.05, '10 3/4"'],
    [9.525, '3/8"'],
    [0, '0"'],
  ])('writes %s mm as %s', (value, text) => expect(formatLength(value, 'imperial')).toBe(text));

  it('comes back from what it wrote within half a sixteenth', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 900_000 }),
        fc.constantFrom<LengthSystem>('metric', 'imperial'),
        (value, system) => {
          const back = parseLength(formatLength(value, system), system);
          expect(back.ok && Math.abs(back.value - value)).toBeLessThanOrEqual(25.4 / 32 + 1e-6);
        },
      ),
    ));
});

import { answer, refuse, type Outcome } from '../problem';
import { plainSigns } from './number';
import { BY, numberOf, readQuantity } from './quantity';
import { FOOT, SQUARE_FOOT, unitAtEnd, UNITS } from './units';

/** A quantity in the unit in which somebody wrote it. */
export interface Written {
  value: number;
  unit: string;
}

/** What lines of work are measured in. */
const IN_LINES = ['area', 'volume', 'length', 'mass'] as const;

/**
 * Reads a quantity with its unit, and keeps it in that unit: `2,500 sq ft`, `12 yd³`, `48' x 8'` (384 sq ft).
 * @returns nothing where there is no number with a unit of work; a problem where the number cannot be meant
 */
export function readWritten(text: string): Outcome<Written> | undefined {
  const plain = plainSigns(text).toLowerCase();
  const no = (message: string): Outcome<Written> => refuse({ code: 'quantity-unread', message });
  if (BY.test(plain)) {
    const isImperial = /['"]|\b(?:ft|feet|foot|in|inch|inches|yd|yards?)\b/.test(plain);
    const area = readQuantity('area', plain, isImperial ? 'imperial' : 'metric');
    if (!area.ok) return area.problem.code === 'area-asked' ? no(area.problem.message) : undefined;
    return answer({
      value: Number((isImperial ? area.value / SQUARE_FOOT : area.value).toPrecision(8)),
      unit: isImperial ? 'sq ft' : 'm²',
    });
  }
  const bothFeet = /^\d[\d ,]*'[\s-]*\d/.test(plain) ? readQuantity('length', plain, 'imperial') : undefined;
  if (bothFeet?.ok) return answer({ value: Number((bothFeet.value / FOOT).toPrecision(8)), unit: 'ft' });
  for (const kind of IN_LINES) {
    const found = unitAtEnd(plain, UNITS[kind]);
    if (!found) continue;
    const { unit, rest } = found;
    const value = numberOf(rest, { commaIs: unit.whole ? 'thousands' : 'asked' });
    if (typeof value === 'string') return no(value);
    if (value !== undefined) return answer({ value, unit: unit.name ?? unit.typed[0] ?? '' });
  }
  return undefined;
}

import { answer, refuse, type Outcome } from '../problem';
import { figure, inOwnUnit } from '../units/format-quantity';
import { formatLength } from '../units/length';
import { eitherOf, plainSigns, readNumber } from '../units/number';
import { readQuantity } from '../units/quantity';
import { OWN_UNIT, type MeasuredKind, type UnitSystem } from '../units/units';

/**
 * The units in which calculators keep their amounts, and how a job that measures in feet and inches types and reads
 * them.
 */
interface KeptUnit {
  kind: MeasuredKind;
  /** How much of what the kind is kept in one of this unit is. */
  is: number;
  /** Lengths have several units of their own; the others have the job's. */
  shown?: Record<UnitSystem, string>;
}

const LONG = { metric: 'm', imperial: 'ft' } as const;
const UNITS: Readonly<Record<string, KeptUnit>> = {
  'm²': { kind: 'area', is: 1 },
  'm³': { kind: 'volume', is: 1 },
  L: { kind: 'liquid', is: 1 },
  kg: { kind: 'mass', is: 1 },
  'kg/m³': { kind: 'density', is: 1 },
  'm²/L': { kind: 'coverage', is: 1 },
  'm²K/W': { kind: 'resistance', is: 1 },
  'W/mK': { kind: 'conductivity', is: 1 },
  'W/m²K': { kind: 'transmittance', is: 1 },
  cfm: { kind: 'airflow', is: 1.699010796 },
  m: { kind: 'length', is: 1000, shown: LONG },
  ft: { kind: 'length', is: 304.8, shown: LONG },
  in: { kind: 'length', is: 25.4, shown: { metric: 'mm', imperial: 'in' } },
  mm: { kind: 'length', is: 1, shown: { metric: 'mm', imperial: 'in' } },
};

/** The unit that stands beside a field or a result in a job of this system. */
export function shownUnit(unit: string, system: UnitSystem): string {
  const kept = UNITS[unit];
  return kept ? (kept.shown?.[system] ?? OWN_UNIT[system][kept.kind]) : unit;
}

/** What one of the kept unit is in the shown one. */
function scale(unit: string, system: UnitSystem): number {
  const kept = UNITS[unit];
  return kept ? inOwnUnit(kept.kind, kept.is, system, shownUnit(unit, system)) : 1;
}

/** Reads an amount that is asked in a kept unit: bare in the job's own, or with any unit of its kind. */
export function readAmount(text: string, unit: string, system: UnitSystem): Outcome<number> {
  const kept = UNITS[unit];
  if (kept) {
    const read = readQuantity(kept.kind, text, system, { shown: shownUnit(unit, system), signed: true });
    return read.ok ? answer(Number((read.value / kept.is).toPrecision(12))) : read;
  }
  const plain = plainSigns(text);
  const isUnder = plain.startsWith('-');
  const named = unit !== '' && plain.toLowerCase().endsWith(unit) ? plain.slice(0, -unit.length) : plain;
  const number = readNumber(isUnder ? named.slice(1) : named, {
    commaIs: system === 'imperial' ? 'thousands' : 'asked',
  });
  if (number && 'value' in number) return answer(isUnder ? -number.value : number.value);
  return refuse({
    code: 'unreadable',
    message: number ? eitherOf(text, number.ambiguous) : `“${text}” is not a number.`,
  });
}

/** An amount as it would be typed in the job's own unit: what `readAmount` reads back. */
export const typedAmount = (value: number, unit: string, system: UnitSystem): string =>
  String(Number((value * scale(unit, system)).toPrecision(system === 'metric' ? 12 : 7)));

/** An amount with its unit, as the job measures: `46 m²`, `495.1 sq ft`. */
export function sayAmount(value: number, unit: string, system: UnitSystem, digits = 3): string {
  const shown = shownUnit(unit, system);
  const text = figure(value * scale(unit, system), digits);
  return shown === 'R' ? `R-${text}` : `${text}${shown ? ` ${shown}` : ''}`;
}

/** A quantity to buy in the job's own unit: rounded up, for less would not do. */
export function boughtIn(quantity: number, unit: string, system: UnitSystem): { quantity: number; unit: string } {
  const by = scale(unit, system);
  return by === 1
    ? { quantity, unit: shownUnit(unit, system) }
    : { quantity: Math.ceil(quantity * by * 10 - 1e-6) / 10, unit: shownUnit(unit, system) };
}

/** `4' × 8'`, `1219 × 2438 mm`: sides of a piece. @param sides mm */
const sayPieceSize = (sides: readonly number[], system: UnitSystem): string =>
  system === 'metric'
    ? `${sides.map((mm) => Math.round(mm)).join(' × ')} mm`
    : sides.map((mm) => formatLength(mm, system)).join(' × ');

/** What is bought, with its size as the job measures: `sheets 4' × 8', for strips`. */
export const sayPurchase = (
  { what, size, use }: { what: string; size?: readonly number[]; use?: string },
  system: UnitSystem,
): string => [[what, size && sayPieceSize(size, system)].filter(Boolean).join(' '), use].filter(Boolean).join(', ');

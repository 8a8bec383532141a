import type { Outcome } from '../problem';
import { readQuantity } from './quantity';
import type { UnitSystem } from './units';

/** Lengths as people on site write them; read by the one reader of quantities. */
export type LengthSystem = UnitSystem;

const MM_PER_INCH = 25.4;
/** Nothing on a house is longer than this; a slip of the finger is. 1 km in mm. */
export const LONGEST_MM = 1_000_000;

/**
 * Reads a length as typed; a bare number is inches in imperial and millimetres in metric.
 * @returns millimetres, not rounded; a problem for anything else (no unit guessed, inches after feet stay under 12).
 */
export const parseLength = (text: string, system: LengthSystem): Outcome<number> =>
  readQuantity('length', text, system);

/**
 * Writes millimetres the way the job does: imperial to the nearest 1/`denominator` inch, metric to the whole
 * millimetre, both half up.
 * @param mm zero or more
 */
export function formatLength(mm: number, system: LengthSystem, denominator = 16): string {
  if (system === 'metric') return `${Math.floor(mm + 0.5)} mm`;
  // 1e-9 forgives the binary remainder of x · 25.4 / 25.4 at exact halves.
  const parts = Math.floor((mm / MM_PER_INCH) * denominator + 0.5 + 1e-9);
  const feet = Math.floor(parts / (12 * denominator));
  const inches = Math.floor(parts / denominator) - feet * 12;
  const fraction = reduced(parts % denominator, denominator);
  const inchText = [inches > 0 || !fraction ? String(inches) : '', fraction].filter(Boolean).join(' ');
  if (feet === 0) return `${inchText}"`;
  return `${feet}' ${inches === 0 && fraction ? `0 ${fraction}` : inchText}"`;
}

function reduced(top: number, bottom: number): string {
  if (top === 0) return '';
  let [a, b] = [top, bottom];
  while (a % 2 === 0 && b % 2 === 0) [a, b] = [a / 2, b / 2];
  return `${a}/${b}`;
}

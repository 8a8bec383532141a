import { refuseCell } from '../csv';
import { parseLength, type LengthSystem } from '../units/length';
import type { Measured } from './shape';

/** A length as the job writes them, kept with the words it was typed in. */
export function lengthCell(column: string, typed: string, system: LengthSystem): Measured {
  const read = parseLength(typed, system);
  return read.ok ? { mm: read.value, typed } : refuseCell(column, read.problem.message);
}

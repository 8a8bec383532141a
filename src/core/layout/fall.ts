import { readQuantity } from '../units/quantity';
import type { UnitSystem } from '../units/units';

/**
 * Falls as drainlayers write them: `1:80`, `1 in 80`, `1.25 %`, `1/4 in per ft`, `0.0125`.
 * @returns height by length, undefined where it is none
 */
export function parseFall(text: string, system: UnitSystem = 'metric'): number | undefined {
  const read = readQuantity('fall', text, system);
  return read.ok ? read.value : undefined;
}

export const formatFall = (fall: number): string => (fall === 0 ? '0' : `1:${Math.round((1 / fall) * 10) / 10}`);

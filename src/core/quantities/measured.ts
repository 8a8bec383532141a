import { MEASURES, type Measure, type Measures } from '../layout/measures';

/** The unit of a line whose quantity follows the drawing. */
export const measureUnit = (measure: Measure): string =>
  MEASURES[measure].dimension === 'area' ? 'm²' : MEASURES[measure].dimension === 'length' ? 'm' : 'pieces';

/**
 * The quantity of such a line: areas as they are, lengths in m, both to the second decimal; undefined where it is not
 * drawn.
 */
export function measuredQuantity(measures: Measures, measure: Measure): number | undefined {
  const value = measures[measure];
  if (typeof value !== 'number' || value <= 0) return undefined;
  return Math.round((MEASURES[measure].dimension === 'length' ? value / 1000 : value) * 100) / 100;
}

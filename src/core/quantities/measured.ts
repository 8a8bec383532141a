import { MEASURES, type Measure, type Measures } from '../layout/measures';
import type { UnitSystem } from '../units/units';
import { sayAmount, shownUnit, typedAmount } from './units';

/** The unit of what is counted on a drawing: areas in m², runs in m. */
const keptUnit = (measure: Measure): string =>
  MEASURES[measure].dimension === 'area' ? 'm²' : MEASURES[measure].dimension === 'length' ? 'm' : 'pieces';

/** The unit of a line whose quantity follows the drawing, as the job measures. */
export const measureUnit = (measure: Measure, system: UnitSystem): string => shownUnit(keptUnit(measure), system);

/**
 * The quantity of such a line: areas as they are, lengths in m, both to the second decimal; undefined where it is not
 * drawn.
 */
export function measuredQuantity(measures: Measures, measure: Measure): number | undefined {
  const value = measures[measure];
  if (typeof value !== 'number' || value <= 0) return undefined;
  return Math.round((MEASURES[measure].dimension === 'length' ? value / 1000 : value) * 100) / 100;
}

/** The same in the job's own unit, for a line of work. */
export function measuredIn(measures: Measures, measure: Measure, system: UnitSystem): number | undefined {
  const value = measures[measure];
  if (typeof value !== 'number' || value <= 0) return undefined;
  const kept = MEASURES[measure].dimension === 'length' ? value / 1000 : value;
  return Math.round(Number(typedAmount(kept, keptUnit(measure), system)) * 100) / 100;
}

/** What a drawing measures of an area or run, with its unit: `312.5 sq ft`. @param value m², or mm of a length */
export function sayMeasure(measure: Measure, value: number, system: UnitSystem): string {
  const { dimension } = MEASURES[measure];
  if (dimension !== 'area' && dimension !== 'length') return String(value);
  return sayAmount(dimension === 'length' ? value / 1000 : value, keptUnit(measure), system, 2);
}

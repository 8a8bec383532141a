import { MEASURES, type Measure } from '@/core/layout/measures';
import type { Connection } from '../database/open';
import { measuresIn } from '../layout/read-layout';

/** The unit of a line whose quantity follows the drawing. */
export const measureUnit = (measure: Measure): string =>
  MEASURES[measure].dimension === 'area' ? 'm²' : MEASURES[measure].dimension === 'length' ? 'm' : 'pieces';

/**
 * The quantity of such a line: areas as they are, lengths in m, both to the second decimal; undefined where it is not
 * drawn.
 */
export function measuredQuantity(db: Connection, area: string, measure: Measure): number | undefined {
  const value = measuresIn(db, area)[measure];
  if (typeof value !== 'number' || value <= 0) return undefined;
  return Math.round((MEASURES[measure].dimension === 'length' ? value / 1000 : value) * 100) / 100;
}

import type { Measure } from '@/core/layout/measures';
import { measuredQuantity } from '@/core/quantities/measured';
import { halfDaysOf, RATES } from '@/core/sequence/rates';
import type { Phase } from '@/core/sequence/phases';
import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import { measuresIn } from './layouts';
import { ofFirm, type FirmReading, type JobReading } from './reading';

interface Rate {
  measure: Measure;
  perHalfDay: number;
  unit: string;
}

const ownRates = ofFirm(
  ({ db }): ReadonlyMap<Phase, number> =>
    new Map(queryAll<Rows['rate']>(db, 'SELECT * FROM rate').map((row) => [row.phase, row.per_half_day])),
);

/**
 * What one crew does of a step in half a day: the firm's own figure, else the one that ships; undefined where it is not
 * measured.
 */
function rateOf(firm: FirmReading, phase: Phase): Rate | undefined {
  const [shipped, own] = [RATES[phase], ownRates(firm).get(phase)];
  return shipped && own !== undefined ? { ...shipped, perHalfDay: own } : shipped;
}

/** Half-days of a step from its drawing and the rate; undefined where it is not drawn or not measured. */
export function measuredHalfDays(job: JobReading, area: string, phase: Phase): number | undefined {
  const rate = rateOf(job.firm, phase);
  const quantity = rate && measuredQuantity(measuresIn(job, area), rate.measure);
  return rate && quantity !== undefined ? halfDaysOf(quantity, rate.perHalfDay) : undefined;
}

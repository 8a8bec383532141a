import type { Measure } from '@/core/layout/measures';
import { measuredQuantity } from '@/core/quantities/measured';
import { halfDaysOf, RATES } from '@/core/sequence/rates';
import type { Phase } from '@/core/sequence/phases';
import { timeOfWorks, type Work } from '@/core/sequence/works';
import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import { areaRows } from './job';
import { measuresIn } from './layouts';
import { ofFirm, ofJob, type FirmReading, type JobReading } from './reading';

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

const worksByArea = ofJob(
  (job): ReadonlyMap<string, Work[]> =>
    new Map(areaRows(job).map(({ id, works }) => [id, JSON.parse(works) as Work[]])),
);

/** Half-days of a step from its drawing and the rate; undefined where it is not drawn or not measured. */
export function measuredHalfDays(job: JobReading, area: string, phase: Phase): number | undefined {
  const rate = timeOfWorks(phase, worksByArea(job).get(area) ?? []) === undefined ? rateOf(job.firm, phase) : undefined;
  const quantity = rate && measuredQuantity(measuresIn(job, area), rate.measure);
  return rate && quantity !== undefined ? halfDaysOf(quantity, rate.perHalfDay) : undefined;
}

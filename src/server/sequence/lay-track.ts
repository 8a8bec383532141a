import { inUsualOrder, phaseFacts, type Phase } from '@/core/sequence/phases';
import { halfDaysOf, RATES } from '@/core/sequence/rates';
import { cleanUpOf, withMethods, halfDaysWithMethods } from '@/core/sequence/methods';
import { halfDaysFor, trackOf, type Work } from '@/core/sequence/works';
import { queryAll, insert, queryOne, execute } from '../database/query';
import type { Connection } from '../database/open';
import { measuredQuantity } from '../quantities/measured';
import { choicesFor } from './knowledge';

/**
 * What one crew does of a step in half a day: the firm's own figure, else the one that ships; undefined where it is not
 * measured.
 */
function rateOf(
  db: Connection,
  phase: Phase,
): { measure: NonNullable<(typeof RATES)[Phase]>['measure']; perHalfDay: number; unit: string } | undefined {
  const shipped = RATES[phase];
  if (!shipped) return undefined;
  const own = queryOne<{ per_half_day: number }>(db, 'SELECT per_half_day FROM rate WHERE phase = @phase', { phase });
  return own ? { ...shipped, perHalfDay: own.per_half_day } : shipped;
}

/** Half-days of a step from its drawing and the rate; undefined where it is not drawn or not measured. */
export function measuredHalfDays(db: Connection, area: string, phase: Phase): number | undefined {
  const rate = rateOf(db, phase);
  const quantity = rate && measuredQuantity(db, area, rate.measure);
  return rate && quantity !== undefined ? halfDaysOf(quantity, rate.perHalfDay) : undefined;
}

/**
 * Brings the track of an area to what is to be done there, in the way its methods have it; phases that have been worked
 * on stay.
 */
export function layTrack(db: Connection, area: string): void {
  const row = queryOne<{ job: string; works: string; size: number }>(
    db,
    'SELECT job, works, size FROM area WHERE id = @area',
    { area },
  );
  if (!row) return;
  const choices = choicesFor(db, row.job, area);
  const wanted = new Set<Phase>(withMethods(trackOf(JSON.parse(row.works) as Work[]), choices));
  const kept = new Map(
    queryAll<{ phase: Phase; basis: 'size' | 'quantity' | 'hand'; half_days: number }>(
      db,
      'SELECT phase, basis, half_days FROM step WHERE area = @area',
      { area },
    ).map((step) => [step.phase, step]),
  );
  const begun = new Set(
    queryAll<{ phase: Phase }>(
      db,
      `SELECT DISTINCT phase
        FROM standing_observation
        WHERE area = @area AND kind = 'progress' AND phase IS NOT NULL AND fraction > 0`,
      { area },
    ).map((step) => step.phase),
  );
  for (const phase of kept.keys())
    if (!wanted.has(phase) && !begun.has(phase))
      execute(db, 'DELETE FROM step WHERE area = @area AND phase = @phase', { area, phase });
  for (const phase of inUsualOrder(wanted)) {
    const step = kept.get(phase);
    const itself =
      step?.basis === 'quantity' ? (measuredHalfDays(db, area, phase) ?? step.half_days) : halfDaysFor(phase, row.size);
    const methodDays = halfDaysWithMethods(phase, itself, choices);
    const half_days = phaseFacts(phase).trade === 'nobody' ? itself : methodDays + cleanUpOf(methodDays, choices);
    if (!step) insert(db, 'step', { area, phase, trade: phaseFacts(phase).trade, half_days });
  }
}

/**
 * The times of steps that follow the room, its drawing or a method; what somebody said by hand stays.
 * @param only those of one basis
 * @returns the job where any time changed
 */
export function timeTrack(db: Connection, area: string, only?: 'quantity'): string | undefined {
  const row = queryOne<{ job: string; size: number }>(db, 'SELECT job, size FROM area WHERE id = @area', { area });
  if (!row) return undefined;
  const choices = choicesFor(db, row.job, area);
  let changed = 0;
  for (const { phase, basis } of queryAll<{ phase: Phase; basis: 'size' | 'quantity' }>(
    db,
    `SELECT phase, basis FROM step WHERE area = @area AND basis <> 'hand'`,
    { area },
  )) {
    if (only && basis !== only) continue;
    const itself = basis === 'quantity' ? measuredHalfDays(db, area, phase) : halfDaysFor(phase, row.size);
    if (itself === undefined || phaseFacts(phase).trade === 'nobody') continue;
    const methodDays = halfDaysWithMethods(phase, itself, choices);
    changed += execute(
      db,
      `UPDATE step
        SET half_days = @halfDays
        WHERE area = @area AND phase = @phase AND half_days <> @halfDays`,
      { area, phase, halfDays: methodDays + cleanUpOf(methodDays, choices) },
    );
  }
  return changed > 0 ? row.job : undefined;
}

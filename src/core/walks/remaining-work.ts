/** What one interval between two walks showed: part of the whole won in so many worked half-days. */
export interface Interval {
  gain: number;
  halfDays: number;
}

/**
 * Half-days still to do: `ceil((1 − done) / rate)`, the planned rate weighing as much as two intervals and each
 * observed one as much as itself (at most the last four): `rate = (2·planned + n·observed) / (2 + n)`.
 * @param duration planned half-days, over 0
 * @param done 0…1
 * @returns whole half-days, 0 when done
 */
export function remainingWork(duration: number, done: number, observed: readonly Interval[]): number {
  if (done >= 1) return 0;
  const recent = observed.slice(-4);
  const halfDays = recent.reduce((sum, interval) => sum + interval.halfDays, 0);
  const gain = recent.reduce((sum, interval) => sum + interval.gain, 0);
  const planned = 1 / duration;
  const rate = halfDays > 0 ? (2 * planned + recent.length * (gain / halfDays)) / (2 + recent.length) : planned;
  // Forgives the last binary digit, so that 3.0000000000000004 half-days are three.
  return Math.ceil((1 - done) / rate - 1e-9);
}

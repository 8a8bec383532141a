/** A chance as people say it: `nearly always`, `8 times in 10`, `1 time in 20`. @param share 0…1 */
export function sayChance(share: number): string {
  if (share >= 0.975) return 'nearly always';
  if (share <= 0.025) return 'hardly ever';
  if (share < 0.075) return '1 time in 20';
  if (share > 0.925) return '19 times in 20';
  return `${Math.round(10 * share)} times in 10`;
}

/** The end as a client is told it. @param by the day by which it ends in four of five cases */
export function sayForecast(by: string, kept: number | null, promise: string | null): string {
  const end = `Four in five that it is done by ${by}.`;
  return kept === null || promise === null ? end : `${end} The promise, ${promise}, is kept ${sayChance(kept)}.`;
}

/** How far work runs from what was planned for it: the ratio of what it took to what was planned, as its logarithm. */
export interface Spread {
  /** The middle of it: 0 is as planned. */
  mean: number;
  deviation: number;
  /** How many records it was learned from; what is known of few is itself unsure. */
  records: number;
}

/** What is known of a pace before the firm has records of its own: low, likely and high against what was planned. */
export interface Range {
  low: number;
  likely: number;
  high: number;
}

/** Most work takes what was planned or some more: a fifth less where all goes well, half as long again where it does not. */
export const USUAL_PACE: Range = { low: 0.8, likely: 1, high: 1.5 };

/** What a range weighs beside records: as much as so many of them. */
const WORTH = 4;

/** The tenth part of cases lies below so many deviations under the middle, and a tenth above. */
const TENTH = 1.2816;

/** A record further off than this was mistyped, or is of something else. */
const FARTHEST = Math.log(8);

/**
 * A spread from ratios that were seen, together with the range that is usual: of a firm without records it is the range
 * alone, and with more records it is theirs.
 * @param ratios what work took against what was planned for it, each over 0
 */
export function spreadOf(ratios: readonly number[], { low, likely, high }: Range = USUAL_PACE): Spread {
  const seen = ratios.map(Math.log).filter((log) => Number.isFinite(log) && Math.abs(log) <= FARTHEST);
  const usual = (Math.log(high) - Math.log(low)) / (2 * TENTH);
  const middle = Math.log(likely) / 2 + (Math.log(low) + Math.log(high)) / 4;
  const records = seen.length + WORTH;
  const mean = (seen.reduce((sum, log) => sum + log, 0) + WORTH * middle) / records;
  const squares = seen.reduce((sum, log) => sum + (log - mean) ** 2, 0) + WORTH * (usual ** 2 + (middle - mean) ** 2);
  return { mean, deviation: Math.sqrt(squares / records), records };
}

/** The chance of something, from how often it happened, together with what is usual. */
export const chanceOf = (happened: number, of: number, usual: number): number =>
  (happened + usual * WORTH) / (of + WORTH);

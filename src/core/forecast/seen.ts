/**
 * What is known of something that varies is what was seen of it: a forecast draws from those cases again. A few usual cases
 * stand beside them, so that a firm without records has a forecast too, and what has not happened yet still may.
 */

/** What work takes against what was planned, before the firm has records: most as planned, some less, more of it longer. */
const USUAL_RATIOS = [0.85, 1, 1.05, 1.4];

/** Half-days that a sub is late, before the firm has records of them: once in four times by two days. */
const USUAL_LATENESS = [0, 0, 0, 4];

/** Older records than so many say little of how a crew works now. */
const NEWEST = 60;

/** A record further off than this was mistyped, or is of something else. */
const FARTHEST = 8;

/** Cases of a pace. @param ratios what work took against what was planned for it, the newest last */
export const pacesSeen = (ratios: readonly number[]): number[] => [
  ...ratios.filter((ratio) => ratio >= 1 / FARTHEST && ratio <= FARTHEST).slice(-NEWEST),
  ...USUAL_RATIOS,
];

/** Cases of a sub's lateness, in half-days. @param late how late they came, the newest last; early is in time */
export const latenessSeen = (late: readonly number[]): number[] => [
  ...late.map((halfDays) => Math.max(0, halfDays)).slice(-NEWEST),
  ...USUAL_LATENESS,
];

/** What a usual chance weighs beside records: as much as so many of them. */
const WORTH = 4;

/** The chance of something, from how often it happened, together with what is usual. */
export const chanceSeen = (happened: number, of: number, usual: number): number =>
  (happened + usual * WORTH) / (of + WORTH);

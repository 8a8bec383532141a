import { counted } from '../words/count';

/** One thing by which an answer costs more than waiting, or under 0 less; in hundredths. */
export interface CostPart {
  label: string;
  amount: number;
}

/** What an answer costs more than waiting, part by part, and what of it nobody has said a price for. */
export interface Cost {
  parts: CostPart[];
  unknown: string[];
}

export const sumOf = ({ parts }: Cost): number => parts.reduce((sum, { amount }) => sum + amount, 0);

/** Hours of a half-day. */
export const HALF_DAY = 4;

/** What an hour of a day off, or after the usual ones, costs on top of its rate. */
const OVERTIME = 0.5;

/** How two ends of a job, by waiting and by an answer, differ in what time costs. */
export interface EndsOfJob {
  name: string;
  /** Worked days of the job more than by waiting; under 0 fewer. */
  workedDays: number;
  /** Calendar days after the promise more than by waiting; under 0 fewer. */
  lateDays: number;
  /** What a worked day of the site costs, and a calendar day late; null where nobody has said. */
  siteCost: number | null;
  lateCost: number | null;
}

const days = (count: number): string => (Math.abs(count) === 1 ? 'a day' : `${Math.abs(count)} days`);
const moreOrLess = (count: number): string => (count > 0 ? 'more' : 'less');

/** What the time of jobs costs more than by waiting: the site that runs on, and days after the promise. */
export const costOfTime = (jobs: readonly EndsOfJob[]): CostPart[] =>
  jobs.flatMap(({ name, workedDays, lateDays, siteCost, lateCost }) => [
    ...(siteCost !== null && workedDays !== 0
      ? [{ label: `${name}: ${days(workedDays)} of site ${moreOrLess(workedDays)}`, amount: workedDays * siteCost }]
      : []),
    ...(lateCost !== null && lateDays !== 0
      ? [{ label: `${name}: late by ${days(lateDays)} ${moreOrLess(lateDays)}`, amount: lateDays * lateCost }]
      : []),
  ]);

/** Hours that are paid half as much again. @param perHour null where nobody has said what an hour of the trade costs */
export function costOfOvertime(trade: string, hours: number, perHour: number | null): Cost {
  if (hours === 0) return { parts: [], unknown: [] };
  const label = `${trade}: ${counted(hours, 'hour')} at half as much again`;
  return perHour === null
    ? { parts: [], unknown: [label] }
    : { parts: [{ label, amount: Math.round(hours * perHour * OVERTIME) }], unknown: [] };
}

export const together = (costs: readonly Cost[]): Cost => ({
  parts: costs.flatMap(({ parts }) => parts),
  unknown: [...new Set(costs.flatMap(({ unknown }) => unknown))],
});

import type { Work } from '../sequence/works';
import { halfUp } from '../units/rounding';

/** One way of doing it, as a client compares it. Money in minor units. */
export interface Option {
  key: string;
  name: string;
  cost: number;
  /** Of the same work, upkeep in a year and years until it is done again. */
  upkeepPerYear: number;
  lifeYears: number;
  leadDays: number;
  /** What is done in the area if it is chosen; empty leaves it as it is. */
  works: Work[];
  /** What the scope then says, line by line as it is typed on a visit; empty leaves its lines as they are. */
  lines: string[];
  upkeep: string;
  unknown: string;
}

/** What a year of it costs over its life, upkeep included. Minor units; @param option with a life over 0 */
export const costPerYear = (option: Pick<Option, 'cost' | 'upkeepPerYear' | 'lifeYears'>): number =>
  halfUp(option.cost / option.lifeYears + option.upkeepPerYear);

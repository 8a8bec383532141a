import type { CsvProblem } from '../csv';

type Refused = Omit<CsvProblem, 'line'>;
export const isRefused = (value: unknown): value is Refused =>
  typeof value === 'object' && value !== null && 'message' in value;

/** A sum as people type it, in minor units; null where the cell is empty. */
export function priceCell(column: string, typed: string): number | null | Refused {
  if (typed === '') return null;
  const price = Number(typed.replace(',', '.'));
  return Number.isFinite(price) && price >= 0 && price <= 1e9
    ? Math.round(price * 100)
    : { column, message: `“${typed}” is no price; a sum like 12.50.` };
}

/** Whole days; undefined where the cell is empty. */
function daysCell(column: string, typed: string): number | undefined | Refused {
  if (typed === '') return undefined;
  const days = Number(typed);
  return Number.isInteger(days) && days >= 0 && days <= 730
    ? days
    : { column, message: `“${typed}” is no number of days; a whole number from 0 to 730.` };
}

/** A lead time as a range: one cell alone says both ends. */
export function leadCells(cells: Record<string, string>): { leadLow: number; leadHigh: number } | Refused {
  const [low, high] = [daysCell('lead low', cells['lead low'] ?? ''), daysCell('lead high', cells['lead high'] ?? '')];
  if (isRefused(low)) return low;
  if (isRefused(high)) return high;
  if (low === undefined && high === undefined)
    return { column: 'lead high', message: 'the days it takes to come are missing.' };
  const range = { leadLow: low ?? high ?? 0, leadHigh: high ?? low ?? 0 };
  return range.leadLow > range.leadHigh
    ? {
        column: 'lead low',
        message: `the range is the wrong way round: ${range.leadLow} to ${range.leadHigh} days; the shorter one first.`,
      }
    : range;
}

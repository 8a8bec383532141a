import { groupBy } from '../group-by';
import type { Trade } from '../sequence/trades';
import type { Day } from '../units/day';
import { roundMoney, type Currency } from '../units/money';
import { sum } from '../units/rounding';

/** What one kept calculation buys, with where, for whom and when. */
export interface Needed {
  what: string;
  quantity: number;
  unit: string;
  /** Minor units for one; null while nobody has asked. */
  unitPrice: number | null;
  /** Minor units for all of it, where the calculator found the cheapest set itself. */
  price: number | null;
  supplier: string;
  trade: Trade | null;
  area: string;
  needBy: Day | null;
}

export interface MaterialLine extends Omit<Needed, 'area'> {
  areas: string[];
}

/** One line for what is bought alike: same thing, pack, price, supplier, trade and day; areas are named together. */
export function materialsList(needed: readonly Needed[], currency: Pick<Currency, 'step'>): MaterialLine[] {
  const groups = groupBy(needed, (entry) =>
    JSON.stringify([entry.what, entry.unit, entry.unitPrice, entry.supplier, entry.trade, entry.needBy]),
  );
  return [...groups.values()]
    .map((list) => {
      const { area: _, ...first } = list[0] as Needed;
      const quantity = sum(list.map((entry) => entry.quantity));
      const known = list.every((entry) => entry.price !== null);
      return {
        ...first,
        quantity: Math.round(quantity * 1e6) / 1e6,
        areas: [...new Set(list.map((entry) => entry.area))],
        price:
          first.unitPrice !== null
            ? roundMoney(first.unitPrice * quantity, currency)
            : known
              ? sum(list.map((entry) => entry.price ?? 0))
              : null,
      };
    })
    .sort((a, b) => (a.needBy ?? '9').localeCompare(b.needBy ?? '9') || a.what.localeCompare(b.what));
}

/** `1 can`, `2 cans`, `1 box`, `3 m`. */
export const packWord = (quantity: number, unit: string): string =>
  quantity === 1 ? unit.replace(/xes$/, 'x').replace(/s$/, '') : unit;

/** Minor units of what has a price, and how many lines have none. */
export const materialsTotal = (lines: readonly MaterialLine[]): { price: number; unpriced: number } => ({
  price: sum(lines.map((line) => line.price ?? 0)),
  unpriced: lines.filter((line) => line.price === null).length,
});

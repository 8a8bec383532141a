import { lineNet } from '@/core/money/price';
import { boughtIn } from '@/core/quantities/units';
import type { Purchase } from '@/core/quantities/calculator';
import { isOrdered } from '@/core/selections/states';
import type { UnitSystem } from '@/core/units/units';
import { jobRow } from './job';
import { currencyOfFirm } from './money';
import { ofJob } from './reading';
import { calculationRows, selectionRows, type SelectionRow } from './selections';

/** What each kept result buys, by its id. */
export const purchasesOf = ofJob(
  (job): ReadonlyMap<string, Purchase[]> =>
    new Map(calculationRows(job).map((row) => [row.id, JSON.parse(row.purchases) as Purchase[]])),
);

/** A thing's quantity: what it was ordered for, else what the kept result it follows buys, else what was typed. */
export function quantityOf(
  row: SelectionRow,
  purchases: ReadonlyMap<string, Purchase[]>,
  units: UnitSystem,
): { quantity: number | null; unit: string } {
  const bought = row.calculation && !isOrdered(row.state) ? purchases.get(row.calculation)?.[0] : undefined;
  return bought ? boughtIn(bought.quantity, bought.unit, units) : { quantity: row.quantity, unit: row.unit };
}

/** A chosen or ordered thing with what it costs. Money in hundredths. */
export interface Goods {
  id: string;
  version: number;
  /** Nothing is chosen yet. */
  open: boolean;
  ordered: boolean;
  quantity: number | null;
  unitPrice: number | null;
  /** Of all of it; null where nobody knows its price. */
  price: number | null;
  allowance: string | null;
  category: string;
  choice: string;
  area: string;
}

/** What things cost, by the job's selections in their order; what was ordered anew in place of wrong goods is not twice. */
export const goodsOf = ofJob((job): Goods[] => {
  const [purchases, { units }, currency] = [purchasesOf(job), jobRow(job), currencyOfFirm(job.firm)];
  return selectionRows(job)
    .filter((row) => row.follows_as === null)
    .map((row) => {
      const { quantity } = quantityOf(row, purchases, units);
      return {
        id: row.id,
        version: row.version,
        open: row.choice === '',
        ordered: isOrdered(row.state),
        quantity,
        unitPrice: job.firm.sees.prices ? row.unit_price : null,
        price:
          row.unit_price === null || !job.firm.sees.prices
            ? null
            : lineNet({ quantity: quantity ?? 1, unitPrice: row.unit_price }, currency),
        allowance: row.allowance,
        category: row.category,
        choice: row.choice,
        area: row.area_name,
      };
    });
});

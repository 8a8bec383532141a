import { roundMoney, type Currency } from '../units/money';

/** Whether a price is of one, or of a pack. */
export const PRICED_BY = { one: 'for one', pack: 'for a pack' } as const;
export type PricedBy = keyof typeof PRICED_BY;
export const PRICED_BY_KEYS = Object.keys(PRICED_BY) as PricedBy[];

/** A line of a purchase order. Money in hundredths, before tax. */
export interface OrderLine {
  /** How much is needed, in its unit. */
  quantity: number;
  /** How much of the unit is in a pack; null where it does not come in packs. */
  perPack: number | null;
  unitPrice: number | null;
  pricedBy: PricedBy;
}

/** Quantities are typed, not measured: beyond this they are the same. */
export const SAME = 1e-6;
/** As it is kept and said: without the dust of adding fractions. */
export const plain = (quantity: number): number => Number(quantity.toFixed(4));

/** How many whole packs cover a quantity; null where it does not come in packs. */
export const packsOf = ({ quantity, perPack }: Pick<OrderLine, 'quantity' | 'perPack'>): number | null =>
  perPack === null ? null : Math.max(1, Math.ceil(quantity / perPack - SAME));

/** How much is ordered: what is needed, or the whole packs that cover it. */
export function orderedOf(line: Pick<OrderLine, 'quantity' | 'perPack'>): number {
  const packs = packsOf(line);
  return packs === null ? line.quantity : plain(packs * (line.perPack ?? 1));
}

/** What one of the unit costs, unrounded; null where nobody knows. */
const priceOfOne = ({ unitPrice, pricedBy, perPack }: OrderLine): number | null =>
  unitPrice === null ? null : pricedBy === 'pack' && perPack !== null ? unitPrice / perPack : unitPrice;

/** What so much of a line costs, in hundredths; null where it has no price. */
export function sumOf(line: OrderLine, quantity: number, currency: Pick<Currency, 'step'>): number | null {
  const one = priceOfOne(line);
  return one === null ? null : roundMoney(quantity * one, currency);
}

/** What all that is ordered of a line costs. */
export const lineSum = (line: OrderLine, currency: Pick<Currency, 'step'>): number | null =>
  sumOf(line, orderedOf(line), currency);

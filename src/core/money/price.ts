import type { Currency } from '../units/money';
import { roundMoney } from '../units/money';
import { sum } from '../units/rounding';
import { shareOut } from './shares';

/**
 * How a firm makes its prices: what it pays for work and material is the net; overhead and profit go on the net, tax on
 * both. `taxShown` says how clients read them: `apart`, the tax stands under the sums, or `within`, each holds it.
 */
export interface PriceTerms {
  /** A fraction of the net. */
  markup: number;
  /** A fraction of net and markup. */
  taxRate: number;
  taxShown: TaxShown;
  currency: Currency;
}

export const TAX_SHOWN = {
  apart: 'without tax, the tax added underneath',
  within: 'with the tax in them',
} as const;
export type TaxShown = keyof typeof TAX_SHOWN;

/** Money in hundredths. */
export interface Price {
  net: number;
  markup: number;
  tax: number;
  total: number;
}

/** What one piece of the work costs the firm: a quantity may be under 0 for what is left out. */
export interface PricedLine {
  quantity: number;
  unitPrice: number;
}

/** Each line rounded to what can be paid. */
export const lineNet = ({ quantity, unitPrice }: PricedLine, currency: Pick<Currency, 'step'>): number =>
  roundMoney(quantity * unitPrice, currency);

/** The whole price of what costs so much: markup and tax are each rounded once, on the whole. */
export function priceOf(nets: readonly number[], { markup, taxRate, currency }: Omit<PriceTerms, 'taxShown'>): Price {
  const net = sum(nets);
  const added = roundMoney(net * markup, currency);
  const tax = roundMoney((net + added) * taxRate, currency);
  return { net, markup: added, tax, total: net + added + tax };
}

/** What a client reads under a list of sums. */
export interface ClientPrice {
  /** One for each net, in their order; they make up `sum`. */
  parts: number[];
  /** Without the tax, or with it: as they are shown. */
  sum: number;
  /** Added underneath, or held within. */
  tax: number;
  total: number;
}

/** The same as a client reads it: no net, no markup, and parts that make up their sum to the last hundredth. */
export function clientPrice(nets: readonly number[], terms: PriceTerms): ClientPrice {
  const { net, markup, tax, total } = priceOf(nets, terms);
  const shown = terms.taxShown === 'within' ? total : net + markup;
  const factor = (1 + terms.markup) * (terms.taxShown === 'within' ? 1 + terms.taxRate : 1);
  const parts = shareOut(
    shown,
    nets.map((amount) => amount * factor),
    terms.currency.step,
  );
  return { parts, sum: shown, tax, total };
}

/** What a client pays for a thing by itself, everything included. @param net under 0 for what is saved */
export const wholePrice = (net: number, terms: Omit<PriceTerms, 'taxShown'>): number => priceOf([net], terms).total;

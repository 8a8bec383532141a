import { answer } from '../problem';
import { halfUp, sum } from '../units/rounding';
import { amount, fraction, give, main, money, rowsOf } from './ask';
import { calculator } from './calculator';

export interface PriceLine {
  /** Negative for what is left out. */
  quantity: number;
  /** Minor units. */
  unitPrice: number;
}

/**
 * Prices lines: each rounded half up to the minor unit, markup on net, tax on net plus markup. Money in minor units.
 */
export function priceLines(
  lines: readonly PriceLine[],
  markup: number,
  taxRate: number,
): { net: number; markup: number; tax: number; total: number } {
  const net = sum(lines.map((line) => halfUp(line.quantity * line.unitPrice)));
  const added = halfUp(net * markup);
  const tax = halfUp((net + added) * taxRate);
  return { net, markup: added, tax, total: net + added + tax };
}

export const priceChange = calculator({
  name: 'price-change',
  title: 'Price of a change',
  group: 'money',
  answers: 'What an addition or omission costs.',
  asks: {
    lines: rowsOf('lines', {
      quantity: amount('quantity', '', { signed: true, most: 1e6, hint: 'under 0 for what is left out' }),
      unitPrice: money('price of one', { signed: true }),
    }),
    markup: fraction('overhead and profit', { most: 5 }),
    taxRate: fraction('tax'),
  },
  gives: {
    net: give('money', 'net'),
    markup: give('money', 'overhead and profit'),
    tax: give('money', 'tax'),
    total: give('money', 'total', main),
  },
  formula: 'each line, the markup and the tax rounded half up; tax on net plus markup',
  source: 'Arithmetic; whether tax applies is the tax office’s to say.',
  example: {
    lines: [
      { quantity: 3, unitPrice: 12400 },
      { quantity: 6.5, unitPrice: 4800 },
    ],
    markup: 0.15,
    taxRate: 0.2,
  },
  compute: ({ lines, markup, taxRate }) => answer(priceLines(lines, markup, taxRate)),
});

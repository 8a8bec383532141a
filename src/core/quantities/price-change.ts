import { answer } from '../problem';
import { lineNet, priceOf } from '../money/price';
import { NO_CURRENCY } from '../units/money';
import { amount, fraction, give, main, money, rowsOf } from './ask';
import { calculator } from './calculator';

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
  compute: ({ lines, markup, taxRate }) =>
    answer(
      priceOf(
        lines.map((line) => lineNet(line, NO_CURRENCY)),
        { markup, taxRate, currency: NO_CURRENCY },
      ),
    ),
});

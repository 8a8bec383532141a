import { answer } from '../problem';
import { halfUp } from '../units/rounding';
import { OF_WALLS, amount, area, count, give, main, money, rowsOf } from './ask';
import { calculator } from './calculator';

interface Can {
  litres: number;
  price: number;
}

/**
 * The cheapest set of cans that holds enough, exact: cans with the best price a litre first, a branch is left as soon
 * as even the best price for what is still missing would cost more than the best set so far. Of equally cheap sets the
 * smaller.
 */
export function cheapestCans(needed: number, cans: readonly Can[]): { cost: number; cans: number[] } {
  const order = cans
    .map((can, index) => ({ ...can, at: index, rate: can.price / can.litres }))
    .sort((a, b) => a.rate - b.rate || b.litres - a.litres);
  let best = { cost: Infinity, litres: Infinity, cans: cans.map(() => 0) };
  const chosen = cans.map(() => 0);
  const look = (from: number, missing: number, cost: number, litres: number): void => {
    if (missing <= 1e-9) {
      if (cost < best.cost || (cost === best.cost && litres < best.litres)) best = { cost, litres, cans: [...chosen] };
      return;
    }
    const can = order[from];
    if (!can || cost + missing * can.rate > best.cost + 1e-6) return;
    for (let many = Math.ceil(missing / can.litres - 1e-9); many >= 0; many--) {
      chosen[can.at] = many;
      look(from + 1, missing - many * can.litres, cost + many * can.price, litres + many * can.litres);
    }
    chosen[can.at] = 0;
  };
  look(0, needed, 0, 0);
  return { cost: best.cost, cans: best.cans };
}

export const paintCans = calculator({
  name: 'paint-cans',
  title: 'Paint',
  group: 'inside',
  answers: 'How much paint, and which cans hold it for the least money.',
  asks: {
    area: area('area to paint', { drawn: OF_WALLS }),
    coats: count('coats', { most: 20 }),
    coverage: amount('one litre covers', 'm²/L', { most: 100 }),
    cans: rowsOf('cans', { litres: amount('litres', 'L', { most: 1000 }), price: money('price') }),
  },
  gives: {
    litres: give('number', 'paint needed', { unit: 'L' }),
    cost: give('money', 'cost', main),
    cans: give('cans', 'cans', main),
  },
  formula: 'litres = area · coats / coverage; of all sets of cans that hold so much, the cheapest',
  source: 'Coverage stands on the can; rough or new board takes more.',
  example: {
    area: 86.5,
    coats: 2,
    coverage: 10,
    cans: [
      { litres: 1, price: 2175 },
      { litres: 2.5, price: 4350 },
      { litres: 10, price: 13900 },
    ],
  },
  compute: ({ area: painted, coats, coverage, cans }) => {
    const litres = (painted * coats) / coverage;
    return answer({ litres, ...cheapestCans(litres, cans) });
  },
  buys: (output, { cans }) =>
    output.cans.flatMap((many, index) => {
      const can = cans[index];
      return can && many > 0
        ? [{ what: `paint, cans of ${can.litres} L`, quantity: many, unit: 'cans', price: halfUp(many * can.price) }]
        : [];
    }),
});

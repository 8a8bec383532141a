import { answer } from '../problem';
import { count, give, main, money, rowsOf } from './ask';
import { calculator } from './calculator';

/**
 * Least total of trips and waiting, exact: sorted by the day they are ready, items of one trip stand side by side (an
 * item between two of a trip would wait no longer with them), so the best cut into runs of at most `perTrip` is found
 * from the front.
 */
export function cheapestTrips(
  readyDays: readonly number[],
  tripCost: number,
  waitCost: number,
  perTrip: number,
): { cost: number; trips: { day: number; items: number[] }[] } {
  const order = readyDays.map((day, item) => ({ day, item })).sort((a, b) => a.day - b.day);
  const best: { cost: number; from: number }[] = [{ cost: 0, from: 0 }];
  for (let end = 1; end <= order.length; end++) {
    const goes = order[end - 1]?.day ?? 0;
    let [waiting, choice] = [0, { cost: Infinity, from: end - 1 }];
    for (let from = end - 1; from >= Math.max(0, end - perTrip); from--) {
      waiting += (goes - (order[from]?.day ?? goes)) * waitCost;
      const cost = (best[from]?.cost ?? Infinity) + tripCost + waiting;
      if (cost < choice.cost) choice = { cost, from };
    }
    best.push(choice);
  }
  const trips: { day: number; items: number[] }[] = [];
  for (let end = order.length; end > 0; end = best[end]?.from ?? 0) {
    trips.unshift({
      day: order[end - 1]?.day ?? 0,
      items: order.slice(best[end]?.from ?? 0, end).map(({ item }) => item),
    });
  }
  return { cost: best[order.length]?.cost ?? 0, trips };
}

export const trips = calculator({
  name: 'trips',
  title: 'Return trips',
  group: 'money',
  answers: 'How leftovers are grouped into the fewest and cheapest visits.',
  asks: {
    items: rowsOf('leftovers', { readyDay: count('parts there on day', { zero: true, most: 3650 }) }),
    tripCost: money('one trip costs'),
    waitCost: money('one day of waiting costs'),
    perTrip: count('done in one trip', { most: 500, hint: 'at most' }),
  },
  gives: { cost: give('money', 'cost', main), trips: give('table', 'trips', main) },
  formula: 'a trip goes on the day its last part is ready; least total of trips and waiting over all groupings',
  source: 'Exact, by dynamic programming over the sorted days.',
  example: {
    items: [{ readyDay: 7 }, { readyDay: 10 }, { readyDay: 23 }, { readyDay: 28 }],
    tripCost: 22000,
    waitCost: 900,
    perTrip: 4,
  },
  compute: ({ items, tripCost, waitCost, perTrip }) => {
    const { cost, trips: groups } = cheapestTrips(
      items.map((item) => item.readyDay),
      tripCost,
      waitCost,
      perTrip,
    );
    return answer({
      cost,
      trips: groups.map(({ day, items: taken }) => ({ day, leftovers: taken.map((item) => item + 1).join(', ') })),
    });
  },
});

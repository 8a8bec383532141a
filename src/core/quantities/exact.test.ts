import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { solveCuts, type Stock } from './cut-solver';
import { cheapestCans } from './paint-cans';
import { cheapestTrips } from './trips';

/** The slow and obvious twins: every way is tried. */
function leastCuts(pieces: number[], stocks: Stock[], kerf: number): { cost: number; sticks: number } {
  let best = { cost: Infinity, sticks: Infinity };
  const groups: number[][] = [];
  const cheapest = (group: number[]): number => {
    const used = group.reduce((sum, piece) => sum + piece, 0) + kerf * (group.length - 1);
    return Math.min(...stocks.filter((entry) => entry.length >= used - 1e-9).map((entry) => entry.cost));
  };
  const place = (at: number): void => {
    const piece = pieces[at];
    if (piece === undefined) {
      const cost = groups.reduce((sum, group) => sum + cheapest(group), 0);
      if (cost < best.cost - 1e-9 || (Math.abs(cost - best.cost) <= 1e-9 && groups.length < best.sticks))
        best = { cost, sticks: groups.length };
      return;
    }
    for (const group of [...groups]) {
      group.push(piece);
      if (Number.isFinite(cheapest(group))) place(at + 1);
      group.pop();
    }
    groups.push([piece]);
    place(at + 1);
    groups.pop();
  };
  place(0);
  return best;
}

const stock = fc.uniqueArray(
  fc.integer({ min: 20, max: 60 }).map((tens) => tens * 100),
  { minLength: 1, maxLength: 3 },
);

describe('cut lists', () => {
  it('are as short as any, with as few sticks, for seven pieces', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 200, max: 2000 }), { minLength: 1, maxLength: 7 }),
        stock,
        fc.constantFrom(0, 3, 4),
        fc.boolean(),
        (pieces, lengths, kerf, priced) => {
          const stocks = lengths.map((length, index) => ({
            length,
            cost: priced ? length + ((index * 137) % 500) : length,
          }));
          const plan = solveCuts(pieces, stocks, kerf);
          const least = leastCuts(pieces, stocks, kerf);
          expect(plan.exact).toBe(true);
          expect([plan.cost, plan.sticks.length]).toEqual([least.cost, least.sticks]);
        },
      ),
      { numRuns: 150 },
    ));

  it('cut every piece once, overfill no stick, and never promise less than their bound', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 150, max: 3600 }), { minLength: 1, maxLength: 60 }),
        stock,
        fc.constantFrom(0, 3),
        (pieces, lengths, kerf) => {
          const stocks = [...lengths, 3600].map((length) => ({ length, cost: length }));
          const plan = solveCuts(pieces, stocks, kerf);
          expect(plan.sticks.flatMap((stick) => stick.pieces).sort((a, b) => a - b)).toEqual(
            [...pieces].sort((a, b) => a - b),
          );
          for (const stick of plan.sticks)
            expect(
              stick.pieces.reduce((sum, piece) => sum + piece, 0) + kerf * (stick.pieces.length - 1),
            ).toBeLessThanOrEqual(stick.stock + 1e-6);
          expect(plan.bound).toBeLessThanOrEqual(plan.cost + 1e-6);
          expect(plan.cost).toBe(plan.sticks.reduce((sum, stick) => sum + stick.stock, 0));
        },
      ),
      { numRuns: 25 },
    ));

  it('come close to the material itself where there is a lot to choose from', () => {
    const pieces = Array.from({ length: 60 }, (_, index) => 300 + ((index * 7919) % 1700));
    const plan = solveCuts(pieces, [{ length: 4800, cost: 4800 }], 3);
    expect(plan.cost - plan.bound).toBeLessThanOrEqual(4800);
  });
});

describe('cans', () => {
  const can = fc.record({
    litres: fc.constantFrom(0.75, 1, 2.5, 3.785, 5, 10),
    price: fc.integer({ min: 500, max: 20_000 }),
  });
  it('are the cheapest set that holds enough', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 24, noNaN: true }),
        fc.uniqueArray(can, { minLength: 1, maxLength: 3, selector: (entry) => entry.litres }),
        (needed, cans) => {
          const least = (from: number, missing: number): number => {
            const one = cans[from];
            if (!one) return missing <= 1e-9 ? 0 : Infinity;
            return Math.min(
              ...Array.from(
                { length: Math.ceil(Math.max(0, missing) / one.litres - 1e-9) + 1 },
                (_, many) => many * one.price + least(from + 1, missing - many * one.litres),
              ),
            );
          };
          const { cost, cans: counts } = cheapestCans(needed, cans);
          expect(cost).toBe(least(0, needed));
          expect(counts.reduce((sum, many, at) => sum + many * (cans[at]?.litres ?? 0), 0)).toBeGreaterThanOrEqual(
            needed - 1e-6,
          );
        },
      ),
      { numRuns: 80 },
    ));
});

describe('trips', () => {
  it('cost no more than any other grouping', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 0, max: 500 }),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 1, max: 4 }),
        (days, tripCost, waitCost, perTrip) => {
          let best = Infinity;
          const groups: number[][] = [];
          const place = (at: number): void => {
            const day = days[at];
            if (day === undefined) {
              best = Math.min(
                best,
                groups.reduce(
                  (sum, group) =>
                    sum + tripCost + group.reduce((wait, entry) => wait + (Math.max(...group) - entry) * waitCost, 0),
                  0,
                ),
              );
              return;
            }
            for (const group of [...groups]) {
              if (group.length >= perTrip) continue;
              group.push(day);
              place(at + 1);
              group.pop();
            }
            groups.push([day]);
            place(at + 1);
            groups.pop();
          };
          place(0);
          const found = cheapestTrips(days, tripCost, waitCost, perTrip);
          expect(found.cost).toBe(best);
          expect(found.trips.flatMap((trip) => trip.items).sort((a, b) => a - b)).toEqual(
            days.map((_, index) => index),
          );
        },
      ),
      { numRuns: 80 },
    ));
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { routeOf, type Stop } from './route';
import { tripsOf, USUAL_TRIP_WEIGHTS, type Left } from './visits';

const orders = <Entry>(list: readonly Entry[]): Entry[][] =>
  list.length === 0
    ? [[]]
    : list.flatMap((one, at) => orders(list.filter((_, other) => other !== at)).map((rest) => [one, ...rest]));

/** When a day in that order is over, and its minutes on the way; undefined where a stop is missed. */
function walked(stops: readonly Stop[], order: readonly number[], starts: number, way: readonly (readonly number[])[]) {
  let [at, last, travels] = [starts, -1, 0];
  for (const number of order) {
    const stop = stops[number] as Stop;
    const minutes = way[last + 1]?.[number] ?? 0;
    const begins = Math.max(at + minutes, stop.from);
    if (begins > stop.until) return undefined;
    at = begins + stop.stays;
    travels += minutes;
    last = number;
  }
  return { ends: at, travels };
}

describe('a route', () => {
  const minute = fc.integer({ min: 0, max: 40 });
  const stop = fc.record({
    stays: fc.integer({ min: 5, max: 60 }),
    from: fc.integer({ min: 0, max: 240 }),
    open: fc.integer({ min: 0, max: 240 }),
  });

  it('is as good as the best of all orders', () =>
    fc.assert(
      fc.property(
        fc.array(stop, { minLength: 1, maxLength: 5 }),
        fc.array(fc.array(minute, { minLength: 5, maxLength: 5 }), { minLength: 6, maxLength: 6 }),
        (list, way) => {
          const stops = list.map(({ stays, from, open }, at) => ({ id: String(at), stays, from, until: from + open }));
          const all = orders(stops.map((_, at) => at)).flatMap((order) => walked(stops, order, 60, way) ?? []);
          const route = routeOf(stops, 60, way);
          if (all.length === 0) {
            expect(route.missed.length).toBeGreaterThan(0);
            return;
          }
          expect(route.missed).toEqual([]);
          expect(route.ends).toBe(Math.min(...all.map((one) => one.ends)));
          const order = route.visited.map(({ stop: id }) => Number(id));
          expect(walked(stops, order, 60, way)).toEqual({ ends: route.ends, travels: route.travels });
        },
      ),
    ));

  it('names a stop that cannot be reached in its time, and when it could be', () => {
    const stops = [
      { id: 'office', stays: 30, from: 480, until: 490 },
      { id: 'site', stays: 60, from: 480, until: 500 },
    ];
    const route = routeOf(stops, 480, [
      [5, 5],
      [0, 20],
      [20, 0],
    ]);
    expect(route.visited.map((one) => one.stop)).toEqual(['office']);
    expect(route.missed).toEqual([{ stop: 'site', earliest: 535 }]);
    expect(() =>
      routeOf(
        Array.from({ length: 13 }, (_, at) => ({ ...stops[0]!, id: String(at) })),
        0,
        [],
      ),
    ).toThrow(/12 stops/);
  });
});

describe('trips for what is left', () => {
  const left = fc.array(
    fc.record({
      job: fc.constantFrom('a', 'b', 'c'),
      ready: fc.integer({ min: 0, max: 6 }),
      halfDays: fc.constantFrom(0.5, 1, 2),
    }),
    { minLength: 1, maxLength: 5 },
  );
  const named = (list: readonly Omit<Left, 'id'>[]): Left[] => list.map((item, at) => ({ id: String(at), ...item }));

  /** The least cost of every way to give each thing one of the days on which something becomes ready. */
  function bruteForce(items: readonly Left[]): number {
    const { day, house, wait } = USUAL_TRIP_WEIGHTS;
    const days = [...new Set(items.map(({ ready }) => ready))];
    let best = Infinity;
    const give = (at: number, chosen: number[]): void => {
      if (at < items.length) {
        for (const one of days) if (one >= (items[at]?.ready ?? 0)) give(at + 1, [...chosen, one]);
        return;
      }
      const work = new Map<number, number>();
      items.forEach(({ halfDays }, number) =>
        work.set(chosen[number] ?? 0, (work.get(chosen[number] ?? 0) ?? 0) + halfDays),
      );
      const out = [...work.values()].reduce((sum, halfDays) => sum + Math.max(1, Math.ceil(halfDays / 2)), 0);
      const houses = new Set(items.map(({ job }, number) => `${job} ${chosen[number]}`)).size;
      const waits = items.reduce((sum, { ready }, number) => sum + (chosen[number] ?? 0) - ready, 0);
      best = Math.min(best, day * out + house * houses + wait * waits);
    };
    give(0, []);
    return best;
  }

  it('cost as little as any grouping does where each day has room, and never less than their bound', () =>
    fc.assert(
      fc.property(left, (list) => {
        const items = named(list.map((item) => ({ ...item, halfDays: 0.25 })));
        const trips = tripsOf(items);
        expect(trips.cost).toBeCloseTo(bruteForce(items));
        expect(trips.bound).toBeLessThanOrEqual(trips.cost);
      }),
    ));

  it('are one where one day serves two houses, and nothing is done before its parts are there', () => {
    const items = named([
      { job: 'a', ready: 0, halfDays: 0.5 },
      { job: 'a', ready: 3, halfDays: 0.5 },
      { job: 'b', ready: 2, halfDays: 0.5 },
    ]);
    const { days, trips, apart } = tripsOf(items);
    expect(days).toEqual([
      {
        day: 3,
        houses: [
          { job: 'a', items: ['0', '1'] },
          { job: 'b', items: ['2'] },
        ],
      },
    ]);
    expect([trips, apart]).toEqual([2, 3]);
    expect(tripsOf([])).toMatchObject({ days: [], cost: 0, trips: 0 });
  });
});

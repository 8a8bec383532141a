/** Something small that is left for one trade: it can be done from the day on which its parts are there. */
export interface Left {
  id: string;
  job: string;
  /** Worked days from today until it can be done. */
  ready: number;
  /** Half-days it takes. */
  halfDays: number;
}

/** What trips are weighed by: points a day out, a house on it, and a day that something waits though it could be done. */
export interface TripWeights {
  day: number;
  house: number;
  wait: number;
}

/** Houses are near each other: a second one on the same day is half a trip. A day of waiting is small beside that. */
export const USUAL_TRIP_WEIGHTS: TripWeights = { day: 10, house: 5, wait: 0.5 };

/** A day on which the trade comes, with what it does in which houses. */
interface TripDay {
  /** Worked days from today. */
  day: number;
  houses: { job: string; items: string[] }[];
}

export interface Trips {
  days: TripDay[];
  cost: number;
  /** No way of grouping costs less than this; where it is the cost itself, none is better. */
  bound: number;
  /** Trips to houses, and how many there would be if each thing were done when it can be. */
  trips: number;
  apart: number;
}

/** Days out up to which every choice of them is looked at. */
const EXACT_DAYS = 14;

/** Half-days that one crew has on a day. */
const A_DAY = 2;

/**
 * The days on which one trade comes for all that is left of it, over houses: the least of days out, houses on them and
 * waiting. A day out is only worth it when something becomes ready: every choice of those days is looked at, and for each the
 * best days of every house; with more than fourteen of them the later ones are kept as they are.
 */
export function tripsOf(left: readonly Left[], weights: TripWeights = USUAL_TRIP_WEIGHTS): Trips {
  const days = [...new Set(left.map(({ ready }) => ready))].sort((a, b) => a - b);
  const jobs = [...new Set(left.map(({ job }) => job))];
  const byJob = jobs.map((job) => left.filter((item) => item.job === job).sort((a, b) => a.ready - b.ready));
  const free = days.slice(0, EXACT_DAYS);
  const fixed = days.slice(EXACT_DAYS);
  let best: { cost: number; of: Map<string, number> } = { cost: Infinity, of: new Map() };
  for (let choice = 0; choice < 1 << free.length; choice++) {
    const chosen = [...free.filter((_, at) => choice & (1 << at)), ...fixed];
    // The last thing that becomes ready has to be done as well.
    if (chosen.at(-1) !== days.at(-1)) continue;
    let cost = 0;
    const of = new Map<string, number>();
    for (const items of byJob) {
      const house = houseOn(items, chosen, weights);
      cost += house.cost;
      house.days.forEach((day, at) => of.set(items[at]?.id ?? '', day));
    }
    cost += weights.day * daysOut(left, of);
    if (cost < best.cost) best = { cost, of };
  }
  const cost = left.length === 0 ? 0 : best.cost;
  return {
    days: grouped(left, best.of),
    cost,
    bound: fixed.length === 0 ? cost : boundOf(byJob, days, weights),
    trips: new Set(left.map(({ id, job }) => `${job} ${best.of.get(id)}`)).size,
    apart: new Set(left.map(({ job, ready }) => `${job} ${ready}`)).size,
  };
}

/** For one house the days of all it has left, of those that are chosen: the least of houses and waiting. */
function houseOn(
  items: readonly Left[],
  chosen: readonly number[],
  { house, wait }: TripWeights,
): { cost: number; days: number[] } {
  // least[n]: the first n things, each on a chosen day on which it is ready; a visit takes all between two visits.
  const least: { cost: number; days: number[] }[] = [{ cost: 0, days: [] }];
  for (let end = 1; end <= items.length; end++) {
    let best = { cost: Infinity, days: [] as number[] };
    const day = chosen.find((one) => one >= (items[end - 1]?.ready ?? 0));
    if (day !== undefined)
      for (let begin = 0; begin < end; begin++) {
        const before = least[begin];
        if (!before || before.cost === Infinity) continue;
        const group = items.slice(begin, end);
        const cost = before.cost + house + wait * group.reduce((sum, { ready }) => sum + (day - ready), 0);
        if (cost < best.cost) best = { cost, days: [...before.days, ...group.map(() => day)] };
      }
    least.push(best);
  }
  return least[items.length] ?? { cost: Infinity, days: [] };
}

/** Days of the crew: what does not fit into one takes another. */
function daysOut(left: readonly Left[], of: ReadonlyMap<string, number>): number {
  const work = new Map<number, number>();
  for (const { id, halfDays } of left) {
    const day = of.get(id) ?? 0;
    work.set(day, (work.get(day) ?? 0) + halfDays);
  }
  return [...work.values()].reduce((sum, halfDays) => sum + Math.max(1, Math.ceil(halfDays / A_DAY)), 0);
}

/** Each house by itself as well as it can be, and one day out. */
const boundOf = (byJob: readonly (readonly Left[])[], days: readonly number[], weights: TripWeights): number =>
  weights.day + byJob.reduce((sum, items) => sum + houseOn(items, days, weights).cost, 0);

function grouped(left: readonly Left[], of: ReadonlyMap<string, number>): TripDay[] {
  const days = new Map<number, Map<string, string[]>>();
  for (const { id, job } of left) {
    const day = of.get(id) ?? 0;
    const houses = days.get(day) ?? new Map<string, string[]>();
    days.set(day, houses.set(job, [...(houses.get(job) ?? []), id]));
  }
  return [...days]
    .sort(([a], [b]) => a - b)
    .map(([day, houses]) => ({ day, houses: [...houses].map(([job, items]) => ({ job, items })) }));
}

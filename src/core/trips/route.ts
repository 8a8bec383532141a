/** A stop of a day: minutes from midnight. */
export interface Stop {
  id: string;
  /** Minutes that one is there. */
  stays: number;
  /** When one may begin there at the earliest and at the latest. */
  from: number;
  until: number;
}

/** One stop as the route takes it. */
interface Visited {
  stop: string;
  arrives: number;
  begins: number;
  leaves: number;
  /** Minutes on the way to it. */
  travels: number;
}

export interface Route {
  visited: Visited[];
  /** Minutes on the way, and when the last stop is over. */
  travels: number;
  ends: number;
  /** Stops that no order reaches in their time, with when one could begin there at the earliest that day; after all others. */
  missed: { stop: string; earliest: number }[];
}

/** Stops up to which the best order is found for certain. */
export const MOST_STOPS = 12;

const NEVER = Number.MAX_SAFE_INTEGER;

/**
 * The order of a day's stops that is over first, exact; of two that get as far as soon, the one with less way goes on. Where
 * not all can be reached in their time, as many as can are, and the others are named.
 * @param starts minutes from midnight at the start
 * @param way minutes from the start (its first row) and from each stop to each stop
 * @see Held and Karp, A dynamic programming approach to sequencing problems, 1962
 */
export function routeOf(stops: readonly Stop[], starts: number, way: readonly (readonly number[])[]): Route {
  const count = stops.length;
  if (count > MOST_STOPS) throw new RangeError(`A route takes ${MOST_STOPS} stops at most, not ${count}.`);
  const sets = 1 << count;
  // By stops that were visited and the last of them: when it is left at the earliest, and the least way of that.
  const leaves = new Float64Array(sets * count).fill(NEVER);
  const travels = new Float64Array(sets * count).fill(NEVER);
  const before = new Int8Array(sets * count).fill(-1);
  const goOn = (set: number, last: number, stop: number): void => {
    const at = last < 0 ? starts : (leaves[set * count + last] ?? NEVER);
    if (at === NEVER) return;
    const minutes = way[last + 1]?.[stop] ?? 0;
    const { from, until, stays } = stops[stop] as Stop;
    const begins = Math.max(at + minutes, from);
    if (begins > until) return;
    const so = (last < 0 ? 0 : (travels[set * count + last] ?? 0)) + minutes;
    const next = (set | (1 << stop)) * count + stop;
    const known = leaves[next] ?? NEVER;
    if (begins + stays > known || (begins + stays === known && so >= (travels[next] ?? NEVER))) return;
    leaves[next] = begins + stays;
    travels[next] = so;
    before[next] = last;
  };
  for (let stop = 0; stop < count; stop++) goOn(0, -1, stop);
  for (let set = 1; set < sets; set++)
    for (let last = 0; last < count; last++)
      if (set & (1 << last)) for (let stop = 0; stop < count; stop++) if (!(set & (1 << stop))) goOn(set, last, stop);
  const [set, last] = bestOf(leaves, travels, count);
  const visited = traced(stops, starts, way, orderOf(before, set, last, count));
  const ends = visited.at(-1)?.leaves ?? starts;
  const missed = stops.flatMap((stop, number) =>
    set & (1 << number)
      ? []
      : [{ stop: stop.id, earliest: Math.max(stop.from, ends + (way[last + 1]?.[number] ?? 0)) }],
  );
  return { visited, travels: visited.reduce((sum, one) => sum + one.travels, 0), ends, missed };
}

/** The set with the most stops, of those the one that is over first, of those the one with the least way. */
function bestOf(leaves: Float64Array, travels: Float64Array, count: number): [set: number, last: number] {
  let best: [number, number] = [0, -1];
  let [most, first, least] = [0, NEVER, NEVER];
  for (let set = 1; set < 1 << count; set++) {
    let size = 0;
    for (let left = set; left > 0; left &= left - 1) size++;
    for (let last = 0; last < count; last++) {
      const at = leaves[set * count + last] ?? NEVER;
      const minutes = travels[set * count + last] ?? NEVER;
      if (at === NEVER || size < most || (size === most && (at > first || (at === first && minutes >= least))))
        continue;
      best = [set, last];
      [most, first, least] = [size, at, minutes];
    }
  }
  return best;
}

function orderOf(before: Int8Array, set: number, last: number, count: number): number[] {
  const order: number[] = [];
  for (let [left, at] = [set, last]; at >= 0;) {
    order.push(at);
    const former = before[left * count + at] ?? -1;
    left &= ~(1 << at);
    at = former;
  }
  return order.reverse();
}

function traced(
  stops: readonly Stop[],
  starts: number,
  way: readonly (readonly number[])[],
  order: readonly number[],
): Visited[] {
  let [at, last] = [starts, -1];
  return order.map((number) => {
    const { id, from, stays } = stops[number] as Stop;
    const travels = way[last + 1]?.[number] ?? 0;
    const arrives = at + travels;
    const begins = Math.max(arrives, from);
    at = begins + stays;
    last = number;
    return { stop: id, arrives, begins, leaves: at, travels };
  });
}

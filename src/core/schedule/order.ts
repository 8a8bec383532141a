import type { Compiled } from './compiled';

/** Keys are told apart down to so small a part of a half-day. */
const FINEST = 4_096;

/** From tasks in order to the place of each. */
export function placesOf(order: ArrayLike<number>): Int32Array {
  const place = new Int32Array(order.length);
  for (let at = 0; at < order.length; at++) place[order[at] ?? 0] = at;
  return place;
}

/**
 * Tasks by a key in half-days, the smallest first; of equal keys the one whose links come first. Key and place in the order
 * make one number each, so that thousands are sorted without a comparison of ours.
 */
export function sortedBy({ order, place }: Pick<Compiled, 'order' | 'place'>, key: ArrayLike<number>): Int32Array {
  const count = order.length;
  const both = new Float64Array(count);
  for (let task = 0; task < count; task++)
    both[task] = Math.floor((key[task] ?? 0) * FINEST) * count + (place[task] ?? 0);
  both.sort();
  const sorted = new Int32Array(count);
  for (let at = 0; at < count; at++) {
    const rest = (both[at] ?? 0) % count;
    sorted[at] = order[rest < 0 ? rest + count : rest] ?? 0;
  }
  return sorted;
}

import { KINDS, type Lattice, type StretchLayer } from './stretches';
import {
  endFeatures,
  FARTHEST,
  startFeatures,
  stretchFeatures,
  wordFeatures,
  type Heard,
  type WalkStyle,
} from './stretch-features';
import type { Layer } from './weights';

const add = (layer: Layer, feature: string, sums: Float64Array, at: number): void => {
  const row = layer.rows.of(feature);
  if (row === -1) return;
  for (let kind = 0, value = row * KINDS; kind < KINDS; kind++, value++) sums[at + kind]! += layer.values[value]!;
};

/**
 * Scores of every stretch between two places. What single words and their neighbours say is summed up once along the walk,
 * so that a stretch costs no more the longer it is.
 */
export function latticeOf(
  heard: Heard,
  at: readonly number[],
  { kinds, flow }: StretchLayer,
  style: WalkStyle,
): Lattice {
  const size = heard.words.length;
  /** By reach: the sum over all words before one. */
  const upTo: Float64Array[] = [];
  for (let reach = 1; reach <= FARTHEST; reach++) upTo.push(new Float64Array((size + 1) * KINDS));
  for (let word = 0; word < size; word++) {
    for (const sums of upTo) sums.copyWithin((word + 1) * KINDS, word * KINDS, (word + 1) * KINDS);
    wordFeatures(heard, word, (reach, feature) => add(kinds, feature, upTo[reach - 1]!, (word + 1) * KINDS));
  }
  const starts = at.map((place) => {
    const sums = new Float64Array(KINDS);
    if (place < size) startFeatures(heard, place, (feature) => add(kinds, feature, sums, 0));
    return sums;
  });
  const ends = at.map((place) => {
    const sums = new Float64Array(KINDS);
    if (place > 0) endFeatures(heard, place, (feature) => add(kinds, feature, sums, 0));
    return sums;
  });
  const known = new Map<number, Float64Array>();
  const score = (from: number, to: number): Float64Array => {
    const key = from * at.length + to;
    const before = known.get(key);
    if (before) return before;
    const [first, last] = [at[from]!, at[to]!];
    const sums = new Float64Array(KINDS);
    for (let kind = 0; kind < KINDS; kind++) {
      let sum = (starts[from]?.[kind] ?? 0) + ends[to]![kind]!;
      for (let reach = 0; reach < FARTHEST; reach++) {
        const end = last - reach;
        if (end > first) sum += upTo[reach]![end * KINDS + kind]! - upTo[reach]![first * KINDS + kind]!;
      }
      sums[kind] = sum;
    }
    stretchFeatures(heard, first, last, style, (feature) => add(kinds, feature, sums, 0));
    known.set(key, sums);
    return sums;
  };
  return { at, score, flow };
}

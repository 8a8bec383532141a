import { DRAFT_KINDS } from './draft';
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
import { addSaid } from './weights';

/** What speaks against two whole sentences being one word on how far something is: “wires are half. Ducts are done.” */
const TWO_SENTENCES = 4;
const PROGRESS = 1 + DRAFT_KINDS.indexOf('progress');

/** Whether two sentences with a verb each stand from one word up to another. */
function twoSentencesIn({ words, looks }: Heard): (first: number, last: number) => boolean {
  /** How many verbs stand before a word, and where the sentence that it stands in ends. */
  const verbs = new Int32Array(words.length + 1);
  const ends = new Int32Array(words.length + 1).fill(words.length);
  for (let at = 0; at < words.length; at++) verbs[at + 1] = verbs[at]! + (looks[at]!.verb ? 1 : 0);
  for (let at = words.length - 1; at >= 0; at--) ends[at] = words[at]!.stop === '.' ? at + 1 : ends[at + 1]!;
  return (first, last) => {
    for (let end = ends[first]!; end < last; end = ends[end]!)
      if (verbs[end]! > verbs[first]! && verbs[last]! > verbs[end]!) return true;
    return false;
  };
}

/**
 * Scores of every stretch between two places. What single words and their neighbours say is summed up once along the walk,
 * so that a stretch costs no more the longer it is.
 */
export function latticeOf(
  heard: Heard,
  at: readonly number[],
  { kinds: layer, flow }: StretchLayer,
  style: WalkStyle,
): Lattice {
  const kinds = KINDS;
  const size = heard.words.length;
  /** By reach: the sum over all words before one. */
  const upTo = Array.from({ length: FARTHEST }, () => new Float64Array((size + 1) * kinds));
  for (let word = 0; word < size; word++)
    wordFeatures(heard, word, (reach, feature) => addSaid(layer, feature, upTo[reach - 1]!, (word + 1) * kinds));
  for (const sums of upTo) for (let one = kinds; one < sums.length; one++) sums[one]! += sums[one - kinds]!;
  /** By place: what speaks for a stretch beginning there, and for one ending there. */
  const starts = new Float64Array(at.length * kinds);
  const ends = new Float64Array(at.length * kinds);
  at.forEach((place, index) => {
    if (place < size) startFeatures(heard, place, (feature) => addSaid(layer, feature, starts, index * kinds));
    if (place > 0) endFeatures(heard, place, (feature) => addSaid(layer, feature, ends, index * kinds));
  });
  const twoSentences = twoSentencesIn(heard);
  const known = new Map<number, Float64Array>();
  const score = (from: number, to: number): Float64Array => {
    const key = from * at.length + to;
    const before = known.get(key);
    if (before) return before;
    const [first, last] = [at[from]!, at[to]!];
    const sums = new Float64Array(kinds);
    for (let kind = 0; kind < kinds; kind++) sums[kind] = starts[from * kinds + kind]! + ends[to * kinds + kind]!;
    for (let reach = 0; reach < FARTHEST && last - reach > first; reach++) {
      const [sum, end, begin] = [upTo[reach]!, (last - reach) * kinds, first * kinds];
      for (let kind = 0; kind < kinds; kind++) sums[kind]! += sum[end + kind]! - sum[begin + kind]!;
    }
    stretchFeatures(heard, first, last, style, (feature) => addSaid(layer, feature, sums, 0));
    if (twoSentences(first, last)) sums[PROGRESS]! -= TWO_SENTENCES;
    known.set(key, sums);
    return sums;
  };
  return { at, score, flow };
}

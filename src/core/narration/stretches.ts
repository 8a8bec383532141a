import { DRAFT_KINDS, type DraftKind } from './draft';
import type { Layer } from './weights';

/**
 * Cuts a walk into stretches of words that each say one thing, and says of what kind each is, both at once: the likeliest
 * whole (a semi-Markov chain). “I think it's old. If it isn't, then …” is one assumption, “floor's down, trim's half” are two.
 */
export interface Stretch {
  from: number;
  to: number;
  /** 0 is chatter, then the kinds of drafts in their order. */
  kind: number;
}

/** Chatter, and each kind. */
export const KINDS = 1 + DRAFT_KINDS.length;
export const draftKind = (kind: number): DraftKind => DRAFT_KINDS[kind - 1]!;

/** At most so many words say one thing. */
const LONGEST = 48;
/** At most so many places where it might have ended are passed over. */
const MOST_CUTS = 9;

/** Where a stretch may begin or end: `at` runs up from 0 to the number of words. */
export interface Lattice {
  at: readonly number[];
  /** What speaks for each kind in the words from one place to another, by their index in `at`. */
  score: (from: number, to: number) => Float64Array;
  /** What speaks for one kind after another. */
  flow: ArrayLike<number>;
}

/** The first place from which a stretch may run to this one. */
export function firstFrom(at: readonly number[], to: number): number {
  let from = to - 1;
  while (from > 0 && to - from < MOST_CUTS && at[to]! - at[from - 1]! <= LONGEST) from -= 1;
  return from;
}

/** The likeliest stretches. */
export function likeliest({ at, score, flow }: Lattice): Stretch[] {
  const places = at.length;
  const best = new Float64Array(places * KINDS).fill(-Infinity);
  /** What the best before a place gives to a kind that begins there, and which kind that was. */
  const entry = new Float64Array(places * KINDS);
  const entryFrom = new Uint8Array(places * KINDS);
  const begun = new Int32Array(places * KINDS);
  for (let to = 0; to < places; to++) {
    for (let from = to === 0 ? 0 : firstFrom(at, to); from < to; from++) {
      const sums = score(from, to);
      for (let kind = 0; kind < KINDS; kind++) {
        const sum = entry[from * KINDS + kind]! + sums[kind]!;
        if (sum <= best[to * KINDS + kind]!) continue;
        best[to * KINDS + kind] = sum;
        begun[to * KINDS + kind] = from;
      }
    }
    for (let kind = 0; kind < KINDS; kind++) {
      if (to === 0) {
        entry[kind] = flow[kind]!;
        continue;
      }
      let top = -Infinity;
      for (let before = 0; before < KINDS; before++) {
        const sum = best[to * KINDS + before]! + flow[before * KINDS + kind]!;
        if (sum > top) {
          top = sum;
          entryFrom[to * KINDS + kind] = before;
        }
      }
      entry[to * KINDS + kind] = top;
    }
  }
  const stretches: Stretch[] = [];
  let to = places - 1;
  if (to < 1) return stretches;
  let kind = 0;
  for (let other = 1; other < KINDS; other++) if (best[to * KINDS + other]! > best[to * KINDS + kind]!) kind = other;
  while (to > 0) {
    const from = begun[to * KINDS + kind]!;
    stretches.push({ from: at[from]!, to: at[to]!, kind });
    kind = entryFrom[from * KINDS + kind]!;
    to = from;
  }
  return stretches.reverse();
}

const logAdd = (a: number, b: number): number => {
  if (a === -Infinity) return b;
  const [more, less] = a > b ? [a, b] : [b, a];
  return more + Math.log1p(Math.exp(less - more));
};

export interface Chances {
  /** The logarithm of everything that could be. */
  total: number;
  /** How likely it is that this stretch is one, of each kind. */
  of: (from: number, to: number) => Float64Array;
  /** How likely one kind follows another, over the whole. */
  flow: () => Float64Array;
}

/** How likely each stretch is, all ways of cutting weighed (forward and backward). */
export function chancesOf({ at, score, flow }: Lattice): Chances {
  const places = at.length;
  const ahead = new Float64Array(places * KINDS).fill(-Infinity);
  const entry = new Float64Array(places * KINDS).fill(-Infinity);
  for (let to = 0; to < places; to++) {
    for (let from = to === 0 ? 0 : firstFrom(at, to); from < to; from++) {
      const sums = score(from, to);
      for (let kind = 0; kind < KINDS; kind++)
        ahead[to * KINDS + kind] = logAdd(ahead[to * KINDS + kind]!, entry[from * KINDS + kind]! + sums[kind]!);
    }
    for (let kind = 0; kind < KINDS; kind++) {
      if (to === 0) entry[kind] = flow[kind]!;
      else
        for (let before = 0; before < KINDS; before++)
          entry[to * KINDS + kind] = logAdd(
            entry[to * KINDS + kind]!,
            ahead[to * KINDS + before]! + flow[before * KINDS + kind]!,
          );
    }
  }
  /** Of what comes after a stretch of a kind that ends here. */
  const after = new Float64Array(places * KINDS).fill(-Infinity);
  /** Of what comes from a stretch of a kind that begins here, itself counted. */
  const begins = new Float64Array(places * KINDS).fill(-Infinity);
  for (let kind = 0; kind < KINDS; kind++) after[(places - 1) * KINDS + kind] = 0;
  for (let to = places - 1; to > 0; to--) {
    if (to < places - 1)
      for (let kind = 0; kind < KINDS; kind++)
        for (let next = 0; next < KINDS; next++)
          after[to * KINDS + kind] = logAdd(
            after[to * KINDS + kind]!,
            flow[kind * KINDS + next]! + begins[to * KINDS + next]!,
          );
    for (let from = firstFrom(at, to); from < to; from++) {
      const sums = score(from, to);
      for (let kind = 0; kind < KINDS; kind++)
        begins[from * KINDS + kind] = logAdd(begins[from * KINDS + kind]!, sums[kind]! + after[to * KINDS + kind]!);
    }
  }
  let total = -Infinity;
  for (let kind = 0; kind < KINDS; kind++) total = logAdd(total, ahead[(places - 1) * KINDS + kind]!);
  return {
    total,
    of: (from, to) => {
      const sums = score(from, to);
      return sums.map((sum, kind) => Math.exp(entry[from * KINDS + kind]! + sum + after[to * KINDS + kind]! - total));
    },
    flow: () => {
      const chances = new Float64Array(KINDS * KINDS);
      for (let place = 1; place < places - 1; place++)
        for (let before = 0; before < KINDS; before++) {
          const own = ahead[place * KINDS + before]!;
          if (own === -Infinity) continue;
          for (let kind = 0; kind < KINDS; kind++)
            chances[before * KINDS + kind]! += Math.exp(
              own + flow[before * KINDS + kind]! + begins[place * KINDS + kind]! - total,
            );
        }
      return chances;
    },
  };
}

/** What was learnt of stretches. */
export interface StretchLayer {
  kinds: Layer;
  flow: Float32Array;
}

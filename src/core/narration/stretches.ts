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
const MOST_CUTS = 7;

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

/** The logarithm of a sum whose terms are given as logarithms, `most` the largest of them. */
class LogSum {
  private most = -Infinity;
  private sum = 0;
  add(term: number): void {
    if (term <= this.most) this.sum += Math.exp(term - this.most);
    else {
      this.sum = this.most === -Infinity ? 1 : this.sum * Math.exp(this.most - term) + 1;
      this.most = term;
    }
  }
  /** What it comes to; begins anew. */
  take(): number {
    const sum = this.most === -Infinity ? -Infinity : this.most + Math.log(this.sum);
    this.most = -Infinity;
    this.sum = 0;
    return sum;
  }
}

/** From logarithms by kind to what each kind gives to, or takes from, the next. */
function acrossKinds(from: Float64Array, at: number, to: Float64Array, flows: Float64Array, forward: boolean): void {
  let most = -Infinity;
  for (let kind = 0; kind < KINDS; kind++) if (from[at + kind]! > most) most = from[at + kind]!;
  if (most === -Infinity) return;
  const plain = new Float64Array(KINDS);
  for (let kind = 0; kind < KINDS; kind++) plain[kind] = Math.exp(from[at + kind]! - most);
  for (let kind = 0; kind < KINDS; kind++) {
    let sum = 0;
    for (let other = 0; other < KINDS; other++)
      sum += plain[other]! * (forward ? flows[other * KINDS + kind]! : flows[kind * KINDS + other]!);
    to[at + kind] = most + Math.log(sum);
  }
}

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
  const flows = Float64Array.from({ length: KINDS * KINDS }, (_, pair) => Math.exp(flow[pair]!));
  const none = (): Float64Array => new Float64Array(places * KINDS).fill(-Infinity);
  const [ahead, entry] = [none(), none()];
  const sums = Array.from({ length: KINDS }, () => new LogSum());
  for (let kind = 0; kind < KINDS; kind++) entry[kind] = flow[kind]!;
  for (let to = 1; to < places; to++) {
    for (let from = firstFrom(at, to); from < to; from++) {
      const scores = score(from, to);
      for (let kind = 0; kind < KINDS; kind++) sums[kind]!.add(entry[from * KINDS + kind]! + scores[kind]!);
    }
    for (let kind = 0; kind < KINDS; kind++) ahead[to * KINDS + kind] = sums[kind]!.take();
    acrossKinds(ahead, to * KINDS, entry, flows, true);
  }
  /** Of what comes after a stretch of a kind that ends here; and from one that begins here, itself counted. */
  const [after, begins] = [none(), none()];
  for (let kind = 0; kind < KINDS; kind++) after[(places - 1) * KINDS + kind] = 0;
  // Backward each place is whole once all that reach it from behind were seen: those that begin there, by where they end.
  const ends = new Map<number, number[]>();
  for (let to = 1; to < places; to++)
    for (let from = firstFrom(at, to); from < to; from++) ends.set(from, [...(ends.get(from) ?? []), to]);
  for (let from = places - 2; from >= 0; from--) {
    for (const to of ends.get(from) ?? []) {
      const scores = score(from, to);
      for (let kind = 0; kind < KINDS; kind++) sums[kind]!.add(scores[kind]! + after[to * KINDS + kind]!);
    }
    for (let kind = 0; kind < KINDS; kind++) begins[from * KINDS + kind] = sums[kind]!.take();
    if (from > 0) acrossKinds(begins, from * KINDS, after, flows, false);
  }
  const whole = new LogSum();
  for (let kind = 0; kind < KINDS; kind++) whole.add(ahead[(places - 1) * KINDS + kind]!);
  const total = whole.take();
  return {
    total,
    of: (from, to) =>
      score(from, to).map((sum, kind) =>
        Math.exp(entry[from * KINDS + kind]! + sum + after[to * KINDS + kind]! - total),
      ),
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

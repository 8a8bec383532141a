import { chancesOf, firstFrom, KINDS, type Lattice, type StretchLayer } from '../src/core/narration/stretches';
import type { Feature, Show } from '../src/core/narration/features';
import { Rows, type Layer } from '../src/core/narration/weights';
import { seeded } from '../src/core/units/seeded';

/** What is known of one thing: its features by number, and the answer. */
export interface Example {
  features: number[];
  /** 1 yes, 0 no. */
  answer: 0 | 1;
}

/** Numbers features as they are met, and how often. */
export class Vocabulary {
  readonly rows = new Map<Feature, number>();
  readonly counts: number[] = [];
  read(show: (tell: Show) => void): number[] {
    const features: number[] = [];
    show((feature) => {
      let row = this.rows.get(feature);
      if (row === undefined) {
        row = this.rows.size;
        this.rows.set(feature, row);
        this.counts.push(0);
      }
      this.counts[row]! += 1;
      features.push(row);
    });
    return features;
  }
  /** Those that are known already. */
  find(show: (tell: Show) => void): number[] {
    const features: number[] = [];
    show((feature) => {
      const row = this.rows.get(feature);
      if (row !== undefined) features.push(row);
    });
    return features;
  }
}

/** Steps that get smaller the more often a weight was moved (AdaGrad). */
class Steps {
  readonly values: Float64Array;
  private readonly moved: Float64Array;
  constructor(
    size: number,
    private readonly rate: number,
    private readonly shrink: number,
  ) {
    this.values = new Float64Array(size);
    this.moved = new Float64Array(size);
    this.sums = new Float64Array(size);
  }
  private readonly sums: Float64Array;
  private rounds = 0;
  /** Weights are kept as they were on average once they have found their place: the last example seen weighs no more. */
  note(round: number, times: number): void {
    if (round * 2 <= times) return;
    this.rounds += 1;
    for (let at = 0; at < this.sums.length; at++) this.sums[at]! += this.values[at]!;
  }
  average(share = 1): Float64Array {
    return this.sums.map((sum) => (sum / Math.max(1, this.rounds)) * share);
  }
  step(at: number, slope: number): void {
    const whole = slope + this.shrink * this.values[at]!;
    this.moved[at]! += whole * whole;
    this.values[at]! -= (this.rate * whole) / Math.sqrt(this.moved[at]! + 1e-6);
  }
}

const shuffled = <T>(list: readonly T[], random: () => number): T[] => {
  const mixed = [...list];
  for (let at = mixed.length - 1; at > 0; at--) {
    const other = Math.floor(random() * (at + 1));
    [mixed[at], mixed[other]] = [mixed[other]!, mixed[at]!];
  }
  return mixed;
};

/** One way of learning: which features are known, how often everything is gone through, and by which chance. */
type Learn = (known: (feature: number) => boolean, rounds: number, random: () => number) => Float64Array;

/** What was learnt hangs on the order in which examples came: it is learnt so many times over, and the middle of all is kept. */
const TIMES = 3;

/**
 * Learns twice: once from everything that was met often enough, and again from what said most in that, so that what is left
 * takes over for what is not.
 */
function fewest(
  vocabulary: Vocabulary,
  answers: number,
  { least, most, rounds, seed }: { least: number; most: number; rounds: number; seed: number },
  learn: Learn,
): Layer {
  const all = learn((feature) => (vocabulary.counts[feature] ?? 0) >= least, Math.ceil(rounds / 2), seeded(seed));
  const says = (row: number): number =>
    all.subarray(row * answers, (row + 1) * answers).reduce((top, value) => Math.max(top, Math.abs(value)), 0) *
    Math.sqrt(Math.min(vocabulary.counts[row] ?? 0, 40));
  const ranked = [...vocabulary.rows.values()]
    .filter((row) => (vocabulary.counts[row] ?? 0) >= least)
    .sort((a, b) => says(b) - says(a) || a - b);
  const kept = new Uint8Array(vocabulary.rows.size);
  for (const row of ranked.slice(0, most)) kept[row] = 1;
  const values = meanOf(
    Array.from({ length: TIMES }, (_, time) =>
      learn((feature) => kept[feature] === 1, rounds, seeded(seed + time * 101)),
    ),
  );
  return layerOf(vocabulary, answers, values, least, most);
}

const meanOf = (lists: readonly Float64Array[]): Float64Array =>
  Float64Array.from(lists[0] ?? [], (_, at) => lists.reduce((sum, list) => sum + list[at]!, 0) / lists.length);

/** Keeps what was met often enough and says most. */
function layerOf(vocabulary: Vocabulary, answers: number, values: Float64Array, least: number, most: number): Layer {
  const rows: { feature: Feature; own: Float64Array; says: number }[] = [];
  for (const [feature, row] of vocabulary.rows) {
    const count = vocabulary.counts[row] ?? 0;
    if (count < least) continue;
    const own = values.subarray(row * answers, (row + 1) * answers);
    rows.push({
      feature,
      own,
      says: own.reduce((top, value) => Math.max(top, Math.abs(value)), 0) * Math.sqrt(Math.min(count, 40)),
    });
  }
  const kept = rows.sort((a, b) => b.says - a.says || a.feature - b.feature).slice(0, most);
  return {
    rows: new Rows(Int32Array.from(kept, ({ feature }) => feature)),
    answers,
    values: Float32Array.from(kept.flatMap(({ own }) => [...own])),
  };
}

/** Yes or no, by logistic regression. */
export function learnAnswer(
  vocabulary: Vocabulary,
  examples: readonly Example[],
  { rounds = 15, rate = 0.15, shrink = 1e-4, least = 2, seed = 1, forget = 0.15, most = 3000 } = {},
): Layer {
  return fewest(vocabulary, 1, { least, most, rounds, seed }, (known, times, random) => {
    const steps = new Steps(vocabulary.rows.size, rate, shrink);
    const own = examples.map((example) => ({ ...example, features: example.features.filter(known) }));
    for (let round = 0; round < times; round++, steps.note(round, times))
      for (const { features, answer } of shuffled(own, random)) {
        // Some are left out each time, so that no answer hangs on one word.
        const shown = features.filter(() => random() >= forget);
        let score = 0;
        for (const row of shown) score += steps.values[row]!;
        const slope = 1 / (1 + Math.exp(-score)) - answer;
        for (const row of shown) steps.step(row, slope);
      }
    return steps.average(1 - forget);
  });
}

/** One of several, each by itself (multinomial logistic regression). */
export function learnOneOf(
  vocabulary: Vocabulary,
  examples: readonly { features: number[]; answer: number }[],
  answers: number,
  { rounds = 10, rate = 0.1, shrink = 2e-3, least = 4, seed = 1, forget = 0.2, most = 600, even = false } = {},
): Layer {
  return fewest(vocabulary, answers, { least, most, rounds, seed }, (known, times, random) => {
    const steps = new Steps(vocabulary.rows.size * answers, rate, shrink);
    // Where what is common should not be favoured, each answer counts as much as the others all together.
    const counts = new Float64Array(answers);
    for (const { answer } of examples) counts[answer]! += 1;
    const weights = counts.map((count) => (even && count > 0 ? Math.min(4, examples.length / answers / count) : 1));
    for (let round = 0; round < times; round++, steps.note(round, times))
      for (const { features, answer } of shuffled(examples, random)) {
        const shown = features.filter((row) => known(row) && random() >= forget);
        const sums = new Float64Array(answers);
        for (const row of shown)
          for (let one = 0; one < answers; one++) sums[one]! += steps.values[row * answers + one]!;
        const most = Math.max(...sums);
        const all = sums.reduce((so, sum) => so + Math.exp(sum - most), 0);
        for (let one = 0; one < answers; one++) {
          const slope = (Math.exp(sums[one]! - most) / all - (one === answer ? 1 : 0)) * weights[answer]!;
          if (Math.abs(slope) > 1e-3) for (const row of shown) steps.step(row * answers + one, slope);
        }
      }
    return steps.average(1 - forget);
  });
}

/** A walk as it is learnt from: its features by number, and how it should be cut. */
export interface Row {
  size: number;
  at: number[];
  /** By reach less one, at each word. */
  words: number[][][];
  /** At each place of `at`. */
  starts: number[][];
  ends: number[][];
  /** Of a stretch, by indices of `at`. */
  stretch: (from: number, to: number) => number[];
  /** The right stretches, by indices of `at`. */
  right: { from: number; to: number; kind: number }[];
}

/** Walks cut into stretches: a semi-Markov chain by stochastic steps. */
export function learnStretches(
  vocabulary: Vocabulary,
  rows: readonly Row[],
  { rounds = 10, rate = 0.1, shrink = 2e-4, least = 2, seed = 1, forget = 0.2, most = 8500 } = {},
): StretchLayer {
  const flows: Float64Array[] = [];
  const kept = fewest(vocabulary, KINDS, { least, most, rounds, seed }, (known, times, random) => {
    const kinds = new Steps(vocabulary.rows.size * KINDS, rate, shrink);
    const flow = new Steps(KINDS * KINDS, rate, shrink * 5);
    const sumOf = (features: readonly number[]): Float64Array => {
      const sums = new Float64Array(KINDS);
      for (const feature of features)
        for (let kind = 0, at = feature * KINDS; kind < KINDS; kind++, at++) sums[kind]! += kinds.values[at]!;
      return sums;
    };
    for (let round = 0; round < times; round++, kinds.note(round, times), flow.note(round, times))
      for (const row of shuffled(rows, random)) {
        const asked = new Map<number, boolean>();
        const shown = (features: readonly number[]): number[] =>
          features.filter((feature) => {
            let keep = asked.get(feature);
            if (keep === undefined) {
              keep = known(feature) && random() >= forget;
              asked.set(feature, keep);
            }
            return keep;
          });
        const words = row.words.map((byWord) => byWord.map(shown));
        const starts = row.starts.map(shown);
        const ends = row.ends.map(shown);
        const upTo = words.map((byWord) => {
          const sums = new Float64Array((row.size + 1) * KINDS);
          byWord.forEach((features, word) => {
            const own = sumOf(features);
            for (let kind = 0; kind < KINDS; kind++)
              sums[(word + 1) * KINDS + kind] = sums[word * KINDS + kind]! + own[kind]!;
          });
          return sums;
        });
        const startSums = starts.map(sumOf);
        const endSums = ends.map(sumOf);
        const looked = new Map<number, { features: number[]; sums: Float64Array }>();
        const at = row.at;
        const ofStretch = (from: number, to: number): { features: number[]; sums: Float64Array } => {
          const key = from * at.length + to;
          let found = looked.get(key);
          if (!found) {
            const features = shown(row.stretch(from, to));
            const sums = sumOf(features);
            for (let kind = 0; kind < KINDS; kind++) {
              let sum = startSums[from]![kind]! + endSums[to]![kind]!;
              for (let reach = 0; reach < upTo.length; reach++) {
                const end = at[to]! - reach;
                if (end > at[from]!) sum += upTo[reach]![end * KINDS + kind]! - upTo[reach]![at[from]! * KINDS + kind]!;
              }
              sums[kind]! += sum;
            }
            found = { features, sums };
            looked.set(key, found);
          }
          return found;
        };
        const lattice: Lattice = { at, score: (from, to) => ofStretch(from, to).sums, flow: flow.values };
        const chances = chancesOf(lattice);
        // How far each stretch is from right, gathered by what it shows.
        const startSlopes = starts.map(() => new Float64Array(KINDS));
        const endSlopes = ends.map(() => new Float64Array(KINDS));
        const wordSlopes = words.map(() => new Float64Array((row.size + 2) * KINDS));
        const rightOnes = new Map(row.right.map((one) => [one.from * at.length + one.to, one.kind]));
        for (let to = 1; to < at.length; to++)
          for (let from = firstFrom(at, to); from < to; from++) {
            const slopes = chances.of(from, to);
            const right = rightOnes.get(from * at.length + to);
            if (right !== undefined) slopes[right]! -= 1;
            const { features } = ofStretch(from, to);
            for (let kind = 0; kind < KINDS; kind++) {
              const slope = slopes[kind]!;
              if (Math.abs(slope) < 1e-3) continue;
              for (const feature of features) kinds.step(feature * KINDS + kind, slope);
              startSlopes[from]![kind]! += slope;
              endSlopes[to]![kind]! += slope;
              for (let reach = 0; reach < words.length; reach++) {
                const end = at[to]! - reach;
                if (end <= at[from]!) continue;
                wordSlopes[reach]![at[from]! * KINDS + kind]! += slope;
                wordSlopes[reach]![end * KINDS + kind]! -= slope;
              }
            }
          }
        const move = (features: readonly number[], slopes: ArrayLike<number>, from = 0): void => {
          for (let kind = 0; kind < KINDS; kind++) {
            const slope = slopes[from + kind]!;
            if (Math.abs(slope) < 1e-3) continue;
            for (const feature of features) kinds.step(feature * KINDS + kind, slope);
          }
        };
        starts.forEach((features, place) => move(features, startSlopes[place]!));
        ends.forEach((features, place) => move(features, endSlopes[place]!));
        words.forEach((byWord, reach) => {
          const slopes = wordSlopes[reach]!;
          const running = new Float64Array(KINDS);
          byWord.forEach((features, word) => {
            for (let kind = 0; kind < KINDS; kind++) running[kind]! += slopes[word * KINDS + kind]!;
            move(features, running);
          });
        });
        const follows = chances.flow();
        row.right.forEach((one, index) => {
          const before = row.right[index - 1];
          if (before) follows[before.kind * KINDS + one.kind]! -= 1;
        });
        follows.forEach((slope, pair) => Math.abs(slope) > 1e-3 && flow.step(pair, slope));
      }
    flows.push(flow.average());
    return kinds.average(1 - forget);
  });
  return { kinds: kept, flow: Float32Array.from(meanOf(flows.slice(-TIMES))) };
}

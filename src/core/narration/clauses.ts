import type { Word } from './words';
import { classesOf, doesOf, type WordClass } from './word-classes';
import { scoresOf, type Layer, type Show } from './weights';

/** A run of words that says one thing. */
export interface Clause {
  from: number;
  to: number;
}

/** At which words an area is named: how it is called where a name begins, and where one has just ended. */
export interface Named {
  begins: ReadonlyMap<number, string>;
  ended: ReadonlyMap<number, string>;
}

const VERBS: ReadonlySet<WordClass> = new Set<WordClass>([
  'be',
  'was',
  'have',
  'do',
  'will',
  'would',
  'can',
  'going',
  'got',
  'need',
  'keep',
  'think',
]);
const isVerb = (word: string | undefined): boolean => word !== undefined && VERBS.has(first(word));
const first = (word: string): WordClass => classesOf(word)[0]!;

const pauseOf = (seconds: number): string => (seconds < 0.05 ? '0' : seconds < 0.35 ? '1' : seconds < 0.9 ? '2' : '3');
const lengthOf = (words: number): string =>
  words < 5 ? String(words) : words < 8 ? '5' : words < 12 ? '8' : words < 18 ? '12' : '18';

/** What speaks for or against a clause beginning at a word, `since` words after the one before began. */
export function cutFeatures(words: readonly Word[], named: Named, at: number, since: number, tell: Show): void {
  const text = (by: number): string => words[at + by]?.text ?? '#';
  const kind = (by: number): string => (words[at + by] ? first(text(by)) : '#');
  const before = words[at - 1];
  const pause = pauseOf(words[at]?.gap ?? 0);
  const stop = before?.stop === '' ? '-' : (before?.stop ?? '#');
  let verbs = 0;
  for (let back = 1; back <= Math.min(since, 12); back++) if (isVerb(words[at - back]?.text)) verbs += 1;
  const behind = verbs > 1 ? '2' : String(verbs);
  let ahead = '0';
  for (let by = 1; by <= 4; by++)
    if (isVerb(words[at + by]?.text)) {
      ahead = String(by);
      break;
    }
  const does = (by: number): string => (words[at + by] ? doesOf(text(by)) : '#');
  const d = [-4, -3, -2, -1, 0, 1, 2, 3, 4].map(does);
  tell('bias');
  // “The kitchen” is named by its name, not by its article.
  const names = named.begins.get(at) ?? (d[4] === 'the' || d[4] === 'this' ? named.begins.get(at + 1) : undefined);
  const named0 = named.ended.get(at);
  if (names) {
    tell(`names:${names}`);
    tell(`names:${names}:${d[3]}`);
    tell(`names:${names}:${text(-1)}`);
    tell(`names:${names}:${pause}:${stop}`);
  }
  const led = named.begins.get(at + 1) ?? named.begins.get(at + 2) ?? named.begins.get(at + 3);
  if (led) {
    tell(`leads:${led}:${d[4]}:${d[5]}`);
    tell(`leads:${led}:${text(0)}`);
    tell(`leads:${led}:${d[3]}:${d[4]}`);
  }
  if (named0) {
    tell(`named:${named0}`);
    tell(`named:${named0}:${d[4]}`);
    tell(`named:${named0}:${d[4]}:${d[5]}`);
    tell(`named:${named0}:since:${lengthOf(since)}`);
    tell(`named:${named0}:since:${lengthOf(since)}:${d[4]}`);
    tell(`named:${named0}:${text(0)}`);
  }
  tell(`stop:${stop}`);
  tell(`pause:${pause}`);
  tell(`stop:${stop}:${kind(0)}`);
  tell(`pause:${pause}:${kind(0)}`);
  tell(`since:${lengthOf(since)}`);
  tell(`verbs:${behind}:${ahead}`);
  tell(`verbs:${behind}:${kind(0)}`);
  tell(`verbs:${behind}:${kind(0)}:${ahead}`);
  tell(`since:${lengthOf(since)}:${kind(0)}`);
  tell(`w-2:${text(-2)}`);
  tell(`w-1:${text(-1)}`);
  tell(`w0:${text(0)}`);
  tell(`w1:${text(1)}`);
  tell(`w-1,0:${text(-1)}:${text(0)}`);
  tell(`w0,1:${text(0)}:${text(1)}`);
  tell(`c-1:${kind(-1)}`);
  tell(`c0:${kind(0)}`);
  tell(`c1:${kind(1)}`);
  tell(`c-1,0:${kind(-1)}:${kind(0)}`);
  tell(`c0,1:${kind(0)}:${kind(1)}`);
  tell(`c-2,0:${kind(-2)}:${kind(-1)}:${kind(0)}`);
  tell(`c-1,1:${kind(-1)}:${kind(0)}:${kind(1)}`);
  tell(`c0,2:${kind(0)}:${kind(1)}:${kind(2)}`);
  tell(`c0,3:${kind(0)}:${kind(1)}:${kind(2)}:${kind(3)}`);
  tell(`c-2,1:${kind(-2)}:${kind(-1)}:${kind(0)}:${kind(1)}`);
  tell(`c-3,-1:${kind(-3)}:${kind(-2)}:${kind(-1)}`);
  tell(`cw-1,0:${kind(-1)}:${text(0)}`);
  tell(`wc-1,0:${text(-1)}:${kind(0)}`);
  tell(`w0c1:${text(0)}:${kind(1)}`);
  tell(`w0c2:${text(0)}:${kind(1)}:${kind(2)}`);
  tell(`w-2,-1:${text(-2)}:${text(-1)}`);
  tell(`w-1:${text(-1)}:verbs:${behind}`);
  tell(`w0:${text(0)}:verbs:${behind}:${ahead}`);
  tell(`c-1:${kind(-1)}:verbs:${behind}:${ahead}`);
  const span = (from: number, to: number): string => `d${from},${to}:${d.slice(from + 4, to + 5).join(':')}`;
  for (const [from, to] of SPANS) tell(span(from, to));
  tell(`${span(-1, 1)}:${behind}:${ahead}`);
  tell(`${span(0, 2)}:${behind}`);
  tell(`${span(-2, 0)}:${lengthOf(since)}`);
  tell(`${span(-1, 0)}:${text(0)}`);
  tell(`${span(-1, 0)}:${text(-1)}`);
  for (const one of classesOf(text(0))) tell(`C0:${one}:${kind(-1)}`);
  for (const one of classesOf(text(-1))) tell(`C-1:${one}:${kind(0)}`);
}

const SPANS: readonly (readonly [number, number])[] = [
  [0, 0],
  [-1, -1],
  [-1, 0],
  [0, 1],
  [-1, 1],
  [-2, 0],
  [0, 2],
  [-2, 1],
  [-1, 2],
  [0, 3],
  [-3, 0],
  [-2, 2],
  [-3, 1],
  [-1, 3],
  [0, 4],
  [-3, 2],
  [-4, 0],
];

/** What speaks for a clause beginning at each word, the one that begins before it taken as it is likeliest. */
export function cutsOf(words: readonly Word[], named: Named, layer: Layer): Float64Array {
  const cuts = new Float64Array(words.length);
  let from = 0;
  for (let at = 1; at < words.length; at++) {
    const [score = 0] = scoresOf(layer, (tell) => cutFeatures(words, named, at, at - from, tell));
    cuts[at] = words[at - 1]?.stop === '.' ? Math.max(score, 3) : score;
    if (cuts[at]! > 0) from = at;
  }
  return cuts;
}

/** Below this nothing ends or begins. */
const UNLIKELY = -2.2;

/** Every place where something said may begin or end, the first and the last word with them. */
export const placesToCut = (cuts: Float64Array, least = UNLIKELY): number[] => {
  const places = [0];
  for (let at = 1; at < cuts.length; at++) if (cuts[at]! >= least) places.push(at);
  if (cuts.length > 0) places.push(cuts.length);
  return places;
};

/** The clauses of what was said, cut where it is more likely than not. */
export function clausesOf(cuts: Float64Array): Clause[] {
  const places = placesToCut(cuts, 0);
  return places.slice(1).map((to, at) => ({ from: places[at]!, to }));
}

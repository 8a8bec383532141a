import type { Looked } from './looked';
import type { Word } from './words';
import { classesOf, classOf, VERBS } from './word-classes';
import type { Layer, Show } from './weights';

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

const isVerb = (word: string | undefined): boolean =>
  word !== undefined && (VERBS.has(classOf(word)) || classOf(word) === 'think');

const pauseOf = (seconds: number): string => (seconds < 0.05 ? '0' : seconds < 0.35 ? '1' : seconds < 0.9 ? '2' : '3');
const lengthOf = (words: number): string =>
  words < 5 ? String(words) : words < 8 ? '5' : words < 12 ? '8' : words < 18 ? '12' : '18';

/** What a word does beside its neighbours: these are asked first, the others only where they leave it open. */
const NEAREST: readonly (readonly [number, number])[] = [
  [0, 0],
  [-1, -1],
  [-1, 0],
  [0, 1],
];
const SPANS: readonly (readonly [number, number])[] = [
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

/** How many verbs were said since, and how soon the next comes: what is whole may end, what has none goes on. */
function verbsAround(words: readonly Word[], at: number, since: number): { behind: string; ahead: string } {
  let verbs = 0;
  for (let back = 1; back <= Math.min(since, 12); back++) if (isVerb(words[at - back]?.text)) verbs += 1;
  let ahead = 0;
  for (let by = 1; by <= 4 && ahead === 0; by++) if (isVerb(words[at + by]?.text)) ahead = by;
  return { behind: verbs > 1 ? '2' : String(verbs), ahead: String(ahead) };
}

/** A word with its neighbours, as they are, by their classes and by what they do. */
interface Around {
  text: (by: number) => string;
  kind: (by: number) => string;
  does: (by: number) => string;
  since: number;
  pause: string;
  stop: string;
}

/** Where an area is named here, soon, or just before: names are headings as often as things. */
function nameFeatures(named: Named, at: number, { text, does, since, pause, stop }: Around, tell: Show): void {
  // “The kitchen” is named by its name, not by its article.
  const names = named.begins.get(at) ?? (/^(?:the|this)$/.test(does(0)) ? named.begins.get(at + 1) : undefined);
  if (names) {
    tell(`names:${names}`);
    tell(`names:${names}:${does(-1)}`);
    tell(`names:${names}:${text(-1)}`);
    tell(`names:${names}:${pause}:${stop}`);
  }
  const led = named.begins.get(at + 1) ?? named.begins.get(at + 2) ?? named.begins.get(at + 3);
  if (led) {
    tell(`leads:${led}:${does(0)}:${does(1)}`);
    tell(`leads:${led}:${text(0)}`);
    tell(`leads:${led}:${does(-1)}:${does(0)}`);
  }
  const just = named.ended.get(at);
  if (!just) return;
  tell(`named:${just}`);
  tell(`named:${just}:${does(0)}`);
  tell(`named:${just}:${does(0)}:${does(1)}`);
  tell(`named:${just}:since:${lengthOf(since)}`);
  tell(`named:${just}:since:${lengthOf(since)}:${does(0)}`);
  tell(`named:${just}:${text(0)}`);
}

/** What speaks for or against a clause beginning at a word, `since` words after the one before began. */
export function cutFeatures(
  looked: Looked,
  named: Named,
  at: number,
  since: number,
  tell: Show,
  unlikely = (): boolean => false,
): void {
  const { words } = looked;
  const text = (by: number): string => words[at + by]?.text ?? '#';
  const kind = (by: number): string => looked.kinds[at + by] ?? '#';
  const does = (by: number): string => looked.does[at + by] ?? '#';
  const pause = pauseOf(words[at]?.gap ?? 0);
  const before = words[at - 1]?.stop;
  const stop = before === '' ? '-' : (before ?? '#');
  const { behind, ahead } = verbsAround(words, at, since);
  const d = [-4, -3, -2, -1, 0, 1, 2, 3, 4].map(does);
  const span = (from: number, to: number): string => `d${from},${to}:${d.slice(from + 4, to + 5).join(':')}`;
  tell('bias');
  nameFeatures(named, at, { text, kind, does, since, pause, stop }, tell);
  tell(`stop:${stop}`);
  tell(`pause:${pause}`);
  tell(`stop:${stop}:${kind(0)}`);
  tell(`pause:${pause}:${kind(0)}`);
  tell(`since:${lengthOf(since)}`);
  tell(`verbs:${behind}:${ahead}`);
  tell(`verbs:${behind}:${kind(0)}`);
  tell(`verbs:${behind}:${kind(0)}:${ahead}`);
  tell(`since:${lengthOf(since)}:${kind(0)}`);
  tell(`w-1:${text(-1)}`);
  tell(`w0:${text(0)}`);
  tell(`w-1,0:${text(-1)}:${text(0)}`);
  tell(`c-1:${kind(-1)}`);
  tell(`c0:${kind(0)}`);
  tell(`c-1,0:${kind(-1)}:${kind(0)}`);
  for (const [from, to] of NEAREST) tell(span(from, to));
  if (unlikely()) return;
  tell(`w-2:${text(-2)}`);
  tell(`w1:${text(1)}`);
  tell(`w0,1:${text(0)}:${text(1)}`);
  tell(`c1:${kind(1)}`);
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
  for (const [from, to] of SPANS) tell(span(from, to));
  tell(`${span(-1, 1)}:${behind}:${ahead}`);
  tell(`${span(0, 2)}:${behind}`);
  tell(`${span(-2, 0)}:${lengthOf(since)}`);
  tell(`${span(-1, 0)}:${text(0)}`);
  tell(`${span(-1, 0)}:${text(-1)}`);
  for (const one of classesOf(text(0))) tell(`C0:${one}:${kind(-1)}`);
  for (const one of classesOf(text(-1))) tell(`C-1:${one}:${kind(0)}`);
}

/** So little speaks for it in what is next to it that the rest need not be asked. */
const HARDLY = -2;

function cutScore({ rows, values }: Layer, looked: Looked, named: Named, at: number, since: number): number {
  let score = 0;
  const tell: Show = (feature) => {
    const row = rows.of(feature);
    if (row !== -1) score += values[row] ?? 0;
  };
  cutFeatures(looked, named, at, since, tell, () => score < HARDLY);
  return score;
}

/** What speaks for a clause beginning at each word, the one that begins before it taken as it is likeliest. */
export function cutsOf(looked: Looked, named: Named, layer: Layer): Float64Array {
  const { words } = looked;
  const cuts = new Float64Array(words.length);
  let from = 0;
  for (let at = 1; at < words.length; at++) {
    const score = cutScore(layer, looked, named, at, at - from);
    cuts[at] = words[at - 1]?.stop === '.' ? Math.max(score, 3) : score;
    if ((cuts[at] ?? 0) > 0) from = at;
  }
  return cuts;
}

/** Below this nothing ends or begins. */
const UNLIKELY = -1.7;

/** Every place where something said may begin or end, the first and the last word with them. */
export const placesToCut = (cuts: Float64Array, least = UNLIKELY): number[] => {
  const places = [0];
  for (let at = 1; at < cuts.length; at++) if ((cuts[at] ?? 0) >= least) places.push(at);
  if (cuts.length > 0) places.push(cuts.length);
  return places;
};

/** The clauses of what was said, cut where it is more likely than not. */
export function clausesOf(cuts: Float64Array): Clause[] {
  const places = placesToCut(cuts, 0);
  return places.slice(1).map((to, at) => ({ from: places[at] ?? 0, to }));
}

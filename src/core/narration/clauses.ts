import { and, numberOf, put, slotsOf, tellAll, type Show } from './features';
import { BEYOND, type Look, type Looked } from './looked';
import { addSaid, type Layer } from './weights';

/** A run of words that says one thing. */
export interface Clause {
  from: number;
  to: number;
}

/** At which words an area is named: how it is called (a number of it) where a name begins, and where one has just ended. */
export interface Named {
  begins: ReadonlyMap<number, number>;
  ended: ReadonlyMap<number, number>;
}

const pauseOf = (seconds: number): number => (seconds < 0.05 ? 0 : seconds < 0.35 ? 1 : seconds < 0.9 ? 2 : 3);
const lengthOf = (words: number): number => (words < 5 ? words : words < 8 ? 5 : words < 12 ? 8 : words < 18 ? 12 : 18);

/** So many words are looked at before and after the one that may begin a clause. */
const AROUND = 4;
const WIDE = 2 * AROUND + 1;

/** What is seen at a word: its neighbours as they are (w), by their classes (c), by what they do (d); and where it stands. */
// prettier-ignore
const SEEN = slotsOf(
  'w-4', 'w-3', 'w-2', 'w-1', 'w0', 'w1', 'w2', 'w3', 'w4',
  'c-4', 'c-3', 'c-2', 'c-1', 'c0', 'c1', 'c2', 'c3', 'c4',
  'd-4', 'd-3', 'd-2', 'd-1', 'd0', 'd1', 'd2', 'd3', 'd4',
  'pause', 'stop', 'since', 'behind', 'ahead', 'names', 'leads', 'named',
);

/** Asked first, the others only where these leave it open. */
// prettier-ignore
const NEAREST = put(
  'cut', SEEN,
  '', 'stop', 'pause', 'stop c0', 'pause c0', 'since', 'behind ahead', 'behind c0', 'behind c0 ahead', 'since c0',
  'w-1', 'w0', 'w-1 w0', 'c-1', 'c0', 'c-1 c0', 'd0', 'd-1', 'd-1 d0', 'd0 d1',
);
// prettier-ignore
const FURTHER = put(
  'cut', SEEN,
  'w-2', 'w1', 'w0 w1', 'w-2 w-1', 'c1', 'c0 c1', 'c-2 c-1 c0', 'c-1 c0 c1', 'c0 c1 c2', 'c0 c1 c2 c3', 'c-2 c-1 c0 c1',
  'c-3 c-2 c-1', 'c-1 w0', 'w-1 c0', 'w0 c1', 'w0 c1 c2', 'w-1 behind', 'w0 behind ahead', 'c-1 behind ahead',
  'd-1 d0 d1', 'd-2 d-1 d0', 'd0 d1 d2', 'd-2 d-1 d0 d1', 'd-1 d0 d1 d2', 'd0 d1 d2 d3', 'd-3 d-2 d-1 d0',
  'd-2 d-1 d0 d1 d2', 'd-3 d-2 d-1 d0 d1', 'd-1 d0 d1 d2 d3', 'd0 d1 d2 d3 d4', 'd-3 d-2 d-1 d0 d1 d2', 'd-4 d-3 d-2 d-1 d0',
  'd-1 d0 d1 behind ahead', 'd0 d1 d2 behind', 'd-2 d-1 d0 since', 'd-1 d0 w0', 'd-1 d0 w-1',
);
/** Where an area is named here, soon, or just before: names are headings as often as things. */
const NAMES = put('cut', SEEN, 'names', 'names d-1', 'names w-1', 'names pause stop');
const LEADS = put('cut', SEEN, 'leads d0 d1', 'leads w0', 'leads d-1 d0');
const JUST = put('cut', SEEN, 'named', 'named d0', 'named d0 d1', 'named since', 'named since d0', 'named w0');
const CLASS_HERE = numberOf('one of its classes');
const CLASS_BEFORE = numberOf('one of the classes before');

const mayCarry = (look: Look | undefined): boolean => look !== undefined && (look.verb || look.kind === 'think');

/** How many verbs were said since: what is whole may end, what has none goes on. */
function verbsBehind(looks: readonly Look[], at: number, since: number): number {
  let verbs = 0;
  for (let back = 1; back <= Math.min(since, 12) && verbs < 2; back++) if (mayCarry(looks[at - back])) verbs += 1;
  return verbs;
}

/** How soon the next verb comes; 0 where none does. */
function verbAhead(looks: readonly Look[], at: number): number {
  for (let by = 1; by <= 4; by++) if (mayCarry(looks[at + by])) return by;
  return 0;
}

const THE = new Set(['the', 'a', 'an', 'this', 'these']);
const STOPS = { '': numberOf('-'), ',': numberOf(','), '.': numberOf('.') };

/** What is seen at a word, `since` words after the clause before began. */
function lookAround({ words, texts, looks }: Looked, named: Named, at: number, since: number, seen: Int32Array): void {
  for (let by = 0; by < WIDE; by++) {
    const look = looks[at + by - AROUND] ?? BEYOND;
    seen[by] = look.text;
    seen[WIDE + by] = look.class;
    seen[2 * WIDE + by] = look.does;
  }
  seen[SEEN.pause] = pauseOf(words[at]?.gap ?? 0);
  seen[SEEN.stop] = STOPS[words[at - 1]?.stop ?? ''];
  seen[SEEN.since] = lengthOf(since);
  seen[SEEN.behind] = verbsBehind(looks, at, since);
  seen[SEEN.ahead] = verbAhead(looks, at);
  const { begins, ended } = named;
  // “The kitchen” is named by its name, not by its article.
  seen[SEEN.names] = begins.get(at) ?? (THE.has(texts[at] ?? '') ? begins.get(at + 1) : undefined) ?? 0;
  seen[SEEN.leads] = begins.get(at + 1) ?? begins.get(at + 2) ?? begins.get(at + 3) ?? 0;
  seen[SEEN.named] = ended.get(at) ?? 0;
}

function tellNearest(seen: Int32Array, tell: Show): void {
  if (seen[SEEN.names] !== 0) tellAll(NAMES, seen, tell);
  if (seen[SEEN.leads] !== 0) tellAll(LEADS, seen, tell);
  if (seen[SEEN.named] !== 0) tellAll(JUST, seen, tell);
  tellAll(NEAREST, seen, tell);
}

function tellFurther({ looks }: Looked, at: number, seen: Int32Array, tell: Show): void {
  tellAll(FURTHER, seen, tell);
  for (const one of (looks[at] ?? BEYOND).classes) tell(and(and(CLASS_HERE, one), seen[SEEN['c-1']]!));
  for (const one of (looks[at - 1] ?? BEYOND).classes) tell(and(and(CLASS_BEFORE, one), seen[SEEN.c0]!));
}

const roomToSee = (): Int32Array => new Int32Array(Object.keys(SEEN).length);

/** What speaks for or against a clause beginning at a word, `since` words after the one before began. */
export function cutFeatures(looked: Looked, named: Named, at: number, since: number, tell: Show): void {
  const seen = roomToSee();
  lookAround(looked, named, at, since, seen);
  tellNearest(seen, tell);
  tellFurther(looked, at, seen, tell);
}

/** So little speaks for it in what is next to it that the rest need not be asked. */
const HARDLY = -2;

/** What speaks for a clause beginning at each word, the one that begins before it taken as it is likeliest. */
export function cutsOf(looked: Looked, named: Named, layer: Layer): Float64Array {
  const { words } = looked;
  const cuts = new Float64Array(words.length);
  const seen = roomToSee();
  const sums = new Float64Array(1);
  const tell: Show = (feature) => addSaid(layer, feature, sums, 0);
  let from = 0;
  for (let at = 1; at < words.length; at++) {
    sums[0] = 0;
    lookAround(looked, named, at, at - from, seen);
    tellNearest(seen, tell);
    if (sums[0] >= HARDLY) tellFurther(looked, at, seen, tell);
    const score = sums[0];
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

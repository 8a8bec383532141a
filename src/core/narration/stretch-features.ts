import { and, numberOf, put, slotsOf, tellAll, type Put, type Show } from './features';
import { BEYOND, type Look, type Looked } from './looked';
import type { WordClass } from './word-classes';

/** What the walk as a whole is: before the work is begun, or in the midst of it; not known at first. */
export type WalkStyle = 'visit' | 'progress' | 'unknown';

/** A walk as it is looked at: its words, and what is known at each. */
export interface Heard extends Looked {
  /** What speaks for a clause beginning there. */
  cuts: Float64Array;
  /** Marks of what was worked out at a word: a length, a part, a name of an area; each by its number. */
  marks: ReadonlyMap<number, readonly number[]>;
}

/** Told each feature, and over how many words it reaches. */
export type ShowOver = (reach: number, feature: number) => void;

/** Words as they are (w), by their classes (c), by what they do (d), by their stem (s). */
// prettier-ignore
const SEEN = slotsOf(
  'w-2', 'w-1', 'w0', 'w1', 'w2', 'w3', 'w4',
  'c-2', 'c-1', 'c0', 'c1', 'c2', 'c3', 'c4',
  'd-2', 'd-1', 'd0', 'd1', 'd2', 'd3', 'd4',
  's0', 'cut',
);
const BEFORE = 2;
const WIDE = 7;
const seen = new Int32Array(Object.keys(SEEN).length);

/** What is seen around a word, into one list that is used again and again. */
function lookAround({ looks }: Looked, at: number): void {
  for (let by = 0; by < WIDE; by++) {
    const look = looks[at + by - BEFORE] ?? BEYOND;
    seen[by] = look.text;
    seen[WIDE + by] = look.class;
    seen[2 * WIDE + by] = look.does;
  }
  seen[SEEN.s0] = (looks[at] ?? BEYOND).stem;
}

/** By the words it reaches over, less one. */
const WORDS: readonly Put[] = [
  put('word', SEEN, 's0'),
  put('word', SEEN, 'w0 w1', 'c0 c1', 'w0 c1', 'c0 w1'),
  put('word', SEEN, 'c0 c1 c2', 'd0 w1 d2', 'w0 w2', 'apart: c0 c2'),
  put('word', SEEN, 'apart: c0 c3'),
  put('word', SEEN, 'apart: c0 c4'),
];
export const FARTHEST = WORDS.length;
const CLASS = numberOf('a class');
const MARK = numberOf('a mark');

/** What a word shows, and the words that follow it; counts for a stretch where all of them stand in it. */
export function wordFeatures(heard: Heard, at: number, tell: ShowOver): void {
  const { looks, marks } = heard;
  lookAround(heard, at);
  for (const one of (looks[at] ?? BEYOND).classes) tell(1, and(CLASS, one));
  for (const mark of marks.get(at) ?? []) tell(1, and(MARK, mark));
  for (let reach = 1; reach <= Math.min(FARTHEST, looks.length - at); reach++)
    tellAll(WORDS[reach - 1] ?? [], seen, (feature) => tell(reach, feature));
}

const bucket = (score: number): number =>
  score < -2 ? 1 : score < -1 ? 2 : score < 0 ? 3 : score < 1 ? 4 : score < 2.5 ? 5 : 6;

/** Told once each, however many words are of it. */
function classesAmong(looks: readonly Look[], from: number, to: number, mark: number, tell: Show): void {
  const told: number[] = [];
  for (let at = Math.max(0, from); at < Math.min(to, looks.length); at++)
    for (const one of looks[at]?.classes ?? [])
      if (!told.includes(one)) {
        told.push(one);
        tell(and(mark, one));
      }
}

/** So many words before it begins, or after it has ended, are asked for their classes. */
const NEAR = 6;
const START = put('start', SEEN, 'cut', 'w0', 'w0 w1', 'c0 c1', 'd0 d1 d2', 'cut d0', 'w-1');
const START_PAUSE = numberOf('start pause');
const START_CLASS = numberOf('a class before');

/** What speaks for something beginning at a word. */
export function startFeatures(heard: Heard, at: number, tell: Show): void {
  lookAround(heard, at);
  seen[SEEN.cut] = bucket(at === 0 ? 9 : (heard.cuts[at] ?? 0));
  tellAll(START, seen, tell);
  if ((heard.words[at]?.gap ?? 0) > 0.3) tell(START_PAUSE);
  classesAmong(heard.looks, at - NEAR, at, START_CLASS, tell);
}

const END = put('end', SEEN, 'w-1', 'c-1', 'd-2 d-1', 'w0', 'w0 w1', 'd0 d1');
const END_CLASS = numberOf('a class after');

/** What speaks for something having ended before a word. */
export function endFeatures(heard: Heard, at: number, tell: Show): void {
  lookAround(heard, at);
  tellAll(END, seen, tell);
  classesAmong(heard.looks, at, at + NEAR, END_CLASS, tell);
}

const LITTLE: ReadonlySet<WordClass> = new Set<WordClass>([
  'the',
  'of',
  'and',
  'just',
  'now',
  'some',
  'nearly',
  'hello',
  'there',
  'in',
  'to',
  'for',
]);
const PARTICLES = new Set('in on up down out off back over away'.split(' '));

/** What words show as a whole: who (subject) does what (verb, with a second), whether it is denied, to what, up or down. */
const WHOLE = slotsOf(
  ...([
    'style',
    'long',
    'over',
    'overs',
    'subject',
    'verb',
    'second',
    'not',
    'next',
    'particle',
    'first',
    'last',
  ] as const),
);
const whole = new Int32Array(Object.keys(WHOLE).length);
const ALWAYS = put('whole', WHOLE, '', 'long', 'overs');
const STYLE = put('whole', WHOLE, 'style');
const OVER = put('whole', WHOLE, 'over');
const WITH_VERB = [
  'verb second not',
  'verb second not next',
  'verb second not particle',
  'subject verb second not',
] as const;
const WITHOUT = ['first last', 'long', 'first'] as const;
const styled = (written: readonly string[]): string[] => written.map((one) => `style ${one}`);
const VERB = put('verb', WHOLE, ...WITH_VERB);
const VERB_STYLED = put('verb', WHOLE, ...styled(WITH_VERB));
const VERB_ALL = put('verb', WHOLE, 'subject verb second not next');
const BARE = put('bare', WHOLE, ...WITHOUT);
const BARE_STYLED = put('bare', WHOLE, ...styled(WITHOUT));

const longOf = (long: number): number =>
  long >= 29 ? 29 : long >= 21 ? 21 : long >= 15 ? 15 : long >= 11 ? 11 : Math.min(long, 8);

/** How strongly it would rather be cut within: a stretch over a place where one begins is seldom right. */
function lookOver(cuts: Float64Array, from: number, to: number): void {
  let inner = -9;
  let many = 0;
  for (let at = from + 1; at < to; at++) {
    const cut = cuts[at] ?? 0;
    if (cut > inner) inner = cut;
    if (cut > 0) many += 1;
  }
  whole[WHOLE.over] = inner > -9 ? bucket(inner) : 0;
  whole[WHOLE.overs] = Math.min(many, 4);
}

/** Where its verb stands; -1 where it has none. */
function verbIn(looks: readonly Look[], from: number, to: number): number {
  for (let at = from + 1; at < to; at++) if (looks[at]?.verb) return at;
  return looks[from]?.verb ? from : -1;
}

const carries = (look: Look | undefined): look is Look => look !== undefined && !LITTLE.has(look.kind);

/** What is said without a verb: “three brackets”, “grey eggshell”. */
function lookBare(looks: readonly Look[], from: number, to: number): void {
  whole[WHOLE.first] = 0;
  whole[WHOLE.last] = 0;
  for (let at = from; at < to; at++) {
    const look = looks[at];
    if (!carries(look)) continue;
    if (whole[WHOLE.first] === 0) whole[WHOLE.first] = look.class;
    whole[WHOLE.last] = look.class;
  }
}

/** What comes before the verb, and what follows it: whether it is denied, a second verb, the first word that carries something. */
function lookAtVerb({ texts, looks }: Looked, from: number, at: number, to: number): void {
  for (const slot of [WHOLE.subject, WHOLE.second, WHOLE.not, WHOLE.next, WHOLE.particle]) whole[slot] = 0;
  whole[WHOLE.verb] = (looks[at] ?? BEYOND).class;
  for (let back = at - 1; back >= from && whole[WHOLE.subject] === 0; back--) {
    const look = looks[back];
    if (carries(look)) whole[WHOLE.subject] = look.class;
  }
  for (let seek = at + 1; seek < Math.min(to, at + 7); seek++) {
    const look = looks[seek] ?? BEYOND;
    if (look.kind === 'not' && seek < at + 4) whole[WHOLE.not] = 1;
    else if (look.verb) whole[WHOLE.second] ||= look.class;
    else if (whole[WHOLE.next] === 0 && carries(look)) whole[WHOLE.next] = look.class;
    if (whole[WHOLE.particle] === 0 && seek < at + 5 && PARTICLES.has(texts[seek] ?? ''))
      whole[WHOLE.particle] = look.text;
  }
}

/** What the words from one place to another show as a whole: how long, who does what, whether it is denied. */
export function stretchFeatures(heard: Heard, from: number, to: number, style: WalkStyle, tell: Show): void {
  const { looks, cuts } = heard;
  const known = style !== 'unknown';
  whole[WHOLE.style] = style === 'visit' ? 1 : 2;
  whole[WHOLE.long] = longOf(to - from);
  lookOver(cuts, from, to);
  tellAll(ALWAYS, whole, tell);
  if (known) tellAll(STYLE, whole, tell);
  if (whole[WHOLE.over] !== 0) tellAll(OVER, whole, tell);
  const at = verbIn(looks, from, to);
  if (at === -1) {
    whole[WHOLE.long] = Math.min(to - from, 5);
    lookBare(looks, from, to);
    tellAll(BARE, whole, tell);
    if (known) tellAll(BARE_STYLED, whole, tell);
    return;
  }
  lookAtVerb(heard, from, at, to);
  tellAll(VERB, whole, tell);
  if (known) tellAll(VERB_STYLED, whole, tell);
  tellAll(VERB_ALL, whole, tell);
}

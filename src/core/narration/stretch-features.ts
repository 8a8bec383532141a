import { classesOf, stemOf, VERBS, type WordClass } from './word-classes';
import type { Show } from './weights';
import type { Looked } from './looked';

/** What the walk as a whole is: before the work is begun, or in the midst of it; not known at first. */
export type WalkStyle = 'visit' | 'progress' | 'unknown';

/** A walk as it is looked at: its words, and what is known at each. */
export interface Heard extends Looked {
  /** What speaks for a clause beginning there. */
  cuts: Float64Array;
  /** Marks of what was worked out at a word: a length, a part, a name of an area. */
  marks: ReadonlyMap<number, readonly string[]>;
}

/** Told each feature, and over how many words it reaches. */
export type ShowOver = (reach: number, feature: string) => void;

/** What a word shows, and the words that follow it; counts for a stretch where all of them stand in it. */
export function wordFeatures({ texts, kinds, does, marks }: Heard, at: number, tell: ShowOver): void {
  const word = texts[at] ?? '';
  tell(1, `w:${stemOf(word)}`);
  for (const kind of classesOf(word)) tell(1, `c:${kind}`);
  for (const mark of marks.get(at) ?? []) tell(1, `m:${mark}`);
  const next = texts[at + 1];
  if (next === undefined) return;
  tell(2, `ww:${word}:${next}`);
  tell(2, `cc:${kinds[at]}:${kinds[at + 1]}`);
  tell(2, `wc:${word}:${kinds[at + 1]}`);
  tell(2, `cw:${kinds[at]}:${next}`);
  if (texts[at + 2] === undefined) return;
  tell(3, `ccc:${kinds[at]}:${kinds[at + 1]}:${kinds[at + 2]}`);
  tell(3, `dwd:${does[at]}:${next}:${does[at + 2]}`);
  tell(3, `w_w:${word}:${texts[at + 2] ?? ''}`);
  for (let by = 2; by <= 4; by++) if (kinds[at + by]) tell(by + 1, `c_c:${kinds[at]}:${kinds[at + by]}`);
}
export const FARTHEST = 5;

const bucket = (score: number): string =>
  score < -2 ? 'a' : score < -1 ? 'b' : score < 0 ? 'c' : score < 1 ? 'd' : score < 2.5 ? 'e' : 'f';

/** Told once each, however many words are of it. */
function classesAmong(words: readonly string[], mark: string, tell: Show): void {
  const seen = new Set<string>(words.flatMap((word) => [...classesOf(word)]));
  for (const kind of seen) tell(`${mark}:${kind}`);
}

/** What speaks for something beginning at a word. */
export function startFeatures({ texts, kinds, does, cuts, words }: Heard, at: number, tell: Show): void {
  const own = bucket(at === 0 ? 9 : (cuts[at] ?? 0));
  const [text = '', next = '#'] = texts.slice(at, at + 2);
  const [kind = 'other', nextKind = '#'] = kinds.slice(at, at + 2);
  const [first = '', second = '#', third = '#'] = does.slice(at, at + 3);
  tell(`^cut:${own}`);
  tell(`^w:${text}`);
  tell(`^ww:${text}:${next}`);
  tell(`^cc:${kind}:${nextKind}`);
  tell(`^ddd:${first}:${second}:${third}`);
  tell(`^cut:${own}:${first}`);
  if ((words[at]?.gap ?? 0) > 0.3) tell('^pause');
  classesAmong(texts.slice(Math.max(0, at - 6), at), '<c', tell);
  tell(`<w:${texts[at - 1] ?? '#'}`);
}

/** What speaks for something having ended before a word. */
export function endFeatures({ texts, kinds, does }: Heard, at: number, tell: Show): void {
  tell(`$w:${texts[at - 1] ?? ''}`);
  tell(`$c:${kinds[at - 1] ?? 'other'}`);
  tell(`$dd:${does[at - 2] ?? '#'}:${does[at - 1] ?? ''}`);
  tell(`>w:${texts[at] ?? '#'}`);
  tell(`>ww:${texts[at] ?? '#'}:${texts[at + 1] ?? '#'}`);
  tell(`>dd:${does[at] ?? '#'}:${does[at + 1] ?? '#'}`);
  classesAmong(texts.slice(at, at + 6), '>c', tell);
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
const PARTICLE = /^(?:in|on|up|down|out|off|back|over|away)$/;

const longOf = (long: number): number => [29, 21, 15, 11, 8].find((least) => long >= least) ?? long;

/** How strongly it would rather be cut within: a stretch over a place where one begins is seldom right. */
function overFeatures(cuts: Float64Array, from: number, to: number, tell: Show): void {
  let inner = -9;
  let many = 0;
  for (let at = from + 1; at < to; at++) {
    const cut = cuts[at] ?? 0;
    if (cut > inner) inner = cut;
    if (cut > 0) many += 1;
  }
  if (inner > -9) tell(`over:${bucket(inner)}`);
  tell(`overs:${Math.min(many, 4)}`);
}

/** Where its verb stands; -1 where it has none. */
function verbIn(kinds: readonly WordClass[], from: number, to: number): number {
  for (let at = from + 1; at < to; at++) if (VERBS.has(kinds[at] ?? 'other')) return at;
  return VERBS.has(kinds[from] ?? 'other') ? from : -1;
}

/** What is said without a verb: “three brackets”, “grey eggshell”. */
function bareFeatures(kinds: readonly WordClass[], from: number, to: number, tell: Show): void {
  const own = kinds.slice(from, to).filter((kind) => !LITTLE.has(kind));
  tell(`bare:${own[0] ?? '-'}:${own.at(-1) ?? '-'}`);
  tell(`bare:${to - from < 5 ? to - from : '+'}`);
  tell(`bare:${own[0] ?? '-'}`);
}

/** What follows the verb: whether it is denied, a second verb, the first word that carries something, and `in`, `up`, `off`. */
function afterVerb(
  { texts, kinds }: Heard,
  at: number,
  to: number,
): { not: string; next: string; particle: string; second: string } {
  const after = { not: '', next: '-', particle: '', second: '' };
  for (let seek = at + 1; seek < Math.min(to, at + 7); seek++) {
    const kind = kinds[seek] ?? 'other';
    const text = texts[seek] ?? '';
    if (kind === 'not' && seek < at + 4) after.not = 'not';
    else if (VERBS.has(kind)) after.second ||= kind;
    else if (after.next === '-' && !LITTLE.has(kind)) after.next = kind;
    if (after.particle === '' && seek < at + 5 && PARTICLE.test(text)) after.particle = text;
  }
  return after;
}

/** What the words from one place to another show as a whole: how long, who does what, whether it is denied. */
export function stretchFeatures(heard: Heard, from: number, to: number, style: WalkStyle, tell: Show): void {
  const { kinds, cuts } = heard;
  tell('bias');
  tell(`long:${longOf(to - from)}`);
  if (style !== 'unknown') tell(`style:${style}`);
  overFeatures(cuts, from, to, tell);
  const both: Show = (bone) => {
    tell(bone);
    if (style !== 'unknown') tell(`${style}:${bone}`);
  };
  const at = verbIn(kinds, from, to);
  if (at === -1) return bareFeatures(kinds, from, to, both);
  const subject = kinds.slice(from, at).findLast((kind) => !LITTLE.has(kind)) ?? '-';
  const { not, next, particle, second } = afterVerb(heard, at, to);
  const verbs = `${kinds[at] ?? 'other'}+${second}`;
  both(`do:${verbs}:${not}`);
  both(`do:${verbs}:${not}:${next}`);
  both(`do:${verbs}:${not}:${particle}`);
  both(`who:${subject}:${verbs}:${not}`);
  tell(`all:${subject}:${verbs}:${not}:${next}`);
}

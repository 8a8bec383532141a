import { classesOf, doesOf, stemOf, type WordClass } from './word-classes';
import type { Show } from './weights';
import type { Word } from './words';

/** What the walk as a whole is: before the work is begun, or in the midst of it; not known at first. */
export type WalkStyle = 'visit' | 'progress' | 'unknown';

/** A walk as it is looked at: its words, and what is known at each. */
export interface Heard {
  words: readonly Word[];
  texts: readonly string[];
  kinds: readonly WordClass[];
  does: readonly string[];
  /** What speaks for a clause beginning there. */
  cuts: Float64Array;
  /** Marks of what was worked out at a word: a length, a part, a name of an area. */
  marks: ReadonlyMap<number, readonly string[]>;
}

export const heardOf = (
  words: readonly Word[],
  cuts: Float64Array,
  marks: ReadonlyMap<number, readonly string[]>,
): Heard => {
  const texts = words.map((word) => word.text);
  return { words, texts, kinds: texts.map((text) => classesOf(text)[0]!), does: texts.map(doesOf), cuts, marks };
};

/** Told each feature, and over how many words it reaches. */
export type ShowOver = (reach: number, feature: string) => void;

/** What a word shows, and the words that follow it; counts for a stretch where all of them stand in it. */
export function wordFeatures({ texts, kinds, does, marks }: Heard, at: number, tell: ShowOver): void {
  const word = texts[at]!;
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
  tell(3, `w_w:${word}:${texts[at + 2]!}`);
  for (let by = 2; by <= 4; by++) if (kinds[at + by]) tell(by + 1, `c_c:${kinds[at]}:${kinds[at + by]}`);
}
export const FARTHEST = 5;

const bucket = (score: number): string =>
  score < -2 ? 'a' : score < -1 ? 'b' : score < 0 ? 'c' : score < 1 ? 'd' : score < 2.5 ? 'e' : 'f';

/** What speaks for something beginning at a word. */
export function startFeatures({ texts, kinds, does, cuts, words }: Heard, at: number, tell: Show): void {
  const own = bucket(at === 0 ? 9 : cuts[at]!);
  tell(`^cut:${own}`);
  tell(`^w:${texts[at]!}`);
  tell(`^ww:${texts[at]!}:${texts[at + 1] ?? '#'}`);
  tell(`^cc:${kinds[at]!}:${kinds[at + 1] ?? '#'}`);
  tell(`^ddd:${does[at]!}:${does[at + 1] ?? '#'}:${does[at + 2] ?? '#'}`);
  tell(`^cut:${own}:${does[at]!}`);
  if ((words[at]?.gap ?? 0) > 0.3) tell('^pause');
  const seen = new Set<string>();
  for (let back = 1; back <= 6 && at - back >= 0; back++)
    for (const kind of classesOf(texts[at - back]!)) {
      if (seen.has(kind)) continue;
      seen.add(kind);
      tell(`<c:${kind}`);
    }
  tell(`<w:${texts[at - 1] ?? '#'}`);
}

/** What speaks for something having ended before a word. */
export function endFeatures({ texts, kinds, does }: Heard, at: number, tell: Show): void {
  tell(`$w:${texts[at - 1]!}`);
  tell(`$c:${kinds[at - 1]!}`);
  tell(`$dd:${does[at - 2] ?? '#'}:${does[at - 1]!}`);
  tell(`>w:${texts[at] ?? '#'}`);
  tell(`>ww:${texts[at] ?? '#'}:${texts[at + 1] ?? '#'}`);
  tell(`>dd:${does[at] ?? '#'}:${does[at + 1] ?? '#'}`);
  const seen = new Set<string>();
  for (let on = 0; on < 6 && texts[at + on] !== undefined; on++)
    for (const kind of classesOf(texts[at + on]!)) {
      if (seen.has(kind)) continue;
      seen.add(kind);
      tell(`>c:${kind}`);
    }
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
]);
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

/** What the words from one place to another show as a whole: how long, who does what, whether it is denied. */
export function stretchFeatures(
  { texts, kinds, cuts }: Heard,
  from: number,
  to: number,
  style: WalkStyle,
  tell: Show,
): void {
  const long = to - from;
  tell('bias');
  tell(`long:${long < 8 ? long : long < 11 ? 8 : long < 15 ? 11 : long < 21 ? 15 : long < 29 ? 21 : 29}`);
  if (style !== 'unknown') tell(`style:${style}`);
  let inner = -9;
  let many = 0;
  for (let at = from + 1; at < to; at++) {
    if (cuts[at]! > inner) inner = cuts[at]!;
    if (cuts[at]! > 0) many += 1;
  }
  if (inner > -9) tell(`over:${bucket(inner)}`);
  tell(`overs:${many < 4 ? many : 4}`);
  const both = (bone: string): void => {
    tell(bone);
    if (style !== 'unknown') tell(`${style}:${bone}`);
  };
  let at = -1;
  for (let seek = from + 1; seek < to; seek++)
    if (VERBS.has(kinds[seek]!)) {
      at = seek;
      break;
    }
  if (at === -1 && VERBS.has(kinds[from]!)) at = from;
  if (at === -1) {
    let first = '-';
    let last = '-';
    for (let seek = from; seek < to; seek++)
      if (!LITTLE.has(kinds[seek]!)) {
        if (first === '-') first = kinds[seek]!;
        last = kinds[seek]!;
      }
    both(`bare:${first}:${last}`);
    both(`bare:${long < 5 ? long : '+'}`);
    both(`bare:${first}`);
    return;
  }
  let subject = '-';
  for (let seek = at - 1; seek >= from; seek--)
    if (!LITTLE.has(kinds[seek]!)) {
      subject = kinds[seek]!;
      break;
    }
  let not = '';
  let next = '-';
  let particle = '';
  let second = '';
  for (let seek = at + 1; seek < Math.min(to, at + 7); seek++) {
    const kind = kinds[seek]!;
    if (kind === 'not' && seek < at + 4) not = 'not';
    else if (VERBS.has(kind)) second ||= kind;
    else if (next === '-' && !LITTLE.has(kind)) next = kind;
    if (particle === '' && seek < at + 5 && PARTICLE.test(texts[seek]!)) particle = texts[seek]!;
  }
  const verbs = `${kinds[at]!}+${second}`;
  both(`do:${verbs}:${not}`);
  both(`do:${verbs}:${not}:${next}`);
  both(`do:${verbs}:${not}:${particle}`);
  both(`who:${subject}:${verbs}:${not}`);
  tell(`all:${subject}:${verbs}:${not}:${next}`);
}

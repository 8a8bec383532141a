import { workVerbAt } from './work-verbs';

/** A word as it was said, in small letters without its marks, and what follows it. */
export interface SaidWord {
  raw: string;
  word: string;
  stop: '' | ',' | '.';
}

/** Words of a list, parted by blanks. */
const of = (list: string): ReadonlySet<string> => new Set(list.split(' '));

export function saidWords(text: string): SaidWord[] {
  return text
    .normalize('NFC')
    .replaceAll(/[‘’]/g, "'")
    .split(/\s+/)
    .flatMap((token): SaidWord[] => {
      const raw = token.replaceAll(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}%²³'"]+$/gu, '');
      if (raw === '') return [];
      return [{ raw, word: raw.toLowerCase(), stop: /[.!?;:]$/.test(token) ? '.' : token.endsWith(',') ? ',' : '' }];
    });
}

/** In small letters only, for what looks along the words. */
export const lettersOf = (said: readonly SaidWord[]): string[] => said.map(({ word }) => word);

/** As it was said, its stops as commas; a sentence’s first letter is small, as in the middle of a line. */
export function saidText(said: readonly SaidWord[]): string {
  const words = said.map(({ raw, stop }, at) => (at < said.length - 1 && stop !== '' ? `${raw},` : raw)).join(' ');
  return /^(?:I|[\p{Lu}\d]{2,})\b/u.test(words) ? words : words.slice(0, 1).toLowerCase() + words.slice(1);
}

const FILLERS = of(
  'so and but then or oh well okay ok right yeah yes now also plus um uh er alright anyway obviously please just ' +
    'actually basically again here',
);
const LEADS = of(
  'will would are am is be have has had do does did going gonna fixing want wants wanted need needs got gotta like to ' +
    "let's lets can could should must might may having getting get gets there's there still",
);
const PEOPLE = of("we i they he she you y'all them");

/** Whether a word is somebody who does something: `we`, `I’ll`, `they’re`. */
export const isPerson = (word: string): boolean =>
  PEOPLE.has(word) || /^(?:we|i|they|he|she|you)'(?:re|ll|m|d|ve|s)$/.test(word);

/** Where what is said begins: fillers, who does it and “are going to” say nothing of the work. */
export function startOf(said: readonly SaidWord[]): number {
  const wordAt = (at: number): string => said[at]?.word ?? '';
  let at = 0;
  while (FILLERS.has(wordAt(at))) at++;
  if (isPerson(wordAt(at))) at++;
  while (LEADS.has(wordAt(at)) || FILLERS.has(wordAt(at))) at++;
  return at;
}

const SAYS_OF = of(
  "is are was were be will would can can't cannot must should has have had isn't aren't ain't won't don't does do " +
    "doesn't get gets got getting need needs want wants stay stays staying keep keeps keeping come comes came coming go " +
    'goes going remain remains run runs to not which gone',
);
/** From here on something is said of the thing that stands before. */
export const saysOf = (word: string): boolean => SAYS_OF.has(word);

const PRONOUNS = of('it this that these those they them he she one there what all everything nothing');
export const isPronoun = (thing: readonly SaidWord[]): boolean =>
  thing.length === 1 && PRONOUNS.has(thing[0]?.word ?? '');

const isShort = (word: string): boolean => /'(?:s|re|ll|ve)$/.test(word);
const withoutTail = ({ raw, word }: SaidWord): SaidWord => ({
  raw: raw.replace(/'(?:s|re|ll|ve)$/i, ''),
  word: word.replace(/'(?:s|re|ll|ve)$/, ''),
  stop: '',
});
const AFTER_IS = of(
  'out off down up in on gone being been the their a an all mine theirs hers his next new sound fine part',
);

/** Whether what follows `'s` is said of a thing, and is none that it owns: a clause without another verb has it there. */
function isSaidOf(said: readonly SaidWord[], words: readonly string[], at: number): boolean {
  const word = words[at] ?? '';
  const stop = said.findIndex((one, index) => index >= at && one.stop !== '');
  const clause = words.slice(at, stop === -1 ? undefined : stop + 1);
  return (
    !clause.some((one) => saysOf(one)) ||
    saysOf(word) ||
    AFTER_IS.has(word) ||
    /(?:ed|ing)$/.test(word) ||
    workVerbAt(words, at) !== undefined
  );
}

/** A thing has at most so many words. */
const LONGEST_THING = 10;

/** The thing that stands before what is said of it, and where that begins; undefined where none does. */
export function thingBefore(said: readonly SaidWord[]): { thing: SaidWord[]; at: number } | undefined {
  const words = lettersOf(said);
  for (const [at, one] of said.slice(0, LONGEST_THING).entries()) {
    // “Mrs Baxendale’s poles” are hers; “the cabinet’s coming out” says something of it.
    const owner = at > 0 && /^\p{Lu}/u.test(one.raw);
    if (isShort(one.word) && !owner && isSaidOf(said, words, at + 1))
      return { thing: [...said.slice(0, at), withoutTail(one)], at: at + 1 };
    if (at > 0 && saysOf(one.word)) return { thing: said.slice(0, at), at };
  }
  return undefined;
}

/** Up to its first stop. */
export function toStop(said: readonly SaidWord[]): SaidWord[] {
  const stop = said.findIndex((one) => one.stop !== '');
  return stop === -1 ? [...said] : said.slice(0, stop + 1);
}

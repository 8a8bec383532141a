/** So many days: `half a day`, `a day`, `1½ days`, `12 days`. @param halfDays a whole number of half-days */
export function daysOf(halfDays: number): string {
  if (halfDays === 1) return 'half a day';
  if (halfDays === 2) return 'a day';
  return `${Math.floor(halfDays / 2)}${halfDays % 2 === 1 ? '½' : ''} days`;
}

/** So many of a thing: `1 day`, `3 days`. @param more the word for several, where it is not made with an s */
export const counted = (count: number, one: string, more = `${one}s`): string =>
  `${count} ${plural.select(count) === 'one' ? one : more}`;

/** The word that goes with a thing people name: `tiles come`, `the worktop comes`. */
export const agree = (thing: string, one: string, more: string): string =>
  /s$/i.test(thing) && !/(ss|us)$/i.test(thing) ? more : one;

/** `tiles`, `tiles and trim`, `tiles, trim and taps`. */
export const listed = (words: readonly string[]): string => list.format(words);

/** A share as people say it: `about a third`. @param share 0…1 */
export function partOf(share: number): string {
  if (share <= 0.03) return 'hardly any';
  if (share >= 1) return 'all';
  if (share >= 0.96) return 'almost all';
  const [, words] = PARTS.reduce((best, part) => (Math.abs(part[0] - share) < Math.abs(best[0] - share) ? part : best));
  return `about ${words}`;
}

const PARTS: readonly (readonly [number, string])[] = [
  [1 / 20, 'a twentieth'],
  [1 / 10, 'a tenth'],
  [1 / 5, 'a fifth'],
  [1 / 4, 'a quarter'],
  [1 / 3, 'a third'],
  [2 / 5, 'two fifths'],
  [1 / 2, 'half'],
  [3 / 5, 'three fifths'],
  [2 / 3, 'two thirds'],
  [3 / 4, 'three quarters'],
  [4 / 5, 'four fifths'],
  [9 / 10, 'nine tenths'],
];

const plural = new Intl.PluralRules('en');
const list = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** So many days: `half a day`, `a day`, `1½ days`, `12 days`. @param halfDays a whole number of half-days */
export function daysOf(halfDays: number): string {
  if (halfDays === 1) return 'half a day';
  if (halfDays === 2) return 'a day';
  return `${Math.floor(halfDays / 2)}${halfDays % 2 === 1 ? '½' : ''} days`;
}

/** So many of a thing: `1 day`, `3 days`. @param more the word for several, where it is not made with an s */
export const counted = (count: number, one: string, more = `${one}s`): string =>
  `${count} ${plural.select(count) === 'one' ? one : more}`;

/** `tiles`, `tiles and trim`, `tiles, trim and taps`. */
export const listed = (words: readonly string[]): string => list.format(words);

const plural = new Intl.PluralRules('en');
const list = new Intl.ListFormat('en-GB', { type: 'conjunction' });

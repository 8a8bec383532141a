/**
 * Words by which somebody is named, and what is put in their place: names as they are written, addresses in whatever case,
 * telephone numbers however they are set apart. Nothing within a longer word is touched.
 */

export type WordKind = 'name' | 'mail' | 'phone';

/** What a word is. @returns undefined where it names nobody: too short, or an ordinary word */
export function wordKind(word: string): WordKind | undefined {
  const text = word.trim();
  if (/^\S+@\S+\.\S+$/.test(text)) return 'mail';
  const digits = text.replace(/\D/g, '');
  if (/^[+\d][\d\s\-./()]*$/.test(text)) return digits.length >= 5 ? 'phone' : undefined;
  // Words of the language are written small; a name is not.
  const isName = /[\p{Lu}\p{Lo}]/u.test(text) && text.replace(/[^\p{L}]/gu, '').length >= 3;
  return isName ? 'name' : undefined;
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/-]/g, '\\$&');

/** A pattern that finds a word wherever it stands by itself. */
function patternOf(word: string): RegExp {
  const text = word.trim();
  switch (wordKind(text)) {
    case 'mail':
      return new RegExp(`(?<![\\w.+-])${escaped(text)}(?![\\w-]|\\.\\w)`, 'giu');
    case 'phone':
      return new RegExp(`(?<![\\d+])\\+?${text.replace(/\D/g, '').split('').join('[\\s\\-./()]*')}(?!\\d)`, 'gu');
    default:
      return new RegExp(`(?<![\\p{L}\\p{N}])${text.split(/\s+/).map(escaped).join('\\s+')}(?![\\p{L}\\p{N}])`, 'gu');
  }
}

export interface Erased {
  text: string;
  /** How often something stood in it. */
  times: number;
}

/**
 * Takes words out of texts.
 * @param words those that name somebody; what names nobody is left out
 * @param standIn what names are replaced by
 * @returns a function that takes them out of one text; `times` is 0 where none of them is in it
 */
export function eraser(words: readonly string[], standIn: string): (text: string) => Erased {
  // The longer first: “Ida Marrow” before “Marrow”.
  const known = words
    .filter((word) => wordKind(word) !== undefined)
    .sort((a, b) => b.length - a.length)
    .map((word) => ({ pattern: patternOf(word), by: STAND_INS[wordKind(word) ?? 'name'] ?? standIn }));
  return (text) => {
    let times = 0;
    const without = known.reduce(
      (rest, { pattern, by }) =>
        rest.replace(pattern, () => {
          times += 1;
          return by;
        }),
      text,
    );
    return { text: without, times };
  };
}

const STAND_INS: Partial<Record<WordKind, string>> = { mail: 'an address', phone: 'a number' };

import { dateWords, ENGLISH, type DateWords } from '../units/date-words';
import { daysBetween, longDay, weekday, type Day } from '../units/day';

/**
 * Days that somebody names in a text of their own: `Thu 11 March`, `11 Mar`, `March 11`, and a weekday alone for the days
 * just before us. What names a day is found by the day, never the day by what was written: “March” alone says nothing.
 */

/** How far ahead a weekday alone is understood as that day. */
const AHEAD_DAYS = 6;

const literally = (name: string): string => name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Names in full or short, in English and in the words in which the firm writes. */
function either(pick: (words: DateWords) => { full: readonly string[]; short: readonly string[] }): string {
  const picked = [ENGLISH, dateWords()].map(pick);
  const names = new Set([
    ...picked.flatMap(({ full }) => full.map(literally)),
    ...picked.flatMap(({ short }) => short.map((name) => `${literally(name)}\\.?`)),
  ]);
  return `(?:${[...names].join('|')})`;
}

/** One of the names, or none where there is no such. */
const only = (names: readonly string[], at: number): readonly string[] => names.slice(at, at + 1);

/** What a text may call a day. @param written the day on which it was written */
function callsOf(day: Day, written: Day): RegExp {
  const [at, monthAt] = [weekday(day), Number(day.slice(5, 7)) - 1];
  const name = either((words) => ({ full: only(words.weekdays, at), short: only(words.shortWeekdays, at) }));
  const month = either((words) => ({ full: only(words.months, monthAt), short: only(words.shortMonths, monthAt) }));
  const anyMonth = either((words) => ({ full: words.months, short: words.shortMonths }));
  const number = String(Number(day.slice(8)));
  const dated = [
    `(?:${name},? )?(?:the )?${number}(?:st|nd|rd|th|\\.)?(?: of)? ${month}`,
    `(?:${name},? )?${month} ${number}(?:st|nd|rd|th|\\.)?`,
    `${name},? (?:the )?${number}(?:st|nd|rd|th|\\.)?(?! ?${anyMonth})`,
  ];
  const ahead = daysBetween(written, day);
  // A weekday that a date follows is that date’s.
  if (ahead >= 0 && ahead <= AHEAD_DAYS) dated.push(`${name}(?!,? (?:the )?(?:\\d|${anyMonth}))`);
  return new RegExp(`(?<![\\p{L}\\d])(?:${dated.join('|')})(?![\\p{L}\\d])`, 'giu');
}

/** Whether a text names a day. */
export const saysDay = (text: string, day: Day, written: Day): boolean => callsOf(day, written).test(text);

/** The text with another day wherever it names one. */
export const sayAnotherDay = (text: string, from: Day, to: Day, written: Day): string =>
  text.replace(callsOf(from, written), () => longDay(to));

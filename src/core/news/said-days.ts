import { daysBetween, weekday, type Day } from '../units/day';

/**
 * Days that somebody names in a text of their own: `Thu 11 March`, `11 Mar`, `March 11`, and a weekday alone for the days
 * just before us. What names a day is found by the day, never the day by what was written: “March” alone says nothing.
 */

const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const;
const MONTHS = [
  ...(['January', 'February', 'March', 'April', 'May', 'June'] as const),
  ...(['July', 'August', 'September', 'October', 'November', 'December'] as const),
] as const;

/** How far ahead a weekday alone is understood as that day. */
const AHEAD_DAYS = 6;

const either = (name: string): string => `(?:${name}|${name.slice(0, 3)}\\.?)`;

/** What a text may call a day. @param written the day on which it was written */
function callsOf(day: Day, written: Day): RegExp {
  const name = either(WEEKDAYS[weekday(day)] ?? '');
  const month = either(MONTHS[Number(day.slice(5, 7)) - 1] ?? '');
  const number = String(Number(day.slice(8)));
  const dated = [
    `(?:${name},? )?(?:the )?${number}(?:st|nd|rd|th)?(?: of)? ${month}`,
    `(?:${name},? )?${month} ${number}(?:st|nd|rd|th)?`,
    `${name},? (?:the )?${number}(?:st|nd|rd|th)?(?! ?(?:${MONTHS.map(either).join('|')}))`,
  ];
  const ahead = daysBetween(written, day);
  // A weekday that a date follows is that date’s.
  if (ahead >= 0 && ahead <= AHEAD_DAYS) dated.push(`${name}(?!,? (?:the )?(?:\\d|${MONTHS.map(either).join('|')}))`);
  return new RegExp(`(?<![\\p{L}\\d])(?:${dated.join('|')})(?![\\p{L}\\d])`, 'giu');
}

/** Whether a text names a day. */
export const saysDay = (text: string, day: Day, written: Day): boolean => callsOf(day, written).test(text);

/** `Monday 22 March`. */
export const longDay = (day: Day): string =>
  `${WEEKDAYS[weekday(day)] ?? ''} ${Number(day.slice(8))} ${MONTHS[Number(day.slice(5, 7)) - 1] ?? ''}`;

/** The text with another day wherever it names one. */
export const sayAnotherDay = (text: string, from: Day, to: Day, written: Day): string =>
  text.replace(callsOf(from, written), () => longDay(to));

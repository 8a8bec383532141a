import { UTCDate } from '@date-fns/utc';
import { addDays as plusDays, differenceInCalendarDays, format, getDay, isValid, parseISO } from 'date-fns';
import { tz } from './utc';
import { dateWords, monthName } from './date-words';

/** A calendar day, `YYYY-MM-DD`, without clock or time zone. */
export type Day = string;

const dateOf = (day: Day): UTCDate => new UTCDate(parseISO(day, { in: tz }));

/** Work is counted in few different days, each asked for thousands of times: what was worked out of one is kept. */
function kept<Key, Answer>(work: (key: Key) => Answer): (key: Key) => Answer {
  const known = new Map<Key, Answer>();
  return (key) => {
    const found = known.get(key);
    if (found !== undefined) return found;
    if (known.size >= MOST_KEPT) known.clear();
    const answer = work(key);
    known.set(key, answer);
    return answer;
  };
}
/** Some 50 years of days. */
const MOST_KEPT = 20_000;

const FIRST = dateOf('2000-01-01');
/** Days since the first of 2000; less than 0 before it. */
const numberOf = kept((day: Day) => differenceInCalendarDays(dateOf(day), FIRST));
const dayOf = kept((number: number) => format(plusDays(FIRST, number), 'yyyy-MM-dd'));
const weekdayOf = kept((day: Day) => getDay(dateOf(day)));

/** Whether the text is a day that exists, written `YYYY-MM-DD`, in the years this program plans for. */
export function isDay(text: string): boolean {
  return /^(19|20|21)\d\d-\d\d-\d\d$/.test(text) && isValid(parseISO(text, { in: tz }));
}

/** The day `count` days later (earlier when negative). */
export function addDays(day: Day, count: number): Day {
  return dayOf(numberOf(day) + count);
}

/** Days from the first to the second; negative when the second is earlier. */
export function daysBetween(from: Day, to: Day): number {
  return numberOf(to) - numberOf(from);
}

/** 0 Sunday … 6 Saturday. */
export function weekday(day: Day): number {
  return weekdayOf(day);
}

/** Saturday or Sunday, of a number from 0 for Sunday to 6. */
export const isWeekendDay = (weekdayNumber: number): boolean => weekdayNumber === 0 || weekdayNumber === 6;

/** Saturday or Sunday. */
export const isWeekend = (day: Day): boolean => isWeekendDay(weekday(day));

/** The Monday of its week; of a Sunday the one six days before. */
export const mondayOf = (day: Day): Day => addDays(day, -((weekday(day) + 6) % 7));

/** The first day of a day's month, or of so many months later. */
export function firstOfMonth(day: Day, later = 0): Day {
  const [year, month] = monthParts(day);
  const months = year * 12 + month - 1 + later;
  return `${String(Math.floor(months / 12)).padStart(4, '0')}-${String((months % 12) + 1).padStart(2, '0')}-01`;
}

/** Calendar months from one day's to another's, before it with a minus. */
export function monthsBetween(from: Day, to: Day): number {
  const [[year, month], [other, later]] = [monthParts(from), monthParts(to)];
  return (other - year) * 12 + later - month;
}

const monthParts = (day: Day): [number, number] => [Number(day.slice(0, 4)), Number(day.slice(5, 7))];

export const isMonday = (day: Day): boolean => mondayOf(day) === day;

/** `March 2027`. */
export const formatMonth = (day: Day): string => `${monthName(Number(day.slice(5, 7)))} ${day.slice(0, 4)}`;

const dateOfMonth = (day: Day): number => Number(day.slice(8));
const shortWeekday = (day: Day): string => dateWords().shortWeekdays[weekday(day)] ?? '';

/** A date of a month by its name, in the order in which the firm writes: `9 Mar`, `Mar 9`. */
function inOrder(day: Day, months: readonly string[]): string {
  const [date, month] = [dateOfMonth(day), months[Number(day.slice(5, 7)) - 1] ?? ''];
  return dateWords().monthFirst ? `${month} ${date}` : `${date} ${month}`;
}

/** As people say it: `Tue 9 Mar`; with the year where it is not the one of `near`. In the words of the firm. */
export function formatDay(day: Day, near?: Day): string {
  const said = `${shortWeekday(day)} ${formatDate(day)}`;
  if (near === undefined || near.slice(0, 4) === day.slice(0, 4)) return said;
  return `${said}${dateWords().monthFirst ? ',' : ''} ${day.slice(0, 4)}`;
}

/** Without its weekday: `9 Mar`. */
export const formatDate = (day: Day): string => inOrder(day, dateWords().shortMonths);

/** Without its month, where that stands beside it: `Tue 9`. */
export const formatWeekday = (day: Day): string => `${shortWeekday(day)} ${dateOfMonth(day)}`;

/** In full: `Monday 22 March`. */
export const longDay = (day: Day): string =>
  `${dateWords().weekdays[weekday(day)] ?? ''} ${inOrder(day, dateWords().months)}`;

/** The same day, else the weekday after it: offices answer and lorries come on weekdays. */
export function onToWeekday(day: Day): Day {
  return addDays(day, [1, 0, 0, 0, 0, 0, 2][weekday(day)] ?? 0);
}

/** The same day, else the weekday before it: offices and suppliers do not read letters on Saturdays. */
export function backToWeekday(day: Day): Day {
  const back = [2, 0, 0, 0, 0, 0, 1][weekday(day)] ?? 0;
  return addDays(day, -back);
}

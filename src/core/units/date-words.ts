/**
 * In which words and which order a firm writes its days and hours. A firm writes them one way everywhere, on screens, in
 * letters and on papers, and one process serves one firm: the choice is kept once for the process, as its zone of the
 * machine is, and not handed through every sentence that names a day.
 */
export interface DateWords {
  /** From Sunday on: `Sunday`, and `Sun`. */
  weekdays: readonly string[];
  shortWeekdays: readonly string[];
  /** From January on: `March`, and `Mar`. */
  months: readonly string[];
  shortMonths: readonly string[];
  /** `Mar 9` rather than `9 Mar`. */
  monthFirst: boolean;
  /** `4:20 pm` rather than `16:20`. */
  twelveHours: boolean;
}

const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
export const MONTHS = [
  ...['January', 'February', 'March', 'April', 'May', 'June'],
  ...['July', 'August', 'September', 'October', 'November', 'December'],
];
const short = (name: string): string => name.slice(0, 3);

/** What a firm has that never chose: `Tue 9 Mar`, `16:20`. */
export const ENGLISH: DateWords = {
  ...{ weekdays: WEEKDAYS, shortWeekdays: WEEKDAYS.map(short) },
  ...{ months: MONTHS, shortMonths: MONTHS.map(short) },
  ...{ monthFirst: false, twelveHours: false },
};

// The framework loads modules more than once in a process; all of them write alike.
const holder = globalThis as typeof globalThis & { aftermistDateWords?: DateWords };

/** How days and hours are written from now on in this process. */
export const writeDatesIn = (words: DateWords): void => void (holder.aftermistDateWords = words);

/** How days and hours are written. */
export const dateWords = (): DateWords => holder.aftermistDateWords ?? ENGLISH;

/** `March` for 3. */
export const monthName = (month: number): string => dateWords().months[month - 1] ?? '';

/** `4:20 pm` or `16:20`. @param time `16:20`, as clocks and records have it */
export function formatTime(time: string): string {
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  if (!dateWords().twelveHours) return time;
  return `${hour % 12 || 12}:${String(minute).padStart(2, '0')} ${hour < 12 ? 'am' : 'pm'}`;
}

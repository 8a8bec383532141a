import { addDays, daysBetween, isWeekend, type Day } from './day';

/** Whether offices and crews work: weekdays that are no holiday. */
export const isWorkday = (day: Day, holidays: ReadonlySet<Day>): boolean => !isWeekend(day) && !holidays.has(day);

/** So many working days after a day. */
export function workdaysAfter(day: Day, count: number, holidays: ReadonlySet<Day>): Day {
  let at = day;
  for (let left = count; left > 0;) {
    at = addDays(at, 1);
    if (isWorkday(at, holidays)) left--;
  }
  return at;
}

/** Every day from the first to the last. */
export const daysFrom = (first: Day, last: Day): Day[] =>
  Array.from({ length: Math.max(0, daysBetween(first, last) + 1) }, (_, index) => addDays(first, index));

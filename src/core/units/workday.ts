import { addDays, daysBetween, isWeekend, type Day } from './day';

/** Whether offices and crews work: weekdays that are no holiday. */
export const isWorkday = (day: Day, holidays: ReadonlySet<Day>): boolean => !isWeekend(day) && !holidays.has(day);

/** How many working days there are from the first day on, the last not among them. */
export function workdaysBetween(first: Day, last: Day, holidays: ReadonlySet<Day>): number {
  const days = daysBetween(first, last);
  if (days <= 0) return 0;
  const weeks = Math.floor(days / 7);
  let count = 5 * weeks;
  for (let day = addDays(first, 7 * weeks); day < last; day = addDays(day, 1)) if (!isWeekend(day)) count++;
  for (const holiday of holidays) if (holiday >= first && holiday < last && !isWeekend(holiday)) count--;
  return count;
}

/** So many working days after a day. */
export function workdaysAfter(day: Day, count: number, holidays: ReadonlySet<Day>): Day {
  let at = day;
  for (let left = count; left > 0;) {
    at = addDays(at, 1);
    if (isWorkday(at, holidays)) left--;
  }
  return at;
}

/** The last working day that is not after the day. */
export function workdayUntil(day: Day, holidays: ReadonlySet<Day>): Day {
  let last = day;
  while (!isWorkday(last, holidays)) last = addDays(last, -1);
  return last;
}

/** The last working day from which so many working days pass until a day. */
export function workdaysBefore(day: Day, count: number, holidays: ReadonlySet<Day>): Day {
  let at = workdayUntil(day, holidays);
  for (let left = count; left > 0; left--) at = workdayUntil(addDays(at, -1), holidays);
  return at;
}

/** Every day from the first to the last. */
export const daysFrom = (first: Day, last: Day): Day[] =>
  Array.from({ length: Math.max(0, daysBetween(first, last) + 1) }, (_, index) => addDays(first, index));

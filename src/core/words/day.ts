import { addDays, daysBetween, formatDay, type Day } from '../units/day';
import { counted } from './count';

/** `today`, `tomorrow`, `yesterday`, else the day with its weekday. */
export function sayDay(day: Day, today: Day): string {
  if (day === today) return 'today';
  if (day === addDays(today, 1)) return 'tomorrow';
  return day === addDays(today, -1) ? 'yesterday' : formatDay(day, today);
}

/** How far off it is, as people say it: `today`, `in 3 days`, `in about 5 weeks`, `2 weeks ago`. */
export function sayHowFar(day: Day, today: Day): string {
  const days = daysBetween(today, day);
  if (Math.abs(days) <= 1) return sayDay(day, today);
  const count = Math.abs(days);
  const span =
    count < 14
      ? counted(count, 'day')
      : count < 70
        ? `about ${counted(Math.round(count / 7), 'week')}`
        : `about ${counted(Math.round(count / 30.4), 'month')}`;
  return days > 0 ? `in ${span}` : `${span} ago`;
}

/** By when something is wanted: `by Fri 2 Apr`; of a day that is over it is wanted `as soon as you can`. */
export const sayBy = (day: Day, today: Day): string =>
  day < today ? 'as soon as you can' : `by ${formatDay(day, today)}`;

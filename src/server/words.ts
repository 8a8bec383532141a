import { addDays, daysBetween, formatDay, type Day } from '@/core/units/day';
import { dayOf } from './clock';

/** `16:20`, by the office's clock. */
export const timeOf = (instant: string): string => {
  const date = new Date(instant);
  return `${String(date.getHours()).padStart(2, '0')}:${String(date.getMinutes()).padStart(2, '0')}`;
};

/** `today 16:20`, `yesterday 16:20`, `Tue 9 Mar`. */
export function whenSeen(instant: string, today: Day): string {
  const day = dayOf(instant);
  if (day === today) return `today ${timeOf(instant)}`;
  if (day === addDays(today, -1)) return `yesterday ${timeOf(instant)}`;
  return formatDay(day, today);
}

export function ago(day: Day, today: Day): string {
  const days = daysBetween(day, today);
  return days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
}

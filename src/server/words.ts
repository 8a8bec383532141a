import { addDays, daysBetween, formatDay, type Day } from '@/core/units/day';
import { formatTime } from '@/core/units/date-words';
import { dayIn, timeIn } from '@/core/units/zone';
import type { FirmTime } from './zone';

/** `today 16:20`, `yesterday 16:20`, `Tue 9 Mar`. */
export function whenSeen(instant: string, { zone, today }: FirmTime): string {
  const day = dayIn(zone, instant);
  const time = formatTime(timeIn(zone, instant));
  if (day === today) return `today ${time}`;
  if (day === addDays(today, -1)) return `yesterday ${time}`;
  return formatDay(day, today);
}

export function ago(day: Day, today: Day): string {
  const days = daysBetween(day, today);
  return days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
}

import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';
import type { Day } from './day';

/** A time zone by its name in the IANA list: `Europe/London`. */
export type Zone = string;

export { isZone } from './zone-name.mjs';

/** The calendar day on which an instant lies for people in a zone. */
export const dayIn = (zone: Zone, instant: string | Date): Day =>
  format(new TZDate(+new Date(instant), zone), 'yyyy-MM-dd');

/** The hour of the day, with its fraction: 13.5 at half past one. */
export function hourIn(zone: Zone, instant: string | Date): number {
  const date = new TZDate(+new Date(instant), zone);
  return date.getHours() + date.getMinutes() / 60;
}

/** 0 before noon, 1 after. */
export const halfIn = (zone: Zone, instant: string | Date): 0 | 1 => (hourIn(zone, instant) < 12 ? 0 : 1);

/** `16:20`. */
export const timeIn = (zone: Zone, instant: string | Date): string =>
  format(new TZDate(+new Date(instant), zone), 'HH:mm');

/** The instant at which clocks in a zone show this; an hour that is skipped in spring counts from the one before it. */
export function instantIn(zone: Zone, day: Day, hour: number, minute = 0): Date {
  const [year = 1970, month = 1, date = 1] = day.split('-').map(Number);
  return new Date(+new TZDate(year, month - 1, date, hour, minute, zone));
}

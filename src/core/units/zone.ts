import { TZDate } from '@date-fns/tz';
import type { Day } from './day';

/** A time zone by its name in the IANA list: `Europe/London`. */
export type Zone = string;

export { isZone } from './zone-name.mjs';

const clocks = new Map<Zone, Intl.DateTimeFormat>();

/**
 * What clocks and calendars in a zone show: `2027-03-09 16:20`, as Swedish writes it. A clock of each zone is made once: pages
 * say hundreds of times, and making one costs more than saying them all.
 */
function shownIn(zone: Zone, instant: string | Date): string {
  let clock = clocks.get(zone);
  if (!clock) {
    clock = new Intl.DateTimeFormat('sv-SE', {
      timeZone: zone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    });
    clocks.set(zone, clock);
  }
  return clock.format(new Date(instant));
}

/** The calendar day on which an instant lies for people in a zone. */
export const dayIn = (zone: Zone, instant: string | Date): Day => shownIn(zone, instant).slice(0, 10);

/** The hour of the day, with its fraction: 13.5 at half past one. */
export function hourIn(zone: Zone, instant: string | Date): number {
  const [hour = 0, minute = 0] = timeIn(zone, instant).split(':').map(Number);
  return hour + minute / 60;
}

/** 0 before noon, 1 after. */
export const halfIn = (zone: Zone, instant: string | Date): 0 | 1 => (hourIn(zone, instant) < 12 ? 0 : 1);

/** `16:20`. */
export const timeIn = (zone: Zone, instant: string | Date): string => shownIn(zone, instant).slice(-5);

/** The instant at which clocks in a zone show this; an hour that is skipped in spring counts from the one before it. */
export function instantIn(zone: Zone, day: Day, hour: number, minute = 0): Date {
  const [year = 1970, month = 1, date = 1] = day.split('-').map(Number);
  return new Date(+new TZDate(year, month - 1, date, hour, minute, zone));
}

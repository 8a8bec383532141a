import ICAL from 'ical.js';
import { answer, refuse, type Outcome } from '../problem';
import { addDays, type Day } from '../units/day';
import { dayIn, hourIn, type Zone } from '../units/zone';

/** A half-day that somebody's own calendar keeps from us. */
interface BusyHalf {
  day: Day;
  half: 0 | 1;
  words: string;
}

export interface BusyCalendar {
  events: number;
  halves: BusyHalf[];
  /** What was left out and why, in sentences. */
  left: string[];
}

export const LARGEST = 2_000_000;
/** Events looked at, and occurrences of recurring ones in all: a file that repeats for ever ends here. */
const MOST_EVENTS = 5_000;
const MOST_OCCURRENCES = 20_000;
const MOST_HALVES = 2_000;
/** When halves of a day begin and end, in hours; an hour inside makes one busy. */
const HALVES = [
  [7, 12],
  [12, 17],
] as const;
const LEAST_HOURS = 1;

/**
 * The half-days within so many days that an iCalendar file (RFC 5545) keeps busy: single and recurring events, whole
 * days; what is cancelled or marked as free is passed over. Every search is bounded, and what is left out is said.
 * @param from the first day looked at
 * @param zone whose days they are; a time without a zone of its own is meant there
 */
export function readBusyCalendar(text: string, from: Day, days: number, zone: Zone): Outcome<BusyCalendar> {
  if (text.length > LARGEST)
    return bad(
      `The file has ${Math.round(text.length / 1000)} kB; a calendar of at most ${LARGEST / 1000} kB can be read.`,
    );
  if (!/BEGIN:VCALENDAR/i.test(text))
    return bad('This is no calendar: it has no BEGIN:VCALENDAR. Export the calendar as an .ics file.');
  let parts: ICAL.Component[];
  try {
    const parsed = ICAL.parse(text) as unknown[];
    // A file may hold one calendar, or several one after another.
    const roots = (Array.isArray(parsed[0]) ? parsed : [parsed]) as unknown[][];
    parts = roots.flatMap((root) => new ICAL.Component(root as never).getAllSubcomponents('vevent'));
  } catch (error) {
    return bad(
      'The calendar breaks off or is damaged: ' +
        `${error instanceof Error ? error.message.split('\n')[0]?.slice(0, 120) : 'it cannot be read'}.`,
    );
  }
  const reading = new Reading(from, addDays(from, days), zone);
  for (const part of parts.slice(0, MOST_EVENTS)) reading.take(part);
  if (parts.length > MOST_EVENTS) reading.leave(`${parts.length - MOST_EVENTS} events after the first ${MOST_EVENTS}`);
  return answer(reading.result());
}

const bad = (message: string): Outcome<never> => refuse({ code: 'calendar-unreadable', message, field: 'file' });

class Reading {
  private events = 0;
  private occurrences = 0;
  private readonly busy = new Map<string, BusyHalf>();
  private readonly left = new Set<string>();

  constructor(
    private readonly from: Day,
    private readonly until: Day,
    private readonly zone: Zone,
  ) {}

  leave(words: string): void {
    this.left.add(words);
  }

  result(): BusyCalendar {
    const halves = [...this.busy.values()].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.half - b.half));
    if (halves.length > MOST_HALVES) this.leave(`busy half-days after the first ${MOST_HALVES}`);
    return { events: this.events, halves: halves.slice(0, MOST_HALVES), left: [...this.left] };
  }

  take(part: ICAL.Component): void {
    const text = (name: string): string => String(part.getFirstPropertyValue(name) ?? '');
    if (
      text('status').toUpperCase() === 'CANCELLED' ||
      text('transp').toUpperCase() === 'TRANSPARENT' ||
      part.hasProperty('recurrence-id')
    )
      return;
    try {
      const event = new ICAL.Event(part, { strictExceptions: false });
      const words = text('summary').replace(/\s+/g, ' ').trim().slice(0, 120) || 'busy';
      this.events++;
      if (event.isRecurring()) this.recurring(event, words);
      else this.span(event.startDate, event.endDate, words);
    } catch {
      this.leave('an event whose time cannot be read');
    }
  }

  /** Occurrences in turn until they lie beyond the window, or until there were too many. */
  private recurring(event: ICAL.Event, words: string): void {
    const iterator = event.iterator();
    for (let next = iterator.next() as ICAL.Time | null; next; next = iterator.next() as ICAL.Time | null) {
      if (++this.occurrences > MOST_OCCURRENCES)
        return this.leave('repetitions beyond what is read: some event repeats without end or very often');
      const details = event.getOccurrenceDetails(next);
      if (this.local(details.startDate).day >= this.until) return;
      this.span(details.startDate, details.endDate, words);
    }
  }

  /** A floating time (and a whole day) stands for itself; any other is an instant. */
  private local(time: ICAL.Time): { day: Day; hour: number } {
    if (!time.isDate && time.zone !== ICAL.Timezone.localTimezone)
      return { day: dayIn(this.zone, time.toJSDate()), hour: hourIn(this.zone, time.toJSDate()) };
    const two = (number: number): string => String(number).padStart(2, '0');
    return {
      day: `${time.year}-${two(time.month)}-${two(time.day)}`,
      hour: time.isDate ? 0 : time.hour + time.minute / 60,
    };
  }

  private span(start: ICAL.Time | null, end: ICAL.Time | null, words: string): void {
    if (!start) return this.leave('an event without a beginning');
    const first = this.local(start);
    const last =
      end && end.compare(start) > 0
        ? this.local(end)
        : start.isDate
          ? { day: addDays(first.day, 1), hour: 0 }
          : { day: first.day, hour: first.hour + LEAST_HOURS };
    let day = first.day < this.from ? this.from : first.day;
    for (; day < this.until && day <= last.day; day = addDays(day, 1)) {
      const opens = day === first.day && !start.isDate ? first.hour : 0;
      const closes = day === last.day ? last.hour : 24;
      HALVES.forEach(([begin, finish], half) => {
        if (Math.min(closes, finish) - Math.max(opens, begin) >= LEAST_HOURS)
          this.busy.set(`${day}${half}`, { day, half: half === 1 ? 1 : 0, words });
      });
    }
  }
}

import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { addDays, type Day } from '@/core/units/day';
import { dayIn } from '@/core/units/zone';
import { hashOf } from '../tokens';
import { queryAll, queryOne } from '../database/query';
import type { Installation } from '../installation';
import { firmTime } from '../zone';
import type { EventRow } from '../plan/calendar-events';

/** The hours that stand for the halves of a day in calendars outside: [first, last] by half, as floating local time. */
const HOURS = [
  ['07:30', '12:00'],
  ['12:30', '16:30'],
] as const;
/** What was cancelled is told this long, so that every calendar that looks now and then hears of it. */
const TOLD_DAYS = 60;

interface OutEvent {
  id: string;
  label: string;
  place: string;
  first: { day: Day; half: 0 | 1 };
  last: { day: Day; half: 0 | 1 };
  sequence: number;
  cancelled: boolean;
  /** Nobody has signed for the job yet. */
  pencil?: boolean;
  changedAt: string;
}

/** The feed of a secret as an iCalendar file; undefined where it opens nothing. */
export function feedFile(installation: Installation, token: string): { name: string; content: string } | undefined {
  const feed = queryOne<{ kind: 'job' | 'sub' | 'person'; target: string }>(
    installation.db,
    `SELECT kind, target
      FROM feed
      WHERE token_hash = @hash AND closed_at IS NULL
        AND (kind <> 'person' OR target IN (SELECT id FROM person WHERE state = 'active'))`,
    { hash: hashOf(token) },
  );
  if (!feed) return undefined;
  const name =
    queryOne<{ name: string }>(installation.db, `SELECT name FROM ${feed.kind} WHERE id = @id`, { id: feed.target })
      ?.name ?? '';
  const firm = firmTime(installation);
  const since = addDays(firm.today, -TOLD_DAYS);
  const events = (feed.kind === 'person' ? visitsOut(installation) : workOut(installation, feed)).filter(
    (event) => !event.cancelled || dayIn(firm.zone, event.changedAt) >= since,
  );
  return { name, content: calendarOf(name, events) };
}

/** A time without a zone is written by its figures in UTC. */
const floating = (day: Day, time: string): Date => new Date(`${day}T${time}:00Z`);

function calendarOf(name: string, events: readonly OutEvent[]): string {
  const calendar = ical({
    name: `${name}, Aftermist`,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'aftermist', product: 'plan', language: 'EN' },
  });
  for (const event of events) {
    calendar.createEvent({
      id: `${event.id}@aftermist`,
      summary: event.label,
      location: event.place || null,
      sequence: event.sequence,
      status: event.cancelled
        ? ICalEventStatus.CANCELLED
        : event.pencil
          ? ICalEventStatus.TENTATIVE
          : ICalEventStatus.CONFIRMED,
      start: floating(event.first.day, HOURS[event.first.half][0]),
      end: floating(event.last.day, HOURS[event.last.half][1]),
      floating: true,
      stamp: new Date(event.changedAt),
      lastModified: new Date(event.changedAt),
    });
  }
  return calendar.toString();
}

/** The work of a job, or of a sub over all jobs: a visit to which the sub said no is none of theirs. */
function workOut(
  installation: Installation,
  { kind, target }: { kind: 'job' | 'sub' | 'person'; target: string },
): OutEvent[] {
  return queryAll<EventRow & { name: string; address: string; gone: 0 | 1; pencil: 0 | 1; declined: 0 | 1 }>(
    installation.db,
    `SELECT calendar_event.*, job.name, job.address, job.removed AS gone, job.state IN ('lead', 'scoping') AS pencil,
        EXISTS (
          SELECT 1 FROM visit_day
          WHERE visit_day.task = calendar_event.task AND crew = calendar_event.sub AND said = 'declined'
        ) AS declined
      FROM calendar_event
      JOIN job ON job.id = calendar_event.job
      WHERE ${kind === 'job' ? 'job = @target' : 'sub = @target'}
      ORDER BY first_day, first_half, task`,
    { target },
  ).map((row) => ({
    id: row.task,
    label: kind === 'job' ? row.label : `${row.name}: ${row.label}`,
    place: row.address,
    first: { day: row.first_day, half: row.first_half },
    last: { day: row.last_day, half: row.last_half },
    // A calendar takes a change only where its number is higher.
    sequence: row.sequence + (kind === 'sub' && row.declined === 1 ? 1 : 0),
    cancelled: row.cancelled === 1 || row.gone === 1 || (kind === 'sub' && row.declined === 1),
    pencil: row.pencil === 1,
    changedAt: row.changed_at,
  }));
}

/** What somebody of the firm has to be there for: booked visits, deliveries, what was booked to stand there. */
function visitsOut(installation: Installation): OutEvent[] {
  const visits = queryAll<{
    id: string;
    phase: Phase;
    area: string;
    name: string;
    address: string;
    day: Day;
    half: 0 | 1;
    state: string;
    version: number;
    settled_at: string | null;
    asked_on: Day;
    gone: 0 | 1;
  }>(
    installation.db,
    `SELECT inspection.*, area.name AS area, job.name, job.address, job.removed AS gone
      FROM inspection
      JOIN area ON area.id = inspection.area
      JOIN job ON job.id = inspection.job
      ORDER BY day`,
  ).map((row): OutEvent => ({
    id: `visit:${row.id}`,
    label: `${row.name}: ${row.area} · ${phaseFacts(row.phase).label}`,
    place: row.address,
    first: row,
    last: row,
    sequence: row.version - 1,
    cancelled: row.state === 'cancelled' || row.gone === 1,
    changedAt: row.settled_at ?? `${row.asked_on}T08:00:00.000Z`,
  }));
  const deliveries = queryAll<{
    id: string;
    name: string;
    address: string;
    day: Day;
    half: string | null;
    state: string;
    version: number;
    what: string | null;
    gone: 0 | 1;
  }>(
    installation.db,
    `SELECT delivery.*, job.name, job.address, job.removed AS gone, (SELECT group_concat(lower(category),
        ', ') FROM selection WHERE selection.delivery = delivery.id AND removed = 0) AS what
      FROM delivery
      JOIN job ON job.id = delivery.job
      ORDER BY day`,
  ).map((row): OutEvent => {
    const at = { day: row.day, half: row.half === 'afternoon' ? (1 as const) : (0 as const) };
    return {
      id: `delivery:${row.id}`,
      label: `${row.name}: delivery of ${row.what ?? 'something'}`,
      place: row.address,
      first: at,
      last: row.half ? at : { day: row.day, half: 1 },
      sequence: row.version - 1,
      cancelled: row.state === 'dropped' || row.gone === 1,
      changedAt: `${row.day}T06:00:00.000Z`,
    };
  });
  const there = queryAll<{
    id: string;
    label: string;
    name: string;
    address: string;
    booked_on: Day;
    version: number;
    state: string;
    gone: 0 | 1;
  }>(
    installation.db,
    `SELECT logistic.*, job.name, job.address, job.removed AS gone
      FROM logistic
      JOIN job ON job.id = logistic.job
      WHERE booked_on IS NOT NULL
      ORDER BY booked_on`,
  ).map((row): OutEvent => ({
    id: `there:${row.id}`,
    label: `${row.name}: ${row.label}`,
    place: row.address,
    first: { day: row.booked_on, half: 0 },
    last: { day: row.booked_on, half: 1 },
    sequence: row.version - 1,
    cancelled: row.state === 'dropped' || row.gone === 1,
    changedAt: `${row.booked_on}T06:00:00.000Z`,
  }));
  return [...visits, ...deliveries, ...there];
}

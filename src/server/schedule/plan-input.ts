import { groupBy } from '@/core/group-by';
import type { NotBefore } from '@/core/schedule/network';
import type { Crew, PlanInput } from '@/core/schedule/plan-input';
import { sequenceOf } from '@/core/sequence/links';
import type { Phase } from '@/core/sequence/phases';
import { taskId, type Site } from '@/core/sequence/site';
import { ALWAYS, jobCalendar, loudCalendar, tasksOf } from '@/core/sequence/tasks';
import { TRADE_KEYS, TRADES, type Trade } from '@/core/sequence/trades';
import { addDays, daysBetween, formatDay, weekday, type Day } from '@/core/units/day';
import { isAfternoon, slotOf, type Slot } from '@/core/units/slot';
import { dayOf, halfOf } from '../clock';
import { all, one } from '../database/query';
import type { Connection } from '../database/open';
import { waitsOf } from '../selections/waits';
import { holidaysOf, readSite } from './read-site';

/** Jobs whose work is planned: from the first visit until all is handed over. */
const PLANNED = `state IN ('scoping', 'booked', 'active', 'completing')`;

/** What one job would be if something were decided otherwise: for asking what it would do to the finish. */
export interface WhatIf {
  job: string;
  site: (site: Site) => Site;
  notBefore?: readonly NotBefore[];
}

/** Everything that plans are computed from, over all jobs, as of today. */
export function planInput(db: Connection, today: Day, whatIf?: WhatIf): PlanInput {
  const holidays = holidaysOf(db);
  const jobs = all<{ id: string }>(db, `SELECT id FROM job WHERE ${PLANNED} ORDER BY position, id`);
  const subs = crewsByTrade(db, today);
  const input: PlanInput = { origin: today, tasks: [], links: [], notBefore: [], exposures: [], crews: [...subs.values()].flat(), calendars: { [ALWAYS]: () => true }, jobCalendars: {}, promises: {} };
  const days = workedDays(today, holidays);
  jobs.forEach(({ id }, number) => {
    const known = readSite(db, id, today);
    const site = whatIf?.job === id ? whatIf.site(known) : known;
    const sequence = sequenceOf(site);
    input.tasks.push(...tasksOf(site, sequence.added, { origin: today, now: walkedUntil(db, id, today), crewFor: (trade) => crewFor(subs, trade, number) }));
    input.links.push(...sequence.links);
    input.exposures.push(...sequence.exposures);
    input.notBefore.push(...holds(db, id, today), ...waitsOf(db, id, today), ...(whatIf?.job === id ? (whatIf.notBefore ?? []) : []));
    input.calendars[jobCalendar(id)] = days;
    if (site.loudHalf) input.calendars[loudCalendar(id)] = (slot) => days(slot) && isAfternoon(slot) === (site.loudHalf === 'afternoon');
    input.jobCalendars[id] = jobCalendar(id);
    if (site.promise) input.promises[id] = Math.max(0, slotOf(today, site.promise, 1) + 1);
  });
  return input;
}

/** Weekdays that are no holiday. Asked for thousands of slots, so days are counted and no date is made. */
function workedDays(today: Day, holidays: ReadonlySet<Day>): (slot: Slot) => boolean {
  const first = weekday(today);
  const free = new Set([...holidays].map((day) => daysBetween(today, day)));
  return (slot) => {
    const day = Math.floor(slot / 2);
    return (((first + day) % 7) + 7) % 7 % 6 !== 0 && !free.has(day);
  };
}

/** Subs by trade; where the firm has none for a trade, its own people: one crew. */
function crewsByTrade(db: Connection, today: Day): Map<Trade, Crew[]> {
  const away = groupBy(all<{ sub: string; first_day: Day; last_day: Day }>(db, 'SELECT * FROM day_away WHERE last_day >= @today', { today }), (row) => row.sub);
  const crews = new Map<Trade, Crew[]>(TRADE_KEYS.filter((trade) => trade !== 'nobody').map((trade) => [trade, []]));
  for (const sub of all<{ id: string; name: string; trade: Trade; crews: number }>(db, 'SELECT id, name, trade, crews FROM sub ORDER BY name, id')) {
    const slots = (away.get(sub.id) ?? []).flatMap((row) => slotsOf(today, row.first_day, row.last_day));
    crews.get(sub.trade)?.push({ id: sub.id, name: sub.name, capacity: sub.crews, away: new Set(slots) });
  }
  for (const [trade, list] of crews) if (list.length === 0) list.push({ id: `own:${trade}`, name: `our own ${TRADES[trade].toLowerCase()}`, capacity: 1, away: new Set() });
  return crews;
}

function slotsOf(today: Day, first: Day, last: Day): Slot[] {
  return Array.from({ length: daysBetween(first, last) + 1 }, (_, at) => slotOf(today, addDays(first, at))).flatMap((slot) => [slot, slot + 1]);
}

/** A job keeps one sub of a trade; jobs are dealt out among the subs in turn. */
const crewFor = (crews: Map<Trade, Crew[]>, trade: Trade, job: number): string | null => {
  const list = crews.get(trade) ?? [];
  return list[job % Math.max(1, list.length)]?.id ?? null;
};

/** What remains never starts before the walk that saw it. */
function walkedUntil(db: Connection, job: string, today: Day): Slot {
  const newest = one<{ at: string | null }>(db, 'SELECT max(at) AS at FROM observation WHERE job = @job', { job })?.at;
  return newest && dayOf(newest) >= today ? slotOf(today, today, halfOf(newest)) : 0;
}

interface HoldRow {
  area: string;
  phase: Phase;
  text: string;
  asked_on: Day | null;
  expected_on: Day;
}

function holds(db: Connection, job: string, today: Day): NotBefore[] {
  return all<HoldRow>(db, `SELECT * FROM hold WHERE job = @job AND state = 'open' ORDER BY id`, { job }).map((hold) => {
    // What was expected for a day that has passed is not here yet: tomorrow is the earliest.
    const overdue = hold.expected_on < today;
    const expected = overdue ? addDays(today, 1) : hold.expected_on;
    const asked = hold.asked_on ? `, asked ${formatDay(hold.asked_on, today)}` : '';
    const when = overdue ? `was expected ${formatDay(hold.expected_on, today)}` : `expected ${formatDay(expected, today)}`;
    return { task: taskId(hold.area, hold.phase), slot: slotOf(today, expected), because: `${hold.text} (${when}${asked})`, open: true };
  });
}

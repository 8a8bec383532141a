import { weekdaysFrom } from '@/core/schedule/calendar';
import type { NotBefore } from '@/core/schedule/network';
import { USUAL_WEIGHTS, type Crew, type PlanInput, type Weights } from '@/core/schedule/plan-input';
import { keptOff, rainOf, type HalfDayOutlook } from '@/core/schedule/weather';
import { sequenceOf } from '@/core/sequence/links';
import type { Site } from '@/core/sequence/site';
import { ALWAYS, jobCalendar, narrowingsOf, officeCalendar } from '@/core/sequence/calendars';
import { tasksOf } from '@/core/sequence/tasks';
import type { Trade } from '@/core/sequence/trades';
import { weekday, type Day } from '@/core/units/day';
import { isAfternoon, slotOf, type Slot } from '@/core/units/slot';
import { dayIn, halfIn } from '@/core/units/zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { waitsOf } from '../selections/waits';
import { crewsByTrade, plantOf } from './crews';
import { officesOf } from './offices';
import { readPlan } from './read-plan';
import { holidaysOf, readSite } from './read-site';
import { bookingsOf, gateWaits, holds, logisticWaits, othersOf, pinsOf } from './waits-by-hand';
import { zoneOf } from '../zone';

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
  const jobs = queryAll<{ id: string }>(db, `SELECT id FROM job WHERE ${PLANNED} ORDER BY position, id`);
  const subs = crewsByTrade(db, today);
  const outlook = outlookOf(db, today);
  const input: PlanInput = {
    origin: today,
    tasks: [],
    links: [],
    notBefore: [],
    exposures: [],
    crews: [...[...subs.values()].flat(), ...plantOf(db, today)],
    calendars: { [ALWAYS]: () => true },
    jobCalendars: {},
    promises: {},
    keptOff: {},
    rain: rainOf(outlook, today),
    order: orderOf(db),
    weights: weightsOf(db),
  };
  const days = weekdaysFrom(today, holidays);
  for (const office of officesOf(db))
    input.calendars[officeCalendar(office.id)] = (slot) =>
      days(slot) && office.weekdays.includes(weekdayOf(today, slot));
  jobs.forEach(({ id }, number) => {
    const known = readSite(db, id, today);
    const site = whatIf?.job === id ? whatIf.site(known) : known;
    const sequence = sequenceOf(site);
    input.tasks.push(
      ...tasksOf(site, sequence.added, {
        origin: today,
        now: walkedUntil(db, id, today),
        crewFor: (trade) => crewFor(subs, trade, number),
      }),
    );
    input.links.push(...sequence.links);
    input.exposures.push(...sequence.exposures);
    input.notBefore.push(
      ...holds(db, id, today),
      ...waitsOf(db, id, today),
      ...pinsOf(db, id, today),
      ...bookingsOf(db, site, today, holidays),
      ...othersOf(db, id, today),
      ...logisticWaits(db, id, today),
      ...gateWaits(db, id, today),
      ...(whatIf?.job === id ? (whatIf.notBefore ?? []) : []),
    );
    input.calendars[jobCalendar(id)] = days;
    input.jobCalendars[id] = jobCalendar(id);
    if (site.promise) input.promises[id] = Math.max(0, slotOf(today, site.promise, 1) + 1);
  });
  narrowCalendars(input, outlook, days, db);
  return input;
}

/**
 * The calendars of tasks that are kept off some slots: by the hours told to the neighbours, by what the outlook
 * forbids.
 */
function narrowCalendars(
  input: PlanInput,
  outlook: readonly HalfDayOutlook[],
  days: (slot: Slot) => boolean,
  db: Connection,
): void {
  const loud = new Map(
    queryAll<{ id: string; loud_half: 'morning' | 'afternoon' | null }>(db, 'SELECT id, loud_half FROM job').map(
      (job) => [job.id, job.loud_half],
    ),
  );
  for (const { job, calendar } of input.tasks) {
    if (input.calendars[calendar]) continue;
    const narrowed = narrowingsOf(calendar);
    const half = narrowed.includes('loud') ? loud.get(job) : undefined;
    const base = half ? (slot: Slot): boolean => days(slot) && isAfternoon(slot) === (half === 'afternoon') : days;
    const off = keptOff(
      outlook,
      input.origin,
      narrowed.filter((narrowing) => narrowing !== 'loud'),
    );
    input.calendars[calendar] = (slot) => base(slot) && !off.has(slot);
    if (off.size === 0) continue;
    const baseId = half ? jobCalendar(job, 'loud') : jobCalendar(job);
    input.calendars[baseId] ??= base;
    (input.keptOff ??= {})[calendar] = { base: baseId, slots: off };
  }
}

const weekdayOf = (today: Day, slot: Slot): number => (((weekday(today) + Math.floor(slot / 2)) % 7) + 7) % 7;

const outlookOf = (db: Connection, today: Day): HalfDayOutlook[] =>
  queryAll<HalfDayOutlook>(
    db,
    'SELECT day, half, rain, wind, low FROM outlook WHERE day >= @today ORDER BY day, half',
    {
      today,
    },
  );

/** The starts of the newest plan: what comes next begins from them, so that nothing moves without need. */
function orderOf(db: Connection): ReadonlyMap<string, number> {
  return new Map(readPlan(db)?.tasks.map((task) => [task.id, task.start]));
}

function weightsOf(db: Connection): Weights {
  const late = Object.fromEntries(
    queryAll<{ id: string; weight: number }>(db, 'SELECT id, weight FROM job').map((job) => [job.id, job.weight]),
  );
  return {
    ...USUAL_WEIGHTS,
    late,
    trip: queryOne<{ trip_weight: number }>(db, 'SELECT trip_weight FROM firm')?.trip_weight ?? USUAL_WEIGHTS.trip,
  };
}

/** A job keeps one sub of a trade; jobs are dealt out among the subs in turn. */
const crewFor = (crews: Map<Trade, Crew[]>, trade: Trade, job: number): string | null => {
  const list = crews.get(trade) ?? [];
  return list[job % Math.max(1, list.length)]?.id ?? null;
};

/** What remains never starts before the walk that saw it. */
function walkedUntil(db: Connection, job: string, today: Day): Slot {
  const newest = queryOne<{ at: string | null }>(
    db,
    'SELECT max(at) AS at FROM standing_observation WHERE job = @job',
    {
      job,
    },
  )?.at;
  const zone = zoneOf(db);
  return newest && dayIn(zone, newest) >= today ? slotOf(today, today, halfIn(zone, newest)) : 0;
}

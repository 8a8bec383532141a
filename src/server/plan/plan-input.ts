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
import { waitsOf } from './waits';
import { crewsByTrade, plantCrews } from '../reading/crews';
import { firmRow, holidaysOf, officesOf, outlookRows } from '../reading/firm';
import { jobRow } from '../reading/job';
import { wholePlan } from '../reading/plan';
import type { FirmReading, JobReading } from '../reading/reading';
import { siteOf } from '../reading/site';
import { lastWalk } from '../reading/walks';
import { refuseWhereServed } from '../serving';
import { holdWaits, waitsByHand } from './waits-by-hand';

/** What one job would be if something were decided otherwise: for asking what it would do to the finish. */
export interface WhatIf {
  job: string;
  site: (site: Site) => Site;
  notBefore?: readonly NotBefore[];
}

/** Everything that plans are computed from, over all jobs of a reading, as of today. */
export function planInput(firm: FirmReading, whatIf?: WhatIf): PlanInput {
  refuseWhereServed('Placing a plan');
  const { today } = firm;
  const holidays = holidaysOf(firm);
  const subs = crewsByTrade(firm);
  const outlook = outlookRows(firm);
  const input: PlanInput = {
    origin: today,
    tasks: [],
    links: [],
    notBefore: [],
    exposures: [],
    crews: [...[...subs.values()].flat(), ...plantCrews(firm)],
    calendars: { [ALWAYS]: () => true },
    jobCalendars: {},
    promises: {},
    keptOff: {},
    rain: rainOf(outlook, today),
    order: orderOf(firm),
    weights: weightsOf(firm),
  };
  const days = weekdaysFrom(today, holidays);
  for (const office of officesOf(firm))
    input.calendars[officeCalendar(office.id)] = (slot) =>
      days(slot) && office.weekdays.includes(weekdayOf(today, slot));
  firm.jobs.forEach((id, number) => {
    const job = firm.job(id);
    const site = whatIf?.job === id ? whatIf.site(siteOf(job)) : siteOf(job);
    const sequence = sequenceOf(site);
    input.tasks.push(
      ...tasksOf(site, sequence.added, {
        origin: today,
        now: walkedUntil(job),
        crewFor: (trade) => crewFor(subs, trade, number),
      }),
    );
    input.links.push(...sequence.links);
    input.exposures.push(...sequence.exposures);
    input.notBefore.push(
      ...holdWaits(job),
      ...waitsOf(job),
      ...waitsByHand(job),
      ...(whatIf?.job === id ? (whatIf.notBefore ?? []) : []),
    );
    input.calendars[jobCalendar(id)] = days;
    input.jobCalendars[id] = jobCalendar(id);
    if (site.promise) input.promises[id] = Math.max(0, slotOf(today, site.promise, 1) + 1);
  });
  narrowCalendars(firm, input, outlook, days);
  return input;
}

/**
 * The calendars of tasks that are kept off some slots: by the hours told to the neighbours, by what the outlook
 * forbids.
 */
function narrowCalendars(
  firm: FirmReading,
  input: PlanInput,
  outlook: readonly HalfDayOutlook[],
  days: (slot: Slot) => boolean,
): void {
  for (const { job, calendar } of input.tasks) {
    if (input.calendars[calendar]) continue;
    const narrowed = narrowingsOf(calendar);
    const half = narrowed.includes('loud') ? jobRow(firm.job(job)).loud_half : undefined;
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

/** The starts of the newest plan: what comes next begins from them, so that nothing moves without need. */
const orderOf = (firm: FirmReading): ReadonlyMap<string, number> =>
  new Map(wholePlan(firm)?.tasks.map((task) => [task.id, task.start]));

const weightsOf = (firm: FirmReading): Weights => ({
  ...USUAL_WEIGHTS,
  late: Object.fromEntries(firm.jobs.map((id) => [id, jobRow(firm.job(id)).weight])),
  trip: firmRow(firm)?.trip_weight ?? USUAL_WEIGHTS.trip,
});

/** A job keeps one sub of a trade; jobs are dealt out among the subs in turn. */
const crewFor = (crews: ReadonlyMap<Trade, Crew[]>, trade: Trade, job: number): string | null => {
  const list = crews.get(trade) ?? [];
  return list[job % Math.max(1, list.length)]?.id ?? null;
};

/** What remains never starts before the walk that saw it. */
function walkedUntil(job: JobReading): Slot {
  const { today, zone } = job.firm;
  const newest = lastWalk(job).seen;
  return newest && dayIn(zone, newest) >= today ? slotOf(today, today, halfIn(zone, newest)) : 0;
}

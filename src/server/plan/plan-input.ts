import { groupBy } from '@/core/group-by';
import { weekdaysFrom } from '@/core/schedule/calendar';
import type { NotBefore, Task } from '@/core/schedule/network';
import { USUAL_WEIGHTS, type PlanInput, type Weights } from '@/core/schedule/plan-input';
import { keptOff, rainOf, type HalfDayOutlook } from '@/core/schedule/weather';
import { taskId, taskRef, type Site } from '@/core/sequence/site';
import {
  ALWAYS,
  asQuiet,
  isWeather,
  jobCalendar,
  narrowingsOf,
  officeCalendar,
  type Narrowing,
} from '@/core/sequence/calendars';
import { isQuiet, quietFor } from '@/core/sequence/quiet';
import { tasksOf } from '@/core/sequence/tasks';
import type { Trade } from '@/core/sequence/trades';
import { daysBetween, weekday, type Day } from '@/core/units/day';
import { dayOfSlot, isAfternoon, slotOf, type Slot } from '@/core/units/slot';
import { dayIn, halfIn } from '@/core/units/zone';
import { sequenceOfJob } from './sequence-of-job';
import { waitsOf } from './waits';
import { crewsByTrade, plantCrews, subCrews, tradesOfSubs } from '../reading/crews';
import { firmRow, holidaysOf, officesOf, outlookRows } from '../reading/firm';
import { jobRow } from '../reading/job';
import type { FirmReading, JobReading } from '../reading/reading';
import { quietTimes } from '../reading/quiet';
import { siteOf } from '../reading/site';
import { declinedWaits, standingOfVisits, visitDays } from '../reading/visits';
import { lastWalk } from '../reading/walks';
import { workedDayRows } from '../reading/worked-days';
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
  const crewFor = crewsAt(firm);
  const outlook = outlookRows(firm);
  const standing = standingOfVisits(firm);
  const input: PlanInput = {
    origin: today,
    tasks: [],
    links: [],
    notBefore: [],
    exposures: [],
    crews: [...subCrews(firm), ...plantCrews(firm)],
    calendars: { [ALWAYS]: () => true },
    jobCalendars: {},
    promises: {},
    keptOff: {},
    rain: rainOf(outlook, today),
    weights: weightsOf(firm),
    ...(standing ? { standing } : {}),
  };
  const days = weekdaysFrom(today, holidays);
  for (const office of officesOf(firm))
    input.calendars[officeCalendar(office.id)] = (slot) =>
      days(slot) && office.weekdays.includes(weekdayOf(today, slot));
  firm.jobs.forEach((id, number) => {
    const job = firm.job(id);
    const site = whatIf?.job === id ? whatIf.site(siteOf(job)) : siteOf(job);
    const sequence = sequenceOfJob(site);
    const tasks = tasksOf(site, sequence.added, {
      origin: today,
      now: walkedUntil(job),
      crewFor: (trade, task) => crewFor(trade, id, number, task),
    });
    input.tasks.push(...tasks);
    input.links.push(...sequence.links);
    input.exposures.push(...sequence.exposures);
    input.notBefore.push(
      ...holdWaits(job),
      ...ofPartsLeft(waitsOf(job), tasks),
      ...waitsByHand(job),
      ...declinedWaits(job),
      ...(whatIf?.job === id ? (whatIf.notBefore ?? []) : []),
    );
    input.calendars[jobCalendar(id)] = workedAt(job, days);
    input.jobCalendars[id] = jobCalendar(id);
    if (site.promise) input.promises[id] = Math.max(0, slotOf(today, site.promise, 1) + 1);
  });
  narrowCalendars(firm, input, outlook);
  return input;
}

/** What a part that is done already waited for is waited for by the next one. */
function ofPartsLeft(waits: readonly NotBefore[], tasks: readonly Task[]): NotBefore[] {
  const there = new Set(tasks.map(({ id }) => id));
  return waits.map((wait) => {
    const { area, phase, part } = taskRef(wait.task);
    if (part === undefined || !phase || there.has(wait.task)) return wait;
    const next = tasks.find(({ id }) => {
      const ref = taskRef(id);
      return ref.area === area && ref.phase === phase && (ref.part ?? Infinity) > part;
    });
    return { ...wait, task: next?.id ?? taskId(area, phase) };
  });
}

/**
 * The calendars of tasks that are kept off some slots: by the hours told to the neighbours, by times of quiet, by what the
 * outlook forbids.
 */
function narrowCalendars(firm: FirmReading, input: PlanInput, outlook: readonly HalfDayOutlook[]): void {
  for (const { job, calendar } of input.tasks) {
    if (input.calendars[calendar]) continue;
    const narrowed = narrowingsOf(calendar);
    const told = narrowed.filter((narrowing) => !isWeather(narrowing));
    const base = toldHours(firm.job(job), told, input.calendars[jobCalendar(job)] ?? (() => false));
    const off = keptOff(outlook, input.origin, narrowed.filter(isWeather));
    input.calendars[calendar] = off.size === 0 ? base : (slot) => base(slot) && !off.has(slot);
    if (off.size === 0) continue;
    const baseId = jobCalendar(job, ...told);
    input.calendars[baseId] ??= base;
    (input.keptOff ??= {})[calendar] = { base: baseId, slots: off };
  }
}

/** The half-days that are worked at a job: the firm's, and days off that somebody agreed to. */
function workedAt(job: JobReading, days: (slot: Slot) => boolean): (slot: Slot) => boolean {
  const { today } = job.firm;
  const more = new Set(workedDayRows(job).map(({ day }) => daysBetween(today, day)));
  return more.size === 0 ? days : (slot) => days(slot) || more.has(Math.floor(slot / 2));
}

/** The half-days that are left once neighbours and household have said theirs. */
function toldHours(
  job: JobReading,
  told: readonly Narrowing[],
  days: (slot: Slot) => boolean,
): (slot: Slot) => boolean {
  const { today } = job.firm;
  const half = told.includes('loud') ? jobRow(job).loud_half : undefined;
  const quiet = told.flatMap((narrowing) => {
    const of = asQuiet(narrowing);
    return of ? quietFor(quietTimes(job), of.area, of.loud) : [];
  });
  if (!half && quiet.length === 0) return days;
  const known = new Map<Slot, boolean>();
  const isFree = (slot: Slot): boolean =>
    days(slot) &&
    (!half || isAfternoon(slot) === (half === 'afternoon')) &&
    !quiet.some((one) => isQuiet(one, dayOfSlot(today, slot), isAfternoon(slot) ? 1 : 0));
  return (slot) => {
    const free = known.get(slot) ?? isFree(slot);
    known.set(slot, free);
    return free;
  };
}

const weekdayOf = (today: Day, slot: Slot): number => (((weekday(today) + Math.floor(slot / 2)) % 7) + 7) % 7;

const weightsOf = (firm: FirmReading): Weights => ({
  ...USUAL_WEIGHTS,
  late: Object.fromEntries(firm.jobs.map((id) => [id, jobRow(firm.job(id)).weight])),
  trip: firmRow(firm)?.trip_weight ?? USUAL_WEIGHTS.trip,
  move: firmRow(firm)?.move_weight ?? USUAL_WEIGHTS.move,
});

/**
 * Who does a trade at a job: whoever a piece of work was given to, else whoever of that trade comes to the job already, else
 * jobs are dealt out among the subs in turn.
 */
function crewsAt(firm: FirmReading): (trade: Trade, job: string, number: number, task: string) => string | null {
  const crews = crewsByTrade(firm);
  const trades = tradesOfSubs(firm);
  const rows = visitDays(firm);
  const comes = groupBy([...rows.values()], (row) => row.job as string);
  const known = new Map<string, string | null>();
  return (trade, job, number, task) => {
    const all = crews.get(trade) ?? [];
    if (all.length < 2) return all[0]?.id ?? null;
    const given = rows.get(task)?.crew;
    if (given && all.some((crew) => crew.id === given)) return given;
    // Who does it besides another trade comes where a visit is given to them.
    const first = all.filter((crew) => trades.get(crew.id)?.[0] === trade);
    const list = first.length > 0 ? first : all;
    const key = `${job} ${trade}`;
    const usual =
      known.get(key) ??
      comes.get(job)?.find((row) => list.some((crew) => crew.id === row.crew))?.crew ??
      list[number % list.length]?.id ??
      null;
    known.set(key, usual);
    return usual;
  };
}

/** What remains never starts before the walk that saw it. */
function walkedUntil(job: JobReading): Slot {
  const { today, zone } = job.firm;
  const newest = lastWalk(job).seen;
  return newest && dayIn(zone, newest) >= today ? slotOf(today, today, halfIn(zone, newest)) : 0;
}

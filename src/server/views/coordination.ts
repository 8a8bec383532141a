import type { Path } from '@/contract/routes';
import type { CoordinationView, InspectionView, UnbookedView } from '@/contract/views/coordination';
import { groupBy } from '@/core/group-by';
import { expectedLost, LIMITS } from '@/core/schedule/weather';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { plantCrew } from '@/core/sequence/crews';
import type { Trade } from '@/core/sequence/trades';
import type { PlannedTask } from '@/core/schedule/plan';
import { monthName } from '@/core/units/date-words';
import { addDays, formatDay, type Day } from '@/core/units/day';
import { dayOfSlot, slotOf } from '@/core/units/slot';
import { workdaysBefore } from '@/core/units/workday';
import { sayUnkeptVisit, type UnkeptVisit } from '@/core/words/limit';
import { sayWait, sayWeather } from '@/core/words/wait';
import { sayWork } from '@/core/words/work';
import { OUTLOOK_DAYS } from '../outside/ports';
import { busyRows } from '../reading/crews';
import {
  busySources,
  feedRows,
  firmRow,
  holidaysOf,
  normalRows,
  officesOf,
  openJobRows,
  outlookRows,
  peopleOf,
  plantDownRows,
  plantRows,
  subRows,
} from '../reading/firm';
import { areaNames, jobNames } from '../reading/job';
import { wholePlan, type StoredPlan } from '../reading/plan';
import { ofFirm, type FirmReading } from '../reading/reading';
import { inspectionRows, visitRows } from '../reading/sequence';
import { whenSeen } from '../words';

/**
 * What a firm arranges with the world outside: inspections, weather, plant, other people's calendars.
 * @param pathOf the address of a feed
 */
export function coordinationView(firm: FirmReading, pathOf: (feed: string) => Path): CoordinationView {
  const { today: now } = firm;
  const plan = wholePlan(firm);
  const jobs = openJobRows(firm).map(({ id, name, weight }) => ({ id, name, weight }));
  const subs = subRows(firm).map(({ id, name, trade }) => ({ id, name, trade }));
  const targets = [
    ...jobs.map(({ id, name }) => ({ kind: 'job' as const, id, name })),
    ...subs.map(({ id, name }) => ({ kind: 'sub' as const, id, name })),
    ...peopleOf(firm).map(({ id, name }) => ({ kind: 'person' as const, id, name })),
  ];
  const job = (id: string): string => jobs.find((entry) => entry.id === id)?.name ?? '';
  return {
    today: now,
    inspections: inspectionsOf(firm),
    unbooked: unbookedOf(firm),
    offices: officesOf(firm).map((office) => ({
      id: office.id,
      version: office.version,
      name: office.name,
      phone: office.phone,
      email: office.email,
      phases: office.phases,
      kinds: office.kinds,
      weekdays: office.weekdays,
      noticeDays: office.notice_days,
      visitsADay: office.visits_a_day,
    })),
    ...weatherOf(firm),
    kept: keptBack(plan, job),
    plant: plantOf(firm),
    subs: busyOf(firm, subs),
    feeds: feedsOf(firm, targets, pathOf),
    targets,
    tripWeight: firmRow(firm)?.trip_weight ?? 0,
    moveWeight: firmRow(firm)?.move_weight ?? 0,
    frozenDays: firmRow(firm)?.frozen_days ?? 0,
    jobs,
  };
}

/** The days ahead with what they forbid, and what the months after them usually cost. */
function weatherOf(firm: FirmReading): Pick<CoordinationView, 'outlook' | 'saidAt' | 'normals' | 'expected'> {
  const { today: now } = firm;
  const plan = wholePlan(firm);
  const outlook = outlookRows(firm);
  const normals = normalRows(firm);
  const saidAt = outlook
    .map((half) => half.said_at)
    .sort()
    .at(-1);
  return {
    outlook: [...groupBy(outlook, (half) => half.day)].slice(0, OUTLOOK_DAYS).map(([day, halves]) => ({
      day,
      halves: halves.map(({ half, rain, wind, low }) => ({
        half,
        rain,
        wind,
        low,
        forbids: [
          ...(rain >= LIMITS.rain ? ['rain'] : []),
          ...(wind >= LIMITS.wind ? ['wind'] : []),
          ...(low <= LIMITS.frost ? ['frost'] : []),
        ],
      })),
    })),
    saidAt: saidAt === undefined ? null : whenSeen(saidAt, firm),
    normals: normals.map((row) => ({ ...row, month: monthName(row.month) })),
    expected: plan
      ? expectedLost(
          plan.tasks.flatMap((task) =>
            task.phase && task.state !== 'done' ? [{ phase: task.phase, slots: task.slots }] : [],
          ),
          plan.origin,
          new Map(normals.map((row) => [row.month, row])),
          slotOf(plan.origin, addDays(now, OUTLOOK_DAYS)),
        ).map((row) => ({ ...row, month: monthName(row.month) }))
      : [],
  };
}

/** Work that the weather, or what must not lie open, keeps back. */
const keptBack = (plan: StoredPlan | undefined, job: (id: string) => string): CoordinationView['kept'] =>
  (plan?.tasks ?? []).flatMap((task) => {
    if (!plan || task.state === 'done') return [];
    const kept = plan.notBefore.find(
      (wait) =>
        wait.task === task.id && wait.kind === 'kept' && wait.wait.kind !== 'one-visit' && wait.wait.kind !== 'calm',
    );
    const text =
      task.reason.kind === 'weather'
        ? sayWeather(task.reason.weather, plan.origin)
        : kept && sayWait(kept.wait, plan.origin);
    return text ? [{ task: task.id, label: sayWork(task.work), job: task.job, jobName: job(task.job), text }] : [];
  });

/** What the firm has of each kind of plant, when it is away, and how much of the plan needs it. */
function plantOf(firm: FirmReading): CoordinationView['plant'] {
  const plan = wholePlan(firm);
  const downs = plantDownRows(firm);
  return plantRows(firm).map((row) => ({
    id: row.id,
    version: row.version,
    name: row.name,
    units: row.units,
    phases: row.phases,
    down: (downs.get(row.id) ?? []).map((down) => ({
      id: down.id,
      firstDay: down.first_day,
      lastDay: down.last_day,
      units: down.units,
      reason: down.reason,
    })),
    uses: (plan?.tasks ?? []).filter((task) => task.state !== 'done' && task.plant === plantCrew(row.id)).length,
  }));
}

/** Each sub with the days ahead on which its own calendar says that it is busy. */
function busyOf(
  firm: FirmReading,
  subs: readonly { id: string; name: string; trade: Trade }[],
): CoordinationView['subs'] {
  const busy = busyRows(firm);
  const sources = busySources(firm);
  return subs.map((sub) => {
    const source = sources.get(sub.id);
    return {
      ...sub,
      busy: busy.get(sub.id)?.length ?? 0,
      source: source ? { name: source.name, events: source.events, when: whenSeen(source.read_at, firm) } : null,
    };
  });
}

/** Calendars that others follow, with their addresses. */
const feedsOf = (
  firm: FirmReading,
  targets: CoordinationView['targets'],
  pathOf: (feed: string) => Path,
): CoordinationView['feeds'] =>
  feedRows(firm).map((feed) => ({
    id: feed.id,
    kind: feed.kind,
    name: targets.find((target) => target.kind === feed.kind && target.id === feed.target)?.name ?? '',
    path: pathOf(feed.id),
    madeAt: whenSeen(feed.made_at, firm),
  }));

/** Days for which a visit that is over stays in sight. */
const SETTLED_DAYS = 30;

function inspectionsOf(firm: FirmReading): InspectionView[] {
  const { today: now } = firm;
  const plan = wholePlan(firm);
  const offices = new Map(officesOf(firm).map((office) => [office.id, office.name]));
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id as string, task]));
  return visitRows(firm, addDays(now, -SETTLED_DAYS)).map((row) => {
    const task = tasks.get(taskId(row.area, row.phase));
    const kept =
      !plan || !task || row.state !== 'booked' || (row.day >= now && dayOfSlot(plan.origin, task.start) === row.day);
    return {
      id: row.id,
      version: row.version,
      job: row.job,
      jobName: row.job_name,
      area: row.area,
      areaName: row.area_name,
      phase: row.phase,
      label: phaseFacts(row.phase).label,
      office: offices.get(row.office) ?? '',
      when: `${formatDay(row.day, now)}, ${row.half === 1 ? 'afternoon' : 'morning'}`,
      state: row.state,
      words: row.words,
      by: row.by,
      due: row.day <= now,
      pageUntil: addDays(row.day > now ? row.day : now, 30),
      unkept: kept ? null : sayUnkeptVisit(unkept(row.day, task, now), now),
    };
  });
}

/** Why a booked visit does not fit the plan. */
function unkept(day: Day, task: Pick<PlannedTask, 'state' | 'reason'>, now: Day): UnkeptVisit {
  if (day < now) return { kind: 'over' };
  return task.state === 'done' ? { kind: 'done' } : { kind: 'not-reached', reason: task.reason };
}

/** Inspections ahead without a visit, the nearest first. */
export const unbookedOf = ofFirm((firm): UnbookedView[] => {
  const { today: now } = firm;
  const plan = wholePlan(firm);
  if (!plan) return [];
  const offices = officesOf(firm);
  const holidays = holidaysOf(firm);
  const booked = new Set(
    firm.jobs.flatMap((id) =>
      inspectionRows(firm.job(id)).flatMap((row) =>
        row.state === 'booked' ? [taskId(row.area, row.phase) as string] : [],
      ),
    ),
  );
  return plan.tasks
    .flatMap((task): UnbookedView[] => {
      const { phase, area } = task;
      if (
        !phase ||
        !area ||
        task.state === 'done' ||
        booked.has(task.id) ||
        (phaseFacts(phase).hold !== 'inspection' && phaseFacts(phase).hold !== 'water-test') ||
        phaseFacts(phase).elapsed
      )
        return [];
      const office = offices.find((entry) => entry.phases.includes(phase));
      const ready = dayOfSlot(plan.origin, task.start);
      const last = workdaysBefore(ready, office?.notice_days ?? 0, holidays);
      const askBy = last < now ? now : last;
      return [
        {
          job: task.job,
          jobName: jobNames(firm).get(task.job) ?? '',
          area,
          areaName: areaNames(firm.job(task.job)).get(area) ?? '',
          phase,
          label: phaseFacts(phase).label,
          also: [],
          office: office?.name ?? null,
          ready,
          askBy,
          late: office !== undefined && askBy <= now,
        },
      ];
    })
    .sort((a, b) => (a.ready < b.ready ? -1 : a.ready > b.ready ? 1 : 0))
    .reduce<UnbookedView[]>(asOneVisit, [])
    .slice(0, 30);
});

/** Rooms of one job that are ready for the same office on the same day are one visit. */
function asOneVisit(visits: UnbookedView[], next: UnbookedView): UnbookedView[] {
  const same = visits.find((one) => one.job === next.job && one.phase === next.phase && one.ready === next.ready);
  if (!same) return [...visits, next];
  same.also.push({ area: next.area, areaName: next.areaName });
  return visits;
}

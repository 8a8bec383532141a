import type { CoordinationView, InspectionView, UnbookedView } from '@/contract/views/coordination';
import { groupBy } from '@/core/group-by';
import { expectedLost, LIMITS, type HalfDayOutlook } from '@/core/schedule/weather';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { plantCrew } from '@/core/sequence/crews';
import type { Trade } from '@/core/sequence/trades';
import { addDays, formatDay, type Day } from '@/core/units/day';
import { dayOfSlot, slotOf } from '@/core/units/slot';
import { pathOfFeed } from '../schedule/feeds';
import { firmTime } from '../zone';
import type { Connection } from '../database/open';
import { queryAll, queryOne } from '../database/query';
import type { Installation } from '../installation';
import { isWorkday, workdaysAfter } from '@/core/units/workday';
import { officesOf, type InspectionRow } from '../schedule/offices';
import { readPlan, type StoredPlan } from '../schedule/read-plan';
import { holidaysOf } from '../schedule/read-site';
import { whenSeen } from '../words';
import { OUTLOOK_DAYS } from '../outside/ports';

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];
const month = (number: number): string => MONTHS[number - 1] ?? '';

/** What a firm arranges with the world outside: inspections, weather, plant, other people's calendars. */
export function coordinationView(installation: Installation): CoordinationView {
  const { db } = installation;
  const { today: now } = firmTime(installation);
  const plan = readPlan(db);
  const jobs = queryAll<{ id: string; name: string; weight: number }>(
    db,
    `SELECT id, name, weight FROM job WHERE state <> 'closed' ORDER BY position`,
  );
  const areas = new Map(
    queryAll<{ id: string; name: string; job: string }>(db, 'SELECT id, name, job FROM area').map((area) => [
      area.id,
      area,
    ]),
  );
  const subs = queryAll<{ id: string; name: string; trade: Trade }>(
    db,
    'SELECT id, name, trade FROM sub ORDER BY name',
  );
  const people = queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM person ORDER BY rowid');
  const targets = [
    ...jobs.map(({ id, name }) => ({ kind: 'job' as const, id, name })),
    ...subs.map(({ id, name }) => ({ kind: 'sub' as const, id, name })),
    ...people.map(({ id, name }) => ({ kind: 'person' as const, id, name })),
  ];
  const job = (id: string): string => jobs.find((entry) => entry.id === id)?.name ?? '';
  return {
    today: now,
    inspections: inspectionsOf(installation, plan, areas, job, now),
    unbooked: unbookedOf(installation, plan, now),
    offices: officesOf(db).map((office) => ({
      id: office.id,
      version: office.version,
      name: office.name,
      phone: office.phone,
      phases: office.phases,
      weekdays: office.weekdays,
      noticeDays: office.notice_days,
      visitsADay: office.visits_a_day,
    })),
    ...weatherOf(installation, plan, now),
    kept: keptBack(plan, job),
    plant: plantOf(db, plan, now),
    subs: busyOf(installation, subs, now),
    feeds: feedsOf(installation, targets),
    targets,
    tripWeight: queryOne<{ trip_weight: number }>(db, 'SELECT trip_weight FROM firm')?.trip_weight ?? 0,
    jobs,
  };
}

/** The days ahead with what they forbid, and what the months after them usually cost. */
function weatherOf(
  installation: Installation,
  plan: StoredPlan | undefined,
  now: Day,
): Pick<CoordinationView, 'outlook' | 'saidAt' | 'normals' | 'expected'> {
  const { db } = installation;
  const outlook = queryAll<HalfDayOutlook & { said_at: string }>(
    db,
    'SELECT * FROM outlook WHERE day >= @now ORDER BY day, half',
    { now },
  );
  const normals = queryAll<{ month: number; wet: number; windy: number; frosty: number }>(
    db,
    'SELECT * FROM normal ORDER BY month',
  );
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
    saidAt: saidAt === undefined ? null : whenSeen(saidAt, firmTime(installation)),
    normals: normals.map((row) => ({ ...row, month: month(row.month) })),
    expected: plan
      ? expectedLost(
          plan.tasks.flatMap((task) =>
            task.phase && task.state !== 'done' ? [{ phase: task.phase, slots: task.slots }] : [],
          ),
          plan.origin,
          new Map(normals.map((row) => [row.month, row])),
          slotOf(plan.origin, addDays(now, OUTLOOK_DAYS)),
        ).map((row) => ({ ...row, month: month(row.month) }))
      : [],
  };
}

/** Work that the weather, or what must not lie open, keeps back. */
const keptBack = (plan: StoredPlan | undefined, job: (id: string) => string): CoordinationView['kept'] =>
  (plan?.tasks ?? []).flatMap((task) => {
    const words =
      task.reason.kind === 'weather'
        ? task.reason.text
        : plan?.notBefore.find((wait) => wait.task === task.id && wait.kind === 'kept')?.because;
    if (!words || task.state === 'done') return [];
    const text = words.replace(/^Not earlier: /, '');
    return [{ task: task.id, label: task.label, job: task.job, jobName: job(task.job), text }];
  });

/** What the firm has of each kind of plant, when it is away, and how much of the plan needs it. */
function plantOf(db: Connection, plan: StoredPlan | undefined, now: Day): CoordinationView['plant'] {
  const downs = groupBy(
    queryAll<{ id: string; plant: string; first_day: Day; last_day: Day; units: number; reason: string }>(
      db,
      'SELECT * FROM plant_down WHERE last_day >= @now ORDER BY first_day',
      { now },
    ),
    (row) => row.plant,
  );
  return queryAll<{ id: string; version: number; name: string; units: number; phases: string }>(
    db,
    'SELECT * FROM plant ORDER BY rowid',
  ).map((row) => ({
    id: row.id,
    version: row.version,
    name: row.name,
    units: row.units,
    phases: JSON.parse(row.phases) as Phase[],
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
  installation: Installation,
  subs: readonly { id: string; name: string; trade: Trade }[],
  now: Day,
): CoordinationView['subs'] {
  const { db } = installation;
  const busy = new Map(
    queryAll<{ sub: string; count: number }>(
      db,
      'SELECT sub, count(*) AS count FROM busy WHERE day >= @now GROUP BY sub',
      { now },
    ).map((row) => [row.sub, row.count]),
  );
  const sources = new Map(
    queryAll<{ sub: string; name: string; events: number; read_at: string }>(db, 'SELECT * FROM busy_source').map(
      (row) => [row.sub, row],
    ),
  );
  return subs.map((sub) => {
    const source = sources.get(sub.id);
    return {
      ...sub,
      busy: busy.get(sub.id) ?? 0,
      source: source
        ? { name: source.name, events: source.events, when: whenSeen(source.read_at, firmTime(installation)) }
        : null,
    };
  });
}

/** Calendars that others follow, with their addresses. */
const feedsOf = (installation: Installation, targets: CoordinationView['targets']): CoordinationView['feeds'] =>
  queryAll<{ id: string; kind: 'job' | 'sub' | 'person'; target: string; made_at: string }>(
    installation.db,
    'SELECT * FROM feed WHERE closed_at IS NULL ORDER BY made_at',
  ).map((feed) => ({
    id: feed.id,
    kind: feed.kind,
    name: targets.find((target) => target.kind === feed.kind && target.id === feed.target)?.name ?? '',
    path: pathOfFeed(installation, feed.id),
    madeAt: whenSeen(feed.made_at, firmTime(installation)),
  }));

type Areas = ReadonlyMap<string, { name: string; job: string }>;

function inspectionsOf(
  installation: Installation,
  plan: StoredPlan | undefined,
  areas: Areas,
  job: (id: string) => string,
  now: Day,
): InspectionView[] {
  const offices = new Map(officesOf(installation.db).map((office) => [office.id, office.name]));
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id, task]));
  return queryAll<InspectionRow>(
    installation.db,
    `SELECT *
      FROM inspection
      WHERE state = 'booked' OR day >= @since
      ORDER BY state <> 'booked', day, half`,
    { since: addDays(now, -30) },
  ).map((row) => {
    const task = tasks.get(taskId(row.area, row.phase));
    const kept =
      !plan || !task || row.state !== 'booked' || (row.day >= now && dayOfSlot(plan.origin, task.start) === row.day);
    return {
      id: row.id,
      version: row.version,
      job: row.job,
      jobName: job(row.job),
      area: row.area,
      areaName: areas.get(row.area)?.name ?? '',
      phase: row.phase,
      label: phaseFacts(row.phase).label,
      office: offices.get(row.office) ?? '',
      when: `${formatDay(row.day, now)}, ${row.half === 1 ? 'afternoon' : 'morning'}`,
      state: row.state,
      words: row.words,
      unkept: kept ? null : row.day < now ? 'The day is over: say how it went.' : task.reason.text,
    };
  });
}

/** Inspections ahead without a visit, the nearest first. */
export function unbookedOf(installation: Installation, plan: StoredPlan | undefined, now: Day): UnbookedView[] {
  if (!plan) return [];
  const areas = new Map(
    queryAll<{ id: string; name: string; job_name: string }>(
      installation.db,
      'SELECT area.id, area.name, job.name AS job_name FROM area JOIN job ON job.id = area.job',
    ).map((area) => [area.id, area]),
  );
  const offices = officesOf(installation.db);
  const holidays = holidaysOf(installation.db);
  const booked = new Set(
    queryAll<{ area: string; phase: Phase }>(
      installation.db,
      `SELECT area, phase FROM inspection WHERE state = 'booked'`,
    ).map((row) => taskId(row.area, row.phase)),
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
      let askBy = ready;
      while (office && askBy > now && workdaysAfter(askBy, office.notice_days, holidays) > ready)
        askBy = addDays(askBy, -1);
      while (askBy > now && !isWorkday(askBy, holidays)) askBy = addDays(askBy, -1);
      return [
        {
          job: task.job,
          jobName: areas.get(area)?.job_name ?? '',
          area,
          areaName: areas.get(area)?.name ?? '',
          phase,
          label: phaseFacts(phase).label,
          office: office?.name ?? null,
          ready,
          askBy,
          late: office !== undefined && askBy <= now,
        },
      ];
    })
    .sort((a, b) => (a.ready < b.ready ? -1 : a.ready > b.ready ? 1 : 0))
    .slice(0, 30);
}

import { coveredIn } from '../reading/covered';
import { isOfficeCalendar } from '@/core/sequence/calendars';
import { routes } from '@/contract/routes';
import type { BoardBlock, BoardRow, BoardView, BoardVisit, GoalView, ScheduleView } from '@/contract/views/plan';
import { groupBy } from '@/core/group-by';
import { planFindings } from '@/core/schedule/plan-findings';
import { jobFinish, tripsIn, type PlannedTask } from '@/core/schedule/plan';
import { inTheWay, isHeld } from '@/core/schedule/reasons';
import type { WorkName } from '@/core/schedule/work-name';
import { LIMITS } from '@/core/schedule/weather';
import { phaseCode } from '@/core/sequence/phase-codes';
import { TRADES } from '@/core/sequence/trades';
import { addDays, daysBetween, formatDay, formatWeekday, mondayOf, type Day } from '@/core/units/day';
import { isWorkday } from '@/core/units/workday';
import { dayOfSlot, formatSlot, isAfternoon, lastDay, slotOf } from '@/core/units/slot';
import type { Phrase } from '@/core/words/phrase';
import { sayCauses } from '@/core/words/cause';
import { sayFinding } from '@/core/words/finding';
import { sayAlso, sayReason } from '@/core/words/reason';
import { sayWait } from '@/core/words/wait';
import { sayPlace, sayWorkShort, sayWork, sayWorkHere } from '@/core/words/work';
import { jobHead } from './job-head';
import { daysShown, shiftTo, type BoardOptions } from './board-options';
import { movedView, saidWords, subLinksUntil } from './moved';
import { crewsByTrade } from '../reading/crews';
import { holidaysOf, outlookRows, planProblem, searchRow, subRows } from '../reading/firm';
import { visitDays } from '../reading/visits';
import { workedDayRows } from '../reading/worked-days';
import { isVisit } from '@/core/schedule/visit';
import { areaNames, areaRows, jobNames, jobRow } from '../reading/job';
import { daysLate, finishDay, planOf, wholePlan, type StoredPlan } from '../reading/plan';
import type { FirmReading, JobReading } from '../reading/reading';
import { deliveryRows, selectionRows } from '../reading/selections';
import { pinRows } from '../reading/sequence';
import { progressOf } from '../reading/standing';
import { whenSeen } from '../words';

interface Window {
  plan: StoredPlan;
  first: Day;
  /** The board's first half-day, in the plan's count, and how many it shows. */
  from: number;
  length: number;
  jobs: ReadonlyMap<string, string>;
  /** Why each pinned piece of work is pinned. */
  pins: Map<string, string>;
  /** Who comes for a piece of work, and what was said. */
  visitOf: (task: PlannedTask) => BoardVisit | null;
  /** How far it is, 0…1. */
  fractionOf: (task: PlannedTask) => number;
  crews: ReadonlyMap<string, string>;
}

/** The half-day board: by trade or person over all jobs, or by room in one. */
export function scheduleView(firm: FirmReading, options: BoardOptions & { job?: string }): ScheduleView {
  const { today: now } = firm;
  const job = options.job === undefined ? undefined : firm.job(options.job);
  const whole = wholePlan(firm);
  const plan = options.by === 'room' && job ? planOf(job) : whole;
  const asked = plan?.tasks.find((task) => task.id === options.task);
  // The board opens where the work is: today, or the first day of work where nothing is planned before it.
  const opens = firstWork(plan, now, typeof options.weeks === 'number' ? options.weeks : 4, options.job);
  // Work that was asked for brings its own week.
  const shift = plan && asked ? shiftTo(opens, options.weeks, dayOfSlot(plan.origin, asked.start)) : options.shift;
  const { first, weeks } = daysShown(opens, options.weeks, shift);
  const names = jobNames(firm);
  const window = plan && {
    plan,
    first,
    from: slotOf(plan.origin, first),
    length: weeks * 14,
    jobs: names,
    pins: pinned(firm),
    visitOf: visitsFor(firm),
    fractionOf: ({ id, job: own, state }: PlannedTask) =>
      state === 'under-way' ? (progressOf(firm.job(own)).get(id)?.fraction ?? 0) : 0,
    crews: new Map(plan.crewCapacity.map(({ sub, name }) => [sub, name])),
  };
  return {
    job: job ? jobHead(job) : null,
    by: options.by,
    weeks: options.weeks,
    shift,
    task: asked?.id ?? null,
    board: {
      ...daysOf(firm, first, weeks),
      ...(window
        ? within(firm, window, options)
        : { rows: [], marks: [], ends: [], late: [], weather: [], madeAt: '', cause: '', jobs: 0 }),
      problem: planProblem(firm),
    },
    crew: options.crew ?? null,
    crews: whole ? crewsAtWork(whole) : [],
    looks: [...coveredLooks(firm, options.job), ...(whole && window ? looksIn(whole, window, options.job) : [])],
    // It is of all jobs, and so is what it would move.
    goal: whole?.bound && !firm.sees.jobs ? goalOf(firm, whole, names, options.job) : null,
    moved: movedView(firm, options.job),
    linksUntil: subLinksUntil(now),
  };
}

/** Crews that still have work, of which one alone can be looked at. */
const crewsAtWork = ({ crewCapacity, tasks }: StoredPlan): ScheduleView['crews'] =>
  crewCapacity
    .filter(({ sub }) => tasks.some((task) => task.crew === sub && task.state !== 'done'))
    .map(({ sub, name }) => ({ id: sub, name }));

/** Today where there is work within so many weeks, else the Monday of the first day of work. */
function firstWork(plan: StoredPlan | undefined, today: Day, weeks: number, job: string | undefined): Day {
  if (!plan) return today;
  const from = slotOf(plan.origin, today);
  const starts = plan.tasks.flatMap((task) =>
    task.state !== 'done' && task.duration > 0 && task.finish > from && (job === undefined || task.job === job)
      ? [Math.max(from, task.start)]
      : [],
  );
  if (starts.length === 0) return today;
  const first = dayOfSlot(
    plan.origin,
    starts.reduce((least, start) => Math.min(least, start), Infinity),
  );
  return daysBetween(today, first) < 7 * weeks ? today : mondayOf(first);
}

/** The days that the board shows, and where today is among them. */
function daysOf(
  firm: FirmReading,
  first: Day,
  weeks: number,
): Pick<BoardView, 'today' | 'first' | 'days' | 'todaySlot'> {
  const { today: now } = firm;
  const holidays = holidaysOf(firm);
  const more = new Set(firm.jobs.flatMap((id) => workedDayRows(firm.job(id)).map(({ day }) => day)));
  const today = slotOf(first, now);
  return {
    today: now,
    first,
    days: Array.from({ length: weeks * 7 }, (_, index) => addDays(first, index)).map((day) => ({
      day,
      label: formatWeekday(day),
      worked: isWorkday(day, holidays) || more.has(day),
    })),
    todaySlot: today >= 0 && today < weeks * 14 ? today : null,
  };
}

/** What the plan has within the board's days. */
function within(
  firm: FirmReading,
  window: Window,
  options: BoardOptions & { job?: string },
): Pick<BoardView, 'rows' | 'marks' | 'ends' | 'late' | 'weather' | 'madeAt' | 'cause' | 'jobs'> {
  const { plan } = window;
  return {
    rows: rowsOf(firm, window, options),
    marks: [...marksOf(window, options.job), ...deliveryMarks(firm, window, options.job)].sort(
      (a, b) => a.slot - b.slot,
    ),
    ends: endsOf(firm, window, options.job),
    late: lateJobs(firm, options.job),
    weather: weatherOf(firm, window),
    madeAt: whenSeen(plan.madeAt, firm),
    cause: sayCauses(plan.causes, firm.today),
    jobs: new Set(plan.tasks.map((task) => task.job)).size,
  };
}

function rowsOf(firm: FirmReading, window: Window, options: BoardOptions & { job?: string }): BoardRow[] {
  if (options.by === 'room' && options.job) return roomRows(firm.job(options.job), window);
  const rows = tradeRows(window, options);
  return options.by === 'person' ? byPerson(firm, rows) : rows;
}

/** The same rows under the name of who leads the crew, as one asks for them on the telephone. */
function byPerson(firm: FirmReading, rows: readonly BoardRow[]): BoardRow[] {
  const subs = new Map(subRows(firm).map((sub) => [sub.id as string, sub]));
  return rows
    .map((row) => {
      const sub = subs.get(row.id);
      if (!sub) return row;
      const { lead_name: lead, name } = sub;
      return { ...row, name: lead || name, note: [lead && name, row.name.toLowerCase()].filter(Boolean).join(', ') };
    })
    .sort((one, other) => one.name.localeCompare(other.name, 'en'));
}

/** What was begun over something that nobody has passed, in red before everything else. */
const coveredLooks = (firm: FirmReading, job: string | undefined): ScheduleView['looks'] =>
  firm.jobs.flatMap((id) =>
    job && id !== job
      ? []
      : coveredIn(firm.job(id)).map(({ name, task, text }) => ({
          kind: 'conflict' as const,
          text: `${jobNames(firm).get(id) ?? ''}, ${name}: ${text}`,
          task,
          job: id,
        })),
  );

/** What is worth a look before the board's last day; a conflict also where it is behind its first. */
const looksIn = (whole: StoredPlan, window: Window, job: string | undefined): ScheduleView['looks'] =>
  planFindings(whole)
    .filter(
      (look) =>
        (!job || look.job === job) &&
        look.slot < window.from + window.length &&
        (look.kind === 'conflict' || look.slot >= window.from),
    )
    .map((look) => ({
      kind: look.kind,
      text: sayFinding(look, (id) => window.jobs.get(id) ?? '', whole.origin),
      task: look.task,
      job: look.job,
    }));

const SAID_TONE = { nothing: 'soft', told: 'soft', asked: 'soft', confirmed: 'good', declined: 'bad' } as const;

/** Who comes from outside for a piece of work that has not begun, and what was said of its day. */
function visitsFor(firm: FirmReading): Window['visitOf'] {
  const subs = new Map(subRows(firm).map((sub) => [sub.id as string, sub]));
  const crews = crewsByTrade(firm);
  const rows = visitDays(firm);
  return (task) => {
    const [sub, row] = [subs.get(task.crew ?? ''), rows.get(task.id)];
    if (!sub || !row || !isVisit(task)) return null;
    const others = (crews.get(task.trade) ?? []).filter(({ id }) => id !== sub.id && subs.has(id));
    return {
      ...{ crew: sub.id, name: sub.name, lead: sub.lead_name || sub.name, phone: sub.phone, email: sub.email },
      ...{ said: row.said, words: saidWords(firm, row), tone: SAID_TONE[row.said] },
      others: others.map(({ id, name }) => ({ id, name })),
    };
  };
}

const pinned = (firm: FirmReading): Map<string, string> =>
  new Map(firm.jobs.flatMap((id) => pinRows(firm.job(id)).map((pin) => [pin.task, pin.reason] as const)));

/** How good the plan is: what it ends at and what nothing could end before. */
function goalOf(firm: FirmReading, plan: StoredPlan, names: ReadonlyMap<string, string>, job?: string): GoalView {
  const search = searchRow(firm);
  const worked = (id: string, from: number, to: number): number =>
    (plan.calendars[plan.jobCalendars[id] ?? '']?.worked ?? []).filter((slot) => slot >= from && slot < to).length / 2;
  return {
    jobs: Object.entries(plan.bound.jobs).flatMap(([id, bound]) => {
      const finish = jobFinish(plan, id);
      if (finish === undefined || (job !== undefined && id !== job)) return [];
      const promise = plan.promises[id];
      return [
        {
          id,
          name: names.get(id) ?? '',
          finish: formatDay(lastDay(plan.origin, finish), plan.origin),
          bound: formatDay(lastDay(plan.origin, bound), plan.origin),
          room: worked(id, bound, finish),
          late: promise === undefined ? 0 : worked(id, promise, finish),
        },
      ];
    }),
    trips: tripsIn(plan, job),
    search: search
      ? {
          ...{ state: search.state, made: search.made, schedules: search.schedules, words: search.words },
          found: search.state === 'done' && search.better_than === plan.version ? plan.version : null,
        }
      : { state: 'none', made: 0, schedules: 0, words: '', found: null },
  };
}

/** Where jobs end as planned, and where they were promised to. */
function endsOf(firm: FirmReading, window: Window, only?: string): BoardView['ends'] {
  return firm.jobs
    .filter((id) => only === undefined || id === only)
    .flatMap((id) => {
      const [finish, promise] = [finishDay(firm.job(id)), jobRow(firm.job(id)).promise_day];
      const late = finish !== null && promise !== null && finish > promise;
      const days = [
        { day: finish, kind: 'ends' as const },
        { day: promise, kind: 'promised' as const },
      ];
      return days.flatMap(({ day, kind }) => {
        // The line stands at the end of its day.
        const slot = day === null ? -1 : slotOf(window.first, day) + 2;
        return slot < 0 || slot > window.length ? [] : [{ slot, kind, job: window.jobs.get(id) ?? '', late }];
      });
    });
}

const lateJobs = (firm: FirmReading, only?: string): BoardView['late'] =>
  firm.jobs
    .filter((id) => only === undefined || id === only)
    .flatMap((id) => {
      const days = daysLate(firm.job(id)) ?? 0;
      return days > 0 ? [{ job: id, name: jobRow(firm.job(id)).name, days }] : [];
    })
    .sort((a, b) => b.days - a.days);

/** The outlook over the board's first half-days. */
function weatherOf(firm: FirmReading, window: Window): BoardView['weather'] {
  return outlookRows(firm).flatMap((half) => {
    const slot = slotOf(window.first, half.day, half.half);
    if (slot < 0 || slot >= window.length) return [];
    const rain = half.rain >= LIMITS.rain;
    const [wind, frost] = [half.wind >= LIMITS.wind, half.low <= LIMITS.frost];
    return [
      {
        slot,
        ...{ rain: half.rain, wind: half.wind, low: half.low },
        forbids: rain || wind,
        text: [
          half.rain > 0 ? `${half.rain} mm` : 'dry',
          ...(wind ? [`wind ${half.wind} m/s`] : []),
          ...(frost ? [`${half.low} °C`] : []),
        ].join(', '),
      },
    ];
  });
}

const shown = (window: Window, task: PlannedTask): boolean =>
  task.state !== 'done' && task.duration > 0 && task.finish > window.from && task.start < window.from + window.length;

/**
 * A row a crew: with a job named, only crews that come there, and their work elsewhere drawn too, since it is why they
 * are not here.
 */
function tradeRows(window: Window, { job, crew: only }: BoardOptions & { job?: string }): BoardRow[] {
  const byCrew = groupBy(
    window.plan.tasks.filter((task) => task.crew !== null && shown(window, task)),
    (task) => task.crew ?? '',
  );
  return window.plan.crewCapacity.flatMap((crew): BoardRow[] => {
    const tasks = byCrew.get(crew.sub) ?? [];
    const first = tasks[0];
    if (!first || (only ? crew.sub !== only : job && !tasks.some((task) => task.job === job))) return [];
    return [
      {
        id: crew.sub,
        name: TRADES[first.trade],
        note: `${crew.name}, ${crew.capacity} ${crew.capacity === 1 ? 'crew' : 'crews'}`,
        blocks: blocksOf(window, tasks),
      },
    ];
  });
}

function roomRows(job: JobReading, window: Window): BoardRow[] {
  const byArea = groupBy(
    window.plan.tasks.filter((task) => task.area !== null && shown(window, task)),
    (task) => task.area ?? '',
  );
  const areas = [...areaRows(job)].sort((a, b) => (b.level_height ?? -1) - (a.level_height ?? -1));
  return areas.flatMap((area) => {
    const tasks = byArea.get(area.id) ?? [];
    return tasks.length === 0
      ? []
      : [
          {
            id: area.id,
            name: area.name,
            note: area.level_name ?? 'outside',
            blocks: blocksOf(window, tasks, sayWorkHere),
          },
        ];
  });
}

/** Blocks in lanes: those that overlap stand under each other. @param say what is written on them */
function blocksOf(window: Window, tasks: PlannedTask[], say: (work: WorkName) => Phrase = sayWork): BoardBlock[] {
  const lanes: number[] = [];
  return [...tasks]
    .sort((a, b) => a.start - b.start || a.finish - b.finish)
    .map((task) => {
      const [start, finish] = [
        Math.max(0, task.start - window.from),
        Math.min(window.length, task.finish - window.from),
      ];
      const free = lanes.findIndex((end) => end <= start);
      const lane = free === -1 ? lanes.length : free;
      lanes[lane] = finish;
      return {
        task: task.id,
        label: say(task.work),
        short: sayWorkShort(task.work),
        what: sayWorkHere(task.work),
        code: codeOf(task),
        // Where rows are rooms, the row says it.
        place: say === sayWork ? sayPlace(task.work) : null,
        job: window.jobs.get(task.job) ?? '',
        jobId: task.job,
        area: task.area,
        start,
        finish,
        lane,
        cutLeft: task.start < window.from,
        cutRight: task.finish > window.from + window.length,
        float: Math.min(task.float, window.length - finish),
        tone: toneOf(task),
        fraction: window.fractionOf(task),
        crew: window.crews.get(task.crew ?? '') ?? '',
        halfDays: task.slots.length || task.finish - task.start,
        when: [...new Set([task.start, task.finish - 1])]
          .map((slot) => formatSlot(window.plan.origin, slot))
          .join(' to '),
        reason: sayReason(task.reason, window.plan.origin),
        because: inTheWay(task.reason) ?? null,
        leads: leadsTo(task),
        also: sayAlso(task.reason, window.plan.origin),
        pin: window.pins.get(task.id) ?? null,
        movable: task.state === 'waiting' && !isOfficeCalendar(task.calendar),
        day: dayOfSlot(window.plan.origin, task.start),
        half: isAfternoon(task.start) ? 1 : 0,
        visit: window.visitOf(task),
      };
    });
}

/** The step's own two letters; of other work the first two of its kind, small. */
const codeOf = ({ phase, work }: PlannedTask): string => (phase ? phaseCode(phase) : work.kind.slice(0, 2));

/** Where the thread goes on from a reason that is no other task. */
function leadsTo({ job, reason }: PlannedTask): string | null {
  if (reason.kind !== 'not-before') return null;
  if (reason.selection) return routes.selection(job, reason.selection);
  return reason.request ? routes.requests(job, reason.request) : null;
}

function toneOf(task: PlannedTask): BoardBlock['tone'] {
  if (isHeld(task.reason)) return 'held';
  if (task.state === 'under-way') return 'under-way';
  if (task.crew === null) return 'check';
  return task.critical ? 'critical' : 'waiting';
}

/** Holds and deliveries inside the window, one mark a day and text. */
function marksOf(window: Window, job?: string): BoardView['marks'] {
  const tasks = new Map(window.plan.tasks.map((task) => [task.id, task]));
  const marks = window.plan.notBefore.flatMap((wait) => {
    const task = tasks.get(wait.task);
    const slot = wait.slot - window.from;
    if (!task || task.state === 'done' || (job && task.job !== job) || slot < 0 || slot >= window.length) return [];
    // That something stays where it stands is nothing to look out for.
    if (wait.wait.kind === 'calm') return [];
    return [
      {
        slot,
        text: `${sayWork(task.work)}: ${sayWait(wait.wait, window.plan.origin)}`,
        tone: wait.open ? ('hold' as const) : ('delivery' as const),
      },
    ];
  });
  return marks;
}

/** Deliveries that have their day, inside the window. */
function deliveryMarks(firm: FirmReading, window: Window, only?: string): BoardView['marks'] {
  return firm.jobs.flatMap((id) => {
    if (only && id !== only) return [];
    const job = firm.job(id);
    return deliveryRows(job).flatMap((row) => {
      const slot = slotOf(window.first, row.day, row.half === 'afternoon' ? 1 : 0);
      if (row.state !== 'planned' || slot < 0 || slot >= window.length) return [];
      const items = selectionRows(job).flatMap((item) =>
        item.delivery === row.id ? [item.category.toLowerCase()] : [],
      );
      const place = row.place === null ? undefined : areaNames(job).get(row.place);
      return [
        {
          slot,
          text:
            `${only ? '' : `${window.jobs.get(id) ?? ''}: `}delivery of ` +
            `${items.join(', ') || 'something'}${place ? ` into ${place}` : ''}`,
          tone: 'delivery' as const,
        },
      ];
    });
  });
}

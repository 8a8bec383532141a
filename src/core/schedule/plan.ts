import { groupBy } from '../group-by';
import { answer, refuse, type Outcome, type Problem } from '../problem';
import type { Day } from '../units/day';
import type { Slot } from '../units/slot';
import { boundOf, type Bound } from './bound';
import { countBefore } from './calendar';
import { calmWaits, unkeptOf, type Unkept } from './calm';
import { compile, type Compiled } from './compiled';
import { improve, type Improved } from './improve';
import { pushedBack, type Latest } from './justify';
import { leftOutOf, without, type LeftOut } from './left-out';
import { FULL_OCCUPANCY, type Exposure, type Link, type NotBefore, type Task } from './network';
import { toOneVisit } from './one-visit';
import { opened, type Score } from './objective';
import { linkTime } from './passes';
import { byKey, place, type Placement } from './placing';
import type { PlanInput } from './plan-input';
import { reasonsIn, type Reason } from './reasons';

/** A computed schedule as a document; anyone can check from it alone that it obeys itself. */
export interface Plan {
  origin: Day;
  tasks: PlannedTask[];
  links: Link[];
  /** Worked slots by calendar, up to the end of the plan. */
  calendars: Record<string, { worked: Slot[] }>;
  jobCalendars: Record<string, string>;
  crewCapacity: { sub: string; name: string; capacity: number; away: Slot[]; fewer?: [Slot, number][] }[];
  areaCapacity: Record<string, number>;
  notBefore: NotBefore[];
  exposures: PlannedExposure[];
  promises: Record<string, Slot>;
  /**
   * When each task that waits for a delivery would start if everything that was chosen were on site already: what
   * deliveries are needed by. Taken from a placing of its own, so that a late thing does not push its own need before
   * itself.
   */
  wanted: Record<string, Slot>;
  /** No plan ends earlier: by job, and over all of them; with what this one was judged by. */
  bound: Bound;
  score: Score;
  /** What has no day and is not in it; absent where all is. */
  leftOut?: LeftOut[];
  /** What people go by and it cannot keep; absent where it keeps everything. */
  unkept?: Unkept[];
}

export interface PlannedTask extends Task {
  /** How many crews it takes on each of its slots. */
  crews: number;
  start: Slot;
  /** The slot after the last one taken. */
  finish: Slot;
  /** The slots on which its crew is there; none for done work and milestones. */
  slots: Slot[];
  /** How long it could end later without moving anything that follows; in worked slots of the job. */
  float: number;
  /** The last slot on which it may start without making its job later, crews and rooms held as they are. */
  lateStart: Slot;
  /** Worked slots of the job from here to there. */
  slack: number;
  /** On the critical chain: links, crews and rooms between here and the end of its job leave no slack. */
  critical: boolean;
  reason: Reason;
}

interface PlannedExposure extends Exposure {
  actual: number;
  kept: boolean;
  /** The first slot of rain in the outlook while it is open. */
  rain?: Slot;
}

const ENDLESS = 'plan-endless';
/** Half-days looked ahead: two years first, then as long as the work needs, up to about eight. */
const HORIZONS = [1_500, 3_000, 6_000] as const;

export interface PlanTerms {
  /** Schedules that may be tried beyond the first ones; none unless said. */
  schedules?: number;
  seed?: number;
  stop?: () => boolean;
}

/**
 * Places all work of all jobs and says why everything starts when it does. What has no day, since it waits for one many
 * years away or nobody has a day for it, is left out and named, and the rest is planned.
 * @returns a problem where links form a ring, a trade has no crew, or nothing can be placed
 */
export function makePlan(input: PlanInput, terms: PlanTerms = {}): Outcome<Plan> {
  const whole = planAll(input, terms);
  const left = whole.ok ? [] : leftOutIf(input, whole.problem);
  if (left.length === 0) return whole;
  const rest = planAll(without(input, left), terms);
  return rest.ok ? answer({ ...rest.value, leftOut: left }) : rest;
}

/** What has to be left out for a plan of the rest; nothing where that is not what is wrong, or nothing would be left. */
function leftOutIf(input: PlanInput, { code }: Problem): LeftOut[] {
  const net = code === ENDLESS ? compile(input, Math.max(...HORIZONS)) : undefined;
  const left = net?.ok ? leftOutOf(net.value) : [];
  return left.length < input.tasks.length ? left : [];
}

/** A plan of everything, or none. */
function planAll(input: PlanInput, terms: PlanTerms): Outcome<Plan> {
  const found = withHorizon(input, (net) => {
    const improved = broughtTogether(improve(net, { schedules: 0, refined: true, ...terms }));
    // The bound is of the work as it was given: what the placing put off by itself is a choice, and no limit.
    return improved && { ...improved, bound: boundOf(net, improved.given) };
  });
  if (!found.ok) return found;
  const { net, placement, latest, score, bound } = found.value;
  const wanted = wantedStarts(input, placement);
  if (!wanted.ok) return wanted;
  const unkept = unkeptOf(net, placement);
  return answer({
    ...document(net, placement, latest()),
    ...{ wanted: wanted.value, bound, score },
    ...(unkept.length > 0 ? { unkept } : {}),
  });
}

/** The same schedule, those who only look brought to as few visits as cost nothing. */
function broughtTogether(improved: Improved | undefined): Improved | undefined {
  if (!improved) return undefined;
  const { net, placement } = improved;
  const waits = [...toOneVisit(net, placement), ...calmWaits(net, placement)];
  if (waits.length === 0) return improved;
  const floor = Int32Array.from(net.floor);
  for (const { task, slot } of waits) {
    const number = net.index.get(task);
    if (number !== undefined) floor[number] = Math.max(floor[number] ?? 0, slot);
  }
  const together = { ...net, floor, input: { ...net.input, notBefore: [...net.input.notBefore, ...waits] } };
  return { ...improved, net: together, latest: () => pushedBack(together, placement) };
}

/** A schedule to ask questions of, with what has no day and is not in it. */
export interface Placed {
  net: Compiled;
  placement: Placement;
  score: Score;
  leftOut: readonly LeftOut[];
}

/** The work placed in the order of the plan it is given. */
export function placedLike(input: PlanInput): Outcome<Placed> {
  const like = (given: PlanInput, leftOut: readonly LeftOut[]): Outcome<Placed> =>
    withHorizon(given, (net) => {
      const improved = improve(net, { schedules: 0 });
      return improved && { net: improved.net, placement: improved.placement, score: improved.score, leftOut };
    });
  const whole = like(input, []);
  const left = whole.ok ? [] : leftOutIf(input, whole.problem);
  return left.length === 0 ? whole : like(without(input, left), left);
}

function wantedStarts(input: PlanInput, { start }: Placement): Outcome<Record<string, Slot>> {
  const waiting = new Set(input.notBefore.flatMap((wait) => (wait.selection ? [wait.task] : [])));
  if (waiting.size === 0) return answer({});
  // In the order of the plan itself, or a delivery would be wanted for another plan. What waits and all that comes after
  // it goes by no day that a late delivery gave it.
  const placed = withHorizon(
    {
      ...input,
      ...standingWithout(input, waiting),
      notBefore: input.notBefore.filter(({ selection, closedBy }) => !selection && !closedBy),
    },
    (net) => {
      const placement = place(net, byKey(net, start));
      return placement && { net, placement };
    },
  );
  if (!placed.ok) return placed;
  return answer(
    Object.fromEntries(
      placed.value.net.tasks.flatMap((task, number) =>
        waiting.has(task.id)
          ? [[task.id, Math.min(start[number] ?? 0, placed.value.placement.start[number] ?? 0)]]
          : [],
      ),
    ),
  );
}

/** What stands, but for some work and all that comes after it. */
function standingWithout({ links, standing }: PlanInput, work: ReadonlySet<string>): Pick<PlanInput, 'standing'> {
  if (!standing) return {};
  const after = groupBy(links, (link) => link.before as string);
  const gone = new Set(work);
  for (const task of gone) for (const link of after.get(task) ?? []) gone.add(link.after);
  return { standing: { ...standing, stood: new Map([...standing.stood].filter(([task]) => !gone.has(task))) } };
}

/**
 * When each task would end, without the reasons that make most of a plan's work: for asking what something would do to
 * a finish.
 */
export function endsOf(input: PlanInput): Outcome<(Pick<Task, 'job' | 'area' | 'state'> & { finish: Slot })[]> {
  const placed = placedLike(input);
  if (!placed.ok) return placed;
  const { net, placement, leftOut } = placed.value;
  // Without some of its work a job would end on a day that is not its end.
  const open = new Set(leftOut.map(({ job }) => job));
  return answer(
    net.tasks.flatMap(({ job, area, state }, number) =>
      open.has(job) ? [] : [{ job, area, state, finish: placement.finish[number] ?? 0 }],
    ),
  );
}

function withHorizon<Found>(input: PlanInput, look: (net: Compiled) => Found | undefined): Outcome<Found> {
  for (const horizon of HORIZONS) {
    const net = compile(input, horizon);
    if (!net.ok) return net;
    const found = look(net.value);
    if (found) return answer(found);
  }
  return refuse({
    code: ENDLESS,
    message:
      'The work does not fit into eight years: some calendar has hardly any worked day, or a crew is always away.',
  });
}

function document(net: Compiled, placed: Placement, latest: Latest): Omit<Plan, 'wanted' | 'bound' | 'score'> {
  const { input } = net;
  const end = placed.finish.reduce((latest, finish) => Math.max(latest, finish), 0) + 1;
  const reasonOf = reasonsIn(net, placed);
  const tasks = net.tasks.map((task, number) => plannedTask(net, placed, latest, task, number, reasonOf(number)));
  const areas = new Set<string>();
  for (const { area } of tasks) if (area !== null) areas.add(area);
  return {
    origin: input.origin,
    tasks,
    links: net.links,
    calendars: workedUpTo(end, input.calendars),
    jobCalendars: input.jobCalendars,
    crewCapacity: input.crews.map((crew) => ({
      sub: crew.id,
      name: crew.name,
      capacity: crew.capacity,
      away: [...crew.away].filter((slot) => slot >= 0 && slot < end).sort((a, b) => a - b),
      ...(crew.fewer ? { fewer: [...crew.fewer] } : {}),
    })),
    areaCapacity: Object.fromEntries([...areas].map((area) => [area, FULL_OCCUPANCY])),
    notBefore: input.notBefore,
    exposures: input.exposures.flatMap((exposure) => plannedExposure(net, placed, exposure)),
    promises: input.promises,
  };
}

/** The worked slots of every calendar; most jobs work on the same days, which are counted out once. */
function workedUpTo(end: Slot, calendars: PlanInput['calendars']): Plan['calendars'] {
  const known = new Map<(slot: Slot) => boolean, Slot[]>();
  return Object.fromEntries(
    Object.entries(calendars).map(([id, isWorked]) => {
      const worked = known.get(isWorked) ?? slotsUpTo(end, isWorked);
      known.set(isWorked, worked);
      return [id, { worked }];
    }),
  );
}

function slotsUpTo(end: Slot, isWorked: (slot: Slot) => boolean): Slot[] {
  const worked: Slot[] = [];
  for (let slot = 0; slot < end; slot++) if (isWorked(slot)) worked.push(slot);
  return worked;
}

/** The worked slots that a task of this length takes from its first one on. */
function slotsTaken(worked: Int32Array, first: number, duration: number): Slot[] {
  const slots = new Array<Slot>(duration);
  for (let index = 0; index < duration; index++) slots[index] = worked[first + index] ?? 0;
  return slots;
}

function plannedTask(
  net: Compiled,
  placed: Placement,
  latest: Latest,
  task: Task,
  number: number,
  reason: Reason,
): PlannedTask {
  const start = placed.start[number] ?? 0;
  const finish = placed.finish[number] ?? 0;
  const calendar = net.calendar[number];
  const first = calendar ? countBefore(calendar, start) : 0;
  const slots =
    calendar && task.duration > 0
      ? slotsTaken(calendar.worked, first, Math.min(task.duration, calendar.worked.length - first))
      : [];
  const lateStart = latest.start[number] ?? start;
  const counted = net.jobCalendar[number];
  const slack = task.state === 'done' || !counted ? 0 : countBefore(counted, lateStart) - countBefore(counted, start);
  // Field by field: thousands of tasks are written out, and spreading one costs a hundred times as much.
  const planned: PlannedTask = {
    id: task.id,
    job: task.job,
    area: task.area,
    phase: task.phase,
    work: task.work,
    trade: task.trade,
    crew: task.crew,
    duration: task.duration,
    shares: task.shares,
    state: task.state,
    floor: task.floor,
    calendar: task.calendar,
    rank: task.rank,
    crews: task.duration === 0 ? 0 : (net.demand[number] ?? 0),
    start,
    finish,
    slots,
    reason,
    lateStart,
    slack,
    float: task.state === 'done' ? 0 : Math.min(slack, floatOf(net, placed, number)),
    critical: task.state !== 'done' && slack === 0,
  };
  if (task.plant !== undefined) planned.plant = task.plant;
  return planned;
}

/** Worked slots of the job between its end and the first follower that waits for it. */
function floatOf(net: Compiled, placed: Placement, number: number): number {
  const calendar = net.jobCalendar[number];
  if (!calendar) return 0;
  let least = Number.POSITIVE_INFINITY;
  for (const bound of net.outOf[number] ?? []) {
    if (!net.waiting[bound.after]) continue;
    const needed = linkTime(net, bound, placed.start, placed.finish);
    const begins = (bound.link.kind === 'FF' ? placed.finish[bound.after] : placed.start[bound.after]) ?? needed;
    least = Math.min(least, countBefore(calendar, begins) - countBefore(calendar, needed));
  }
  return Math.max(0, least);
}

function plannedExposure(net: Compiled, placed: Placement, exposure: Exposure): PlannedExposure[] {
  const state = opened(net, placed, exposure);
  return state
    ? [
        {
          ...exposure,
          actual: state.actual,
          kept: state.kept,
          ...(state.rain === undefined ? {} : { rain: state.rain }),
        },
      ]
    : [];
}

/** The slot in which each job's last work ends. */
export function jobFinish({ tasks, leftOut }: Pick<Plan, 'tasks' | 'leftOut'>, job: string): Slot | undefined {
  // A job of which some work has no day has no end either.
  if (leftOut?.some((left) => left.job === job)) return undefined;
  const ends = tasks.filter((task) => task.job === job && task.state !== 'done').map((task) => task.finish);
  return ends.length === 0 ? undefined : Math.max(...ends);
}

/** How often crews travel to jobs in a stored plan: visits with a whole worked day of the job between them. */
export function tripsIn(plan: Pick<Plan, 'tasks' | 'calendars' | 'jobCalendars'>, job?: string): number {
  let trips = 0;
  const rounds = groupBy(
    plan.tasks.filter(
      (task) =>
        task.crew !== null && task.state !== 'done' && task.duration > 0 && (job === undefined || task.job === job),
    ),
    (task) => `${task.crew} ${task.job}`,
  );
  for (const list of rounds.values()) {
    const worked = plan.calendars[plan.jobCalendars[list[0]?.job ?? ''] ?? '']?.worked ?? [];
    let until = -1;
    for (const task of list.sort((a, b) => a.start - b.start)) {
      if (until < 0 || worked.filter((slot) => slot >= until && slot < task.start).length >= 2) trips++;
      until = Math.max(until, task.finish);
    }
  }
  return trips;
}

import type { CrewKey } from '../sequence/crews';
import { forbidsOf, type Forbids } from '../schedule/weather';
import type { Calendar } from '../schedule/calendar';
import { countBefore } from '../schedule/calendar';
import type { BoundLink, Compiled } from '../schedule/compiled';
import { FULL_OCCUPANCY, type Task } from '../schedule/network';
import { linkTime } from '../schedule/passes';
import type { Placement } from '../schedule/placing';
import { roundsOf } from '../schedule/trips';
import { FF, FS, SS, type Chance, type Coming, type PlayedNetwork } from './played';
import { latenessSeen, pacesSeen } from './seen';

/** What a firm does not know of its work, by names. */
export interface Uncertain {
  /** What work took against what was planned for it, by trade; the newest last. */
  paces: ReadonlyMap<string, readonly number[]>;
  /** Half-days late, by crew; the newest last. */
  lateness: ReadonlyMap<CrewKey, readonly number[]>;
  chances: readonly (Omit<Chance, 'task'> & { task: string })[];
  comings: readonly (Omit<Coming, 'tasks'> & { tasks: readonly string[] })[];
  normals: PlayedNetwork['normals'];
  outlookUntil: number;
  /** What the first end costs, by its slot, in hundredths; undefined where nobody has said what a day costs. */
  costAt?: (slot: number) => number;
}

/** An end that is asked for, by tasks. */
export interface AskedEnd {
  id: string;
  label: string;
  is: (task: Task) => boolean;
  promise: number | null;
}

const KIND = { FS, SS, FF } as const;
const BIT: Record<Forbids, number> = { rain: 1, wind: 2, frost: 4 };

/** Work may run so much longer than planned before it is no longer played. */
const LONGER = 1.7;
const MARGIN = 240;

/** A plan as a forecast plays it. @param ends the first of them is what criticality and worth are told of */
export function playedOf(
  net: Compiled,
  placed: Placement,
  uncertain: Uncertain,
  ends: readonly AskedEnd[],
): PlayedNetwork {
  const open = net.tasks.flatMap((_, task) => (net.open[task] ? [task] : []));
  const number = new Int32Array(net.tasks.length).fill(-1);
  open.forEach((task, at) => (number[task] = at));
  const end = open.reduce((last, task) => Math.max(last, placed.finish[task] ?? 0), 0);
  const horizon = Math.min(net.horizon, Math.ceil(end * LONGER) + MARGIN);
  const calendars = new CalendarNumbers(horizon);
  const links = linksOf(net, placed, open, number, calendars);
  const crews = new CrewNumbers(net);
  const paces = new Lists();
  const lateness = new Lists();
  const arrives = new Set(arrivals(net, placed));
  const comings = uncertain.comings.flatMap(({ tasks, ...coming }) => {
    const known = tasks.map((id) => number[net.index.get(id) ?? -1] ?? -1).filter((task) => task >= 0);
    return known.length > 0 ? [{ ...coming, tasks: known }] : [];
  });
  return {
    origin: net.input.origin,
    horizon,
    ids: open.map((task) => net.tasks[task]?.id ?? ''),
    ...links,
    planned: open.map((task) => placed.start[task] ?? 0),
    crew: open.map((task) => crews.of(task)),
    parts: open.map((task) => partsOf(net, task)),
    crews: crews.capacities,
    duration: open.map((task) => net.duration[task] ?? 0),
    floor: floorsOf(net, placed, open, uncertain),
    calendar: open.map((task) => calendars.of(net.calendar[task])),
    pace: open.map((task) => paceOf(paces, uncertain, net.tasks[task], net.duration[task] ?? 0)),
    arrives: open.map((task) => (arrives.has(task) ? lateOf(lateness, uncertain, net.tasks[task]) : -1)),
    weather: open.map((task) => weatherOf(net.tasks[task])),
    calendars: calendars.lists,
    paces: paces.list,
    lateness: lateness.list,
    chances: uncertain.chances.flatMap(({ task: id, ...chance }) => {
      const task = number[net.index.get(id) ?? -1] ?? -1;
      return task < 0 ? [] : [{ ...chance, task }];
    }),
    comings,
    normals: uncertain.normals,
    cost: uncertain.costAt ? Array.from({ length: horizon + 1 }, (_, slot) => uncertain.costAt?.(slot) ?? 0) : [],
    outlookUntil: uncertain.outlookUntil,
    ends: ends.flatMap(({ is, ...asked }) => {
      const tasks = open.flatMap((task, at) => (is(net.tasks[task] as Task) ? [at] : []));
      return tasks.length > 0 ? [{ ...asked, tasks }] : [];
    }),
  };
}

const weatherOf = (task: Task | undefined): number =>
  task?.phase ? forbidsOf(task.phase).reduce((sum, kind) => sum + BIT[kind], 0) : 0;

class CalendarNumbers {
  readonly lists: number[][] = [];
  private readonly known = new Map<Calendar, number>();
  constructor(private readonly horizon: number) {}

  of(calendar: Calendar | undefined): number {
    if (!calendar) return 0;
    const known = this.known.get(calendar);
    if (known !== undefined) return known;
    this.known.set(calendar, this.lists.length);
    return this.lists.push([...calendar.worked.subarray(0, countBefore(calendar, this.horizon))]) - 1;
  }
}

/** Small work takes quarters of a crew. */
const QUARTERS = 4;

const capacityOf = (net: Compiled, which: number): number =>
  Math.round((net.input.crews[which]?.capacity ?? 1) * QUARTERS);

/** No more than there is of them: work for more hands than a crew has takes it whole. */
const partsOf = (net: Compiled, task: number): number =>
  Math.min(Math.round((net.demand[task] ?? 1) * QUARTERS), capacityOf(net, net.crew[task] ?? -1));

/** Crews that have work left. */
class CrewNumbers {
  readonly capacities: number[] = [];
  private readonly known = new Map<number, number>();
  constructor(private readonly net: Compiled) {}

  of(task: number): number {
    const crew = this.net.crew[task] ?? -1;
    if (crew < 0 || (this.net.duration[task] ?? 0) === 0) return -1;
    const known = this.known.get(crew);
    if (known !== undefined) return known;
    this.known.set(crew, this.capacities.length);
    return this.capacities.push(capacityOf(this.net, crew)) - 1;
  }
}

/** Lists of cases, each once. */
class Lists {
  readonly list: number[][] = [];
  private readonly known = new Map<string, number>();

  of(key: string, cases: () => number[]): number {
    const known = this.known.get(key);
    if (known !== undefined) return known;
    this.known.set(key, this.list.length);
    return this.list.push(cases()) - 1;
  }
}

/** By which cases a task's time varies; what nobody does takes what it takes. */
const paceOf = (lists: Lists, { paces }: Uncertain, task: Task | undefined, duration: number): number =>
  !task || task.crew === null || duration === 0
    ? -1
    : lists.of(task.trade, () => pacesSeen(paces.get(task.trade) ?? []));

const lateOf = (lists: Lists, { lateness }: Uncertain, task: Task | undefined): number =>
  task?.crew ? lists.of(task.crew, () => latenessSeen(lateness.get(task.crew ?? '') ?? [])) : -1;

/** Tasks with which a crew comes to a job: what it goes on with the same or the next half-day is no arrival. */
function arrivals(net: Compiled, { start, finish }: Placement): number[] {
  return roundsOf(net).flatMap((round) => {
    let until = -1;
    return [...round]
      .sort((a, b) => (start[a] ?? 0) - (start[b] ?? 0))
      .filter((task) => {
        const calendar = net.jobCalendar[task];
        const comes =
          until < 0 || !calendar || countBefore(calendar, start[task] ?? 0) - countBefore(calendar, until) >= 1;
        until = Math.max(until, finish[task] ?? 0);
        return comes && net.waiting[task] === 1;
      });
  });
}

/** Before which slot each may not begin, whatever comes when; what may come at another time than planned is left out. */
function floorsOf(net: Compiled, placed: Placement, open: readonly number[], { comings }: Uncertain): number[] {
  const unsure = new Set(comings.flatMap(({ tasks }) => tasks));
  const coming = new Set(comings.flatMap(({ tasks, slot }) => tasks.map((task) => `${task} ${slot}`)));
  const floor = Int32Array.from(net.tasks, (task) => task.floor);
  for (const wait of net.input.notBefore) {
    const task = net.index.get(wait.task);
    // An office's day or a pin holds the same task as surely as before.
    const isComing = wait.kind === undefined && coming.has(`${wait.task} ${wait.slot}`);
    if (task !== undefined && !isComing) floor[task] = Math.max(floor[task] ?? 0, wait.slot);
  }
  net.held?.floor.forEach((slot, task) => {
    // What stands on a day because goods come then comes when they do.
    if (!unsure.has(net.tasks[task]?.id ?? ''))
      floor[task] = Math.max(floor[task] ?? 0, Math.min(slot, placed.start[task] ?? 0));
  });
  return open.map((task) => {
    const done = (net.into[task] ?? []).filter(({ before }) => !net.open[before]);
    return done.reduce(
      (latest, bound) => Math.max(latest, linkTime(net, bound, placed.start, placed.finish)),
      floor[task] ?? 0,
    );
  });
}

/** Links between open tasks, and those by which plant and rooms go from one task to the next as in the plan. */
function linksOf(
  net: Compiled,
  placed: Placement,
  open: readonly number[],
  number: Int32Array,
  calendars: CalendarNumbers,
): Pick<PlayedNetwork, 'into' | 'links'> {
  const lists: { before: number; kind: number; lag: number; calendar: number }[][] = open.map(() => []);
  const add = (before: number, after: number, bound?: BoundLink): void => {
    const [from, to] = [number[before] ?? -1, number[after] ?? -1];
    if (from < 0 || to < 0) return;
    const lag = bound?.link.lag ?? 0;
    lists[to]?.push({
      before: from,
      kind: KIND[bound?.link.kind ?? 'FS'],
      lag,
      calendar: lag > 0 && bound?.link.lagUnit === 'work' ? calendars.of(net.jobCalendar[after]) : -1,
    });
  };
  for (const task of open) for (const bound of net.into[task] ?? []) add(bound.before, task, bound);
  const byStart = open
    .filter((task) => (net.duration[task] ?? 0) > 0)
    .sort((a, b) => (placed.start[a] ?? 0) - (placed.start[b] ?? 0) || (net.place[a] ?? 0) - (net.place[b] ?? 0));
  const units = new Units(placed);
  for (const task of byStart) {
    const plant = net.plant[task] ?? -1;
    const area = net.area[task] ?? -1;
    const from = new Set([
      ...(plant >= 0 ? units.take(`crew ${plant}`, capacityOf(net, plant), QUARTERS, task) : []),
      ...(area >= 0 && (net.shares[task] ?? 0) > 0
        ? units.take(`area ${area}`, FULL_OCCUPANCY, net.shares[task] ?? 0, task)
        : []),
    ]);
    for (const before of from) add(before, task);
  }
  return flat(lists);
}

/** What plant or a room has of itself, part by part, each with the task that had it last. */
class Units {
  private readonly last = new Map<string, number[]>();
  constructor(private readonly placed: Placement) {}

  /** Takes so many parts from those that are free longest before it begins last. @returns the tasks that had them */
  take(id: string, capacity: number, parts: number, task: number): number[] {
    const last = this.last.get(id) ?? new Array<number>(capacity).fill(-1);
    this.last.set(id, last);
    const { start, finish } = this.placed;
    const begin = start[task] ?? 0;
    const until = (had: number): number => (had < 0 ? 0 : (finish[had] ?? 0));
    const free = last
      .map((had, part) => ({ had, part }))
      .filter(({ had }) => until(had) <= begin)
      .sort((a, b) => until(b.had) - until(a.had))
      .slice(0, parts);
    for (const { part } of free) last[part] = task;
    return free.flatMap(({ had }) => (had < 0 ? [] : [had]));
  }
}

function flat(
  lists: readonly (readonly { before: number; kind: number; lag: number; calendar: number }[])[],
): Pick<PlayedNetwork, 'into' | 'links'> {
  const all = lists.flat();
  const into = [0];
  for (const list of lists) into.push((into.at(-1) ?? 0) + list.length);
  return {
    into,
    links: {
      before: all.map(({ before }) => before),
      kind: all.map(({ kind }) => kind),
      lag: all.map(({ lag }) => lag),
      calendar: all.map(({ calendar }) => calendar),
    },
  };
}

import { sayWork } from '../words/work';
import { answer, refuse, type Outcome, type Problem } from '../problem';
import { makeCalendar, type Calendar } from './calendar';
import { heldOf, type Held } from './calm';
import { findLoop, type Link, type Task } from './network';
import { placesOf } from './order';
import type { Crew, PlanInput } from './plan-input';
import { taskNumbers, type TaskNumbers } from './task-numbers';

/** A plan's input with names turned into numbers: what the passes over thousands of tasks work on. */
export interface Compiled extends TaskNumbers {
  input: PlanInput;
  horizon: number;
  tasks: Task[];
  index: Map<string, number>;
  /** All links between tasks that there are. */
  links: Link[];
  /** Links into and out of each task, by number; links that no longer bind are left out. */
  into: BoundLink[][];
  outOf: BoundLink[][];
  /** How many links lead into each task. */
  waitsFor: Int32Array;
  /** Tasks so that every link goes forward. */
  order: Int32Array;
  /** The place of each task in that order. */
  place: Int32Array;
  /** Slots each task may take, its crew's days away excluded. */
  calendar: Calendar[];
  /** The same without regard to who is away and what the weather forbids. */
  base: Calendar[];
  /** The calendar in which each task's job counts lags. */
  jobCalendar: Calendar[];
  /** Earliest start that does not come from a link: the floor and every not-before. */
  floor: Int32Array;
  /** The slot at which each task was pinned by hand, -1 where it was not. */
  pin: Int32Array;
  /** What stands where by the plan that people go by; none for a first plan. */
  held?: Held;
}

export interface BoundLink {
  link: Link;
  before: number;
  after: number;
}

/**
 * Checks and numbers a network. A link to work that has already begun does not bind it: what was done out of order is a
 * fact (`outOfOrder` reports it).
 * @returns a problem that names the ring task by task where the links have one, or the task whose trade nobody can do
 */
export function compile(input: PlanInput, horizon: number): Outcome<Compiled> {
  const { tasks } = input;
  const index = new Map<string, number>();
  tasks.forEach(({ id }, number) => index.set(id, number));
  const numbers = taskNumbers(input);
  const { links, into, outOf, waitsFor } = boundLinks(input, index, numbers);
  const order = topological(waitsFor, outOf);
  if (order.length < tasks.length) return refuse(loopProblem(input));

  const calendars = calendarMaker(input, horizon);
  const byJob = numbers.jobs.map((job) => input.jobCalendars[job]);
  const calendar: Calendar[] = [];
  const base: Calendar[] = [];
  const jobCalendar: Calendar[] = [];
  for (const [number, task] of tasks.entries()) {
    const plain = calendars.plain(input.keptOff?.[task.calendar]?.base ?? task.calendar);
    const problem = problemOf(input, task, number, numbers, plain);
    if (problem) return refuse(problem);
    calendar.push(calendars.free(task.calendar, task.crew, task.plant ?? null));
    base.push(plain);
    jobCalendar.push(calendars.plain(byJob[numbers.job[number] ?? 0] ?? task.calendar));
  }
  const held = input.standing && heldOf(tasks, input.standing);
  return answer({
    ...numbers,
    ...{ input, horizon, tasks, index, links, into, outOf, waitsFor, order, calendar, base, jobCalendar },
    place: placesOf(order),
    ...floorsOf(input, index, held),
    ...(held ? { held } : {}),
  });
}

/** Links by number; what has begun is no longer bound by any. */
function boundLinks(
  { tasks, links }: PlanInput,
  index: ReadonlyMap<string, number>,
  { waiting }: TaskNumbers,
): Pick<Compiled, 'links' | 'into' | 'outOf' | 'waitsFor'> {
  const known: Link[] = [];
  const bound: BoundLink[] = [];
  const waitsFor = new Int32Array(tasks.length);
  const followers = new Int32Array(tasks.length);
  for (const link of links) {
    const before = index.get(link.before);
    const after = index.get(link.after);
    if (before === undefined || after === undefined) continue;
    known.push(link);
    if (!waiting[after]) continue;
    bound.push({ link, before, after });
    waitsFor[after] = (waitsFor[after] ?? 0) + 1;
    followers[before] = (followers[before] ?? 0) + 1;
  }
  const into = new Lists(waitsFor);
  const outOf = new Lists(followers);
  for (const link of bound) {
    into.put(link.after, link);
    outOf.put(link.before, link);
  }
  return { links: known, into: into.lists, outOf: outOf.lists, waitsFor };
}

/** The links of each task, in lists that are as long as they have to be: there are twice as many as tasks. */
class Lists {
  readonly lists: BoundLink[][];
  private readonly filled: Int32Array;

  constructor(lengths: Int32Array) {
    this.lists = Array.from(lengths, (length) => new Array<BoundLink>(length));
    this.filled = new Int32Array(lengths.length);
  }

  put(task: number, link: BoundLink): void {
    const at = this.filled[task] ?? 0;
    this.filled[task] = at + 1;
    const list = this.lists[task];
    if (list) list[at] = link;
  }
}

/** Earliest starts that do not come from links, and where somebody pinned work by hand. */
function floorsOf(
  { tasks, notBefore }: PlanInput,
  index: ReadonlyMap<string, number>,
  held: Held | undefined,
): Pick<Compiled, 'floor' | 'pin'> {
  const floor = new Int32Array(tasks.length);
  tasks.forEach((task, number) => (floor[number] = Math.max(task.floor, held?.floor[number] ?? 0)));
  const pin = new Int32Array(tasks.length).fill(-1);
  for (const wait of notBefore) {
    const task = index.get(wait.task);
    if (task === undefined || tasks[task]?.state === 'done') continue;
    floor[task] = Math.max(floor[task] ?? 0, wait.slot);
    if (wait.kind === 'pin' && tasks[task]?.state === 'waiting') pin[task] = wait.slot;
  }
  return { floor, pin };
}

const YEAR = 730;

/** What makes a task impossible by itself, said of the task that shows it. */
function problemOf(
  input: PlanInput,
  task: Task,
  number: number,
  { crew, plant, demand }: TaskNumbers,
  { worked: [worked] }: Calendar,
): Problem | undefined {
  if (!Number.isInteger(task.duration) || task.duration < 0)
    return {
      code: 'duration-unfit',
      message: `${sayWork(task.work)} would last ${task.duration} half-days; a whole number from 0 is what can be planned.`,
      field: task.id,
    };
  if (task.state === 'done' || task.duration === 0) return undefined;
  const lacking =
    (task.crew === null ? undefined : crewProblem(task, input.crews[crew[number] ?? -1], demand[number] ?? 1)) ??
    (task.plant === undefined ? undefined : crewProblem(task, input.crews[plant[number] ?? -1], 1));
  if (lacking) return lacking;
  if (worked === undefined || worked >= YEAR)
    return {
      code: 'calendar-empty',
      message: `${sayWork(task.work)}: its calendar has no worked half-day within a year; give it days on which somebody works.`,
      field: task.id,
    };
  return undefined;
}

/** What of a crew or a plant a task cannot have. */
function crewProblem(task: Task, crew: Crew | undefined, wanted: number): Problem | undefined {
  if (!crew)
    return {
      code: 'crew-unknown',
      message: `${sayWork(task.work)} is given to a crew that is not on the list.`,
      field: task.id,
    };
  if (crew.capacity >= wanted) return undefined;
  return {
    code: 'crew-too-few',
    message:
      `${sayWork(task.work)} wants ${wanted} of ${crew.name} at once, and there ` +
      `${crew.capacity === 1 ? 'is 1' : `are ${crew.capacity}`}.`,
    field: task.id,
  };
}

/** Tasks so that every link goes forward; those in a ring, and what comes after it, are missing. */
function topological(waitsFor: Int32Array, outOf: BoundLink[][]): Int32Array {
  const open = waitsFor.slice();
  const order = new Int32Array(open.length);
  let count = 0;
  open.forEach((links, task) => {
    if (links === 0) order[count++] = task;
  });
  for (let at = 0; at < count; at++) {
    for (const { after } of outOf[order[at] ?? 0] ?? []) {
      const left = (open[after] ?? 0) - 1;
      open[after] = left;
      if (left === 0) order[count++] = after;
    }
  }
  return order.subarray(0, count);
}

function loopProblem(input: PlanInput): { code: string; message: string } {
  const labels = new Map(input.tasks.map((task) => [task.id, sayWork(task.work)]));
  const live = new Set(input.tasks.filter((task) => task.state === 'waiting').map((task) => task.id));
  const loop =
    findLoop(
      [...labels.keys()],
      input.links.filter((link) => live.has(link.after)),
    ) ?? [];
  return { code: 'sequence-loop', message: loopSentence(loop.map((id) => labels.get(id) ?? id)) };
}

/** Names a ring of tasks so that one can see where to break it. */
export function loopSentence(labels: readonly string[]): string {
  return `These wait for each other in a ring: ${[...labels, labels[0] ?? ''].join(' → ')}.`;
}

interface Calendars {
  plain: (id: string) => Calendar;
  free: (id: string, crew: string | null, plant: string | null) => Calendar;
}

const never = (): boolean => false;

/** Most jobs work the same days, so each different pair of days worked and days away is worked out once. */
function calendarMaker(input: PlanInput, horizon: number): Calendars {
  const byId = new Map<string, Calendar>();
  const byContent = new Map<string, Calendar>();
  const withAbsences = new Map<string, Map<Calendar, Calendar>>();
  const away = new Map(input.crews.map((crew) => [crew.id, crew.away]));
  // Most jobs work on the same days: those of one function are counted out once, those that come to the same are one.
  const byDays = new Map<(slot: number) => boolean, Calendar>();
  const shared = (made: Calendar): Calendar => {
    const content = made.worked.join();
    const calendar = byContent.get(content) ?? made;
    byContent.set(content, calendar);
    return calendar;
  };
  const plain = (id: string): Calendar => {
    const known = byId.get(id);
    if (known) return known;
    const isWorked = input.calendars[id] ?? never;
    const calendar = byDays.get(isWorked) ?? shared(makeCalendar(horizon, isWorked));
    byDays.set(isWorked, calendar);
    byId.set(id, calendar);
    return calendar;
  };
  const without = (base: Calendar, who: string | null): Calendar => {
    const absences = who === null ? undefined : away.get(who);
    if (who === null || !absences || absences.size === 0) return base;
    const ofWho = withAbsences.get(who) ?? new Map<Calendar, Calendar>();
    withAbsences.set(who, ofWho);
    const known = ofWho.get(base);
    if (known) return known;
    const worked = new Set(base.worked);
    const made = makeCalendar(horizon, (slot) => worked.has(slot) && !absences.has(slot));
    ofWho.set(base, made);
    return made;
  };
  return { plain, free: (id, crew, plant) => without(without(plain(id), crew), plant) };
}

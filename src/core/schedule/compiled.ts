import { answer, refuse, type Outcome } from '../problem';
import { makeCalendar, type Calendar } from './calendar';
import { findLoop, type Link, type Task } from './network';
import type { PlanInput } from './plan-input';

/** A plan's input with names turned into numbers: what the passes over thousands of tasks work on. */
export interface Compiled {
  input: PlanInput;
  horizon: number;
  tasks: Task[];
  index: Map<string, number>;
  /** Links into and out of each task, by number; links that no longer bind are left out. */
  into: BoundLink[][];
  outOf: BoundLink[][];
  /** Tasks so that every link goes forward. */
  order: number[];
  /** Slots each task may take, its crew's days away excluded. */
  calendar: Calendar[];
  /** The calendar in which each task's job counts lags. */
  jobCalendar: Calendar[];
  /** Earliest start that does not come from a link: the floor and every not-before. */
  floor: Int32Array;
  /** Crew and area of each task by number, -1 where it needs none. */
  crew: Int32Array;
  area: Int32Array;
  crewCount: number;
  areaCount: number;
}

export interface BoundLink {
  link: Link;
  before: number;
  after: number;
}

/**
 * Checks and numbers a network.
 * A link to work that has already begun does not bind it: what was done out of order is a fact (`outOfOrder` reports it).
 * @returns a problem that names the ring task by task where the links have one, or the task whose trade nobody can do
 */
export function compile(input: PlanInput, horizon: number): Outcome<Compiled> {
  const { tasks } = input;
  const index = new Map(tasks.map((task, number) => [task.id, number]));
  const into: BoundLink[][] = tasks.map(() => []);
  const outOf: BoundLink[][] = tasks.map(() => []);
  for (const link of input.links) {
    const [before, after] = [index.get(link.before), index.get(link.after)];
    if (before === undefined || after === undefined) continue;
    if (tasks[after]?.state !== 'waiting') continue;
    const bound = { link, before, after };
    into[after]?.push(bound);
    outOf[before]?.push(bound);
  }
  const order = topological(into, outOf);
  if (order.length < tasks.length) return refuse(loopProblem(input));

  const crews = new Map(input.crews.map((crew, number) => [crew.id, number]));
  const stranger = tasks.find((task) => task.crew !== null && !crews.has(task.crew) && task.state !== 'done');
  if (stranger) {
    return refuse({ code: 'crew-unknown', message: `${stranger.label} is given to a crew that is not on the list.`, field: stranger.id });
  }
  const areas = new Map<string, number>();
  const floor = Int32Array.from(tasks, (task) => task.floor);
  for (const wait of input.notBefore) {
    const task = index.get(wait.task);
    if (task !== undefined && tasks[task]?.state !== 'done') floor[task] = Math.max(floor[task] ?? 0, wait.slot);
  }
  const calendarOf = calendarMaker(input, horizon);
  return answer({
    input, horizon, tasks, index, into, outOf, order, floor,
    calendar: tasks.map((task) => calendarOf(task.calendar, task.crew)),
    jobCalendar: tasks.map((task) => calendarOf(input.jobCalendars[task.job] ?? task.calendar, null)),
    crew: Int32Array.from(tasks, (task) => (task.crew === null ? -1 : (crews.get(task.crew) ?? -1))),
    area: Int32Array.from(tasks, (task) => {
      if (task.area === null || task.shares === 0) return -1;
      if (!areas.has(task.area)) areas.set(task.area, areas.size);
      return areas.get(task.area) ?? -1;
    }),
    crewCount: crews.size,
    areaCount: areas.size,
  });
}

function topological(into: BoundLink[][], outOf: BoundLink[][]): number[] {
  const open = into.map((links) => links.length);
  const order: number[] = [];
  open.forEach((count, task) => {
    if (count === 0) order.push(task);
  });
  for (let at = 0; at < order.length; at++) {
    for (const { after } of outOf[order[at] ?? 0] ?? []) {
      open[after] = (open[after] ?? 0) - 1;
      if (open[after] === 0) order.push(after);
    }
  }
  return order;
}

function loopProblem(input: PlanInput): { code: string; message: string } {
  const labels = new Map(input.tasks.map((task) => [task.id, task.label]));
  const live = new Set(input.tasks.filter((task) => task.state === 'waiting').map((task) => task.id));
  const loop = findLoop([...labels.keys()], input.links.filter((link) => live.has(link.after))) ?? [];
  return { code: 'sequence-loop', message: loopSentence(loop.map((id) => labels.get(id) ?? id)) };
}

/** Names a ring of tasks so that one can see where to break it. */
export function loopSentence(labels: readonly string[]): string {
  return `These wait for each other in a ring: ${[...labels, labels[0] ?? ''].join(' → ')}.`;
}

/** Most jobs work the same days, so each different pair of days worked and days away is worked out once. */
function calendarMaker(input: PlanInput, horizon: number): (calendar: string, crew: string | null) => Calendar {
  const byId = new Map<string, Calendar>();
  const byContent = new Map<string, Calendar>();
  const withAbsences = new Map<string, Map<Calendar, Calendar>>();
  const away = new Map(input.crews.map((crew) => [crew.id, crew.away]));
  const plain = (id: string): Calendar => {
    const known = byId.get(id);
    if (known) return known;
    const made = makeCalendar(horizon, input.calendars[id] ?? (() => false));
    const content = made.worked.join();
    const calendar = byContent.get(content) ?? made;
    byContent.set(content, calendar);
    byId.set(id, calendar);
    return calendar;
  };
  return (id, crew) => {
    const base = plain(id);
    const absences = crew === null ? undefined : away.get(crew);
    if (crew === null || !absences || absences.size === 0) return base;
    const ofCrew = withAbsences.get(crew) ?? new Map<Calendar, Calendar>();
    withAbsences.set(crew, ofCrew);
    const known = ofCrew.get(base);
    if (known) return known;
    const worked = new Set(base.worked);
    const made = makeCalendar(horizon, (slot) => worked.has(slot) && !absences.has(slot));
    ofCrew.set(base, made);
    return made;
  };
}

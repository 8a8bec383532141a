import type { Plan, PlannedTask } from './plan';

/**
 * Checks a plan from its document alone: calendars, crews, areas, links with their lags, and not-before.
 * Shares no code with the placing on purpose: it counts slot by slot, the plain way.
 * @returns one sentence for everything that is broken; none for a plan that obeys itself
 */
export function checkPlan(plan: Plan): string[] {
  const worked = new Map(Object.entries(plan.calendars).map(([id, calendar]) => [id, new Set(calendar.worked)]));
  return [...checkTasks(plan, worked), ...checkLinks(plan, worked)];
}

type Worked = ReadonlyMap<string, Set<number>>;

/** Each task by itself, and that together they take no more than there is. */
function checkTasks(plan: Plan, worked: Worked): string[] {
  const broken: string[] = [];
  const crews = new Map(
    plan.crewCapacity.map((crew) => [
      crew.sub,
      { capacity: crew.capacity, away: new Set(crew.away), fewer: new Map(crew.fewer ?? []) },
    ]),
  );
  const load = new Map<string, number>();
  const add = (key: string, amount: number): number => {
    const sum = (load.get(key) ?? 0) + amount;
    load.set(key, sum);
    return sum;
  };
  for (const task of plan.tasks) {
    if (task.state !== 'done' && task.start < task.floor) broken.push(`${task.id}: starts before ${task.floor}`);
    if (task.state === 'done' || task.duration === 0) {
      if (task.start !== task.finish) broken.push(`${task.id}: takes time though it has none to take`);
      continue;
    }
    const needs = [
      { id: task.crew, count: task.crews },
      { id: task.plant ?? null, count: 1 },
    ].flatMap(({ id, count }) => (id === null ? [] : [{ id, count, crew: crews.get(id) }]));
    const away = needs.flatMap(({ crew }) => [...(crew?.away ?? [])]);
    broken.push(...checkSlots(task, worked.get(task.calendar) ?? new Set(), away));
    for (const slot of task.slots)
      for (const { id, count, crew } of needs)
        if (add(`${id}@${slot}`, count) > (crew?.capacity ?? 0) - (crew?.fewer.get(slot) ?? 0))
          broken.push(`${task.id}: no crew free on ${slot}`);
    for (let slot = task.start; task.area !== null && slot < task.finish; slot++)
      if (add(`${task.area}#${slot}`, task.shares) > (plan.areaCapacity[task.area] ?? 0))
        broken.push(`${task.id}: area full on ${slot}`);
  }
  return broken;
}

/** What must come before what, and what may not begin before its slot. */
function checkLinks(plan: Plan, worked: Worked): string[] {
  const tasks = new Map(plan.tasks.map((task) => [task.id, task]));
  return [
    ...plan.links.flatMap((link) => {
      const [before, after] = [tasks.get(link.before), tasks.get(link.after)];
      if (!before || !after) return [`${link.before} > ${link.after}: names no task`];
      return after.state === 'waiting' && !linkKept(plan, link, before, after, worked)
        ? [`${link.before} > ${link.after}: ${link.kind} + ${link.lag} ${link.lagUnit} not kept`]
        : [];
    }),
    ...plan.notBefore.flatMap((wait) => {
      const task = tasks.get(wait.task);
      return task && task.state !== 'done' && task.start < wait.slot
        ? [`${wait.task}: starts before ${wait.slot}`]
        : [];
    }),
  ];
}

function checkSlots(task: PlannedTask, worked: Set<number>, awayOn: readonly number[]): string[] {
  const away = new Set(awayOn);
  const broken: string[] = [];
  const free: number[] = [];
  for (let slot = task.start; slot < task.finish; slot++) if (worked.has(slot) && !away.has(slot)) free.push(slot);
  if (free.join() !== task.slots.join())
    broken.push(`${task.id}: does not take the worked slots between its start and its finish`);
  if (task.slots.length !== task.duration)
    broken.push(`${task.id}: takes ${task.slots.length} slots, not ${task.duration}`);
  if (task.slots[0] !== task.start || task.slots.at(-1) !== task.finish - 1)
    broken.push(`${task.id}: does not begin and end at work`);
  return broken;
}

function linkKept(
  plan: Plan,
  link: Plan['links'][number],
  before: PlannedTask,
  after: PlannedTask,
  worked: Worked,
): boolean {
  const event = link.kind === 'SS' ? before.start : before.finish;
  const due = link.kind === 'FF' ? after.finish : after.start;
  if (due < event) return false;
  if (link.lagUnit === 'elapsed' || link.lag === 0) return due - event >= link.lag;
  const calendar = worked.get(plan.jobCalendars[after.job] ?? '') ?? new Set();
  let passed = 0;
  for (let slot = Math.max(0, event); slot < due; slot++) if (calendar.has(slot)) passed++;
  return passed >= link.lag;
}

import type { Plan, PlannedTask } from './plan';
import type { NotBefore } from './network';
import { taskRef } from '../sequence/site';
import { slotOf } from '../units/slot';

/** As much of a plan as what it was made of is seen in. */
export type MadeOf = Pick<Plan, 'origin' | 'tasks' | 'links' | 'notBefore' | 'crewCapacity'>;

/** One thing that two plans were made of differently, by what it belongs to. */
export interface Difference {
  /** From the nearest to the farthest: `selection:…`, `request:…`, `task:…`, `step:…`, `area:…`, `crew:…`. */
  keys: string[];
  /** The job it is of; none for a crew. */
  job: string | null;
  /** Time alone may have made it: what nobody has confirmed moves on with every day. */
  byTime: boolean;
}

/** What a piece of work belongs to. */
export function keysOf(task: Pick<PlannedTask, 'id' | 'area'>): string[] {
  const { kind, area, step, phase } = taskRef(task.id);
  return [
    `task:${task.id}`,
    kind === 'step' && phase ? `step:${area}:${phase}` : `${kind}:${step}`,
    ...(task.area ? [`area:${task.area}`] : []),
  ];
}

/** What was given to be placed otherwise than before; where things were placed is no difference. */
export function differencesOf(former: MadeOf, plan: MadeOf): Difference[] {
  const was = new Map(former.tasks.map((task) => [task.id as string, task]));
  const is = new Map(plan.tasks.map((task) => [task.id as string, task]));
  const ofTask = (id: string, first: readonly string[] = [], byTime = false): Difference[] => {
    const task = is.get(id) ?? was.get(id);
    return task ? [{ keys: [...first, ...keysOf(task)], job: task.job, byTime }] : [];
  };
  return [
    ...[...new Set([...was.keys(), ...is.keys()])].flatMap((id) =>
      given(was.get(id)) === given(is.get(id)) ? [] : ofTask(id),
    ),
    ...changedIn(
      keyed(former.notBefore, waitKey, (wait) => String(wait.slot)),
      keyed(plan.notBefore, waitKey, (wait) => String(wait.slot + slotOf(former.origin, plan.origin))),
    ).flatMap(([key, wait]) => ofTask(wait.task, key.split(' ').slice(1), wait.open)),
    ...changedIn(
      keyed(former.links, JSON.stringify, () => ''),
      keyed(plan.links, JSON.stringify, () => ''),
    ).flatMap(([, link]) => [...ofTask(link.before), ...ofTask(link.after)]),
    ...crewsChanged(former, plan).map((crew) => ({ keys: [`crew:${crew}`], job: null, byTime: false })),
  ];
}

/** What is given of a piece of work. */
const given = (task: PlannedTask | undefined): string =>
  task
    ? JSON.stringify([task.duration, task.state, task.calendar, task.crew, task.shares, task.crews, task.plant])
    : '';

const waitKey = ({ task, wait, selection, request }: NotBefore): string =>
  [
    `${task}/${wait.kind}`,
    ...(selection ? [`selection:${selection}`] : []),
    ...(request ? [`request:${request}`] : []),
  ].join(' ');

type Keyed<Thing> = Map<string, { thing: Thing; value: string }>;

function keyed<Thing>(
  things: readonly Thing[],
  key: (thing: Thing) => string,
  value: (thing: Thing) => string,
): Keyed<Thing> {
  return new Map(things.map((thing) => [key(thing), { thing, value: value(thing) }]));
}

/** Things that are in one only, or in both with another value. */
function changedIn<Thing>(was: Keyed<Thing>, is: Keyed<Thing>): [string, Thing][] {
  const changed: [string, Thing][] = [];
  for (const [key, { thing, value }] of is) if (was.get(key)?.value !== value) changed.push([key, thing]);
  for (const [key, { thing }] of was) if (!is.has(key)) changed.push([key, thing]);
  return changed;
}

/** Crews that are away otherwise, or are more or fewer; days that are over do not count, nor those beyond either plan. */
function crewsChanged(former: MadeOf, plan: MadeOf): string[] {
  const shift = slotOf(former.origin, plan.origin);
  const end = Math.min(
    Math.max(0, ...former.tasks.map((task) => task.finish)) - shift,
    Math.max(0, ...plan.tasks.map((task) => task.finish)),
  );
  const said = (crew: Plan['crewCapacity'][number], by: number): string =>
    JSON.stringify([
      crew.capacity,
      crew.away.map((slot) => slot - by).filter((slot) => slot >= 0 && slot < end),
      (crew.fewer ?? []).map(([slot, fewer]) => [slot - by, fewer]).filter(([slot = 0]) => slot >= 0 && slot < end),
    ]);
  const was = new Map(former.crewCapacity.map((crew) => [crew.sub, said(crew, shift)]));
  return plan.crewCapacity.flatMap((crew) => (was.get(crew.sub) === said(crew, 0) ? [] : [crew.sub]));
}

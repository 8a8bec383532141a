import { compile } from '@/core/schedule/compiled';
import { forwardPass } from '@/core/schedule/passes';
import { makePlan, type Plan } from '@/core/schedule/plan';
import type { Standing, Stood } from '@/core/schedule/calm';
import type { Task } from '@/core/schedule/network';
import { isVisit } from '@/core/schedule/visit';
import type { Crew, PlanInput } from '@/core/schedule/plan-input';
import type { TooMuch } from '@/core/schedule/weather';
import { ALWAYS, jobCalendar, narrowingsOf } from '@/core/sequence/calendars';
import { sequenceOf } from '@/core/sequence/links';
import { phaseFacts } from '@/core/sequence/phases';
import type { Site, SiteArea } from '@/core/sequence/site';
import { tasksOf } from '@/core/sequence/tasks';
import { TRADE_KEYS } from '@/core/sequence/trades';
import { trackOf, type Work } from '@/core/sequence/works';
import type { AreaKind } from '@/core/sites/area';
import { addDays } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { seeded } from '@/core/units/seeded';

const ORIGIN = '2027-03-08';
/** Half-days of three working days and of two weeks, from a Monday. */
const FROZEN = 6;
const NEAR = 28;

/** Areas as they come up in renovations: what kind, and what is done there. */
const PLACES: readonly [AreaKind, ...Work[]][] = [
  ['room', 'kitchen', 'open-wall'],
  ['wet', 'bathroom', 'open-floor'],
  ['room', 'redecorate'],
  ['room', 'redecorate', 'floor'],
  ['face', 'repaint'],
  ['wet', 'bathroom'],
  ['room', 'kitchen'],
];

/** A firm at work, drawn by its seed: 4 to 8 open jobs, one or two crews a trade, promises that can just be kept. */
interface FirmAtWork {
  input: PlanInput;
  random: () => number;
  /** One of a list. */
  one: <Entry>(list: readonly Entry[]) => Entry;
}

export function firmAtWork(seed: number): FirmAtWork {
  const random = seeded(seed);
  const upTo = (most: number): number => Math.floor(random() * most);
  const one = <Entry>(list: readonly Entry[]): Entry => list[upTo(list.length)] as Entry;
  const days = (slot: number): boolean => Math.floor(slot / 2) % 7 < 5;
  const crews: Crew[] = TRADE_KEYS.filter((trade) => trade !== 'nobody').map((trade) => ({
    id: trade,
    name: trade,
    capacity: random() < 0.6 ? 1 : 2,
    away: new Set<number>(),
  }));
  const input: PlanInput = {
    origin: ORIGIN,
    ...{ tasks: [], links: [], notBefore: [], exposures: [], crews },
    calendars: { [ALWAYS]: () => true },
    jobCalendars: {},
    promises: {},
    keptOff: {},
    rain: new Map(),
  };
  for (let number = 0, jobs = 4 + upTo(5); number < jobs; number++) {
    const site = siteOf(number, one, upTo);
    const { links, exposures, added } = sequenceOf(site);
    input.links.push(...links);
    input.exposures.push(...exposures);
    input.tasks.push(...tasksOf(site, added, { origin: ORIGIN, now: 0, crewFor: (trade) => trade }));
    input.calendars[jobCalendar(site.id)] = days;
    input.jobCalendars[site.id] = jobCalendar(site.id);
  }
  for (const { calendar } of input.tasks) input.calendars[calendar] ??= days;
  const first = planOf(input);
  for (const job of Object.keys(input.jobCalendars)) {
    const end = Math.max(...first.tasks.filter((task) => task.job === job).map(({ finish }) => finish));
    input.promises[job] = end + 4 + upTo(10);
  }
  return { input, random, one };
}

function siteOf(number: number, one: FirmAtWork['one'], upTo: (most: number) => number): Site {
  const areas = Array.from({ length: 2 + upTo(3) }, (_, at): SiteArea => {
    const [kind, ...works] = one(PLACES);
    const inside = kind === 'room' || kind === 'wet';
    return {
      ...{ id: `j${number}a${at}`, name: `Area ${at}`, kind, position: at, passage: false, beside: [] },
      provides: kind === 'wet' ? ['toilet'] : [],
      shelters: inside ? [] : [`l${number}`],
      ...(inside ? { level: { id: `l${number}`, height: 0, name: 'Ground' } } : {}),
      track: trackOf(works).map((phase) => {
        const { trade, halfDays } = phaseFacts(phase);
        return { phase, trade, halfDays, fraction: 0, remaining: halfDays };
      }),
    };
  });
  return {
    ...{ id: `j${number}`, name: `Job ${number}`, livedIn: number % 2 === 0, areas },
    startDay: addDays(ORIGIN, number === 0 ? 0 : upTo(12)),
    ...{ ownLinks: [], leftovers: [], extras: [] },
  };
}

function planOf(input: PlanInput, schedules = 0, seed = 1): Plan {
  const plan = makePlan(input, { schedules, seed });
  if (!plan.ok) throw new Error(plan.problem.message);
  return plan.value;
}

/** What stands after a plan: everything where it is; whoever has to hear of a new day was told it. */
function standingAfter(plan: Plan, before?: Standing, pencil: readonly string[] = []): Standing {
  const stood = new Map<string, Stood>();
  for (const task of plan.tasks) {
    if (!isVisit(task)) continue;
    const was = before?.stood.get(task.id);
    stood.set(
      task.id,
      was?.slot === task.start ? was : { slot: task.start, said: mustHear(was, task.start) ? 'told' : 'nothing' },
    );
  }
  return { stood, frozen: FROZEN, near: NEAR, late: plan.score.late, pencil: new Set(pencil) };
}

/** Whether whoever comes was told of a day before, or is now: it is in the next two weeks, or was. */
const mustHear = (was: Stood | undefined, slot: number): boolean =>
  was !== undefined && (was.said !== 'nothing' || Math.min(was.slot, slot) < NEAR);

/** Things that happen, each to the firm's input; what they are found to do is up to the plan. */
const EVENTS: Record<string, (firm: FirmAtWork, plan: Plan) => PlanInput> = {
  rain: ({ input, random }) => {
    const first = 2 * Math.floor(random() * 9);
    const amount: TooMuch = { of: 'rain', amount: 9, day: dayOfSlot(ORIGIN, first) };
    const rain = new Map([...(input.rain ?? []), [first, amount] as const, [first + 1, amount] as const]);
    const keptOff = { ...input.keptOff };
    const calendars = { ...input.calendars };
    for (const { job, calendar } of input.tasks) {
      if (!narrowingsOf(calendar).some((narrowing) => narrowing !== 'loud')) continue;
      const base = jobCalendar(job);
      const worked = input.calendars[base] ?? (() => false);
      calendars[calendar] = (slot) => worked(slot) && !rain.has(slot);
      keptOff[calendar] = { base, slots: rain };
    }
    return { ...input, rain, keptOff, calendars };
  },
  'goods slip': ({ input, one, random }, plan) => {
    const task = one(soon(plan));
    const slot = task.start + 2 * (1 + Math.floor(random() * 8));
    const wait = { task: task.id, slot, open: false, wait: { kind: 'told' as const, text: 'the goods come then' } };
    return { ...input, notBefore: [...input.notBefore, wait] };
  },
  'an inspection fails': ({ input, one }, plan) => {
    const looked = plan.tasks.filter(
      ({ state, crew, phase, start }) => state === 'waiting' && crew === null && phase && start < NEAR,
    );
    if (looked.length === 0) return input;
    const task = one(looked);
    const slot = task.start + 4;
    const wait = { task: task.id, slot, open: false, wait: { kind: 'told' as const, text: 'it is looked at again' } };
    return { ...input, notBefore: [...input.notBefore, wait] };
  },
  'a sub is ill': ({ input, one, random }) => {
    const crew = one(input.crews);
    const first = 2 * Math.floor(random() * 8);
    const away = new Set([
      ...crew.away,
      ...Array.from({ length: 2 * (1 + Math.floor(random() * 3)) }, (_, at) => first + at),
    ]);
    return { ...input, crews: input.crews.map((other) => (other === crew ? { ...crew, away } : other)) };
  },
  'a sub’s calendar is read': ({ input, one, random }) => {
    const crew = one(input.crews);
    const away = new Set([...crew.away, ...Array.from({ length: 4 }, () => Math.floor(random() * 60))]);
    return { ...input, crews: input.crews.map((other) => (other === crew ? { ...crew, away } : other)) };
  },
  'a walk is finished': ({ input, one, random }, plan) => {
    const job = one(Object.keys(input.jobCalendars));
    const planned = new Map(plan.tasks.map((task) => [task.id, task]));
    const tasks = input.tasks.map((task): Task => {
      const start = planned.get(task.id)?.start ?? Infinity;
      if (task.job !== job || task.state === 'done' || task.duration === 0 || start > 3) return task;
      // What is under way shows more or less than was thought.
      const left = Math.max(1, task.duration + Math.floor(random() * 4) - 2);
      return { ...task, state: 'under-way', duration: left };
    });
    return { ...input, tasks };
  },
};

/** What is to begin within three weeks and has not. */
const soon = (plan: Plan): Plan['tasks'] => plan.tasks.filter((task) => isVisit(task) && task.start < 42);

/** What one event did to what people go by. */
export interface Told {
  event: string;
  /** Visits of the next two weeks, or that were told, which moved though the event itself left them where they were. */
  moved: string[];
  /** Who has to hear of those. */
  people: number;
  /** Visits that were confirmed or frozen, moved, and are named by the plan or not. */
  named: number;
  unnamed: number;
  /** Visits that came back to a half-day they had left the same day. */
  backAndForth: number;
}

/**
 * A day of events at a firm: one in ten visits of the next two weeks says yes before each, and everybody concerned is told
 * after each.
 */
export function dayOfEvents(seed: number, events: number): Told[] {
  const firm = firmAtWork(seed);
  let plan = planOf(firm.input);
  let standing = standingAfter(plan);
  const left = new Map<string, Set<number>>();
  return Array.from({ length: events }, () => {
    const event = firm.one(Object.keys(EVENTS));
    standing = { ...standing, stood: confirmedSome(standing, firm.random) };
    const input = EVENTS[event]?.(firm, plan) ?? firm.input;
    const next = planOf({ ...input, standing });
    const told = { event, ...compared(input, standing, next, left) };
    firm.input = input;
    plan = next;
    standing = standingAfter(next, standing);
    return told;
  });
}

const confirmedSome = ({ stood }: Standing, random: () => number): Map<string, Stood> =>
  new Map(
    [...stood].map(([id, one]) => [
      id,
      one.slot < NEAR && random() < 0.1 ? { ...one, said: 'confirmed' as const } : one,
    ]),
  );

function compared(
  input: PlanInput,
  standing: Standing,
  plan: Plan,
  left: Map<string, Set<number>>,
): Omit<Told, 'event'> {
  const stays = staying(input, standing);
  const unkept = new Set<string>(plan.unkept?.map(({ task }) => task));
  const told: Omit<Told, 'event'> = { moved: [], people: 0, named: 0, unnamed: 0, backAndForth: 0 };
  const people = new Set<string>();
  for (const task of plan.tasks) {
    const was = standing.stood.get(task.id);
    if (!was || !isVisit(task) || was.slot === task.start) continue;
    if (was.said === 'confirmed' || was.slot < FROZEN) told[unkept.has(task.id) ? 'named' : 'unnamed']++;
    if (!mustHear(was, task.start)) continue;
    if (left.get(task.id)?.has(task.start)) told.backAndForth++;
    left.set(task.id, (left.get(task.id) ?? new Set()).add(was.slot));
    if (!stays(task.id, was.slot)) continue;
    told.moved.push(task.id);
    people.add(`${task.crew} ${task.job}`);
  }
  return { ...told, people: people.size };
}

/** Whether links, days and calendars alone would let a visit stay where it stands, all else staying as well. */
function staying(input: PlanInput, standing: Standing): (task: string, slot: number) => boolean {
  const net = compile({ ...input, standing }, 3_000);
  if (!net.ok) throw new Error(net.problem.message);
  const { earlyStart } = forwardPass(net.value);
  return (task, slot) => (earlyStart[net.value.index.get(task) ?? -1] ?? 0) <= slot;
}

import { makePlan } from '@/core/schedule/plan';
import type { Stood } from '@/core/schedule/calm';
import { compile } from '@/core/schedule/compiled';
import { forwardPass, timesOf } from '@/core/schedule/passes';
import { place, urgency } from '@/core/schedule/placing';
import type { PlanInput } from '@/core/schedule/plan-input';
import { sequenceOf } from '@/core/sequence/links';
import { phaseFacts } from '@/core/sequence/phases';
import type { Site, SiteArea } from '@/core/sequence/site';
import { ALWAYS, jobCalendar } from '@/core/sequence/calendars';
import { tasksOf } from '@/core/sequence/tasks';
import { TRADE_KEYS } from '@/core/sequence/trades';
import { trackOf, type Work } from '@/core/sequence/works';
import type { AreaKind } from '@/core/sites/area';
import { figure, inTurn, median, type Figure } from './measure';

const ORIGIN = '2027-03-08';
const JOBS = 60;
export const HORIZON = 6_000;

const AREAS: readonly [AreaKind, ...Work[]][] = [
  ['room', 'kitchen', 'open-wall'],
  ['wet', 'bathroom', 'open-floor'],
  ['room', 'redecorate'],
  ['face', 'repaint'],
];

function site(number: number): Site {
  const areas = AREAS.map(([kind, ...works], at): SiteArea => {
    const inside = kind === 'room' || kind === 'wet';
    return {
      id: `j${number}a${at}`,
      name: `Area ${at}`,
      kind,
      position: at,
      passage: false,
      provides: kind === 'wet' ? ['toilet'] : [],
      beside: [],
      shelters: inside ? [] : [`l${number}`],
      ...(inside ? { level: { id: `l${number}`, height: 0, name: 'Ground' } } : {}),
      track: trackOf(works).map((phase) => {
        const { trade, halfDays } = phaseFacts(phase);
        return { phase, trade, halfDays, fraction: 0, remaining: halfDays };
      }),
    };
  });
  return {
    id: `j${number}`,
    name: `Job ${number}`,
    startDay: ORIGIN,
    livedIn: number % 2 === 0,
    areas,
    ownLinks: [],
    leftovers: [],
    extras: [],
  };
}

/** Sixty jobs that share the crews of one firm: about 5,000 tasks. */
export function network(): PlanInput {
  const days = (slot: number): boolean => Math.floor(slot / 2) % 7 < 5;
  const crews = TRADE_KEYS.filter((trade) => trade !== 'nobody').map((trade) => ({
    id: trade,
    name: trade,
    capacity: 8,
    away: new Set<number>(),
  }));
  const input: PlanInput = {
    origin: ORIGIN,
    tasks: [],
    links: [],
    notBefore: [],
    exposures: [],
    crews,
    calendars: { [ALWAYS]: () => true },
    jobCalendars: {},
    promises: {},
  };
  for (let number = 0; number < JOBS; number++) {
    const one = site(number);
    const { links, exposures, added } = sequenceOf(one);
    input.links.push(...links);
    input.exposures.push(...exposures);
    input.tasks.push(...tasksOf(one, added, { origin: ORIGIN, now: 0, crewFor: (trade) => trade }));
    for (const { calendar } of input.tasks) input.calendars[calendar] ??= days;
    input.calendars[jobCalendar(one.id)] = days;
    input.jobCalendars[one.id] = jobCalendar(one.id);
  }
  return input;
}

/** The same firm once a walk has seen the first step of a job take three half-days more; what was planned stands. */
function afterWalk(input: PlanInput): PlanInput {
  const before = makePlan(input);
  if (!before.ok) throw new Error(before.problem.message);
  const { tasks: planned, score } = before.value;
  const [first] = input.tasks;
  const tasks = input.tasks.map((task) =>
    task === first ? { ...task, state: 'under-way' as const, duration: task.duration + 3 } : task,
  );
  const stood = planned.flatMap(({ id, crew, duration, start }): [string, Stood][] =>
    crew !== null && duration > 0 ? [[id, { slot: start, said: 'nothing' }]] : [],
  );
  return {
    ...input,
    tasks,
    standing: { stood: new Map(stood), frozen: 6, near: 28, late: score.late, pencil: new Set() },
  };
}

/** What finding crews and rooms costs over what links and calendars alone would. */
export async function planFigures(): Promise<Figure[]> {
  const input = network();
  const net = compile(input, HORIZON);
  if (!net.ok) throw new Error(net.problem.message);
  const times = timesOf(net.value);
  const order = urgency(net.value, times);
  const walked = afterWalk(input);
  const [placing = [], forward = [], first = [], whole = [], after = []] = await inTurn(15, [
    () => {
      if (!place(net.value, order, times)) throw new Error('The horizon is too short.');
    },
    () => forwardPass(net.value),
    () => place(net.value),
    () => makePlan(input),
    () => makePlan(walked),
  ]);
  const base = median(forward);
  const size = `${input.tasks.length} tasks, ${input.links.length} links, ${JOBS} jobs`;
  return [
    figure('placing pass', median(placing), 'ms', `plain forward pass over the same network (${size})`, base),
    figure(
      'first placing, its order and latest times found too',
      median(first),
      'ms',
      'plain forward pass over the same network',
      base,
    ),
    figure('plain forward pass', base, 'ms', 'itself', base),
    figure(
      'plan as a document with its reasons',
      median(whole),
      'ms',
      'plain forward pass over the same network',
      base,
    ),
    figure('the same after one walk', median(after), 'ms', 'plain forward pass over the same network', base),
  ];
}

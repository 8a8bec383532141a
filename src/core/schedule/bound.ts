import { countBefore, type Calendar } from './calendar';
import type { Compiled } from './compiled';
import type { Times } from './passes';

/** No plan over the same work ends earlier: by job and for all of them, as the slot after the last one taken. */
export interface Bound {
  jobs: Record<string, number>;
  all: number;
}

/** All that one crew has to do, at one job or at all of them. */
interface Work {
  /** Half-days, each counted for every crew it takes at once. */
  halfDays: number;
  /** The first moment at which any of it can begin. */
  from: number;
  calendars: Set<Calendar>;
}

/**
 * Two bounds that every plan obeys, the later counts: the longest chain of links in their calendars, and the work of
 * each crew over the crews there are, from the first moment at which any of it can begin.
 * @param times by links and calendars alone, of the same work
 */
export function boundOf(net: Compiled, { earlyStart, earlyFinish }: Pick<Times, 'earlyStart' | 'earlyFinish'>): Bound {
  const jobs: Record<string, number> = {};
  const atJob = new Map<string, Map<number, Work>>();
  const ofCrew = new Map<number, Work>();
  net.tasks.forEach(({ job, state }, task) => {
    if (state === 'done') return;
    jobs[job] = Math.max(jobs[job] ?? 0, earlyFinish[task] ?? 0);
    const crew = net.crew[task] ?? -1;
    if (crew < 0 || (net.duration[task] ?? 0) === 0) return;
    const here = atJob.get(job) ?? new Map<number, Work>();
    atJob.set(job, here);
    add(net, here, crew, task, earlyStart);
    add(net, ofCrew, crew, task, earlyStart);
  });
  for (const [job, crews] of atJob)
    for (const [crew, work] of crews) jobs[job] = Math.max(jobs[job] ?? 0, workEnd(net, crew, work));
  let all = Math.max(0, ...Object.values(jobs));
  for (const [crew, work] of ofCrew) all = Math.max(all, workEnd(net, crew, work));
  return { jobs, all };
}

function add(net: Compiled, works: Map<number, Work>, crew: number, task: number, earlyStart: Int32Array): void {
  const work = works.get(crew) ?? { halfDays: 0, from: net.horizon, calendars: new Set() };
  works.set(crew, work);
  work.halfDays += (net.duration[task] ?? 0) * (net.demand[task] ?? 1);
  work.from = Math.min(work.from, earlyStart[task] ?? 0);
  const calendar = net.base[task];
  if (calendar) work.calendars.add(calendar);
}

/** When a crew has done it all at the earliest, if it worked on every slot that any of it could take. */
function workEnd(net: Compiled, crew: number, { halfDays, from, calendars }: Work): number {
  const slots = Math.ceil(halfDays / (net.input.crews[crew]?.capacity ?? 1));
  let end = net.horizon;
  // Calendars differ by job and weather: the one that gets there first is the bound.
  for (const calendar of calendars)
    end = Math.min(end, (calendar.worked[countBefore(calendar, from) + slots - 1] ?? net.horizon - 1) + 1);
  return end;
}

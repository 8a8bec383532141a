import { countBefore, type Calendar } from './calendar';
import type { Compiled } from './compiled';
import { jobEnds } from './job-end';
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
  const { job, jobs, crew, crewCount, open } = net;
  const ends = jobEnds(net, { finish: earlyFinish });
  const atJob = new Map<number, Work>();
  const ofCrew = new Map<number, Work>();
  crew.forEach((who, task) => {
    if (who < 0 || (net.duration[task] ?? 0) === 0) return;
    add(net, atJob, (job[task] ?? 0) * crewCount + who, task, earlyStart);
    add(net, ofCrew, who, task, earlyStart);
  });
  for (const [at, work] of atJob) {
    const number = Math.floor(at / crewCount);
    ends[number] = Math.max(ends[number] ?? 0, workEnd(net, at % crewCount, work));
  }
  let all = 0;
  for (const end of ends) all = Math.max(all, end);
  for (const [who, work] of ofCrew) all = Math.max(all, workEnd(net, who, work));
  // A job of which nothing is open has no end any more.
  const isOpen = new Uint8Array(jobs.length);
  open.forEach((is, task) => {
    if (is) isOpen[job[task] ?? 0] = 1;
  });
  return {
    jobs: Object.fromEntries(jobs.flatMap((id, number) => (isOpen[number] ? [[id, ends[number] ?? 0]] : []))),
    all,
  };
}

function add(net: Compiled, works: Map<number, Work>, of: number, task: number, earlyStart: Int32Array): void {
  let work = works.get(of);
  if (!work) works.set(of, (work = { halfDays: 0, from: net.horizon, calendars: new Set() }));
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

import { answer, refuse, type Outcome, type Problem } from '../problem';
import { findLoop } from './network';

/**
 * Work as the textbooks have it: jobs with durations, what each takes of which resource, and what must end before what
 * begins.
 */
export interface Project {
  /** In whole slots, by job. */
  duration: Int32Array;
  /** What there is of each resource on every slot. */
  capacity: Int32Array;
  /** What a job takes: `demand[job · resources + resource]`. */
  demand: Int32Array;
  before: readonly Int32Array[];
  after: readonly Int32Array[];
  /** An order in which every job stands behind those before it. */
  order: Int32Array;
}

export interface ProjectTerms {
  durations: readonly number[];
  capacities: readonly number[];
  /** By job, then by resource. */
  demands: readonly (readonly number[])[];
  /** Jobs that follow each job, by number from 0. */
  followers: readonly (readonly number[])[];
}

/** Jobs are numbered from 1 where people read of them. */
const named = (job: number): string => `job ${job + 1}`;

/**
 * @returns a problem where a duration or a demand cannot be, a job asks for more than there is, or jobs wait for each
 * other in a ring
 */
export function makeProject(terms: ProjectTerms): Outcome<Project> {
  const { durations, capacities, demands, followers } = terms;
  const problem = capacityProblem(capacities) ?? firstOf(durations.map((_, job) => () => jobProblem(terms, job)));
  if (problem) return refuse(problem);
  const before: number[][] = durations.map(() => []);
  followers.forEach((list, job) => {
    for (const follower of new Set(list)) before[follower]?.push(job);
  });
  const order = inOrder(before, followers);
  if (order.length < durations.length) return refuse({ code: 'sequence-loop', message: ringWords(followers) });
  return answer({
    duration: Int32Array.from(durations),
    capacity: Int32Array.from(capacities),
    demand: Int32Array.from(demands.flatMap((list) => capacities.map((_, resource) => list[resource] ?? 0))),
    before: before.map((list) => Int32Array.from(list)),
    after: followers.map((list) => Int32Array.from(new Set(list))),
    order: Int32Array.from(order),
  });
}

/** The first thing found; what stands behind it is not asked. */
function firstOf<Thing>(asks: readonly (() => Thing | undefined)[]): Thing | undefined {
  for (const ask of asks) {
    const found = ask();
    if (found !== undefined) return found;
  }
  return undefined;
}

const isCount = (number: number): boolean => Number.isInteger(number) && number >= 0;

function capacityProblem(capacities: readonly number[]): Problem | undefined {
  const resource = capacities.findIndex((capacity) => !isCount(capacity));
  if (resource < 0) return undefined;
  const message = `Resource ${resource + 1} has a capacity of ${capacities[resource]}; a whole number from 0.`;
  return { code: 'capacity-unreadable', message };
}

function jobProblem({ durations, capacities, demands, followers }: ProjectTerms, job: number): Problem | undefined {
  const duration = durations[job] ?? Number.NaN;
  if (!isCount(duration))
    return { code: 'duration-negative', message: `${named(job)} takes ${duration}; a whole number from 0.` };
  for (const [resource, capacity] of capacities.entries()) {
    const asked = demands[job]?.[resource] ?? Number.NaN;
    const asks = `${named(job)} asks for ${asked} of resource ${resource + 1}`;
    if (!isCount(asked)) return { code: 'demand-unreadable', message: `${asks}; a whole number from 0.` };
    if (asked > capacity && duration > 0)
      return { code: 'demand-too-large', message: `${asks}, and there are ${capacity}.` };
  }
  const unknown = followers[job]?.find((follower) => !isCount(follower) || follower >= durations.length);
  if (unknown === undefined) return undefined;
  return {
    code: 'job-unknown',
    message: `${named(job)} is followed by job ${unknown + 1}, which does not exist; there are ${durations.length}.`,
  };
}

function ringWords(followers: ProjectTerms['followers']): string {
  const links = followers.flatMap((list, job) =>
    list.map((follower) => ({ before: String(job), after: String(follower) })),
  );
  const jobs = followers.map((_, job) => String(job));
  const ring = findLoop(jobs, links) ?? [];
  return `These wait for each other in a ring: ${ring.map((job) => named(Number(job))).join(', ')}.`;
}

/** Those with nothing open before them, in turn; shorter than the project where a ring holds the rest. */
function inOrder(before: readonly (readonly number[])[], followers: readonly (readonly number[])[]): number[] {
  const open = before.map((list) => list.length);
  const order = open.flatMap((count, job) => (count === 0 ? [job] : []));
  for (let at = 0; at < order.length; at++) {
    for (const follower of new Set(followers[order[at] ?? 0])) {
      open[follower] = (open[follower] ?? 0) - 1;
      if (open[follower] === 0) order.push(follower);
    }
  }
  return order;
}

/** Earliest starts by links alone. */
export function earliestStarts(project: Project): Int32Array {
  const start = new Int32Array(project.duration.length);
  for (const job of project.order)
    for (const former of project.before[job] ?? [])
      start[job] = Math.max(start[job] ?? 0, (start[former] ?? 0) + (project.duration[former] ?? 0));
  return start;
}

/** Slots of the longest chain of links behind each job. */
export function longestBehind({ duration, order, after }: Project): Int32Array {
  const behind = new Int32Array(duration.length);
  for (const job of order.toReversed())
    for (const follower of after[job] ?? [])
      behind[job] = Math.max(behind[job] ?? 0, (behind[follower] ?? 0) + (duration[follower] ?? 0));
  return behind;
}

/** No schedule is shorter: the longest chain of links, and the work on each resource over what there is of it. */
export function lowerBound(project: Project): number {
  const starts = earliestStarts(project);
  let bound = 0;
  for (let job = 0; job < starts.length; job++)
    bound = Math.max(bound, (starts[job] ?? 0) + (project.duration[job] ?? 0));
  const resources = project.capacity.length;
  for (let resource = 0; resource < resources; resource++) {
    let work = 0;
    for (let job = 0; job < starts.length; job++)
      work += (project.duration[job] ?? 0) * (project.demand[job * resources + resource] ?? 0);
    const capacity = project.capacity[resource] ?? 0;
    if (capacity > 0) bound = Math.max(bound, Math.ceil(work / capacity));
  }
  return bound;
}

/** What is broken in a schedule, one sentence each; counted slot by slot, apart from how schedules are made. */
export function checkStarts(project: Project, starts: ArrayLike<number>): string[] {
  const broken: string[] = [];
  const resources = project.capacity.length;
  const load = new Map<string, number>();
  for (let job = 0; job < project.duration.length; job++) {
    const [start, duration] = [starts[job] ?? -1, project.duration[job] ?? 0];
    if (start < 0) broken.push(`${named(job)} starts before the beginning`);
    for (const former of project.before[job] ?? [])
      if ((starts[former] ?? 0) + (project.duration[former] ?? 0) > start)
        broken.push(`${named(job)} starts before ${named(former)} ends`);
    for (let slot = start; slot < start + duration; slot++) {
      for (let resource = 0; resource < resources; resource++) {
        const sum = (load.get(`${resource} ${slot}`) ?? 0) + (project.demand[job * resources + resource] ?? 0);
        load.set(`${resource} ${slot}`, sum);
        if (sum > (project.capacity[resource] ?? 0)) broken.push(`resource ${resource + 1} is taken twice on ${slot}`);
      }
    }
  }
  return broken;
}

import type { JobId } from '../ids';
import type { Task } from './network';
import type { PlanInput } from './plan-input';

/** What the passes ask of each task again and again, by its number. */
export interface TaskNumbers {
  /** 1 where it has not begun. */
  waiting: Uint8Array;
  /** 1 where it is not done. */
  open: Uint8Array;
  /** Its job by number, and the jobs in the order in which they come. */
  job: Int32Array;
  jobs: JobId[];
  /** Crew, plant and area, -1 where it needs none. */
  crew: Int32Array;
  plant: Int32Array;
  area: Int32Array;
  /** How many crews it takes, or what part of one: small work leaves its crew for other rooms in the same half-day. */
  demand: Float32Array;
  /** Shares of the area it takes. */
  shares: Int32Array;
  /** Half-days still to do; none for what is done. */
  duration: Int32Array;
  crewCount: number;
  areaCount: number;
}

/** Gives things numbers in the order in which they are met. */
class Numbering {
  readonly met: string[] = [];
  private readonly known = new Map<string, number>();

  of(id: string): number {
    const known = this.known.get(id);
    if (known !== undefined) return known;
    this.known.set(id, this.met.length);
    return this.met.push(id) - 1;
  }
}

/** One round over the tasks for all of it: thousands of them are looked at for every plan. */
export function taskNumbers({ tasks, crews }: Pick<PlanInput, 'tasks' | 'crews'>): TaskNumbers {
  const count = tasks.length;
  const [jobs, areas] = [new Numbering(), new Numbering()];
  const crewNumbers = new Map(crews.map((crew, number) => [crew.id, number]));
  const crewOf = (id: string | null | undefined): number => (id ? (crewNumbers.get(id) ?? -1) : -1);
  const numbers: Omit<TaskNumbers, 'jobs' | 'crewCount' | 'areaCount'> = {
    waiting: new Uint8Array(count),
    open: new Uint8Array(count),
    job: new Int32Array(count),
    crew: new Int32Array(count),
    plant: new Int32Array(count),
    area: new Int32Array(count),
    demand: new Float32Array(count),
    shares: new Int32Array(count),
    duration: new Int32Array(count),
  };
  tasks.forEach((task, number) => {
    const isOpen = task.state !== 'done';
    numbers.waiting[number] = task.state === 'waiting' ? 1 : 0;
    numbers.open[number] = isOpen ? 1 : 0;
    numbers.job[number] = jobs.of(task.job);
    numbers.crew[number] = crewOf(task.crew);
    numbers.plant[number] = crewOf(task.plant);
    numbers.area[number] = areaOf(task, areas);
    numbers.demand[number] = task.crew === null ? 0 : (task.crews ?? 1);
    numbers.shares[number] = task.shares;
    numbers.duration[number] = isOpen ? task.duration : 0;
  });
  return { ...numbers, jobs: jobs.met, crewCount: crews.length, areaCount: areas.met.length };
}

const areaOf = ({ area, shares }: Task, areas: Numbering): number =>
  area === null || shares === 0 ? -1 : areas.of(area);

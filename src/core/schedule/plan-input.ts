import type { Slot } from '../units/slot';
import type { Day } from '../units/day';
import type { Exposure, Link, NotBefore, Task } from './network';

/** Who does work, how many crews at once over all jobs, and when none of them comes. */
export interface Crew {
  id: string;
  name: string;
  capacity: number;
  /** Slots on which they are away; weekends need not be named. */
  away: ReadonlySet<Slot>;
}

/** Everything a plan is computed from. Slots count from `origin`. */
export interface PlanInput {
  origin: Day;
  tasks: Task[];
  links: Link[];
  notBefore: NotBefore[];
  exposures: Exposure[];
  crews: Crew[];
  /** Worked slots by calendar id, as a question so that any horizon can be asked for. */
  calendars: Record<string, (slot: Slot) => boolean>;
  /** The calendar in which a job counts its lags. */
  jobCalendars: Record<string, string>;
  /** The slot by which each job was promised; absent while none was. */
  promises: Record<string, Slot>;
}

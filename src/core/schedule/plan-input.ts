import type { Slot } from '../units/slot';
import type { Day } from '../units/day';
import type { Exposure, Link, NotBefore, Task } from './network';
import type { Standing } from './calm';
import type { TooMuch } from './weather';

/** Who does work, how many crews at once over all jobs, and when none of them comes. */
export interface Crew {
  id: string;
  name: string;
  capacity: number;
  /** Slots on which they are away; weekends need not be named. */
  away: ReadonlySet<Slot>;
  /** Slots on which some of them are missing (one of two diggers is broken), with how many. */
  fewer?: ReadonlyMap<Slot, number>;
}

/**
 * What a better plan is, after hard rules: points a worked half-day of lateness times what its job counts, a trip, a
 * half-day until a job ends, a day that a visit moves for each who has to hear of it.
 */
export interface Weights {
  late: Readonly<Record<string, number>>;
  trip: number;
  finish: number;
  move: number;
}

export const USUAL_WEIGHTS: Weights = { late: {}, trip: 2, finish: 1, move: 4 };

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
  /** Calendars that are another one without some slots, and what forbids each: rain, wind, frost in the outlook. */
  keptOff?: Record<string, { base: string; slots: ReadonlyMap<Slot, TooMuch> }>;
  /** Slots on which rain is in the outlook, nights and days off too. */
  rain?: ReadonlyMap<Slot, TooMuch>;
  /** Where work stands by the plan that people go by: it stays there where it can. None for a first plan. */
  standing?: Standing;
  weights?: Weights;
}

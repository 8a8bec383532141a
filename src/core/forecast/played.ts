import type { Day } from '../units/day';

/** What decides itself only when it is there: an inspection that fails, an assumption that turns out wrong. */
export interface Chance {
  label: string;
  kind: 'inspection' | 'assumption';
  task: number;
  /** How likely it goes wrong, 0…1. */
  wrong: number;
  /** Half-days that the task then takes longer. */
  more: number;
}

/** Something from outside that comes sooner or later: goods, an answer, somebody's decision. */
export interface Coming {
  label: string;
  kind: 'order' | 'decision';
  tasks: number[];
  /** Half-days from the plan's origin by which it is there as planned, and how much sooner it may be. */
  slot: number;
  sooner: number;
  /** How likely it is late, and half-days that it is late then in the mean. */
  late: number;
  lateBy: number;
}

/**
 * A firm's work as a forecast plays it: numbers and lists of numbers only, so that it goes to a worker as it is. Rooms take
 * work in the order of the plan. So do crews, but that one whose next work is not ready when its time has come takes what
 * is; nobody plans anew while it is played.
 * @see docs/decisions/0066
 */
export interface PlayedNetwork {
  origin: Day;
  /** Half-days that its calendars reach. */
  horizon: number;
  ids: string[];
  /** The slot at which the plan begins each. */
  planned: number[];
  duration: number[];
  floor: number[];
  calendar: number[];
  /** Who does it, and how many parts of them it takes; -1 for what nobody does. */
  crew: number[];
  parts: number[];
  /** Parts that there are of each crew. */
  crews: number[];
  /** Which list of cases a task's time is drawn from; -1 for what takes what it takes (curing, milestones). */
  pace: number[];
  /** Whose lateness counts where a task is the first of a visit; -1 where nobody arrives. */
  arrives: number[];
  /** What keeps it off: 1 rain, 2 wind, 4 frost, by their sum. */
  weather: number[];
  /** Where the links into each task begin in `links`; one more than there are tasks. */
  into: number[];
  links: { before: number[]; kind: number[]; lag: number[]; calendar: number[] };
  /** Worked slots, ascending. */
  calendars: number[][];
  /** What work took against what was planned, case by case: each time is drawn from one of these lists. */
  paces: number[][];
  /** Half-days late, by crew: one of these each time it arrives. */
  lateness: number[][];
  chances: Chance[];
  comings: Coming[];
  /** By month from January: the chance that a half-day is wet, windy, frosty. None where no normals were entered. */
  normals: [number, number, number][];
  /** From which slot on the normals speak; before it the outlook does. */
  outlookUntil: number;
  /** What the first end costs at each slot, in hundredths; empty where nobody has said what a day costs. */
  cost: number[];
  /** What is asked for: the ends of jobs and of milestones, each the latest of some tasks. */
  ends: { id: string; label: string; tasks: number[]; promise: number | null }[];
}

export const FS = 0;
export const SS = 1;
export const FF = 2;

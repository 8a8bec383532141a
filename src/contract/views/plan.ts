import type { BoardBy, BoardWeeks } from '../board-look';
import type { LogisticKind, ProposalKey } from '@/core/sequence/logistics';
import type { SettledJobTask } from '@/core/sequence/rules';
import type { Stage } from '@/core/sequence/stages';
import type { MethodKey } from '@/core/sequence/methods';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import type { Phrase } from '@/core/words/phrase';
import type { JobHead, HoldView } from './job';
import type { MovedView, Said, WouldMove } from './visits';

/** What is wrong with the plan. `stale`: what is shown is the last one that held. */
export interface PlanProblem {
  message: string;
  stale: boolean;
}

/** One row of the half-day board: a crew over all jobs, or an area of one. */
export interface BoardRow {
  id: string;
  name: string;
  note: string;
  blocks: BoardBlock[];
}

export interface BoardBlock {
  task: string;
  label: Phrase;
  /** What is written where there is little room. */
  short: Phrase;
  /** What is done, without where. */
  what: Phrase;
  /** Two letters for what is done, where there is no room for a word. */
  code: string;
  /** The area or storey it is in; nothing for what belongs to the whole job, and where the row says it. */
  place: Phrase | null;
  /** Its job's name, where the board shows several. */
  job: string;
  jobId: string;
  area: string | null;
  /** Half-days from the board's first; cut to its edges. */
  start: number;
  finish: number;
  cutLeft: boolean;
  cutRight: boolean;
  /** Faint tail: half-days by which its end may slip. */
  float: number;
  tone: 'waiting' | 'under-way' | 'held' | 'critical' | 'check';
  lane: number;
  /** How far it is, 0…1. */
  fraction: number;
  /** Who does it, and how many half-days it takes on site. */
  crew: string;
  halfDays: number;
  when: string;
  reason: Phrase;
  /** Where what it waits for is settled: a selection, a request. */
  leads: string | null;
  /** The task that stands in its way, if it is another's start. */
  because: string | null;
  /** What else would have to give, in sentences. */
  also: Phrase[];
  /** Why it was pinned here; null where it is free. */
  pin: string | null;
  /** Waits and is not an office's: a person may move it. */
  movable: boolean;
  /** Day and half of its start, for moving it. */
  day: Day;
  half: 0 | 1;
  /** Who comes for it and what they said; null where nobody from outside comes, or it has begun. */
  visit: BoardVisit | null;
}

/** Whoever comes for a piece of work, with what was said of its day. */
export interface BoardVisit {
  crew: string;
  name: string;
  lead: string;
  phone: string;
  email: string;
  said: Said;
  words: string;
  tone: 'soft' | 'good' | 'bad';
  /** Other subs of that trade. */
  others: { id: string; name: string }[];
}

export interface BoardView {
  today: Day;
  first: Day;
  days: { day: Day; label: string; worked: boolean }[];
  /** Half-day of today's morning on this board; null where it is not shown. */
  todaySlot: number | null;
  rows: BoardRow[];
  marks: { slot: number; text: string; tone: 'hold' | 'delivery' }[];
  /** The last days of jobs and the days that were promised, where they are on this board. */
  ends: { slot: number; kind: 'ends' | 'promised'; job: string; late: boolean }[];
  /** Jobs that end after their promise, by days of the calendar, the latest first. */
  late: { job: string; name: string; days: number }[];
  /** The outlook by half-day, in words where it forbids something. */
  weather: { slot: number; text: string; forbids: boolean; rain: number; wind: number; low: number }[];
  madeAt: string;
  cause: string;
  jobs: number;
  problem: PlanProblem | null;
}

/** How good the plan is, and whether a better one is being looked for. */
export interface GoalView {
  /** By job: when it ends, before when no plan ends, and the worked days between; late counts from the promise. */
  jobs: { id: string; name: string; finish: string; bound: string; room: number; late: number }[];
  trips: number;
  search: {
    state: 'none' | 'asked' | 'running' | 'stopping' | 'done';
    made: number;
    schedules: number;
    words: string;
    /** The plan that a better one was found for, while it is the plan; null where none waits to be taken. */
    found: number | null;
  };
}

interface LookView {
  kind: 'conflict' | 'trip' | 'gap';
  text: string;
  task: string;
  job: string;
}

/** What would pull a piece of work forward. */
export interface PullView {
  task: string;
  label: Phrase;
  pulls: { text: Phrase; gain: string; finish: string; wins: boolean }[];
}

export interface ScheduleView {
  job: JobHead | null;
  by: BoardBy;
  weeks: BoardWeeks;
  /** One crew over all jobs, and those that could be chosen. */
  crew: string | null;
  crews: { id: string; name: string }[];
  looks: LookView[];
  goal: GoalView | null;
  moved: MovedView;
  /** Until when links that are sent from here open. */
  linksUntil: Day;
  /** Weeks from this one to the board's first. */
  shift: number;
  /** The piece of work that was asked for. */
  task: string | null;
  board: BoardView;
}

/**
 * After what a step comes, and why. Names and reasons are places in what is `said` once for all steps: a house has a
 * thousand links, and most say what others say.
 */
export interface StepLink {
  from: number;
  reason: number;
  rule: number;
  must: boolean;
  lag?: string;
  done?: true;
}

/** One step of the order of work, with what it waits for and what can be said of it. */
export interface StepView {
  task: string;
  label: string;
  area: string | null;
  phase: Phase | null;
  trade: Trade;
  state: 'waiting' | 'under-way' | 'done';
  when: string;
  /** The day on which it begins; those it takes, said shortly. */
  day: Day;
  days: string;
  stage: Stage;
  /** What is done without its place, and its place. */
  short: string;
  place: string;
  /** What decides its day, where that is no step of the same room: the few links that matter. */
  because: string | null;
  links: StepLink[];
  /** What waits for it, by its place in what is `said`. */
  frees: number[];
  assumptions: string[];
  /** Of a step of a track: how long, from what, in which parts, and whether somebody else does it. */
  time: {
    halfDays: number;
    crews: number;
    basis: 'size' | 'quantity' | 'hand';
    measured: number | null;
    parts: { label: string; halfDays: number }[];
    others: string | null;
    othersOn: Day | null;
  } | null;
}

export interface MethodView {
  key: MethodKey;
  title: string;
  variants: { key: string; label: string; why: string }[];
  /** The variant that counts in this job, and whose word that is. */
  chosen: string | null;
  from: 'job' | 'firm' | 'nobody';
  /** Areas that have a word of their own. */
  areas: { id: string; name: string; variant: string | null }[];
}

export interface RuleView {
  number: number;
  title: string;
  reason: string;
  strength: 'hard' | 'soft';
  links: number;
  /** Of how many steps it decides the day. */
  decides: number;
  /** Keeps people alive: no switch. */
  stays: boolean;
  /** Where it does not hold, with why; area null is the whole job (or the firm). */
  off: { area: { id: string; name: string } | null; firm: boolean; reason: string }[];
  own: OwnRuleView | null;
}

interface OwnRuleView {
  id: string;
  version: number;
  job: string | null;
  before: Phase;
  after: Phase;
  within: 'area' | 'beside' | 'route' | 'job';
  kind: 'FS' | 'SS' | 'FF';
  lag: number;
  lagUnit: 'work' | 'elapsed';
  strength: 'hard' | 'soft';
  reason: string;
}

/** When something has to be there: the day its step begins, and the last day to ask for it. */
interface NeededBy {
  neededBy: Day | null;
  askBy: Day | null;
  late: boolean;
}

/** What is said of it, whoever thought of it. */
interface LogisticWords {
  kind: LogisticKind;
  label: string;
  step: string;
  leadDays: number;
  place: string;
  /** How much there is of it. */
  howMuch: string;
  contact: string;
  phone: string;
}

export interface LogisticView extends NeededBy, LogisticWords {
  id: string;
  version: number;
  fromHour: string;
  toHour: string;
  state: 'open' | 'booked' | 'here' | 'dropped';
  bookedOn: Day | null;
}

/** What the works ask for and nobody has answered. */
export interface ProposalView extends NeededBy, LogisticWords {
  key: ProposalKey;
  area: string;
  phase: Phase;
}

export interface SequenceView {
  job: JobHead;
  today: Day;
  /** How far each stage is, in steps. */
  stages: Record<Stage, { done: number; of: number }>;
  /** What carries the end: when that is, what the first of it waits for, and its steps. */
  carrying: {
    end: string;
    late: boolean;
    first: string | null;
    steps: { task: string; label: string; when: string; days: number }[];
  } | null;
  areas: { id: string; name: string; steps: { phase: string; label: string }[] }[];
  steps: StepView[];
  /** Subs to whom visits can go, with what they do. */
  subs: { id: string; name: string; trades: Trade[] }[];
  /** Texts that links say, by their place. */
  said: string[];
  own: {
    id: string;
    before: string;
    after: string;
    reason: string;
    ends: Record<'before' | 'after', { area: string; phase: Phase }>;
  }[];
  exposures: { label: string; text: string; kept: boolean }[];
  /** Work of the whole job that no walk sees: when it is planned, or by whom it was done. */
  jobTasks: {
    task: SettledJobTask;
    /** The piece of work of the plan, and the half-day on which it begins there. */
    piece: string;
    day: Day;
    half: 0 | 1;
    label: string;
    when: string;
    /** With whom a day was made; null where none was. */
    booked: string | null;
    done: string | null;
    named: boolean;
  }[];
  holds: HoldView[];
  methods: MethodView[];
  rules: RuleView[];
  gates: {
    id: string;
    label: string;
    reason: string;
    before: string[];
    after: string[];
    together: boolean;
    when: string;
  }[];
  logistics: LogisticView[];
  /** Said not to be needed here. */
  notNeeded: LogisticView[];
  proposals: ProposalView[];
  quiet: QuietView;
  /** Days off to come that are worked at the job all the same. */
  workedDays: { id: string; day: Day; text: string; words: string }[];
  problem: PlanProblem | null;
}

/** Times of quiet that hold, and notes of the household that sound like one and hold nothing yet. */
export interface QuietView {
  times: { id: string; text: Phrase; words: string }[];
  said: {
    observation: string;
    area: string;
    text: string;
    covers: 'loud' | 'all';
    half: 0 | 1 | null;
    firstDay: Day;
    lastDay: Day | null;
  }[];
}

/** What a command would do to the plan if it were given. */
export interface PreviewView {
  /** By job: the last day before and after, and worked days later (over 0) or earlier. */
  jobs: { id: string; name: string; from: string; to: string; days: number }[];
  /** Trips of crews more (over 0) or fewer. */
  trips: number;
  /** Pieces of work that come and go. */
  added: string[];
  gone: string[];
  /** What would lie open longer than it may. */
  broken: string[];
  /** Who would have to be told of visits that move; pieces of work that move beyond that. */
  told: WouldMove[];
  others: number;
  problem: string | null;
}

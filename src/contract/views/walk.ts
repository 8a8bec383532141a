import type { Reader } from '../commands/news';
import type { PlanProblem } from './plan';
import type { Brief } from '@/core/scope/brief';
import type { Day } from '@/core/units/day';
import type { LeftRhythm } from '@/core/walks/housekeeping';
import type { ObservationKind, WalkKind } from '@/core/walks/observation';
import type { Cause } from '@/core/schedule/cause';
import type { MovedWork } from '@/core/news/news';
import type { AssemblySign } from '@/core/assemblies/fitting';
import type { SaidHere } from '@/core/walks/walk-screen';
import type { Drawing } from '@/core/layout/stroke';
import type { NarrationView, WalkArea } from '@/core/walks/walk-screen';
import type { FiledAs } from '../commands/walks';
import type { ServerClock, JobHead, PastShown, PictureView } from './job';
import type { SmallSection } from './today';

/** All that a walk needs in the hand: one area after the other, in walking order. */
export interface WalkPack {
  walk: { id: string; kind: WalkKind; startedAt: string; finished: boolean; by: string };
  job: { id: string; name: string; client?: string; units: 'metric' | 'imperial'; leaves: LeftRhythm };
  areas: WalkArea[];
  levels: { id: string; name: string }[];
  /** What was found of the job as a whole. */
  whole: SaidHere;
  narrations: NarrationView[];
  suppliers: string[];
  /** What may be set with one sentence. */
  assemblies: AssemblySign[];
  /** The state in which the site was left last. */
  left: { when: string; bin: number | null } | null;
  clock: ServerClock;
  today: Day;
  /** In the demo devices are played: a meter, a microphone. */
  demo: boolean;
}

/** What a device keeps of a job, so that a walk can be begun without a signal. */
export type JobPack = Omit<WalkPack, 'walk' | 'narrations'>;

/** What of a pack a device has: a mark of each area by its id, and of all else by the empty one. */
export type PackMarks = Record<string, string>;

/** What is new in the packs that a device keeps, against the marks of what it has. */
export interface PackNews {
  clock: ServerClock;
  today: Day;
  jobs: {
    id: string;
    marks: PackMarks;
    /** Its areas in walking order, those that are as they were among them. */
    order: string[];
    /** All but the areas; missing where it is as it was. */
    rest?: Omit<JobPack, 'areas' | 'clock' | 'today'>;
    /** Only those that are not as they were. */
    areas: WalkArea[];
  }[];
}

export type { NarrationView, Recorded, WalkArea } from '@/core/walks/walk-screen';

export interface WalksView {
  job: JobHead;
  walks: {
    id: string;
    kind: WalkKind;
    when: string;
    by: string;
    finished: boolean;
    records: number;
    summary: string;
    /** Where something was recorded. */
    touched: string[];
    /** The newest pictures taken on it. */
    pictures: { hash: string; alt: string }[];
    /** By how many days the job ended later for it, below 0 earlier; null where nothing was planned after it. */
    later: number | null;
  }[];
  /** The house, in which what a walk touched is shown. */
  section: SmallSection;
  past: PastShown;
}

/** Every picture of a job, by day and room. */
export interface PicturesView {
  job: JobHead;
  days: { day: string; areas: { name: string; pictures: PictureView[] }[] }[];
  past: PastShown;
}

/** Something said on a walk that waits for its place, or has it. */
export interface UnfiledView {
  id: string;
  kind: ObservationKind;
  area: string;
  areaId: string;
  text: string;
  filedAs: FiledAs | null;
  /** Where what it became is settled. */
  href: string | null;
}

export interface ReviewView {
  job: JobHead;
  walk: { id: string; kind: WalkKind; when: string; by: string; finished: boolean };
  gain: number;
  done: number;
  areas: { id: string; name: string; lines: { tone: 'good' | 'bad' | 'plain'; text: string; said?: string }[] }[];
  /** What was open and nobody looked at. */
  passedBy: { area: string; text: string; days: number }[];
  unfiled: UnfiledView[];
  /** Steps that moved since the walk before: planned against observed, in half-days of the whole. */
  rates: { label: string; planned: number; observed: number }[];
  pictures: PictureView[];
  moved: MovedWork[];
  finish: { before?: Day; after?: Day; promised?: Day };
  /** Why the last day moved. */
  causes: Cause[];
  /** The plan after the walk is still being computed. */
  planning: boolean;
  problem: PlanProblem | null;
  /** Who was not written to since. */
  readers: Reader[];
  narrations: { id: string; name: string; open: number }[];
  today: Day;
}

/** The check before covering, and what is in the walls of one area. */
export interface WallsView {
  job: JobHead;
  area: { id: string; name: string };
  /** What a crew is told of it: nothing is covered that is not done, and nothing cut that stays live. */
  brief: Brief;
  check: {
    lines: WalkArea['checks'];
    open: number;
    closed: string | null;
    covers: string | null;
    covered: boolean;
    signed: { id: string; name: string; reason: string; when: string } | null;
  } | null;
  walls: {
    wall: number;
    name: string;
    drawing: Drawing;
    things: {
      id: string;
      number: number;
      what: string;
      place: string;
      picture: string | null;
      by: string;
      when: string;
    }[];
  }[];
  pictures: PictureView[];
}

/** What has to be bought, over all sites. */
export interface RunView {
  today: Day;
  stops: {
    supplier: string;
    day: Day;
    late: boolean;
    lines: {
      id: string;
      text: string;
      job: string;
      jobName: string;
      area: string;
      day: Day;
      since: string;
      bought: boolean;
    }[];
  }[];
}

export interface CompletionView {
  job: JobHead;
  today: Day;
  openWalk: string | null;
  trades: {
    trade: string;
    lines: {
      id: string;
      area: string;
      text: string;
      days: number;
      putOff: number;
      part: string | null;
      when: string;
    }[];
  }[];
  parts: { id: string; category: string; area: string; state: string; due: Day | null }[];
  items: {
    id: string;
    version: number;
    area: string | null;
    areaId: string | null;
    text: string;
    name: string;
    when: string;
    state: 'asked' | 'taken up' | 'answered';
    answer: string;
  }[];
  left: { id: string; kind: string; area: string | null; text: string; when: string }[];
  areas: {
    id: string;
    name: string;
    open: number;
    accepted: { id: string; name: string; words: string; when: string; byClient: boolean } | null;
  }[];
}

import type { TaskId } from '../ids';
import type { NeededOf } from './neighbour-days';
import type { LicenceStanding } from '../safety/licence';
import type { Cause } from '../schedule/cause';
import type { Reason } from '../schedule/reasons';
import type { WorkName } from '../schedule/work-name';
import type { CrewKey } from '../sequence/crews';
import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import type { Day } from '../units/day';
import type { WalkDiff } from '../walks/diff';

/** What was seen, by names people know: facts only, no sentence yet. */
export interface Seen {
  diff: WalkDiff;
  /** Names by area id, and what was chosen by selection id. */
  areas: ReadonlyMap<string, string>;
  selections: ReadonlyMap<string, { area: string; category: string; choice: string }>;
  /** What was believed and was settled meanwhile. */
  settled: { id: string; area: string; text: string; verdict: 'held' | 'wrong'; found: string; fallback: string }[];
  /** Part of all work that is done, 0…1. */
  done: number;
  moved: MovedWork[];
  finish: { before?: Day; after?: Day; promised?: Day };
  /** Why the last day moved. */
  causes: Cause[];
}

/** The change that says what a finding costs. */
interface ChangeOfFinding {
  number: number;
  /** What it costs in all, with its sign. */
  total: string;
  before: Day | null;
  after: Day | null;
  state: 'sent' | 'approved' | 'declined';
}

/** What somebody is written: everything from when they were written to last until today. */
export interface News extends Seen {
  job: string;
  address: string;
  today: Day;
  /** The day on which they were written to last; none where this is the first time. */
  since?: Day;
  livedIn: boolean;
  /** What the last day hangs on and is still to come from outside, as things with their days. */
  hangsOn: string[];
  /** What was found and has a change of its own by now, by the assumption or record it came from. */
  changes: ReadonlyMap<string, ChangeOfFinding>;
  /** Who comes in the next two weeks. */
  next: NextWork[];
  /** What the client is asked to decide, with the day by which it is needed. */
  decisions: { id: string; text: string; by: Day | null }[];
  cautions: { area: string; text: string }[];
  /** What nobody may touch this evening, each with its place. */
  leftAlone: { key: string; text: string }[];
  /** What stands outside, and what comes. */
  there: { what: string; text: string }[];
  /** What of neighbours is needed, and what is otherwise than they were told, as sentences. */
  needed: NeededOf[];
  daysMoved: string[];
  /** The half of the day in which it may be loud. */
  loudHalf: 'morning' | 'afternoon' | null;
  /** Who writes, and under which number they are called. */
  from: { firm: string; name: string; phone: string };
  /** Hours of the next two weeks in which something is off. */
  off: { when: string; text: string }[];
}

export interface MovedWork {
  area: string | null;
  task?: TaskId;
  work: WorkName;
  phase: Phase | null;
  from: Day;
  to: Day;
  reason: Reason;
  /** Why it moved; none where an older form did not say. */
  causes?: Cause[];
}

export interface NextWork {
  day: Day;
  afternoon: boolean;
  /** The last day on which it is worked. */
  until: Day;
  area: string | null;
  task: TaskId;
  work: WorkName;
  phase: Phase | null;
  trade: Trade;
  crew: string;
  /** Who that is in the plan; null where nobody comes. */
  crewKey: CrewKey | null;
  /** Half-days it takes. */
  halfDays: number;
  /** What has to be finished there before. */
  after: WorkName[];
  /** The licence that it needs, and whether whoever comes has one; absent where none is needed. */
  licence?: LicenceStanding | null;
}

/** One sentence or point of a draft, by what it is about: `done:AREA`, `end`. */
export interface DraftLine {
  key: string;
  text: string;
}

/** Lines under a heading, each a point; without a heading they are one paragraph. */
export interface DraftPart {
  key: string;
  heading: string;
  lines: DraftLine[];
}

/** A day that has a name, for whoever writes of it by hand: `the end of the work`, `Kitchen · cabinets`. */
export interface NamedDay {
  key: string;
  what: string;
  day: Day;
}

/** What somebody would be told now. */
export interface Draft {
  title: string;
  parts: DraftPart[];
}

/** A part of its heading and its points; nothing where there is no point to make. */
export const part = (key: string, heading: string, lines: readonly DraftLine[]): DraftPart[] =>
  lines.length === 0 ? [] : [{ key, heading, lines: [...lines] }];

export const percent = (fraction: number): string => `${Math.round(fraction * 100)} %`;

import type { Day } from '../units/day';
import type { TaskId } from '../ids';
import type { Cause } from '../schedule/cause';
import type { Reason } from '../schedule/reasons';
import type { WorkName } from '../schedule/work-name';
import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import type { WalkDiff } from '../walks/diff';

/** What a walk's news are composed from: facts only, no sentence yet. */
export interface News {
  job: string;
  /** The day of the walk. */
  day: Day;
  livedIn: boolean;
  diff: WalkDiff;
  /** Names by area id, and what was chosen by selection id. */
  areas: ReadonlyMap<string, string>;
  selections: ReadonlyMap<string, { area: string; category: string; choice: string }>;
  /** Part of all work that is done, 0…1. */
  done: number;
  moved: MovedWork[];
  finish: { before?: Day; after?: Day; promised?: Day };
  /** Why the last day moved. */
  causes: Cause[];
  next: NextWork[];
  /** What the client is asked to decide, with the day it is expected. */
  decisions: { text: string; by: Day }[];
  cautions: { area: string; text: string }[];
  /** What was believed and was settled on this walk. */
  settled: { area: string; text: string; verdict: 'held' | 'wrong'; found: string; fallback: string }[];
}

export interface MovedWork {
  area: string | null;
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
  area: string | null;
  task: TaskId;
  work: WorkName;
  phase: Phase | null;
  trade: Trade;
  crew: string;
  /** What has to be finished there before. */
  after: WorkName[];
}

/**
 * An update for one audience, ready to be read and edited: plain text, `- ` starts a point, an empty line parts
 * paragraphs.
 */
export interface Draft {
  title: string;
  body: string;
}

/** A paragraph of its heading and its points; nothing where there is no point to make. */
export function paragraph(heading: string, points: readonly string[]): string[] {
  return points.length === 0 ? [] : [[heading, ...points.map((point) => `- ${point}`)].join('\n')];
}

export const percent = (fraction: number): string => `${Math.round(fraction * 100)} %`;

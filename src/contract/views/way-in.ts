import type { PieceKind, WayKind } from '@/core/fit/way-in';
import type { Phase } from '@/core/sequence/phases';
import type { JobHead } from './job';
import type { SelectionCounts } from './selections';

/** Lengths in mm, weights in kg. */

export interface WayView {
  id: string;
  version: number;
  areaId: string | null;
  /** Empty where everything goes through it. */
  area: string;
  what: string;
  text: string;
  kind: WayKind;
  width: number | null;
  height: number | null;
  before: number | null;
  behind: number | null;
  distance: number | null;
  reach: number | null;
  lifts: number | null;
  beside: boolean;
  finding: string | null;
  /** It stops what it is for by itself: a hose that is too short. */
  bad: boolean;
}

export interface LargePieceView {
  id: string;
  version: number;
  areaId: string;
  area: string;
  selection: string | null;
  what: string;
  kind: PieceKind;
  length: number;
  width: number;
  height: number;
  mass: number | null;
  text: string;
  fits: boolean;
  /** It comes in another way. */
  byAnother: boolean;
  said: { text: string; bad: boolean }[];
  /** Ways that were asked, in words; none where nothing is measured or drawn. */
  held: string[];
  hours: number | null;
  /** Carrying it in is work of the plan. */
  planned: 'open' | 'done' | null;
}

export interface WayInView {
  job: JobHead;
  counts: SelectionCounts;
  areas: { id: string; name: string; phases: { phase: Phase; label: string }[] }[];
  ways: WayView[];
  /** What the first visit noted of the way in, and nobody has measured. */
  unmeasured: { id: string; areaId: string | null; text: string }[];
  pieces: LargePieceView[];
  /** Chosen things that a piece can be. */
  goods: { id: string; areaId: string; text: string }[];
}

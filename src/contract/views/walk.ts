import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { SelectionState } from '@/core/selections/states';
import type { Day } from '@/core/units/day';
import type { ObservationKind, SelectionVerdict, WalkKind } from '@/core/walks/observation';
import type { MovedWork } from '@/core/updates/news';
import type { JobHead, PictureView } from './job';

/** All that a walk needs in the hand: one area after the other, in walking order. */
export interface WalkPack {
  walk: { id: string; kind: WalkKind; startedAt: string; finished: boolean };
  job: { id: string; name: string; units: 'metric' | 'imperial' };
  areas: WalkArea[];
  shiftDays: number;
}

export interface WalkArea {
  id: string;
  name: string;
  place: string;
  steps: { phase: Phase; label: string; fraction: number; trade: Trade }[];
  open: { id: string; text: string; trade: Trade; putOff: number; worse: boolean; verdict: string | null; since: string }[];
  selections: { id: string; category: string; choice: string; code: string; colour: string; finish: string; quantity: number | null; unit: string; state: SelectionState; verdict: SelectionVerdict | null }[];
  cautions: string[];
  /** Believed here and not seen: it is settled when it shows itself. */
  assumptions: { id: string; text: string; fallback: string; shownBy: string; state: 'open' | 'held' | 'wrong' }[];
  /** Added work that is not done. */
  extras: { id: string; text: string; trade: Trade; done: boolean }[];
  /** Recorded on this walk already. */
  recorded: Recorded[];
}

export interface Recorded {
  id: string;
  kind: ObservationKind;
  text: string;
  picture?: string;
}

export interface WalksView {
  job: JobHead;
  walks: { id: string; kind: WalkKind; when: string; by: string; finished: boolean; records: number; summary: string }[];
}

export interface ReviewView {
  job: JobHead;
  walk: { id: string; kind: WalkKind; when: string; by: string; finished: boolean };
  gain: number;
  done: number;
  areas: { id: string; name: string; lines: { tone: 'good' | 'bad' | 'plain'; text: string }[] }[];
  pictures: PictureView[];
  moved: MovedWork[];
  finish: { before?: Day; after?: Day; promised?: Day };
  /** The plan after the walk is still being computed. */
  planning: boolean;
  problem: string | null;
  drafts: { id: string; audience: 'client' | 'crew'; title: string; state: string }[];
  today: Day;
}

import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import type { Stance } from '../sites/area';

export const DRAFT_KINDS = ['progress', 'remaining', 'scope', 'measurement', 'selection', 'order', 'assumption', 'surprise', 'caution', 'decision', 'gate', 'household'] as const;
export type DraftKind = (typeof DRAFT_KINDS)[number];


/** What the reader proposes. It becomes a record only when somebody accepts it. */
export interface Draft {
  /** Seconds of the captions that carry it. */
  start: number;
  end: number;
  /** The words it was read from, as they were said. */
  words: string;
  kind: DraftKind;
  /** One of the job's areas by name; null for the job as a whole, or where nobody said. */
  area: string | null;
  /** 0…1: how much speaks for it. */
  confidence: number;
  /** What it is about, in the speaker's words. */
  subject: string;
  phase?: Phase;
  /** 0…1. */
  fraction?: number;
  trade?: Trade;
  quantity?: number;
  stance?: Stance;
  value?: number;
  value2?: number;
  unit?: 'in' | 'mm';
  mm?: number;
  mm2?: number;
  choice?: string;
  days?: number;
  problem?: 'late' | 'missing' | 'wrong' | 'damaged';
  fallback?: string;
  by?: 'client' | 'us' | 'engineer';
  state?: 'booked' | 'passed' | 'failed' | 'waiting';
}

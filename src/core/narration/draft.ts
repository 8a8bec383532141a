import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import type { Inclusion } from '../sites/area';

export const DRAFT_KINDS = [
  'progress',
  'remaining',
  'scope',
  'measurement',
  'selection',
  'order',
  'assumption',
  'surprise',
  'caution',
  'decision',
  'gate',
  'household',
] as const;
export type DraftKind = (typeof DRAFT_KINDS)[number];

/** What a sentence or a short line says. */
export interface Reading {
  kind: DraftKind;
  /** What it is about, in the speaker's words. */
  subject: string;
  phase?: Phase;
  /** 0…1. */
  /** Of what somebody has to look at: who passed it. */
  passedBy?: string;
  fraction?: number;
  trade?: Trade;
  quantity?: number;
  unit?: string;
  stance?: Inclusion;
  /** A size in `unit`, and in millimetres. */
  value?: number;
  value2?: number;
  mm?: number;
  mm2?: number;
  choice?: string;
  days?: number;
  problem?: 'late' | 'missing' | 'wrong' | 'damaged';
  fallback?: string;
  by?: 'client' | 'us' | 'engineer';
  state?: 'booked' | 'passed' | 'failed' | 'waiting';
}

/** What the reader proposes. It becomes a record only when somebody accepts it. */
export interface Draft extends Reading {
  /** Seconds of the captions that carry it. */
  start: number;
  end: number;
  /** The words it was read from, as they were said. */
  words: string;
  /** One of the job's areas by name; null for the job as a whole, or where nobody said. */
  area: string | null;
  /** 0…1: how much speaks for it. */
  confidence: number;
}

/** A name for each draft of a narration by its kind and second, the same whenever the same text is read. */
export function draftKeys(drafts: readonly Draft[]): string[] {
  const seen = new Map<string, number>();
  return drafts.map((draft) => {
    const key = `${draft.kind}@${draft.start.toFixed(1)}`;
    const count = (seen.get(key) ?? 0) + 1;
    seen.set(key, count);
    return count === 1 ? key : `${key}#${count}`;
  });
}

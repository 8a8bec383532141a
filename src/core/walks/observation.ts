import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';

export const WALK_KINDS = ['scope', 'layout', 'progress', 'close-in', 'completion'] as const;
export type WalkKind = (typeof WALK_KINDS)[number];

/** How a selection on site compares with what was chosen. */
export const SELECTION_VERDICTS = ['right', 'wrong', 'missing', 'damaged'] as const;
export type SelectionVerdict = (typeof SELECTION_VERDICTS)[number];

/** How an open item of an earlier walk was found again. */
export const RECHECK_VERDICTS = ['done', 'still open', 'worse'] as const;
export type RecheckVerdict = (typeof RECHECK_VERDICTS)[number];

interface Seen {
  id: string;
  job: string;
  walk: string;
  area: string;
  /** UTC instant at which it was observed, not at which it arrived. */
  at: string;
  person: string;
}

/** One thing recorded on a walk. Never edited; a later one of the same matter, or a withdrawal, takes its place. */
export type Observation = Seen &
  (
    | { kind: 'progress'; phase: Phase; fraction: number }
    | { kind: 'remaining'; text: string; trade: Trade; quantity?: number; unit?: string }
    | { kind: 'recheck'; about: string; verdict: RecheckVerdict }
    /** `quantity`: how many are not right; `text`: what it came as, or what is broken. */
    | { kind: 'selection-check'; selection: string; verdict: SelectionVerdict; quantity?: number; text?: string; picture?: string }
    | { kind: 'note'; text: string }
    | { kind: 'caution'; text: string }
    | { kind: 'picture'; picture: string; text?: string }
    | { kind: 'measurement'; text: string; mm: number; typed: string }
    | { kind: 'withdrawal'; about: string }
  );

export type ObservationKind = Observation['kind'];
export type Of<Kind extends ObservationKind> = Extract<Observation, { kind: Kind }>;

/** By the time it was seen; ids break ties, being made in order of time. */
export const inOrderSeen = (a: Observation, b: Observation): number => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1);

/** Those that still stand, in the order in which they were seen: what was withdrawn is left out, and the withdrawals with it. */
export function standing(observations: readonly Observation[]): Observation[] {
  const withdrawn = new Set(observations.flatMap((one) => (one.kind === 'withdrawal' ? [one.about] : [])));
  return observations.filter((one) => one.kind !== 'withdrawal' && !withdrawn.has(one.id)).sort(inOrderSeen);
}

/** Picks one kind, keeping its type. */
export function ofKind<Kind extends ObservationKind>(observations: readonly Observation[], kind: Kind): Of<Kind>[] {
  return observations.filter((one): one is Of<Kind> => one.kind === kind);
}

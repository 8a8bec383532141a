import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import type { Inclusion } from '../sites/area';

export const WALK_KINDS = ['scope', 'layout', 'progress', 'close-in', 'completion'] as const;
export type WalkKind = (typeof WALK_KINDS)[number];

/** How a selection on site compares with what was chosen. */
export const SELECTION_VERDICTS = ['right', 'wrong', 'missing', 'damaged'] as const;
export type SelectionVerdict = (typeof SELECTION_VERDICTS)[number];

/** How an open item of an earlier walk was found again. */
export const RECHECK_VERDICTS = ['done', 'still open', 'worse', 'not seen'] as const;
export type RecheckVerdict = (typeof RECHECK_VERDICTS)[number];

/** How a line of the check before covering was found. */
export const CHECK_VERDICTS = ['right', 'open', 'not here'] as const;
export type CheckVerdict = (typeof CHECK_VERDICTS)[number];

/** What an order turned out to be. */
export const ORDER_PROBLEMS = ['late', 'missing', 'wrong', 'damaged'] as const;
type OrderProblem = (typeof ORDER_PROBLEMS)[number];

/** Who settled a thing on the spot. */
export const DECIDERS = ['client', 'us', 'engineer'] as const;
/** How an inspection, an approval or an answer stands. */
export const GATE_STATES = ['booked', 'passed', 'failed', 'waiting'] as const;

/** The words a record was read from, and where in which narration they were said. */
interface Quote {
  narration: string;
  /** The draft's key among those of its narration. */
  draft: string;
  words: string;
  /** Seconds. */
  start: number;
  end: number;
}

interface Seen {
  id: string;
  job: string;
  walk: string;
  area: string;
  /** UTC instant at which it was observed, not at which it arrived. */
  at: string;
  person: string;
  said?: Quote;
  /** What the device took the time for, where its clock was wrong; `at` is corrected. */
  clock?: string;
}

/** One thing recorded on a walk. Never edited; a later one of the same matter, or a withdrawal, takes its place. */
export type Observation = Seen &
  /** `by`, `picture`: who passed it, and the paper they left, where somebody has to look. */
  (
    | { kind: 'progress'; phase: Phase; fraction: number; by?: string; picture?: string }
    | { kind: 'remaining'; text: string; trade: Trade; quantity?: number; unit?: string }
    /** `text`, `picture`: how it was seen to be done. */
    | { kind: 'recheck'; about: string; verdict: RecheckVerdict; text?: string; picture?: string }
    /** `quantity`: how many are not right; `text`: what it came as, or what is broken. */
    | {
        kind: 'selection-check';
        selection: string;
        verdict: SelectionVerdict;
        quantity?: number;
        text?: string;
        picture?: string;
      }
    | { kind: 'note'; text: string }
    | { kind: 'caution'; text: string }
    /** `standpoint`: taken from the same spot each time. */
    | { kind: 'picture'; picture: string; text?: string; standpoint?: string }
    | { kind: 'marks'; about: string; marks: Annotation[] }
    /** `of`: what of the drawing was measured, where it belongs to one; `second` is the other side of “… by …”. */
    | { kind: 'measurement'; text: string; mm: number; typed: string; second?: number; of?: Target }
    | { kind: 'surprise'; text: string }
    | { kind: 'decision'; text: string; by: (typeof DECIDERS)[number]; name?: string; free?: boolean }
    | { kind: 'scope'; text: string; stance: Inclusion; quantity?: number }
    | { kind: 'assumption'; text: string; fallback?: string }
    | { kind: 'selection'; text: string; choice?: string }
    | { kind: 'order'; text: string; problem?: OrderProblem; days?: number }
    | { kind: 'gate'; text: string; state?: (typeof GATE_STATES)[number] }
    | { kind: 'household'; text: string }
    /** What ran out or is needed from a shop. */
    | { kind: 'short'; text: string; quantity?: number; unit?: string; supplier?: string }
    | { kind: 'check'; line: string; verdict: CheckVerdict; text?: string }
    | ({ kind: 'in-wall' } & InWall)
    | { kind: 'withdrawal'; about: string }
  );

/** A record as it is made and sent: the door adds whose it is, of which job and when. */
export type RecordedObservation = Made<Observation>;
type Made<Kind> = Kind extends Observation ? Omit<Kind, 'job' | 'at' | 'person' | 'clock'> : never;
export type RecordedOf<Kind extends ObservationKind> = Made<Of<Kind>>;

/** A record before it has an id and a walk. */
export type NewObservation = Unkept<RecordedObservation>;
type Unkept<Kind> = Kind extends RecordedObservation ? Omit<Kind, 'id' | 'walk'> : never;

/** A drawn mark on a picture, in parts of its width and height: 0…1 from the left and from the top. */
export type Annotation =
  | { form: 'arrow'; from: Spot; to: Spot }
  | { form: 'ring'; from: Spot; to: Spot }
  | { form: 'text'; from: Spot; text: string }
  | { form: 'measure'; from: Spot; to: Spot; text: string };
export type Spot = [number, number];

/** What a measurement is the size of, where that is drawn. */
export type Target =
  | { what: 'wall'; wall: number }
  | { what: 'height' }
  | { what: 'opening'; opening: string; side: 'width' | 'height' | 'sill' };

/** Something in a wall, placed on its elevation as one faces it from inside. mm */
export interface InWall {
  wall: number;
  what: InWallKind;
  text: string;
  /** From the wall's left corner. */
  along: number;
  /** From the floor to its middle, or to its lower end where it runs. */
  height: number;
  /** How far it reaches to the right and upwards; 0 for a spot. */
  length: number;
  rise: number;
  picture?: string;
}

export const IN_WALL_KINDS = {
  backing: 'backing',
  pipe: 'pipe',
  drain: 'drain',
  duct: 'duct',
  cable: 'cable',
  box: 'box',
  valve: 'valve',
  steel: 'steel',
  panel: 'access panel',
  other: 'other',
} as const;
export type InWallKind = keyof typeof IN_WALL_KINDS;

export type ObservationKind = Observation['kind'];
export type Of<Kind extends ObservationKind> = Extract<Observation, { kind: Kind }>;

/** By the time it was seen; ids break ties, being made in order of time. */
export const inOrderSeen = (a: Observation, b: Observation): number =>
  a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1;

/**
 * Records that wait for their place in scope, among assumptions or changes: what a walk said and nobody has put away
 * yet.
 */
export const UNFILED_KINDS = [
  'surprise',
  'scope',
  'assumption',
  'selection',
  'order',
  'gate',
  'household',
] as const satisfies readonly ObservationKind[];
export type UnplacedKind = (typeof UNFILED_KINDS)[number];

/**
 * Those that still stand, in the order in which they were seen: what was withdrawn is left out, and the withdrawals
 * with it.
 */
export function notWithdrawn(observations: readonly Observation[]): Observation[] {
  const withdrawn = new Set(
    observations.flatMap((observation) => (observation.kind === 'withdrawal' ? [observation.about] : [])),
  );
  return observations
    .filter((observation) => observation.kind !== 'withdrawal' && !withdrawn.has(observation.id))
    .sort(inOrderSeen);
}

/** Picks one kind, keeping its type. */
export function ofKind<Kind extends ObservationKind>(observations: readonly Observation[], kind: Kind): Of<Kind>[] {
  return observations.filter((observation): observation is Of<Kind> => observation.kind === kind);
}

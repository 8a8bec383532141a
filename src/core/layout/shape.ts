import { formatLength, type LengthSystem } from '../units/length';

/** A length with the text as somebody typed it. */
export interface Measured {
  mm: number;
  typed: string;
}

/**
 * One wall of a room, from left to right as one faces it from inside, and the turn to the next: 90 at an inner corner,
 * −90 round an outer one.
 */
export interface Wall extends Measured {
  turn: number;
}

/** A room by its walls, read off clockwise: one faces each from inside and turns right to the next. */
export interface RoomShape {
  kind: 'room';
  height: Measured;
  walls: Wall[];
  /** A closing error is shared out over all walls instead of left in the last one. */
  spread: boolean;
  /** Where the ceiling comes down towards a wall; none where it is level. */
  slopes?: Slope[];
}

/** A ceiling that is `low` high at a wall and rises to the room's height at `run` from it. */
interface Slope {
  wall: number;
  low: Measured;
  run: Measured;
}

/** One part of an outside face: a rectangle, with a gable on it where it rises. */
export interface Section {
  width: Measured;
  height: Measured;
  gableRise: Measured;
}

/** An outside face by its sections from left to right, seen from outside. */
export interface FaceShape {
  kind: 'face';
  sections: Section[];
}

/** A roof by its plan, eaves included, and its slope. */
export interface RoofShape {
  kind: 'roof';
  width: Measured;
  length: Measured;
  riseIn12: number;
}

/** A drain by its legs from the outlet upstream, against the job's datum. */
export interface RunShape {
  kind: 'run';
  outletInvert: Measured;
  headMaxInvert: Measured;
  /** Its bore: how steep it has to be hangs on it. */
  pipe?: Measured;
  legs: { length: Measured; fall: number }[];
}

export type Shape = RoomShape | FaceShape | RoofShape | RunShape;

export const OPENING_KINDS = {
  door: 'door',
  window: 'window',
  pocket: 'pocket door',
  folding: 'folding door',
  passage: 'open passage',
} as const;
export type OpeningKind = keyof typeof OPENING_KINDS;
export const isDoor = (kind: OpeningKind): boolean => kind !== 'window';

/**
 * A hole in a wall or face. `along` is from the left end of the wall seen from inside, or of the section seen from
 * outside; null where only size and count are known.
 */
export interface Opening {
  id: string;
  wall: number;
  kind: OpeningKind;
  name: string;
  width: Measured;
  height: Measured;
  sill: Measured;
  along: Measured | null;
  count: number;
  /** Doors: which end its leaf hangs on, seen from inside, and whether it opens into this room. */
  hinge: 'left' | 'right';
  opensIn: boolean;
  /** Windows: what is free when it stands open, by its maker; null where nobody has looked. */
  clear: { width: Measured; height: Measured } | null;
}

/**
 * A thing with a size: against a wall or free in the room, on the floor, hung, or under the ceiling. `tall` is how tall
 * it usually is in mm, `inches` in a job of feet and inches.
 */
export const PLACED_KINDS = {
  bed: { label: 'bed', tall: 600, inches: 24 },
  table: { label: 'table', tall: 750, inches: 30 },
  cabinet: { label: 'cabinet', tall: 900, inches: 36 },
  appliance: { label: 'appliance', tall: 900, inches: 36 },
  bath: { label: 'bath or shower', tall: 600, inches: 24 },
  post: { label: 'post', tall: 2400, inches: 96 },
  bulkhead: { label: 'bulkhead', tall: 300, inches: 12 },
  beam: { label: 'beam', tall: 300, inches: 12 },
  duct: { label: 'duct', tall: 200, inches: 8 },
  pipe: { label: 'pipe', tall: 110, inches: 4 },
  other: { label: 'other', tall: 900, inches: 36 },
} as const;
export type FixtureKind = keyof typeof PLACED_KINDS;
/** What runs under the ceiling, and is drawn on the ceiling plan. */
const OVERHEAD: ReadonlySet<FixtureKind> = new Set(['bulkhead', 'beam', 'duct', 'pipe']);
export const isOverhead = ({ kind, bottom }: Pick<Fixture, 'kind' | 'bottom'>): boolean =>
  OVERHEAD.has(kind) && bottom.mm > 0;

export interface Fixture {
  id: string;
  /** The wall it is measured from; it stands against it where `away` is 0. */
  wall: number;
  kind: FixtureKind;
  name: string;
  along: Measured;
  width: Measured;
  depth: Measured;
  /** From its wall to its back: an island stands free. */
  away: Measured;
  /** From the floor to its lower edge. */
  bottom: Measured;
  /** From its lower edge to its top. */
  tall: Measured;
  /** Free floor wanted in front of it. */
  front: Measured;
  /** Which side its door hangs on, seen from the room; none where it has drawers or no door. */
  hinge: 'left' | 'right' | 'none';
  /** How far a handle stands out. */
  handle: Measured;
}

const NOTHING: Measured = { mm: 0, typed: '0' };
/** What is not said of a thing of that kind: it stands on the floor against its wall and has no door. */
export const usualFixture = (
  kind: FixtureKind,
  system: LengthSystem = 'metric',
): Pick<Fixture, 'away' | 'bottom' | 'tall' | 'hinge' | 'handle'> => ({
  away: NOTHING,
  bottom: NOTHING,
  tall: measuredAs(system === 'metric' ? PLACED_KINDS[kind].tall : PLACED_KINDS[kind].inches * 25.4, system),
  hinge: 'none',
  handle: NOTHING,
});

/** Walls and sections are numbered from 1 for people. */
export const wallName = (wall: number): string => `wall ${wall + 1}`;
/** A length that was worked out, as the job writes it. */
export const measuredAs = (mm: number, system: LengthSystem): Measured => ({ mm, typed: formatLength(mm, system) });
export const measured = (mm: number, typed = `${Math.round(mm * 100) / 100} mm`): Measured => ({ mm, typed });

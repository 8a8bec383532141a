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
interface RoofShape {
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

/** A thing with a size that stands on the floor against a wall: a bed, a table, a cabinet, an appliance. */
export const PLACED_KINDS = {
  bed: 'bed',
  table: 'table',
  cabinet: 'cabinet',
  appliance: 'appliance',
  bath: 'bath or shower',
  other: 'other',
} as const;
export type FixtureKind = keyof typeof PLACED_KINDS;

export interface Fixture {
  id: string;
  wall: number;
  kind: FixtureKind;
  name: string;
  along: Measured;
  width: Measured;
  depth: Measured;
  /** Free floor wanted in front of it. */
  front: Measured;
}

/** Walls and sections are numbered from 1 for people. */
export const wallName = (wall: number): string => `wall ${wall + 1}`;
export const measured = (mm: number, typed = `${Math.round(mm * 100) / 100} mm`): Measured => ({ mm, typed });

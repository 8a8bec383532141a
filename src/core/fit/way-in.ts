import { peopleFor } from '../selections/storage';
import { ceil } from '../units/rounding';

/** Walking with a load and back again. m in an hour */
const CARRY_PACE = 2000;
/** Slings and swing beside the load itself. */
const RIGGING = 1.1;

export const PIECE_KINDS = {
  beam: 'long and straight, can be turned',
  sheet: 'a sheet, a tub, a cabinet: can be turned',
  machine: 'a machine or a boiler: stays upright',
} as const;
export type PieceKind = keyof typeof PIECE_KINDS;
export const PIECE_KIND_KEYS = Object.keys(PIECE_KINDS) as PieceKind[];

export const WAY_KINDS = {
  opening: 'door, gate, window, corridor or alley',
  turn: 'square turn',
  stair: 'straight stair',
  carry: 'carried by hand',
  crane: 'over it by crane',
  hose: 'by pump and hose',
} as const;
export type WayKind = keyof typeof WAY_KINDS;
export const WAY_KIND_KEYS = Object.keys(WAY_KINDS) as WayKind[];

/** Lengths in mm, weights in kg. */
export type Way =
  | { kind: 'opening'; width: number; height: number }
  | { kind: 'stair'; width: number; headroom: number }
  | { kind: 'turn'; before: number; after: number; height: number }
  | { kind: 'crane'; lifts: number }
  | { kind: 'hose'; distance: number; hose: number }
  | { kind: 'carry'; distance: number };

export const WAY_WORDS: Record<WayKind, string> = {
  opening: 'the opening',
  stair: 'the stair',
  turn: 'the turn',
  crane: 'the crane',
  hose: 'the hose',
  carry: 'the way by hand',
};

export interface LargePiece {
  kind: PieceKind;
  length: number;
  width: number;
  height: number;
  /** Null where nobody knows. */
  mass: number | null;
}

/** A piece by its sides, the longest first; `upright` is how tall a thing is that may not be laid down. */
interface Body {
  long: number;
  mid: number;
  thin: number;
  upright: number | null;
  mass: number | null;
}

export function bodyOf({ kind, length, width, height, mass }: LargePiece): Body {
  if (kind === 'machine') {
    const [thin, long] = [Math.min(length, width), Math.max(length, width)];
    return { long, mid: thin, thin, upright: height, mass };
  }
  const [thin = 0, mid = 0, long = 0] = [length, width, height].sort((a, b) => a - b);
  return { long, mid, thin, upright: null, mass };
}

/**
 * The longest straight piece of a thickness that goes round a square corner, flat on the ground. Lengths in mm.
 * Source: geometry; over all angles the least of a / cos θ + b / sin θ − t / (sin θ cos θ).
 * @returns 0 where it is thicker than one of the ways
 */
export function longestRound(before: number, after: number, thickness: number): number {
  if (thickness > before || thickness > after) return 0;
  const at = (angle: number): number =>
    before / Math.cos(angle) + after / Math.sin(angle) - thickness / (Math.sin(angle) * Math.cos(angle));
  // It falls and then rises once: thirds close in on its lowest place.
  let [low, high] = [1e-4, Math.PI / 2 - 1e-4];
  for (let step = 0; step < 100; step += 1) {
    const [one, two] = [low + (high - low) / 3, high - (high - low) / 3];
    if (at(one) < at(two)) high = two;
    else low = one;
  }
  return Math.max(0, at((low + high) / 2));
}

/** The longest that goes through a straight way: any length once the section does; 0 where it does not. */
function longestThrough({ mid, thin, long, upright }: Body, width: number, height: number): number {
  if (upright !== null) return upright <= height && Math.min(mid, thin, long) <= width ? Infinity : 0;
  return (mid <= height && thin <= width) || (mid <= width && thin <= height) ? Infinity : 0;
}

/** Round a corner: on edge, its narrow side across the way, tilted as far as the height lets it. */
function longestAround({ mid, thin, upright }: Body, before: number, after: number, height: number): number {
  if (upright !== null) return upright <= height ? longestRound(before, after, Math.min(mid, thin)) : 0;
  if (mid > height) return 0;
  const flat = longestRound(before, after, thin);
  return flat === 0 ? 0 : Math.hypot(flat, height - mid);
}

/** The longest of a piece's section that a way lets through, in mm: Infinity for any, 0 for none. */
export function limitOf(body: Body, way: Way): number {
  switch (way.kind) {
    case 'opening':
      return longestThrough(body, way.width, way.height);
    case 'stair':
      return longestThrough(body, way.width, way.headroom);
    case 'turn':
      return longestAround(body, way.before, way.after, way.height);
    case 'crane':
      return body.mass !== null && body.mass * RIGGING > way.lifts ? 0 : Infinity;
    case 'hose':
      return way.distance <= way.hose ? Infinity : 0;
    case 'carry':
      return Infinity;
  }
}

/** How many pieces a beam would be; 0 where cutting does not help, or is no way out. */
export const piecesOf = (kind: PieceKind, { long }: Body, most: number): number =>
  most > 0 && kind === 'beam' ? ceil(long / most) : 0;

/** Hours of all people together for carrying pieces so far and walking back. @param distance mm */
export const carryHours = (pieces: number, people: number, distance: number): number =>
  Math.round(((pieces * people * 2 * (distance / 1000)) / CARRY_PACE) * 100) / 100;

export type KnownWay<Known extends { id: string } = { id: string }> = Known & { way: Way };

export interface Verdict {
  fits: boolean;
  /** What of the usual way stops it, by id. */
  stops: string[];
  /** The longest that comes there by the usual way, in mm. */
  longest: number;
  /** Another way in that takes it, by id. */
  by: string | null;
  /** Pieces it would come in by the usual way; 0 where that is no way out. */
  pieces: number;
  /** Null where nobody knows what it weighs. */
  people: number | null;
  hours: number | null;
}

/**
 * Whether a piece comes to where it goes, and what follows if it does not. A way nobody has measured stops nothing.
 * @param usual everything that it passes; @param beside other ways in, each by itself
 */
export function judgeWayIn(piece: LargePiece, usual: readonly KnownWay[], beside: readonly KnownWay[]): Verdict {
  const body = bodyOf(piece);
  const isShort = (most: number): boolean => most < body.long - 1e-6;
  // Concrete comes by hose, a beam does not; a crane is another way in.
  const passed = usual.filter(({ way }) => way.kind !== 'hose' && way.kind !== 'crane');
  const others = [...beside, ...usual.filter(({ way }) => way.kind === 'crane')].filter(
    ({ way }) => way.kind !== 'hose',
  );
  const limits = passed.map(({ id, way }) => ({ id, most: limitOf(body, way) }));
  const longest = Math.min(body.long, ...limits.map(({ most }) => most));
  const stops = limits.filter(({ most }) => isShort(most)).map(({ id }) => id);
  const fits = stops.length === 0;
  const pieces = fits ? 1 : piecesOf(piece.kind, body, longest);
  const people = piece.mass === null ? null : peopleFor(piece.mass / Math.max(1, pieces));
  const distance = passed.reduce((sum, { way }) => sum + (way.kind === 'carry' ? way.distance : 0), 0);
  return {
    fits,
    stops,
    longest,
    by: fits ? null : (others.find(({ way }) => !isShort(limitOf(body, way)))?.id ?? null),
    pieces,
    people,
    hours: people === null || distance === 0 ? null : carryHours(Math.max(1, pieces), people, distance),
  };
}

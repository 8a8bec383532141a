import type { Work } from '../sequence/works';
import type { AreaKind } from './area';

/**
 * An area before it is set out: levels are named, not yet made. `level` is null for faces, roofs, ground and
 * outbuildings.
 */
export interface DraftArea {
  name: string;
  kind: AreaKind;
  level: string | null;
  works: Work[];
  /** 1 is an ordinary room or face. */
  size: number;
  /** Others are reached through it. */
  passage?: boolean;
  /** Names of areas on the other side of its walls, and of those to which the wall comes out. */
  beside?: string[];
  opensTo?: string[];
}

export interface DraftLevel {
  name: string;
  /** Storeys above the entrance: 0 ground, 1 upper, -1 below. */
  height: number;
}

export interface Draft {
  levels: DraftLevel[];
  areas: DraftArea[];
}

/** Whether others are reached through an area, by what it is called; said before it is set out, and changed where it is wrong. */
export const isPassageByName = (name: string, kind: AreaKind): boolean =>
  kind === 'room' &&
  /\b(?:hall|hallway|landing|corridor|passage|passageway|lobby|vestibule|entry|stairs?|stairwell)\b/i.test(name);

/** Only rooms stand on a storey; everything outside stands by itself. */
export const standsOnLevel = (kind: AreaKind): boolean => kind === 'room' || kind === 'wet';

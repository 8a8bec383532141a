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

/** Only rooms stand on a storey; everything outside stands by itself. */
export const standsOnLevel = (kind: AreaKind): boolean => kind === 'room' || kind === 'wet';

import type { AreaKind } from '../sites/area';
import type { Day } from '../units/day';
import type { Phase } from './phases';
import type { Trade } from './trades';

/** What the sequence needs to know of a job: its areas with their tracks and how they touch each other. */
export interface Site {
  id: string;
  name: string;
  /** First day on which work may start. */
  startDay: Day;
  /** The day that was promised to the client; undefined while none was. */
  promise?: Day;
  /** Whether the household stays during the work. */
  livedIn: boolean;
  /** The half of the day in which loud work was announced to the neighbours; undefined when both are. */
  loudHalf?: 'morning' | 'afternoon';
  areas: SiteArea[];
  /** Orders agreed for this job alone, on top of the rules. */
  ownLinks: OwnLink[];
  /** Open items of walks: work to be done before what covers it. */
  leftovers: Leftover[];
  /** Work that no track has: what an assumption that turned out wrong brings, what a change adds. */
  extras: ExtraWork[];
}

/** Work added to an area after one of its steps (before its first, where none is named), with why. */
export interface ExtraWork {
  id: string;
  area: string;
  text: string;
  trade: Trade;
  halfDays: number;
  after: Phase | null;
  reason: string;
}

/** Remaining work that a walk recorded, as a task of its own. */
export interface Leftover {
  id: string;
  area: string;
  text: string;
  trade: Trade;
}

export interface SiteArea {
  id: string;
  name: string;
  kind: AreaKind;
  /** Storey and its height counted from the entrance; outside areas have none. */
  level?: { id: string; height: number; name: string };
  /** Place along the way in, and for drains along the fall: 0 is nearest the way out, or lowest. */
  position: number;
  /** Everybody has to come through here (hall, landing). */
  passage: boolean;
  /** Household services that stand here: only `toilet` and the like of what people live with. */
  provides: string[];
  /** Areas on the other side of a shared wall, both ways round. */
  beside: string[];
  /** Levels that a face or roof keeps dry. */
  shelters: string[];
  track: TrackStep[];
}

/** One phase of one area, with what is known of it. */
export interface TrackStep {
  phase: Phase;
  trade: Trade;
  /** Planned half-days of one crew. */
  halfDays: number;
  /** 0…1, from the newest observation. */
  fraction: number;
  /** When it was last seen to move: the half-day that ends it, where fraction is 1. */
  seen?: { day: Day; half: 0 | 1 };
  /** Half-days still to do, where walks have shown a rate; else from the fraction alone. */
  remaining: number;
}

export interface OwnLink {
  id: string;
  before: { area: string; phase: Phase };
  after: { area: string; phase: Phase };
  reason: string;
}

export const taskId = (area: string, phase: Phase): string => `${area}:${phase}`;
export const extraId = (id: string): string => `extra:${id}`;
export const leftoverId = (observation: string): string => `item:${observation}`;

import type { AreaId, SelectionId } from '../ids';
import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import type { SelectionState } from '../selections/states';
import type { Brief, BriefLine } from '../scope/brief';
import type { AreaKind } from '../sites/area';
import type { CloseInState } from './close-in';
import type { Annotation, ObservationKind, SelectionVerdict, Target } from './observation';

/** What a walk has in the hand, as the server gives it and as the device lays over it what it has not sent yet. */
export interface WalkScreen {
  job: { id: string };
  areas: WalkArea[];
  levels: { id: string; name: string }[];
  /** What was found of the job as a whole. */
  whole: SaidHere;
  narrations: NarrationView[];
  /** The state in which the site was left last. */
  left: { when: string; bin: number | null } | null;
}

/** What a first visit has said of a place so far. */
export interface SaidHere {
  brief: Brief;
  /** What the office alone has to do with: approvals and allowances. */
  forOffice: BriefLine[];
  /** What is still missing in a finding, by its id. */
  gaps: Record<string, string>;
}

export interface NarrationView {
  id: string;
  name: string;
  text: string;
  recording: string | null;
  /** Drafts that are settled, by the key the reader gives them. */
  dropped: string[];
  accepted: string[];
}

export interface WalkArea extends SaidHere {
  id: AreaId;
  name: string;
  kind: AreaKind;
  place: string;
  /** What people call it besides. */
  called: string[];
  /** `failed`: how the last visit of whoever looks at it went wrong. */
  steps: { phase: Phase; label: string; fraction: number; trade: Trade; failed?: string }[];
  /** What earlier walks left open, the longest open first. */
  open: {
    id: string;
    kind: 'remaining' | 'caution';
    text: string;
    trade: Trade | null;
    putOff: number;
    notSeen: number;
    days: number;
    worse: boolean;
    verdict: string | null;
    since: string;
  }[];
  selections: {
    id: SelectionId;
    category: string;
    choice: string;
    code: string;
    colour: string;
    finish: string;
    quantity: number | null;
    unit: string;
    state: SelectionState;
    verdict: SelectionVerdict | null;
  }[];
  /** Believed here and not seen: it is settled when it shows itself. */
  assumptions: { id: string; text: string; fallback: string; shownBy: string; state: 'open' | 'held' | 'wrong' }[];
  /** Added work that is not done. */
  extras: { id: string; text: string; trade: Trade; done: boolean }[];
  /** The check before the walls are closed; empty where none is. */
  checks: { key: string; text: string; because: string; state: CloseInState['state']; said: string }[];
  closed: boolean;
  standpoints: { id: string; name: string; last: { hash: string; when: string } | null }[];
  /** What is drawn and can be measured again. */
  drawn: { label: string; of: Target; mm: number }[];
  walls: string[];
  accepted: string | null;
  /** Recorded on this walk already. */
  recorded: Recorded[];
}

export interface Recorded {
  id: string;
  kind: ObservationKind;
  text: string;
  picture?: string;
  /** Who recorded it, where several people walk. */
  by?: string;
  marks?: Annotation[];
  /** What it was put among, and what it became there. */
  filed?: { as: string; target: string };
}

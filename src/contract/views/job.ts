import type { AttachmentView } from './attachments';
import type { HouseholdNeed } from '@/core/sites/household-needs';
import type { PlanProblem } from './plan';
import type { Currency } from '@/core/units/money';
import type { Measure } from '@/core/layout/measures';
import type { AreaKind, JobState, Inclusion } from '@/core/sites/area';
import type { Annotation, ObservationKind, Target } from '@/core/walks/observation';
import type { Brief } from '@/core/scope/brief';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Work } from '@/core/sequence/works';
import type { Day } from '@/core/units/day';
import type { Zone } from '@/core/units/zone';
import type { HoldKind } from '../commands/sites';
import type { Role } from '../command';
import type { PastPlace } from '../past';
import type { SelectionView } from './selections';
import type { AssumptionView, CalculationView, ExtraView, FindingView } from './scope';

/**
 * What screens are drawn from: plain data, days as text, made by queries and never worked out again in the interface.
 */

export interface PersonView {
  id: string;
  name: string;
  role: Role;
}

/** By what browsers make and show times. */
export interface ServerClock {
  zone: Zone;
  /** How far the house's clock is ahead of the machine's; 0 but where it was set to another time. */
  shiftMs: number;
}

/** How messages go out: by a mail server, played in the demo, or passed on by people themselves. */
export type Sending = 'mail' | 'play' | 'by hand';

export interface ShellView {
  firm: string;
  person: PersonView;
  /** Whom the visitor may become; only in the demo. */
  people: PersonView[];
  jobs: { id: string; name: string; state: JobState }[];
  today: Day;
  currency: Currency;
  demo: boolean;
  sending: Sending;
  /** The newest change this was drawn from. */
  seq: number;
  clock: ServerClock;
}

export interface JobHead {
  id: string;
  name: string;
  address: string;
  state: JobState;
  units: 'metric' | 'imperial';
  /** `walked yesterday 16:20`, `not walked yet`. */
  walked: string;
  openWalk: string | null;
  /** The version of a job that is an example, to be thrown away by it; null for a real one. */
  example: number | null;
  /** How long a link to the client opens unless said otherwise: until the job is done, and a while after. */
  linksUntil: Day;
  counts: { selections: number; schedule: number; news: number };
}

/** One phase on a ladder. */
export interface Rung {
  phase: Phase;
  label: string;
  fraction: number;
  /** Waits for somebody. */
  hold?: { label: string; kind: HoldKind | 'phase' };
}

/** How an area is doing, in one word for its mark and in words under its name. */
export type Standing = 'stuck' | 'waiting' | 'under way' | 'done' | 'not begun' | 'untouched';

export interface AreaView {
  id: string;
  name: string;
  kind: AreaKind;
  livedIn: boolean;
  standing: Standing;
  /** What holds it: something that stops its work now, or that will on a day. */
  held: 'stop' | 'will-stop' | null;
  caption: string;
  /** The last step that was worked on and when it was seen so. */
  front: { label: string; day: string } | null;
  rungs: Rung[];
}

export interface HoldView {
  id: string;
  version: number;
  area: string;
  areaId: string;
  phase: string;
  kind: HoldKind;
  label: string;
  text: string;
  expectedOn: Day;
  askedOn: Day | null;
  overdue: boolean;
  /** The day from which it stops the work of its area; null where it does now. */
  stops: Day | null;
  /** The request whose answer it is; settled where requests are. */
  request: string | null;
  /** Where nobody put it on hold: how it is settled. In the room, by a decision, or by a name that proves it. */
  settled?: { by: 'room' } | { by: 'decision'; area: string; phase: Phase } | { by: 'proof'; finding: string };
}

export interface RoomsView {
  job: JobHead;
  today: Day;
  done: number;
  /** Part of the finished work that nobody will see. */
  hidden: number;
  finish: Day | null;
  promise: Day | null;
  /** The highest first; `height` counts storeys from the entrance, those under it below 0. */
  levels: { id: string; name: string; height: number; note: string; areas: AreaView[] }[];
  faces: AreaView[];
  roofs: AreaView[];
  outbuildings: AreaView[];
  ground: AreaView[];
  holds: HoldView[];
  /** Drawings, permits and other papers of all of it. */
  attachments: AttachmentView[];
  next: { when: string; works: { crew: string; label: string }[] }[];
  problem: PlanProblem | null;
}

/** What of a long past is shown: the newest, or what was before a place in it. */
export interface PastShown {
  newest: boolean;
  /** Where what was still earlier begins; null where all is shown. */
  earlier: PastPlace | null;
}

export interface RoomView {
  job: JobHead;
  today: Day;
  area: AreaView & {
    version: number;
    works: Work[];
    size: number;
    level: string | null;
    levelId: string | null;
    passage: boolean;
    /** What the household has there. */
    provides: HouseholdNeed[];
  };
  levels: { id: string; name: string }[];
  /** What can lie beside it, and what does; to which of them its wall comes out. */
  neighbours: { all: { id: string; name: string }[]; beside: string[]; opensTo: string[] };
  steps: {
    phase: Phase;
    label: string;
    trade: Trade;
    halfDays: number;
    fraction: number;
    when: string;
    reason: string;
    seen: string | null;
    crew: string;
    held: boolean;
  }[];
  open: { id: string; text: string; trade: Trade; putOff: number; worse: boolean; since: string }[];
  selections: SelectionView[];
  scope: ScopeView[];
  findings: FindingView[];
  assumptions: AssumptionView[];
  extras: ExtraView[];
  quantities: CalculationView[];
  drawn: boolean;
  pictures: PictureView[];
  standpoints: StandpointView[];
  /** Sizes that are otherwise than drawn. */
  conflicts: { id: string; label: string; text: string; of: Target }[];
  attachments: AttachmentView[];
  /** What a crew is told of it. */
  brief: Brief;
  called: string;
  /** The check before covering, and how many things are recorded in the walls. */
  walls: { open: number; lines: number; closed: boolean; things: number } | null;
  remarks: { id: string; kind: ObservationKind; text: string; when: string; by: string }[];
  past: PastShown;
}

/** Pictures from one spot, the oldest first. */
export interface StandpointView {
  id: string;
  name: string;
  pictures: (PictureView & { marks: Annotation[] })[];
}

export interface PictureView {
  hash: string;
  area: string;
  when: string;
  text: string | null;
  alt: string;
}

export interface ScopeView {
  id: string;
  version: number;
  areaId: string;
  stance: Inclusion;
  verb: string;
  subject: string;
  quantity: number | null;
  unit: string | null;
  trade: Trade | null;
  dependsOn: string;
  selection: string | null;
  /** Its quantity follows the drawing. */
  measure: Measure | null;
  /** It came with a change that the client approved. */
  change: boolean;
  /** Where what is taken down is kept, or with what something is protected. */
  place: string;
  kept: 'kept' | 'back' | 'gone';
  /** What it said before a choice rewrote it. */
  was: string | null;
  /** Against what the client agreed to; null while nothing is agreed. */
  since: 'agreed' | 'changed' | 'added' | null;
}

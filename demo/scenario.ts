import type { HouseholdNeed } from '@/core/sites/household-needs';
import type { SpareKind } from '@/contract/commands/selections';
import type { LogisticKind } from '@/core/sequence/logistics';
import type { HoldKind } from '@/contract/commands/sites';
import type { Party, RequestKind } from '@/core/selections/requests';
import type { Decider, SelectionState } from '@/core/selections/states';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Work } from '@/core/sequence/works';
import type { AreaKind, JobState, Inclusion } from '@/core/sites/area';
import type { LevelKind } from '@/core/fit/levels';
import type { Measure } from '@/core/layout/measures';
import type { OpeningKind, FixtureKind } from '@/core/layout/shape';
import type { Finding, FindingKind } from '@/core/scope/finding';
import type { Option } from '@/core/scope/option';
import type { LeftKind } from '@/contract/commands/completion';
import type { LeftItem } from '@/core/walks/housekeeping';
import type { InWallKind, RecheckVerdict, SelectionVerdict, WalkKind } from '@/core/walks/observation';

/** The demo firm as data. Days count from the demo's today; everything in it is invented. */

export interface DemoJob {
  key: string;
  name: string;
  address: string;
  client: string;
  clientEmail: string;
  units: 'metric' | 'imperial';
  state: JobState;
  startsIn: number;
  promisedIn: number;
  livedIn: boolean;
  /** What stands in for something the household is without, from so many days on. */
  provisions?: readonly { need: HouseholdNeed; words: string; from: number }[];
  loudHalf?: 'morning' | 'afternoon';
  levels: { key: string; name: string; height: number; note?: string }[];
  areas: DemoArea[];
  beside: ([string, string] | [string, string, 'opens'])[];
  holds: DemoHold[];
  selections: DemoSelection[];
  requests?: DemoRequest[];
  deliveries?: DemoDelivery[];
  spares?: DemoSpare[];
  /** What has to be there before work, work by others, visits that are booked. */
  logistics?: {
    kind: LogisticKind;
    label: string;
    area: string;
    phase: Phase;
    leadDays: number;
    bookedIn?: number;
    place?: string;
    fromHour?: string;
    toHour?: string;
    howMuch?: string;
    contact?: string;
    phone?: string;
  }[];
  others?: { area: string; phase: Phase; who: string; expectedIn: number }[];
  visits?: { area: string; phase: Phase }[];
  scope: {
    area: string;
    stance: Inclusion;
    verb: string;
    subject: string;
    quantity?: number;
    unit?: string;
    trade?: Trade;
    dependsOn?: string;
    place?: string;
  }[];
  walks: DemoWalk[];
  /**
   * Lines of a check before covering that are open, by what they say; all others of the area are settled on the last
   * walk.
   */
  closeIns?: { area: string; open: string[] }[];
  /** What is in the walls; wall from 0, lengths as typed. */
  inWalls?: {
    area: string;
    wall: number;
    what: InWallKind;
    text: string;
    along: string;
    height: string;
    length?: string;
    rise?: string;
  }[];
  /** States in which the site was left, by days before today; how full the bin was. */
  left?: { day: number; bin: number; notWell?: { item: LeftItem; text: string } }[];
  /**
   * A narration told on the last walk: its file in `narrations/`, and how many of its first drafts were accepted
   * already.
   */
  narration?: string;
  /** What stays with the client, what they want put right, what they accepted. */
  leftWithClient?: { kind: LeftKind; text: string; area?: string }[];
  clientAsks?: { area?: string; text: string; name: string }[];
  signedOff?: { area: string; name: string; words: string }[];
  visit?: DemoVisit;
}

/** What the first visit measured, found and compared; lengths as typed. Names of areas are their keys. */
export interface DemoVisit {
  /** Days before today. */
  day: number;
  rooms?: Record<string, { height: string; walls: (readonly [string, number])[] }>;
  faces?: Record<string, { side: string; sections: (readonly [string, string, string?])[] }>;
  roofs?: Record<string, { width: string; length: string; riseIn12: number }>;
  runs?: Record<string, { outlet: string; head: string; legs: (readonly [string, number])[] }>;
  sleeping?: string[];
  /** Two areas and the walls that are one, counted from 0. */
  shared?: (readonly [string, number, string, number])[];
  openings?: {
    area: string;
    wall: number;
    kind: OpeningKind;
    name: string;
    width: string;
    height: string;
    sill?: string;
    along?: string;
    count?: number;
    clear?: readonly [string, string];
    hinge?: 'left' | 'right';
  }[];
  fixtures?: {
    area: string;
    wall: number;
    kind: FixtureKind;
    name: string;
    along: string;
    width: string;
    depth: string;
    front?: string;
  }[];
  levels?: { name: string; kind: LevelKind; level: string }[];
  findings?: (Partial<Omit<Finding, 'id' | 'kind' | 'subject' | 'area'>> & {
    area?: string;
    kind: FindingKind;
    subject: string;
  })[];
  assumptions?: {
    area: string;
    phase: Phase;
    text: string;
    why: string;
    fallback: string;
    fallbackTrade: Trade;
    fallbackHalfDays: number;
    fallbackPrice: number;
  }[];
  /** `decides` counts the job's lines of scope from 0. */
  options?: { area: string; phase: Phase; subject: string; decides?: number[]; options: Option[] }[];
  calculations?: {
    area: string;
    calculator: string;
    product: string;
    input: Record<string, unknown>;
    fed?: Record<string, Measure>;
    phase?: Phase;
    trade?: Trade;
    unitPrice?: number;
    supplier?: string;
  }[];
  changes?: {
    kind: 'addition' | 'omission';
    title: string;
    why: string;
    lines: {
      area: string;
      verb: string;
      subject: string;
      quantity: number;
      unit: string;
      unitPrice: number;
      trade: Trade;
      halfDays: number;
      after?: Phase;
    }[];
  }[];
  /** A statement made, sent and agreed to on this day. */
  agreedBy?: string;
}

export interface DemoArea {
  key: string;
  name: string;
  kind: AreaKind;
  level?: string;
  works: Work[];
  size?: number;
  passage?: boolean;
  livedIn?: boolean;
  provides?: HouseholdNeed[];
  shelters?: string[];
  /**
   * Where it stood at each walk: `framing` says all up to framing is done, `framing=0.3` all before it and that much of
   * it, `… +reroute=0.5` one more phase by itself; `` nothing yet.
   */
  stood: string[];
}

interface DemoHold {
  area: string;
  phase: Phase;
  kind: HoldKind;
  label: string;
  text: string;
  askedIn?: number;
  expectedIn: number;
}

export interface DemoSelection {
  area: string;
  phase: Phase;
  category: string;
  choice: string;
  code?: string;
  colour?: string;
  finish?: string;
  quantity?: number;
  unit?: string;
  unitPrice?: number;
  supplier?: string;
  /** Days it takes to come, at best and at worst. */
  lead: readonly [number, number];
  decides?: Decider;
  approves?: string;
  acclimatiseDays?: number;
  state: SelectionState;
  expectedIn?: number;
  /** Where it stands on the site. */
  keptAt?: string;
  note?: string;
  alternatives?: DemoAlternative[];
  /** Slipped last evening by so many days, with the supplier's reason. */
  slipped?: { days: number; why: string };
  /** What was wrong was ordered again, so many days from today, and comes so many days from today. */
  again?: { orderedIn: number; expectedIn: number };
}

interface DemoAlternative {
  choice: string;
  code: string;
  colour: string;
  supplier: string;
  unitPrice: number;
  lead: readonly [number, number];
  upkeep: string;
  look: string;
}

export interface DemoRequest {
  key: string;
  kind: RequestKind;
  party: Party;
  who?: string;
  subject: string;
  takes: readonly [number, number];
  after?: string;
  sentIn?: number;
  sent?: string;
  expectedIn?: number;
  /** What waits for it: a selection by area and category, or a step. */
  waits: ({ area: string; selection: string } | { area: string; phase: Phase })[];
}

interface DemoDelivery {
  inDays: number;
  half?: 'morning' | 'afternoon';
  place?: string;
  placeNote?: string;
  protection?: string;
  floorArea?: number;
  heaviest?: number;
  people?: number;
  carry?: string;
  selections: { area: string; selection: string }[];
}

interface DemoSpare {
  kind: SpareKind;
  what: string;
  quantity?: number;
  unit?: string;
  area?: string;
  keptAt: string;
}

export interface DemoSupplier {
  name: string;
  email?: string;
  desk?: true;
  /** Closed from the first to the last day, counted from today. */
  closed?: { from: number; to: number; why: string };
  prices?: { code: string; name: string; unit: string; unitPrice: number; lead: readonly [number, number] }[];
}

export interface DemoWalk {
  kind: WalkKind;
  /** Negative: days before today. */
  day: number;
  hour: number;
  seen: DemoSeen[];
  /** Standpoints taken on this walk: an area and the phase that the picture shows. */
  pictures: { area: string; phase: Phase; text?: string }[];
}

export type DemoSeen = { area: string } & (
  | { remaining: string; trade: Trade; quantity?: number; unit?: string; key?: string }
  | { recheck: string; verdict: RecheckVerdict }
  | { selection: string; verdict: SelectionVerdict; text?: string }
  | { note: string }
  | { caution: string }
  | { surprise: string }
  | { decision: string; by: 'client' | 'us' | 'engineer'; name?: string; free?: true }
  | { household: string }
  | { short: string; quantity?: number; unit?: string; supplier?: string }
  | { measurement: string; typed: string }
);

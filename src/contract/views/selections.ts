import type { AttachmentView } from './attachments';
import type { Phrase } from '@/core/words/phrase';
import type { Closure } from '@/core/selections/order-by';
import type { Due } from '@/core/selections/due';
import type { Outcome, Party, RequestKind, Standing } from '@/core/selections/requests';
import type { Alternative, Decider, SelectionState } from '@/core/selections/states';
import type { StorageCheck } from '@/core/selections/storage';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import type { SpareKind } from '../commands/selections';
import type { JobHead } from './job';

export interface SelectionView {
  id: string;
  version: number;
  areaId: string;
  area: string;
  phase: Phase;
  step: string;
  trade: Trade;
  category: string;
  /** The allowance that it is held against. */
  allowance: string | null;
  choice: string;
  code: string;
  colour: string;
  finish: string;
  quantity: number | null;
  unit: string;
  /** The kept result that its quantity follows. */
  calculation: string | null;
  unitPrice: number | null;
  supplier: string;
  supplierId: string | null;
  leadLow: number;
  leadHigh: number;
  decides: Decider;
  approves: string;
  picture: string | null;
  checkDays: number;
  acclimatiseDays: number;
  bufferDays: number;
  thinkDays: number;
  note: string;
  state: SelectionState;
  orderedOn: Day | null;
  orderedAs: string;
  orderNumber: string;
  expectedOn: Day | null;
  cameOn: Day | null;
  keptAt: string;
  needBy: Day | null;
  orderBy: Day | null;
  /** Ordered after this day not even the shortest lead time helps. */
  orderLatest: Day | null;
  decideBy: Day | null;
  /** The next date that matters and how near it is. */
  due: Due;
  /** When it can be there by all that is known, and how many days after its need that is. */
  there: { day: Day; after: number; because: Phrase } | null;
  /** What it is ordered again for, or the rest of. */
  follows: { id: string; as: 're-order' | 'rest' } | null;
  returnTrip: boolean;
  delivery: string | null;
  /** Open requests that its order waits for. */
  waitsFor: { id: string; party: string; text: string; expected: Day }[];
  /** What the newest check on site found. */
  found: { verdict: 'right' | 'wrong' | 'missing' | 'damaged'; text: string } | null;
}

export interface StepsOf {
  id: string;
  name: string;
  phases: { phase: Phase; label: string }[];
}

export interface SelectionsView {
  job: JobHead;
  today: Day;
  areas: StepsOf[];
  selections: SelectionView[];
  suppliers: string[];
  counts: SelectionCounts;
}

/** What wants attention at the places of selections. */
export interface SelectionCounts {
  requests: number;
  /** Purchase orders of which something is late or does not agree. */
  orders: number;
  deliveries: number;
}

export interface HistoryLine {
  id: string;
  when: string;
  who: string;
  text: string;
  desk: boolean;
}

export interface SelectionPageView {
  job: JobHead;
  today: Day;
  item: SelectionView;
  steps: StepsOf['phases'];
  suppliers: string[];
  /** Kept results of its area that buy something. */
  calculations: { id: string; text: string; quantity: number; unit: string }[];
  alternatives: (Alternative & { there: Day; after: number | null })[];
  closures: Closure[];
  /** Why its days are what they are, from the work back, each line leading on. */
  explanation: { text: string; href: string | null }[];
  /** What other selections have to do with it. */
  related: { id: string; text: string }[];
  requests: RequestView[];
  checks: { id: string; when: string; by: string; text: string; good: boolean; picture: string | null }[];
  history: HistoryLine[];
  /** Its supplier is answered for by the simulated desk. */
  desk: boolean;
}

export interface RequestView {
  id: string;
  version: number;
  kind: RequestKind;
  party: Party;
  who: string;
  subject: string;
  takesLow: number;
  takesHigh: number;
  after: string | null;
  afterText: string | null;
  standing: Standing;
  sent: string;
  sentOn: Day | null;
  /** When it can be counted on; the day of the answer once there is one. */
  expected: Day;
  named: Day | null;
  remindedOn: Day | null;
  outcome: Outcome | null;
  conditions: string;
  answeredBy: string;
  neededBy: Day | null;
  sendBy: Day | null;
  /** Too late for what waits for it, or overdue. */
  late: boolean;
  near: boolean;
  /** A day or more after they should have answered. */
  overdue: boolean;
  waits: {
    selection: string | null;
    area: string | null;
    phase: Phase | null;
    text: string;
    href: string;
    by: Day | null;
  }[];
  attachments: AttachmentView[];
  history: HistoryLine[];
}

export interface RequestsView {
  job: JobHead;
  today: Day;
  client: { name: string; address: string };
  requests: RequestView[];
  areas: StepsOf[];
  selections: { id: string; text: string }[];
  counts: SelectionCounts;
}

export interface DeliveryView {
  id: string;
  version: number;
  day: Day;
  half: 'morning' | 'afternoon' | null;
  placeId: string | null;
  place: string;
  placeNote: string;
  protection: string;
  floorArea: number | null;
  heaviest: number | null;
  people: number | null;
  carry: string;
  state: 'planned' | 'came' | 'dropped';
  cameOn: Day | null;
  items: { id: string; text: string; area: string; needBy: Day | null; expectedOn: Day | null }[];
  /** Whether the place can hold it until it is used; null where no place is said. */
  room: StorageCheck | null;
  /** What is wrong with it, in sentences. */
  warnings: string[];
  late: boolean;
}

export interface StoredThing {
  id: string;
  version: number;
  what: string;
  text: string;
  /** What says that it stands there. */
  from: 'selection' | 'spare' | 'finding' | 'scope';
  kind: string;
  /** What is said once it stands there no more; null where its own steps say it. */
  over: string | null;
  href: string | null;
  /** Until it is used. */
  until: Day | null;
}

interface StoreRoom {
  id: string;
  name: string;
  /** Why nothing is put there whoever works: people live in it, or walk through it. */
  kept: string | null;
  /** m²; null where it is not drawn. */
  floor: number | null;
  /** m² still free with half kept clear. */
  left: number | null;
  things: string[];
  /** Work that takes the room today or next, and the last day of it before the room is free. */
  busy: { label: string; from: Day; until: Day } | null;
}

export interface DeliveriesView {
  job: JobHead;
  today: Day;
  deliveries: DeliveryView[];
  /** On its way or to be ordered, and in no delivery yet. */
  loose: { id: string; text: string; needBy: Day | null; expectedOn: Day | null }[];
  places: { id: string; name: string; floor: number | null }[];
  /** Every room as a place to keep things: what stands there, how much floor is free, who works there. */
  map: { level: string; rooms: StoreRoom[] }[];
  /** What stands where. */
  storage: { place: string; things: StoredThing[] }[];
  fitted: { id: string; text: string }[];
  counts: SelectionCounts;
  spareKinds: readonly SpareKind[];
}

export interface SuppliersView {
  today: Day;
  suppliers: {
    id: string;
    version: number;
    name: string;
    email: string;
    phone: string;
    note: string;
    desk: boolean;
    closures: (Closure & { why: string })[];
    prices: number;
    pricesRead: string | null;
    orders: {
      id: string;
      job: string;
      jobName: string;
      text: string;
      state: SelectionState;
      orderedOn: Day | null;
      expectedOn: Day | null;
      needBy: Day | null;
      after: number;
      words: HistoryLine[];
    }[];
  }[];
}

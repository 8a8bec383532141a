import type { BillKind } from '@/core/purchasing/bills';
import type { PricedBy } from '@/core/purchasing/order-line';
import type { Day } from '@/core/units/day';
import type { JobHead } from './job';
import type { SelectionCounts } from './selections';

/** Money in hundredths everywhere here, before tax. */

type PurchaseOrderState = 'draft' | 'sent' | 'ended' | 'cancelled';

/** A line as it is written, and as a form begins with it. */
export interface OrderLineFields {
  id: string;
  selection: string | null;
  calculation: string | null;
  purchase: number | null;
  code: string;
  text: string;
  unit: string;
  quantity: number | null;
  perPack: number | null;
  unitPrice: number | null;
  pricedBy: PricedBy;
  instead: string;
}

interface OrderFields {
  supplier: string;
  deliverOn: Day | null;
  half: 'morning' | 'afternoon' | null;
  place: string | null;
  placeNote: string;
  contact: string;
  deposit: number | null;
  carriage: number | null;
  note: string;
}

/** Something that is to be ordered, and stands on no order yet. */
export interface ToOrderLine extends Omit<OrderLineFields, 'id'> {
  key: string;
  area: string;
  orderBy: Day | null;
  needBy: Day | null;
  /** What its order waits for. */
  waitsFor: string[];
}

/** What is to be ordered of one supplier, the most urgent first. */
export interface ToOrder {
  /** Empty where nobody has said from whom. */
  supplier: string;
  orderBy: Day | null;
  deliverOn: Day | null;
  place: string | null;
  late: boolean;
  lines: ToOrderLine[];
}

export interface PurchaseOrderHead {
  id: string;
  number: number;
  supplier: string;
  state: PurchaseOrderState;
  sentOn: Day | null;
  deliverOn: Day | null;
  place: string;
  what: string;
  total: number;
  unpriced: number;
  /** Something is still to come, and its day is over. */
  late: boolean;
  toCome: boolean;
  mismatches: number;
}

interface OrderTerms {
  /** Whoever looks may see prices and write orders; others see what comes, when and where. */
  office: boolean;
  job: JobHead;
  today: Day;
  counts: SelectionCounts;
  suppliers: string[];
  areas: { id: string; name: string }[];
}

export interface PurchasingView extends OrderTerms {
  orders: PurchaseOrderHead[];
  toOrder: ToOrder[];
}

export interface OrderLineView extends OrderLineFields {
  quantity: number;
  area: string;
  /** How much is ordered, and in how many packs. */
  ordered: number;
  packs: number | null;
  sum: number | null;
  /** What was ordered first. */
  replaces: string;
  planned: number | null;
  came: number;
  wentBack: number;
  billed: number;
  toCome: number;
  toBill: number;
  /** What does not agree, in words. */
  mismatches: string[];
  movements: {
    /** Null where the chosen thing itself tells it. */
    id: string | null;
    kind: 'came' | 'went back';
    day: Day | null;
    quantity: number;
    note: string;
  }[];
  /** Something else may still be accepted in its place. */
  canReplace: boolean;
}

export interface PurchaseOrderView extends OrderTerms {
  order: OrderFields & {
    id: string;
    version: number;
    number: number;
    state: PurchaseOrderState;
    sentOn: Day | null;
    placeName: string;
    email: string;
    phone: string;
    /** What some of its lines wait for: it goes out only with a reason. */
    waitsFor: string[];
  };
  lines: OrderLineView[];
  /** What else of this supplier is to be ordered, for a draft. */
  more: ToOrderLine[];
  bills: {
    id: string;
    kind: BillKind;
    number: string;
    day: Day;
    sum: number;
    what: string;
  }[];
  total: number;
  unpriced: number;
  billed: number;
  depositLeft: number;
  toPay: number;
}

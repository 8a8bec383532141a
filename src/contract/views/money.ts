import type { Held } from '@/core/money/held';
import type { EstimateEntry } from '@/core/money/estimate';
import type { CostsSoFar } from '@/core/money/glance';
import type { MissingPrice, PriceWay } from '@/core/money/line-price';
import type { PaymentDue, PaymentShare } from '@/core/money/payments';
import type { ClientPrice, Price, PriceTerms } from '@/core/money/price';
import type { SpendingKind } from '@/core/money/spending';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import type { PricesShown } from '../commands/money';
import type { JobHead } from './job';
import type { PurchaseOrderHead } from './purchasing';
import type { ScopeCounts } from './scope';

/** Money in hundredths everywhere here; a net is before overhead and tax. */

interface MoneyPage {
  job: JobHead;
  today: Day;
  counts: ScopeCounts;
  terms: PriceTerms;
}

/** A line of scope with how it is priced. */
export interface PricedLine {
  id: string;
  version: number;
  text: string;
  conditional: boolean;
  quantity: number | null;
  unit: string;
  trade: Trade | null;
  perHour: number | null;
  /** What its kept calculations and its selection cost; null where one has no price. */
  bought: number | null;
  way: PriceWay | null;
  unitPrice: number | null;
  hours: number | null;
  net: number;
  /** As a client reads it. */
  part: number;
  missing: MissingPrice[];
  /** The way that was chosen, or waits to be, pays for it. */
  byOption: boolean;
}

export interface PricesView extends MoneyPage {
  /** The job's own, where they are not the firm's. */
  own: { markup: number | null; taxRate: number | null; lateCost: number | null; siteCost: number | null };
  pricesShown: PricesShown;
  areas: {
    id: string;
    name: string;
    lines: PricedLine[];
    others: Pick<EstimateEntry, 'key' | 'kind' | 'text' | 'net'>[];
  }[];
  /** Allowances and damage of the whole job. */
  others: Pick<EstimateEntry, 'key' | 'kind' | 'text' | 'net'>[];
  price: Price;
  client: Omit<ClientPrice, 'parts'>;
  missing: number;
  /** Trades of lines priced by hours that have no rate. */
  withoutRate: Trade[];
}

/** Something that was found otherwise than the price has it, and whether a change holds it. */
export interface Against {
  id: string;
  of: 'assumption' | 'finding';
  text: string;
  note: string;
  /** Above the price (or, under 0, below it) and in no change yet; null where nobody knows its price. */
  open: number | null;
  /** Changes that hold it, by their numbers. */
  changes: { number: number; state: string }[];
  /** Something is left that a change can be made of. */
  draftable: boolean;
}

export interface AllowanceView extends Held {
  id: string;
  text: string;
  choices: { id: string; text: string; price: number | null; open: boolean }[];
  changes: { number: number; state: string }[];
}

export interface PaymentStepView {
  id: string;
  text: string;
  share: PaymentShare;
  due: PaymentDue;
  when: string;
  /** By today's plan; null where nobody knows. */
  on: Day | null;
  amount: number | null;
  isDue: boolean;
}

export interface MoneyView extends MoneyPage {
  agreed: { number: number; total: number; when: string } | null;
  /** What today's lines come to; another sum than was agreed where lines were added or changed since. */
  estimated: { total: number; missing: number };
  changes: { approved: { count: number; total: number }; asked: { count: number; total: number }; drafts: number };
  /** Of assumptions that are still open: what they would cost, and that by how unsure each is. */
  risk: { open: number; most: number; likely: number };
  against: Against[];
  allowances: AllowanceView[];
  /** Chosen goods that no line and no allowance pays for. */
  unpaid: { id: string; text: string; price: number }[];
  goods: { id: string; version: number; text: string }[];
  costs: CostsSoFar;
  done: number;
  /** What comes in, less tax, less what it is expected to cost. */
  expectedProfit: number | null;
  payments: { steps: PaymentStepView[]; problem: string | null; due: number; received: number };
  received: { id: string; day: Day; amount: number; note: string }[];
  spending: { id: string; day: Day; kind: SpendingKind; text: string; area: string; amount: number }[];
  /** Purchase orders and drafts of them; bills of suppliers stand there. */
  orders: (Pick<PurchaseOrderHead, 'id' | 'number' | 'supplier' | 'state' | 'total'> & {
    billed: number;
    toPay: number;
    bills: number;
  })[];
  areas: { id: string; name: string; phases: { phase: Phase; label: string }[] }[];
}

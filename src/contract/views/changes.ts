import type { Price, PriceTerms, TaxShown } from '@/core/money/price';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import type { JobHead } from './job';
import type { ScopeCounts } from './scope';

/** A line of a change; money in hundredths, before overhead and tax. */
export interface ChangeLineView {
  id: string;
  area: string;
  areaName: string;
  verb: string;
  subject: string;
  quantity: number;
  unit: string;
  /** Null while nobody has priced it. */
  unitPrice: number | null;
  net: number | null;
  trade: Trade | null;
  halfDays: number;
  after: Phase | null;
  priceOnly: boolean;
}

export interface ChangeView {
  id: string;
  version: number;
  number: number;
  kind: 'addition' | 'omission';
  title: string;
  why: string;
  /** The rooms it is about. */
  places: string;
  lines: ChangeLineView[];
  markup: number;
  taxRate: number;
  price: Price;
  drops: { area: string; phase: Phase; text: string }[];
  omits: string[];
  state: 'draft' | 'sent' | 'approved' | 'declined';
  before: Day | null;
  after: Day | null;
  answered: string | null;
}

export interface ChangesView {
  job: JobHead;
  today: Day;
  areas: {
    id: string;
    name: string;
    phases: { phase: Phase; label: string }[];
    lines: { id: string; text: string }[];
  }[];
  changes: ChangeView[];
  /** What a new change is priced with. */
  terms: PriceTerms;
  client: { name: string; address: string };
  counts: ScopeCounts;
}

/** A change as a client is handed it: what it comes to, and nothing of how the price is made. */
export interface ClientChange {
  id: string;
  number: number;
  title: string;
  why: string;
  places: string;
  /** Amounts only where prices are shown line by line. */
  lines: { text: string; amount: number | null }[];
  sum: number;
  tax: number;
  taxShown: TaxShown;
  total: number;
  before: Day | null;
  after: Day | null;
  state: 'draft' | 'sent' | 'approved' | 'declined';
  answered: string | null;
}

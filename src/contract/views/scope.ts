import type { BearingSign } from '@/core/scope/bearing-signs';
import type { Finding } from '@/core/scope/finding';
import type { MaterialLine } from '@/core/scope/materials';
import type { RegisterEntry } from '@/core/scope/register';
import type { Option } from '@/core/scope/option';
import type { Statement, StatementDiff } from '@/core/scope/statement';
import type { Measure } from '@/core/layout/measures';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Work } from '@/core/sequence/works';
import type { AreaKind } from '@/core/sites/area';
import type { Currency } from '@/core/units/money';
import type { Day } from '@/core/units/day';
import type { JobHead, ScopeView } from './job';

export type FindingView = Finding & {
  /** Of a service: what it was proved to be, by whom and when. */
  proof: string | null;
  version: number;
  areaName: string;
  text: string;
  gap: string | null;
  kept: 'kept' | 'back' | 'gone';
  picture: string | null;
};

export interface AssumptionView {
  id: string;
  version: number;
  areaId: string;
  area: string;
  phase: Phase;
  text: string;
  why: string;
  fallback: string;
  fallbackTrade: Trade;
  fallbackHalfDays: number;
  fallbackPrice: number;
  sure: number | null;
  signs: BearingSign[];
  /** A small opening that shows it is planned. */
  probed: boolean;
  state: 'open' | 'held' | 'wrong';
  found: string;
  /** Who settled it and when, in words. */
  settled: string | null;
  /** The walk on which it was settled. */
  walk: string | null;
  /** The number of the change that pays for what followed; null where none does. */
  change: number | null;
  /** The step that will show it and when that is planned. */
  shownBy: string;
  shownOn: Day | null;
}

export interface ExtraView {
  id: string;
  areaId: string;
  area: string;
  text: string;
  trade: Trade;
  halfDays: number;
  reason: string;
  state: 'open' | 'done';
  when: string;
}

/** An area as the scope pages see it. */
export interface ScopeArea {
  id: string;
  version: number;
  name: string;
  kind: AreaKind;
  place: string;
  side: string;
  works: Work[];
  phases: { phase: Phase; label: string }[];
  /** What of it is drawn, by the measures it gives. */
  measures: { measure: Measure; value: string }[];
  drawn: boolean;
  sections: number;
  lines: ScopeView[];
  findings: FindingView[];
  openings: number;
}

export interface ScopePageView {
  job: JobHead;
  today: Day;
  areas: ScopeArea[];
  /** Findings of the whole job. */
  findings: FindingView[];
  assumptions: AssumptionView[];
  /** What is protected, to be fitted again, or kept for use again. */
  register: RegisterEntry[];
  selections: { id: string; area: string; category: string }[];
  levels: { id: string; name: string; height: number }[];
  counts: ScopeCounts;
  /** What each line and finding costs the firm, in hundredths, for who may see it; by their ids. */
  prices: Readonly<Record<string, number>>;
}

/** Where first visits begin and go on. */
export interface FirstVisitView {
  job: JobHead;
  counts: ScopeCounts;
  /** The one that is under way. */
  open: string | null;
  made: { id: string; when: string }[];
}

/** How much waits in each of the pages of Scope. */
export interface ScopeCounts {
  assumptions: number;
  options: number;
  changes: number;
}

export interface AssumptionsView {
  job: JobHead;
  today: Day;
  areas: { id: string; name: string; phases: { phase: Phase; label: string }[] }[];
  assumptions: AssumptionView[];
  extras: ExtraView[];
  counts: ScopeCounts;
}

export interface OptionView extends Option {
  costPerYear: number;
  workLabels: string[];
  finish: Day | null;
  /** When the area itself would be done. */
  areaDone: Day | null;
  /** Days that the finish moves against today's plan. */
  moves: number | null;
}

export interface OptionSetView {
  id: string;
  version: number;
  areaId: string;
  area: string;
  kind: AreaKind;
  phase: Phase;
  phaseLabel: string;
  subject: string;
  options: OptionView[];
  /** The lines of scope it decides, by their ids. */
  lines: string[];
  chosen: string | null;
  reason: string;
  chosenWhen: string | null;
}

export interface OptionsView {
  job: JobHead;
  today: Day;
  areas: {
    id: string;
    name: string;
    kind: AreaKind;
    phases: { phase: Phase; label: string }[];
    lines: { id: string; text: string }[];
  }[];
  sets: OptionSetView[];
  decisions: DecisionView[];
  finish: Day | null;
  counts: ScopeCounts;
}

export interface DecisionView {
  id: string;
  area: string | null;
  subject: string;
  reason: string;
  when: string;
  by: string;
}

export interface StatementVersion {
  id: string;
  version: number;
  number: number;
  made: string;
  state: 'made' | 'sent' | 'agreed';
  agreed: string | null;
}

export interface StatementView {
  job: JobHead;
  today: Day;
  versions: StatementVersion[];
  /** The version shown, or what a new one would say. */
  shown: StatementVersion | null;
  content: Statement;
  /** Against the version before it. */
  diff: (StatementDiff & { against: number }) | null;
  /** What is written down has changed since the newest version. */
  outdated: boolean;
  gaps: { text: string; path: string }[];
  client: { name: string; address: string };
  counts: ScopeCounts;
}

export interface MaterialsView {
  currency: Currency;
  job: JobHead;
  today: Day;
  lines: MaterialLine[];
  problems: { id: string; area: string; areaId: string; title: string; problem: string }[];
  /** Null for whoever does not see prices. */
  total: number | null;
  unpriced: number;
  calculations: CalculationView[];
  counts: ScopeCounts;
}

export interface CalculationView {
  id: string;
  version: number;
  areaId: string;
  area: string;
  scopeItem: string | null;
  calculator: string;
  title: string;
  product: string;
  input: Record<string, unknown>;
  fed: Record<string, Measure>;
  output: Record<string, unknown> | null;
  /** The answer in words, as the job measures. */
  answer: string;
  problem: string | null;
  unitPrice: number | null;
  supplier: string;
  trade: Trade | null;
  phase: Phase | null;
}

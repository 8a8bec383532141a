import type { Measure } from '../layout/measures';
import type { Decider } from '../selections/states';
import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import type { Work } from '../sequence/works';
import type { AreaKind, Inclusion } from '../sites/area';

/**
 * What a practitioner has in mind with one sentence: the lines of scope it means, the hours and goods they take, the
 * steps it brings into the plan, what has to be chosen and asked for it, and what can hurt somebody. It is data, so that
 * a firm can change it and add its own.
 *
 * Amounts are products: of what is asked (lengths in m, areas in m², counts) and of plain numbers.
 */
export interface Assembly {
  key: string;
  /** Of one that a firm made: the key of the one that ships, whose questions and cautions it has. */
  base?: string;
  title: string;
  /** The sentence that means it. */
  says: string;
  kinds: readonly AreaKind[];
  asks: Readonly<Record<string, AssemblyAsk>>;
  lines: readonly AssemblyLine[];
  goods: readonly AssemblyGoods[];
  /** What is then done in the area, of what its track knows. */
  works: readonly Work[];
  /** Steps that no track knows. */
  steps: readonly AssemblyStep[];
  choices: readonly AssemblyChoice[];
  /** Where one treatment meets another, and what else has to be decided on the spot. */
  questions: readonly { subject: string; options: readonly string[] }[];
  cautions: readonly string[];
  source: string;
}

export interface AssemblyAsk {
  label: string;
  unit: 'm' | 'm²' | 'pieces';
  /** What a drawing may give for it, the likeliest first. */
  drawn?: readonly Measure[];
  /** Where nothing is drawn; in its unit. */
  usual?: number;
  /** More cannot be meant; in its unit. */
  most: number;
  /** None of it is an answer too. */
  zero?: true;
}

export type Amount = readonly (string | number)[];

export interface AssemblyLine {
  key: string;
  verb: string;
  subject: string;
  stance?: Inclusion;
  of: Amount;
  unit: 'm' | 'm²' | 'm³' | 'pieces';
  trade: Trade;
  /** For one of its unit; a crew's hours added up. */
  hours: number;
}

/** What is bought for a line, by the calculator that fits its unit. */
export interface AssemblyGoods {
  /** Kept from job to job: its last price is remembered by it. */
  what: string;
  line: string;
  of: Amount;
  unit: 'm' | 'm²' | 'pieces';
  /** Cuts, breakage and spares, a part of one. */
  waste: number;
  /** What one pack covers in m², one length measures in m; for pieces how many go with one. */
  pack: number;
}

export interface AssemblyStep {
  text: string;
  trade: Trade;
  of: Amount;
  /** How much of it one crew does in half a day. */
  perHalfDay: number;
  after?: Phase;
}

interface AssemblyChoice {
  category: string;
  phase: Phase;
  /** Days it usually takes to come. */
  lead: readonly [number, number];
  decides: Decider;
}

/** The figures stand for an ordinary crew and an ordinary house. */
export const STARTING_FIGURES =
  'Starting figures for a crew of two in an ordinary house; the firm’s own take their place.';

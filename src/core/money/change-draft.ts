import { readScopeLine } from '../scope/scope-line';
import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import { figure } from '../units/format-quantity';
import { capital } from '../words/letters';

/** A line of a change as it is first written down; money in hundredths. */
export interface DraftLine {
  verb: string;
  subject: string;
  quantity: number;
  unit: string;
  /** Undefined while nobody has priced it. */
  unitPrice?: number;
  trade?: Trade;
  halfDays: number;
  after?: Phase;
  priceOnly: boolean;
}

/** A change made from what was written down before, for the office to look over. */
export interface ChangeDraft {
  kind: 'addition' | 'omission';
  title: string;
  why: string;
  line: DraftLine;
}

const MOST_TITLE = 120;
const cut = (text: string, most: number): string => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** The work that follows where an assumption was wrong, for the price and the days that were said with it. */
export function draftOfAssumption(assumption: {
  text: string;
  found: string;
  fallback: string;
  trade: Trade;
  halfDays: number;
  price: number;
  phase: Phase;
}): ChangeDraft {
  const read = readScopeLine(assumption.fallback);
  const { verb, subject } = read.ok ? read.value : { verb: 'put right', subject: assumption.fallback };
  return {
    kind: 'addition',
    title: cut(capital(assumption.fallback), MOST_TITLE),
    why: cut(`We assumed that ${assumption.text}. ${capital(assumption.found || 'it is not so')}.`, 300),
    line: {
      verb: cut(verb, 30),
      subject: cut(subject, 200),
      quantity: 1,
      unit: 'lot',
      // Where no price was said with it, nobody has said that it costs nothing.
      ...(assumption.price > 0 ? { unitPrice: assumption.price } : {}),
      trade: assumption.trade,
      halfDays: assumption.halfDays,
      after: assumption.phase,
      priceOnly: false,
    },
  };
}

/**
 * Damage against what the price holds: more is extra, less is saved.
 * @param damage `over` is what no change holds yet
 * @returns undefined where nothing is over or left
 */
export function draftOfDamage(damage: {
  subject: string;
  unit: string;
  inPrice: number;
  found: number;
  over: number;
  unitPrice: number | null;
}): ChangeDraft | undefined {
  const { subject, unit, inPrice, found, over, unitPrice } = damage;
  if (over === 0) return undefined;
  return {
    kind: over > 0 ? 'addition' : 'omission',
    title: cut(`${over > 0 ? 'More' : 'Less'} ${subject} than allowed for`, MOST_TITLE),
    why: `Found ${figure(found, 2)} ${unit}, ${figure(inPrice, 2)} ${unit} are in the price`,
    line: {
      verb: 'repair',
      subject,
      quantity: over,
      unit: unit || 'pieces',
      ...(unitPrice === null ? {} : { unitPrice }),
      halfDays: 0,
      priceOnly: false,
    },
  };
}

/**
 * What was chosen against the allowance for it: more is paid, less is given back.
 * @param allowance `over` is what no change holds yet, as it costs the firm; `words` are for the client
 * @returns undefined where nothing is over or left
 */
export function draftOfAllowance(allowance: { subject: string; over: number; words: string }): ChangeDraft | undefined {
  const { subject, over, words } = allowance;
  if (over === 0) return undefined;
  return {
    kind: over > 0 ? 'addition' : 'omission',
    title: cut(`${capital(subject)}: ${over > 0 ? 'above' : 'below'} the allowance`, MOST_TITLE),
    why: words,
    line: {
      verb: 'supply',
      subject: `${subject} ${over > 0 ? 'above' : 'below'} the allowance`,
      quantity: Math.sign(over),
      unit: 'sum',
      unitPrice: Math.abs(over),
      halfDays: 0,
      priceOnly: true,
    },
  };
}

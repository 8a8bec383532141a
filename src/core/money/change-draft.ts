import { readScopeLine } from '../scope/scope-line';
import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
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

const figure = (value: number): number => Math.round(value * 100) / 100;

/**
 * Damage against what the price allows for: more is extra, less is saved.
 * @returns undefined where what was found is what was allowed for
 */
export function draftOfDamage(damage: {
  subject: string;
  unit: string;
  allowed: number;
  found: number;
  unitPrice: number | null;
}): ChangeDraft | undefined {
  const extra = figure(damage.found - damage.allowed);
  if (extra === 0) return undefined;
  return {
    kind: extra > 0 ? 'addition' : 'omission',
    title: cut(`${extra > 0 ? 'More' : 'Less'} ${damage.subject} than allowed for`, MOST_TITLE),
    why: `Found ${figure(damage.found)} ${damage.unit}, ${figure(damage.allowed)} ${damage.unit} are in the price`,
    line: {
      verb: 'repair',
      subject: damage.subject,
      quantity: extra,
      unit: damage.unit || 'pieces',
      ...(damage.unitPrice === null ? {} : { unitPrice: damage.unitPrice }),
      halfDays: 0,
      priceOnly: false,
    },
  };
}

/**
 * What was chosen against the allowance for it: more is paid, less is given back.
 * @param over what is not in any change yet, in hundredths
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

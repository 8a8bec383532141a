import type { Currency } from '../units/money';
import { plain, SAME } from './order-line';

/** What became of a line of an order that was sent, each in the line's unit. */
export interface Matched {
  /** What is planned by today's drawing and choice; null where it follows from nothing. */
  planned: number | null;
  ordered: number;
  /** How much of the unit is in a pack, where it comes in packs. */
  perPack: number | null;
  came: number;
  wentBack: number;
  /** Billed, less what was credited. */
  billed: number;
  /** What was billed for that, and what it was ordered at, in hundredths; null where one has no price. */
  billedFor: number | null;
  orderedFor: number | null;
  /** The supplier said that it cannot be had. */
  isVoid: boolean;
  /** More is expected: the order is neither ended nor cancelled. */
  isOpen: boolean;
}

/** What does not agree between plan, order, delivery and bill. `by` is in the unit of the line. */
export type Mismatch =
  | { kind: 'more-planned' | 'less-planned' | 'came-too-many' | 'billed-early' | 'credit-due'; by: number }
  | { kind: 'price'; billedFor: number; orderedFor: number }
  | { kind: 'not-to-be-had' };

/** Still expected from the supplier. */
export const stillToCome = ({ ordered, came, isVoid, isOpen }: Matched): number =>
  isVoid || !isOpen ? 0 : plain(Math.max(0, ordered - came));

/** Here, and not billed yet. */
export const toBeBilled = ({ came, wentBack, billed }: Pick<Matched, 'came' | 'wentBack' | 'billed'>): number =>
  plain(Math.max(0, came - wentBack - billed));

/** What bills are still to come for: all that is here or expected, less what was billed. */
export const stillToBill = (line: Matched): number =>
  plain(Math.max(0, line.came + stillToCome(line) - line.wentBack - line.billed));

/** Within so many of the smallest coin two sums are the same but for rounding. */
const ROUNDED = 2;

const overBy = (left: number, right: number): number => plain(Math.max(0, left - right));

/**
 * What a contractor must look into, the worst first; nothing where all agree. What simply has not come or is not billed
 * yet is no mismatch: `stillToCome` and `toBeBilled` say it.
 */
export function mismatchesOf(line: Matched, { step }: Pick<Currency, 'step'>): Mismatch[] {
  const { planned, ordered, perPack, came, wentBack, billed, billedFor, orderedFor, isVoid, isOpen } = line;
  if (isVoid && isOpen) return [{ kind: 'not-to-be-had' }];
  const found: Mismatch[] = [];
  const say = (kind: Exclude<Mismatch['kind'], 'price' | 'not-to-be-had'>, by: number): void => {
    if (by > SAME) found.push({ kind, by });
  };
  say('billed-early', overBy(billed, came));
  say('credit-due', overBy(Math.min(billed, came), came - wentBack));
  // Each bill rounds its lines to what can be paid.
  if (billedFor !== null && orderedFor !== null && Math.abs(billedFor - orderedFor) > ROUNDED * step)
    found.push({ kind: 'price', billedFor, orderedFor });
  say('came-too-many', overBy(came, ordered));
  if (planned !== null) {
    say('more-planned', overBy(planned, ordered));
    // The last pack is bought whole.
    if (ordered - planned >= (perPack ?? SAME)) say('less-planned', overBy(ordered, planned));
  }
  return found;
}

import { sum } from '../units/rounding';
import type { Currency } from '../units/money';
import { lineNet, type PricedLine } from './price';

/** What is held against an allowance. Money in hundredths, as it costs the firm. */
export interface Held {
  /** Null where the allowance has no price. */
  allowed: number | null;
  /** What the choices cost that have a price; null while nothing is chosen. */
  chosen: number | null;
  /** What changes hold of the difference already. */
  changed: number;
  /** Above the allowance (or, under 0, below it) and in no change yet. */
  open: number;
  /** Something is chosen whose price nobody knows, or not chosen yet: the difference may still grow. */
  unsure: boolean;
}

/** An allowance against what was chosen for it. */
export function heldAgainst(
  allowance: { quantity: number | null; unitPrice: number | null },
  choices: readonly { open: boolean; unitPrice: number | null; quantity: number | null }[],
  changes: readonly PricedLine[],
  currency: Pick<Currency, 'step'>,
): Held {
  const allowed =
    allowance.unitPrice === null
      ? null
      : lineNet({ quantity: allowance.quantity ?? 1, unitPrice: allowance.unitPrice }, currency);
  const priced = choices.flatMap(({ open, unitPrice, quantity }) =>
    open || unitPrice === null ? [] : [lineNet({ quantity: quantity ?? 1, unitPrice }, currency)],
  );
  const chosen = priced.length === 0 ? null : sum(priced);
  const changed = sum(changes.map((line) => lineNet(line, currency)));
  return {
    allowed,
    chosen,
    changed,
    open: allowed === null || chosen === null ? 0 : chosen - allowed - changed,
    unsure: choices.some(({ open, unitPrice }) => open || unitPrice === null),
  };
}

/** What a price holds of a damage: what is allowed for, else how far it was seen to reach. */
export const damageInPrice = ({ allowed, quantity }: { allowed: number | null; quantity: number | null }): number =>
  allowed ?? quantity ?? 0;

/**
 * How much of a damage is above what the price holds, or, under 0, below it.
 * @param changed what changes hold of it already
 */
export const damageOver = (
  damage: { found: number; allowed: number | null; quantity: number | null },
  changed: number,
): number => Math.round((damage.found - damageInPrice(damage) - changed) * 100) / 100;

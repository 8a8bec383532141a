import { sum } from '../units/rounding';

export const BILL_KINDS = {
  bill: 'a bill',
  deposit: 'a deposit, paid before anything comes',
  credit: 'a credit: they give it back',
} as const;
export type BillKind = keyof typeof BILL_KINDS;
export const BILL_KIND_KEYS = Object.keys(BILL_KINDS) as BillKind[];

/** A supplier's bill against an order. Money in hundredths, before tax. */
export interface Bill {
  kind: BillKind;
  lines: readonly { line: string; quantity: number; amount: number }[];
  /** Of no line: the deposit itself, carriage. */
  other: number;
  lessDeposit: number;
}

/** What a bill makes the firm pay; under 0 where it gives back. */
export function paidBy({ kind, lines, other, lessDeposit }: Bill): number {
  const whole = sum(lines.map(({ amount }) => amount)) + other;
  return kind === 'credit' ? -whole : whole - lessDeposit;
}

/** Of the deposits what no bill has taken off yet. */
export const depositLeft = (bills: readonly Bill[]): number =>
  Math.max(0, sum(bills.map(({ kind, other, lessDeposit }) => (kind === 'deposit' ? other : -lessDeposit))));

/** What was billed of each line, less what was credited: how much, and for how much. */
export function billedByLine(bills: readonly Bill[]): Map<string, { quantity: number; amount: number }> {
  const by = new Map<string, { quantity: number; amount: number }>();
  for (const { kind, lines } of bills) {
    const sign = kind === 'credit' ? -1 : 1;
    for (const { line, quantity, amount } of lines) {
      const before = by.get(line) ?? { quantity: 0, amount: 0 };
      by.set(line, { quantity: before.quantity + sign * quantity, amount: before.amount + sign * amount });
    }
  }
  return by;
}

/**
 * What an order will still be billed, in hundredths: each line's rest at its price and the carriage, less the deposit
 * that was paid.
 * @param rests what each line that is still to be billed comes to
 */
export function stillToPay(
  rests: readonly number[],
  { carriage, bills }: { carriage: number; bills: readonly Bill[] },
): number {
  const extras = sum(bills.map(({ kind, other }) => (kind === 'bill' ? other : 0)));
  return Math.max(0, sum(rests) + Math.max(0, carriage - extras) - depositLeft(bills));
}

import type { Mismatch } from '../purchasing/match';
import { formatMoney, type Currency } from '../units/money';

/** What does not agree on a line of an order, for the office. @param unit what the line is counted in */
export function sayMismatch(mismatch: Mismatch, unit: string, currency: Currency): string {
  switch (mismatch.kind) {
    case 'more-planned':
      return `${mismatch.by} ${unit} more are planned now than were ordered`;
    case 'less-planned':
      return `${mismatch.by} ${unit} more were ordered than are planned now`;
    case 'came-too-many':
      return `${mismatch.by} ${unit} more came than were ordered`;
    case 'billed-early':
      return `${mismatch.by} ${unit} are billed that have not come`;
    case 'credit-due':
      return `${mismatch.by} ${unit} went back and are not credited yet`;
    case 'price':
      return (
        `billed at ${formatMoney(mismatch.billedFor, currency)}, ordered at ` +
        formatMoney(mismatch.orderedFor, currency)
      );
    case 'not-to-be-had':
      return 'the supplier cannot deliver it: choose again, and order that';
  }
}

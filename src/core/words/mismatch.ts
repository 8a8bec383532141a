import type { Mismatch } from '../purchasing/match';
import { packWord } from '../scope/materials';
import { formatMoney, type Currency } from '../units/money';

/** What does not agree on a line of an order, for the office. @param unit what the line is counted in */
export function sayMismatch(mismatch: Mismatch, unit: string, currency: Currency): string {
  switch (mismatch.kind) {
    case 'more-planned':
      return `${amount(mismatch.by, unit)} short of what is planned now`;
    case 'less-planned':
      return `${amount(mismatch.by, unit)} more than is planned now`;
    case 'came-too-many':
      return `${amount(mismatch.by, unit)} more came than ordered`;
    case 'billed-early':
      return `${amount(mismatch.by, unit)} billed but not delivered`;
    case 'credit-due':
      return `${amount(mismatch.by, unit)} sent back, no credit yet`;
    case 'price':
      return (
        `billed at ${formatMoney(mismatch.billedFor, currency)}, ordered at ` +
        formatMoney(mismatch.orderedFor, currency)
      );
    case 'not-to-be-had':
      return 'the supplier cannot deliver it: choose again, and order that';
  }
}

const amount = (by: number, unit: string): string => `${by} ${packWord(by, unit)}`;

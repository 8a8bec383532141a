import { sayPercent } from '../units/format-quantity';
import { formatLength, parseLength } from '../units/length';
import { formatMoney, NO_CURRENCY, type Currency } from '../units/money';
import { readQuantity } from '../units/quantity';
import type { UnitSystem } from '../units/units';
import type { Ask } from './ask';
import { readAmount, sayAmount } from './units';

/** A number that stands for itself needs no reading back. */
const PLAIN = /^-?\d+(\.\d+)?$/;

/**
 * What was understood of a field, said back while it is typed: `= 232.3 m²`.
 * @returns nothing where it stands for itself, or cannot be read
 */
export function understoodAs(
  ask: Ask<unknown>,
  text: string,
  system: UnitSystem,
  currency: Currency = NO_CURRENCY,
): string | undefined {
  const typed = text.trim();
  if (typed === '' || (PLAIN.test(typed) && ask.kind !== 'length')) return undefined;
  const said = readBack(ask, typed, system, currency);
  return said === undefined || said === typed ? undefined : `= ${said}`;
}

function readBack(ask: Ask<unknown>, text: string, system: UnitSystem, currency: Currency): string | undefined {
  switch (ask.kind) {
    case 'length': {
      const read = parseLength(text.replace(/^[-−]/, ''), system);
      return read.ok ? `${/^[-−]/.test(text) ? '−' : ''}${formatLength(read.value, system)}` : undefined;
    }
    case 'amount': {
      const read = readAmount(text, ask.unit ?? '', system);
      return read.ok ? sayAmount(read.value, ask.unit ?? '', system) : undefined;
    }
    case 'money': {
      const read = readQuantity('money', text, system, { signed: true });
      return read.ok ? formatMoney(read.value, currency) : undefined;
    }
    case 'count': {
      const read = readQuantity('count', text, system);
      return read.ok ? String(read.value) : undefined;
    }
    case 'fraction': {
      const read = readQuantity('fall', text, system, { shown: '%' });
      return read.ok ? sayPercent(read.value) : undefined;
    }
    default:
      return undefined;
  }
}

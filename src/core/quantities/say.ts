import { formatDay } from '../units/day';
import { formatLength, type LengthSystem } from '../units/length';
import { formatMoney, NO_CURRENCY, type Currency } from '../units/money';
import { figure } from '../units/format-quantity';
import type { Give } from './ask';
import type { AnyCalculator } from './calculator';
import { textOf } from './typed';
import { sayAmount } from './units';

const signed = (mm: number, system: LengthSystem): string =>
  mm < 0 ? `−${formatLength(-mm, system)}` : formatLength(mm, system);

/** One result in words, as the job measures; nothing for lists that are drawn. */
export function sayResult(give: Give, value: unknown, system: LengthSystem, currency: Currency = NO_CURRENCY): string {
  if (value === undefined || value === null) return 'none';
  switch (give.kind) {
    case 'length':
    case 'level':
      return signed(Number(value), system);
    case 'area':
      return sayAmount(Number(value), 'm²', system, 2);
    case 'volume':
      return sayAmount(Number(value), 'm³', system);
    case 'mass':
      return sayAmount(Number(value), 'kg', system, 1);
    case 'number':
      return sayAmount(Number(value), give.unit ?? '', system);
    case 'count':
      return textOf(value);
    case 'money':
      return formatMoney(Number(value), currency);
    case 'fraction':
      return `${figure(Number(value) * 100, 1)} %`;
    case 'flag':
      return value === true ? 'yes' : 'no';
    case 'day':
      return formatDay(textOf(value));
    case 'counts':
      return (value as number[]).join(', ');
    case 'levels':
      return (value as number[]).map((mm) => signed(mm, system)).join(' → ');
    case 'texts':
      return (value as string[]).length === 0 ? 'nothing' : (value as string[]).join('; ');
    case 'cans':
      return (value as number[]).join(' + ');
    case 'cuts':
      return `${(value as unknown[]).length} sticks`;
    case 'table':
      return (value as Record<string, string | number>[])
        .map((row) =>
          Object.entries(row)
            .map(([name, cell]) => (typeof cell === 'number' && name !== 'day' ? signed(cell, system) : String(cell)))
            .join(': '),
        )
        .join('; ');
    case 'text':
      return textOf(value);
  }
}

/** The answer of a calculator as one line: its main figures with their names. */
export const sayAnswer = (
  calculator: AnyCalculator,
  output: Readonly<Record<string, unknown>>,
  system: LengthSystem,
  currency: Currency = NO_CURRENCY,
): string =>
  Object.entries(calculator.gives)
    .filter(([name, give]) => give.main && name in output)
    .map(([name, give]) =>
      give.kind === 'flag'
        ? `${give.label}: ${sayResult(give, output[name], system, currency)}`
        : give.kind === 'count'
          ? `${sayResult(give, output[name], system, currency)} ${give.label}`
          : `${give.label} ${sayResult(give, output[name], system, currency)}`,
    )
    .join(', ');

import { packWord } from '../scope/materials';
import { formatDay, type Day } from '../units/day';
import { formatMoney, type Currency } from '../units/money';

/** What an order is called by everybody: suppliers write it on what they send. */
export const orderName = (number: number): string => `PO ${number}`;

/** How much of a line is ordered. */
interface Ordered {
  ordered: number;
  packs: number | null;
  perPack: number | null;
  unit: string;
}
/** `3 × 50 tiles`, `12 m²`. */
export const sayOrdered = ({ ordered, packs, perPack, unit }: Ordered): string =>
  packs === null ? `${ordered} ${packWord(ordered, unit)}` : `${packs} × ${perPack} ${packWord(perPack ?? 1, unit)}`;

interface OrderedLine extends Ordered {
  code: string;
  text: string;
  unitPrice: number | null;
  pricedBy: 'one' | 'pack';
  instead: string;
}

/** `€42.50 a pack`; what the supplier is asked for where nobody knows. */
export const sayOrderPrice = (
  { unitPrice, pricedBy }: Pick<OrderedLine, 'unitPrice' | 'pricedBy'>,
  currency: Currency,
) =>
  unitPrice === null
    ? 'please name the price'
    : `${formatMoney(unitPrice, currency)}${pricedBy === 'pack' ? ' a pack' : ''}`;

interface Order {
  number: number;
  deliverOn: Day | null;
  half: 'morning' | 'afternoon' | null;
  contact: string;
  note: string;
}

export const sayWanted = ({ deliverOn, half }: Pick<Order, 'deliverOn' | 'half'>): string =>
  deliverOn === null
    ? 'as soon as it is there; please name the day'
    : `${formatDay(deliverOn, '0000-00-00')}${half ? `, in the ${half}` : ''}`;

/** What every order asks of its supplier. */
export const orderAsks = (number: number): string =>
  `Please confirm the quantities, the prices and the day, and write “${orderName(number)}” on what you send. ` +
  'Send nothing else in place of a line unless it is named under it or agreed with us first.';

/** An order as a letter, for whoever sends it by mail. */
export function orderLetter(
  order: Order,
  lines: readonly OrderedLine[],
  { to, place, currency }: { to: string; place: string; currency: Currency },
): string {
  const goods = lines.map((line) =>
    [
      [line.code, line.text].filter(Boolean).join('  '),
      sayOrdered(line),
      sayOrderPrice(line, currency),
      line.instead && `may be sent instead: ${line.instead}`,
    ]
      .filter(Boolean)
      .join('; '),
  );
  return [
    ...goods,
    '',
    `Deliver to ${to}${place ? `, ${place}` : ''}, ${sayWanted(order)}.`,
    ...(order.contact ? [`Taken in by ${order.contact}.`] : []),
    ...(order.note ? [order.note] : []),
    '',
    orderAsks(order.number),
  ].join('\n');
}

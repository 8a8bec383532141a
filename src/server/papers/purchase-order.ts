import type { Content, TableCell } from 'pdfmake/interfaces';
import type { PurchaseOrderView } from '@/contract/views/purchasing';
import { writeCsv } from '@/core/csv';
import { formatDay } from '@/core/units/day';
import { formatMoney, type Currency } from '@/core/units/money';
import { orderAsks, orderName, sayOrdered, sayOrderPrice, sayWanted } from '@/core/words/purchase-order';
import { HAIRLINES, rule, type PaperDocument } from './pdf';

interface Terms {
  address: string;
  firm: string;
  currency: Currency;
}

const head = (text: string, alignment: 'left' | 'right' = 'left'): TableCell => ({ text, style: 'column', alignment });
const figure = (text: string, bold = false): TableCell => ({ text, style: 'mono', alignment: 'right', bold });

/** A purchase order as the supplier reads it: what, how much in which packs, at which price, when and where. */
export function purchaseOrderPaper(view: PurchaseOrderView, { address, firm, currency }: Terms): PaperDocument {
  const { order, lines, job } = view;
  const facts: [string, string][] = [
    ['To', [order.supplier, order.email, order.phone].filter(Boolean).join(', ')],
    ['Deliver to', [job.name, address].filter(Boolean).join(', ')],
    ['Put it', [order.placeName, order.placeNote].filter(Boolean).join(', ')],
    ['Deliver on', sayWanted(order)],
    ['Taken in by', order.contact],
  ];
  const rows: TableCell[][] = lines.map((line): TableCell[] => [
    { text: line.code, style: 'mono' },
    {
      stack: [
        { text: line.text },
        ...(line.replaces ? [{ text: `instead of ${line.replaces}`, style: 'note' }] : []),
        ...(line.instead ? [{ text: `may be sent instead: ${line.instead}`, style: 'note' }] : []),
      ],
    },
    figure(sayOrdered(line)),
    figure(sayOrderPrice(line, currency)),
    figure(line.sum === null ? '' : formatMoney(line.sum, currency)),
  ]);
  const sumRow = (text: string, amount: number, bold = false): TableCell[] => [
    '',
    { text, bold },
    '',
    '',
    figure(formatMoney(amount, currency), bold),
  ];
  return {
    title: `Purchase order ${orderName(order.number)}`,
    subtitle: [
      firm,
      job.name,
      order.sentOn ? formatDay(order.sentOn, '0000-00-00') : 'draft, not sent',
      order.state === 'cancelled' ? 'cancelled' : '',
    ]
      .filter(Boolean)
      .join(' · '),
    foot: `${firm}, ${orderName(order.number)}`,
    content: [
      {
        table: {
          widths: [80, '*'],
          body: facts
            .filter(([, text]) => text !== '')
            .map(([label, text]): TableCell[] => [{ text: label, style: 'note' }, { text }]),
        },
        layout: HAIRLINES,
        margin: [0, 0, 0, 12],
      },
      rule(),
      {
        table: {
          headerRows: 1,
          widths: [62, '*', 88, 74, 74],
          body: [
            [head('Code'), head('What'), head('How many', 'right'), head('Price', 'right'), head('Sum', 'right')],
            ...rows,
            ...(order.carriage === null ? [] : [sumRow('Carriage', order.carriage)]),
            sumRow(view.unpriced > 0 ? 'So far, before tax' : 'In all, before tax', view.total, true),
            ...(order.deposit === null ? [] : [sumRow('of which a deposit, before anything is made', order.deposit)]),
          ],
        },
        layout: HAIRLINES,
      },
      ...(order.note ? [{ text: order.note, margin: [0, 12, 0, 0] } as Content] : []),
      {
        text: orderAsks(order.number),
        style: 'note',
        margin: [0, 14, 0, 0],
      },
    ],
  };
}

const inUnits = (amount: number | null): string => (amount === null ? '' : (amount / 100).toFixed(2));

/** The same for a supplier's or a bookkeeper's program. */
export const purchaseOrderCsv = ({ order, lines, job }: PurchaseOrderView): string =>
  writeCsv(
    [
      'order',
      'supplier',
      'code',
      'what',
      'quantity',
      'unit',
      'packs',
      'per pack',
      'price',
      'price is',
      'sum',
      'may be sent instead',
      'deliver on',
      'deliver to',
      'place',
    ],
    lines.map((line) => [
      orderName(order.number),
      order.supplier,
      line.code,
      line.text,
      line.ordered,
      line.unit,
      line.packs ?? '',
      line.perPack ?? '',
      inUnits(line.unitPrice),
      line.pricedBy === 'pack' ? 'for a pack' : 'for one',
      inUnits(line.sum),
      line.instead,
      order.deliverOn ?? '',
      job.name,
      [order.placeName, order.placeNote].filter(Boolean).join(', '),
    ]),
  );

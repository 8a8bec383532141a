import type { TableCell } from 'pdfmake/interfaces';
import type { ClientChange } from '@/contract/views/changes';
import type { Day } from '@/core/units/day';
import { formatDay } from '@/core/units/day';
import { formatMoney, type Currency } from '@/core/units/money';
import { sayChangeEffect } from '@/core/words/change-effect';
import { capital } from '@/core/words/letters';
import { HAIRLINES, rule, type PaperDocument } from './pdf';

interface Terms {
  job: { name: string; address: string; client: string };
  firm: string;
  today: Day;
  currency: Currency;
}

/** A change as a sheet for the client: what it is, what it comes to, what it does to the finish, and a line to sign. */
export function changePaper(change: ClientChange, { job, firm, today, currency }: Terms): PaperDocument {
  const money = (amount: number): TableCell => ({
    text: formatMoney(amount, currency),
    style: 'mono',
    alignment: 'right',
  });
  const apart = change.taxShown === 'apart' && change.tax !== 0;
  const rows: TableCell[][] = [
    ...change.lines.map(({ text, amount }): TableCell[] => [{ text }, amount === null ? { text: '' } : money(amount)]),
    ...(apart
      ? [
          [{ text: 'Without tax' }, money(change.sum)],
          [{ text: 'Tax' }, money(change.tax)],
        ]
      : []),
    [
      { text: `${change.total < 0 ? 'It saves' : 'It costs'}, everything included`, bold: true },
      { text: formatMoney(Math.abs(change.total), currency), style: 'mono', alignment: 'right', bold: true },
    ],
  ];
  return {
    title: `Change ${change.number}: ${change.title}`,
    subtitle: [job.name, job.address, job.client && `for ${job.client}`, `by ${firm}`, formatDay(today, '0000-00-00')]
      .filter(Boolean)
      .join(' · '),
    foot: `${job.name}, change ${change.number}`,
    content: [
      { text: change.places, style: 'head' },
      rule(),
      ...(change.why ? [{ text: change.why, style: 'note' }] : []),
      { table: { widths: ['*', 90], body: rows }, layout: HAIRLINES },
      {
        text: change.after ? sayChangeEffect(change, today) : 'What it does to the finish is said when it is sent.',
        margin: [0, 12, 0, 14],
      },
      change.answered
        ? { text: capital(change.answered), bold: true }
        : {
            unbreakable: true,
            stack: [
              { text: 'Approved, name and date', style: 'note' },
              { text: ' ', margin: [0, 12, 0, 0] },
              { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 230, y2: 0, lineWidth: 0.75 }] },
            ],
          },
    ],
  };
}

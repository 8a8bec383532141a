import type { Content, TableCell } from 'pdfmake/interfaces';
import {
  linesOf,
  priceRows,
  taxWords,
  type StatementSums,
  sidesOf,
  STATEMENT_PART_KEYS,
  STATEMENT_PARTS,
  type Statement,
  type StatementDiff,
  type StatementLine,
} from '@/core/scope/statement';
import { STANCES, type Inclusion } from '@/core/sites/area';
import { STANCE_PATHS } from '@/core/sites/stance-paths';
import { writeCsv } from '@/core/csv';
import { formatDay } from '@/core/units/day';
import { formatMoney, type Currency } from '@/core/units/money';
import { HAIRLINES, rule, type PaperDocument } from './pdf';

const mark = (stance: Inclusion): Content => ({
  svg:
    '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9" viewBox="0 0 16 16"><path ' +
    `d="${STANCE_PATHS[stance]}" fill="none" stroke="#000000" stroke-width="1.8"/></svg>`,
  width: 9,
});

const words = (line: StatementLine, stance?: Inclusion): Content => ({
  stack: [
    { text: line.text },
    ...(line.note ? [{ text: line.note, style: 'note' }] : []),
    ...(stance && stance !== 'in' && stance !== 'out' ? [{ text: STANCES[stance], style: 'note' }] : []),
  ],
});

/** An area of more lines than this may be cut at the foot of a page. */
const KEPT_TOGETHER = 10;

function side(head: string, lines: readonly StatementLine[], none: string, currency: Currency): Content {
  const priced = lines.some(({ amount }) => amount !== undefined);
  const body: TableCell[][] = lines.map(
    (line) =>
      [
        mark(line.stance ?? 'in'),
        words(line, line.stance),
        ...(priced
          ? [
              {
                text: line.amount === undefined ? '' : formatMoney(line.amount, currency),
                style: 'mono',
                alignment: 'right',
              },
            ]
          : []),
      ] as TableCell[],
  );
  return {
    stack: [
      { text: head, style: 'side' },
      lines.length === 0
        ? { text: none, style: 'note' }
        : { table: { widths: priced ? [10, '*', 70] : [10, '*'], body }, layout: HAIRLINES },
    ],
  };
}

function part(head: string, lines: readonly StatementLine[], currency: Currency): Content[] {
  const body: TableCell[][] = lines.map(
    (line) =>
      [
        words(line),
        {
          text: line.amount === undefined ? '' : formatMoney(line.amount, currency),
          style: 'mono',
          alignment: 'right',
        },
      ] as TableCell[],
  );
  return [
    {
      unbreakable: lines.length <= KEPT_TOGETHER,
      stack: [{ text: head, style: 'head' }, rule(), { table: { widths: ['*', 90], body }, layout: HAIRLINES }],
    },
  ];
}

/** The price from its first row to what is paid, on one page. */
function price(sums: StatementSums, currency: Currency): Content[] {
  const body: TableCell[][] = [
    ...priceRows(sums).map(({ text, amount, strong = false }): TableCell[] => [
      { text, bold: strong },
      { text: formatMoney(amount, currency), style: 'mono', alignment: 'right', bold: strong },
    ]),
    ...sums.toChoose.map(({ text, ways }): TableCell[] => [
      {
        text:
          `${text}: to be chosen, and added to this: ` +
          ways.map(({ name, amount }) => `${name} ${formatMoney(amount, currency)}`).join(' or '),
        style: 'note',
      },
      { text: '' },
    ]),
  ];
  return [
    {
      unbreakable: true,
      stack: [{ text: 'The price', style: 'head' }, rule(), { table: { widths: ['*', 90], body }, layout: HAIRLINES }],
    },
  ];
}

export interface StatementPaperTerms {
  number: number | null;
  agreed: string | null;
  diff: (StatementDiff & { against: number }) | null;
}

/** The statement as a sheet to be signed or filed: in and out side by side, then everything it hangs on. */
export function statementPaper(content: Statement, { number, agreed, diff }: StatementPaperTerms): PaperDocument {
  const { job, firm, day } = content;
  return {
    title: `${job.name}: what we agree on`,
    subtitle: [
      job.address,
      job.client && `for ${job.client}`,
      `by ${firm}`,
      formatDay(day, '0000-00-00'),
      number === null ? 'draft, not sent' : `version ${number}`,
    ]
      .filter(Boolean)
      .join(' · '),
    foot: `${job.name}, ${number === null ? 'draft' : `version ${number}`} of ${formatDay(day, '0000-00-00')}`,
    content: [
      ...(diff ? changed(diff) : []),
      ...content.areas.flatMap((area): Content[] => {
        const { into, out } = sidesOf(area.lines);
        return [
          {
            unbreakable: area.lines.length <= KEPT_TOGETHER,
            stack: [
              {
                columns: [
                  { text: area.name, style: 'head', width: 'auto' },
                  { text: area.place, style: 'note', margin: [8, 15.5, 0, 0] },
                ],
              },
              rule(),
              {
                columns: [
                  side('In', into, 'nothing', content.currency),
                  side('Not included', out, 'nothing named', content.currency),
                ],
                columnGap: 18,
              },
            ],
          },
        ];
      }),
      ...(content.sums ? price(content.sums, content.currency) : []),
      ...STATEMENT_PART_KEYS.filter((key) => content[key].length > 0).flatMap((key) =>
        part(STATEMENT_PARTS[key], content[key], content.currency),
      ),
      {
        text:
          'What is hidden can only be known once it is opened; structure, gas and electricity are done and checked ' +
          `by licensed people and by the authority. ${content.sums ? taxWords(content.sums) : ''}`,
        style: 'note',
        margin: [0, 12, 0, 14],
      },
      {
        unbreakable: true,
        columns: agreed
          ? [{ text: `Agreed by ${agreed}`, bold: true }]
          : [
              {
                stack: [
                  { text: 'Agreed, name and date', style: 'note' },
                  { text: ' ', margin: [0, 12, 0, 0] },
                  { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 230, y2: 0, lineWidth: 0.75 }] },
                ],
              },
            ],
      },
    ],
  };
}

function changed(diff: StatementDiff & { against: number }): Content[] {
  const rows: TableCell[][] = [
    ...diff.added.map((line) => [{ text: 'new', bold: true }, { text: `${line.where}: ${line.text}` }]),
    ...diff.changed.map(({ from, to }) => [
      { text: 'now', bold: true },
      {
        stack: [
          { text: `${to.where}: ${to.text}${to.note ? ` (${to.note})` : ''}` },
          { text: `was: ${from.text}${from.note ? ` (${from.note})` : ''}`, style: 'note' },
        ],
      },
    ]),
    ...diff.removed.map((line) => [
      { text: 'gone', bold: true },
      { text: `${line.where}: ${line.text}`, decoration: 'lineThrough' },
    ]),
  ] as TableCell[][];
  return [
    { text: `What changed since version ${diff.against}`, style: 'head' },
    rule(),
    rows.length === 0
      ? { text: 'Nothing.', style: 'note' }
      : { table: { widths: [30, '*'], body: rows }, layout: HAIRLINES },
  ];
}

export const statementCsv = (content: Statement): string =>
  writeCsv(
    ['where', 'stance', 'text', 'note', 'amount'],
    linesOf(content).map((line) => [
      line.where,
      line.stance ? STANCES[line.stance] : '',
      line.text,
      line.note ?? '',
      line.amount === undefined ? '' : (line.amount / 100).toFixed(2),
    ]),
  );

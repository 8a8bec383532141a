import type { Content, TableCell } from 'pdfmake/interfaces';
import type { MaterialsView } from '@/contract/views/scope';
import { writeCsv } from '@/core/csv';
import { groupBy } from '@/core/group-by';
import type { Cut } from '@/core/quantities/cut-list';
import { TRADES } from '@/core/sequence/trades';
import { formatDay } from '@/core/units/day';
import { formatLength, type LengthSystem } from '@/core/units/length';
import { packWord } from '@/core/scope/materials';
import { formatMoney } from '@/core/units/money';
import { HAIRLINES, rule, type PaperDocument } from './pdf';

const head = (text: string, alignment: 'left' | 'right' = 'left'): TableCell => ({ text, style: 'column', alignment });
const figure = (text: string): TableCell => ({ text, style: 'mono', alignment: 'right' });

/** The materials of a job by trade, with its cut lists drawn stick by stick. */
export function materialsPaper(view: MaterialsView): PaperDocument {
  const money = (minor: number): string => formatMoney(minor, view.currency);
  const groups = [...groupBy(view.lines, (line) => (line.trade ? TRADES[line.trade] : 'Nobody’s yet'))].sort(
    ([a], [b]) => (a < b ? -1 : 1),
  );
  return {
    title: `${view.job.name}: materials`,
    subtitle:
      `${view.lines.length} lines, ` +
      `${money(view.total ?? 0)}${view.unpriced > 0 ? `, ${view.unpriced} without a price` : ''} · as of ` +
      formatDay(view.today, '0000-00-00'),
    foot: `${view.job.name}, materials as of ${formatDay(view.today, '0000-00-00')}`,
    content: [
      ...groups.flatMap(([name, lines]): Content[] => [
        { text: name, style: 'head' },
        rule(),
        {
          table: {
            headerRows: 1,
            widths: ['*', 62, 52, 58, 82, 88],
            body: [
              [
                head('What'),
                head('How many', 'right'),
                head('One', 'right'),
                head('All', 'right'),
                head('Needed'),
                head('Where'),
              ],
              ...lines.map((line): TableCell[] => [
                { text: line.what },
                figure(`${line.quantity} ${packWord(line.quantity, line.unit)}`),
                figure(line.unitPrice === null ? '' : money(line.unitPrice)),
                figure(line.price === null ? 'no price' : money(line.price)),
                {
                  text: [line.needBy ? formatDay(line.needBy, view.today) : '', line.supplier]
                    .filter(Boolean)
                    .join(', '),
                  style: 'note',
                },
                { text: line.areas.join(', '), style: 'note' },
              ]),
            ],
          },
          layout: HAIRLINES,
        },
      ]),
      ...view.calculations
        .filter((calculation) => calculation.calculator === 'cut-list' && calculation.output)
        .flatMap((calculation): Content[] => [
          {
            text: `Cut list: ${calculation.area}${calculation.product ? `, ${calculation.product}` : ''}`,
            style: 'head',
          },
          rule(),
          ...(calculation.output?.cuts as Cut[]).map((cut) =>
            stick(cut, calculation.output?.cuts as Cut[], view.job.units),
          ),
        ]),
    ],
  };
}

const WIDE = 355;

/** A piece of a stick; a narrow one has no room for its length. */
function pieceSvg({ x, width, text }: { x: number; width: number; text: string }): string {
  const box =
    `<rect x="${x.toFixed(1)}" y="1" width="${width.toFixed(1)}" height="12" ` +
    'fill="#ffffff" stroke="#000000" stroke-width="0.7"/>';
  if (width <= 34) return box;
  const safe = text.replace(/"/g, '&#34;').replace(/'/g, '&#39;');
  return `${box}<text x="${(x + width / 2).toFixed(1)}" y="10" font-size="7" text-anchor="middle">${safe}</text>`;
}

/** One stick to scale, its pieces written in. */
function stick(cut: Cut, all: readonly Cut[], system: LengthSystem): Content {
  const scale = WIDE / Math.max(...all.map((entry) => entry.stock));
  let x = 0;
  const parts = cut.pieces.map((piece) => {
    const part = { x, width: piece.length * scale, text: formatLength(piece.length, system) };
    x += part.width;
    return part;
  });
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDE}" height="14" viewBox="0 0 ${WIDE} 14" ` +
    `font-family="Archivo">${parts.map(pieceSvg).join('')}` +
    `<path d="M${x.toFixed(1)} 13H${(cut.stock * scale).toFixed(1)}" stroke="#888888" stroke-width="0.7" ` +
    'stroke-dasharray="2 2"/></svg>';
  return {
    columns: [
      { text: formatLength(cut.stock, system), style: 'mono', width: 62 },
      { svg, width: WIDE },
      { text: cut.left > 0.5 ? `left ${formatLength(cut.left, system)}` : '', style: 'note' },
    ],
    columnGap: 6,
    margin: [0, 2, 0, 2],
    unbreakable: true,
  };
}

export const materialsCsv = (view: MaterialsView): string =>
  writeCsv(
    ['what', 'quantity', 'unit', 'unit price', 'price', 'supplier', 'trade', 'needed by', 'areas'],
    view.lines.map((line) => [
      line.what,
      line.quantity,
      line.unit,
      line.unitPrice === null ? '' : (line.unitPrice / 100).toFixed(2),
      line.price === null ? '' : (line.price / 100).toFixed(2),
      line.supplier,
      line.trade ?? '',
      line.needBy ?? '',
      line.areas.join(' + '),
    ]),
  );

import type { Content, TableCell } from 'pdfmake/interfaces';
import { planOf } from '@/core/layout/room-plan';
import type { Drawing } from '@/core/layout/stroke';
import { tapeSheet, tilesOf, type TapeSheet } from '@/core/layout/tape-marks';
import { OPENING_KINDS, wallName, type Fixture } from '@/core/layout/shape';
import { shift } from '@/core/layout/point';
import { svgOf } from '@/core/layout/svg';
import { formatLength } from '@/core/units/length';
import { notFound, unprocessable } from '../refusal';
import { areaRow, jobRow } from '../reading/job';
import { layoutOf } from '../reading/layouts';
import type { JobReading } from '../reading/reading';
import { HAIRLINES, type PaperDocument } from './pdf';

const POINTS_PER_MM = 72 / 25.4;
/** What one sheet of paper carries at full size, with room for its marks. mm */
const SHEET = { width: 170, height: 225 };
const MOST_SHEETS = 120;

function sheetOf(job: JobReading, area: string): TapeSheet {
  const { shape, openings, fixtures } = layoutOf(job, area);
  const sheet = shape?.kind === 'room' ? tapeSheet(shape, openings, fixtures) : undefined;
  if (!sheet) throw notFound('drawn room');
  return sheet;
}

/** The plan with the numbers of its marks on it. */
function numbered(drawing: Drawing, sheet: TapeSheet): Drawing {
  const height = (drawing.bounds.right - drawing.bounds.left) / 40;
  return {
    ...drawing,
    strokes: [
      ...drawing.strokes,
      ...sheet.marks.map(({ number, at, inward }) => ({
        form: 'text' as const,
        layer: 'measures' as const,
        at: shift(at, inward, height * 1.1),
        text: String(number),
        height,
        turn: 0,
      })),
    ],
  };
}

/** What is taped on the floor: each corner of each thing from two walls, with the diagonals that show it is square. */
export function tapeMarksPaper(job: JobReading, area: string): PaperDocument {
  const { name, units } = jobRow(job);
  const room = areaRow(job, area);
  const { shape, openings, fixtures } = layoutOf(job, area);
  const sheet = sheetOf(job, area);
  const say = (mm: number): string => formatLength(Math.max(0, mm), units);
  const plan = shape?.kind === 'room' ? planOf(room.name, shape, openings, fixtures, units) : undefined;
  const table = (head: string, widths: (number | string)[], rows: TableCell[][]): Content[] =>
    rows.length === 0
      ? []
      : [
          { text: head, style: 'head' },
          { table: { widths, body: rows }, layout: HAIRLINES },
        ];
  const places = (marks: readonly number[]): TableCell[][] =>
    sheet.marks
      .filter((mark) => marks.includes(mark.number))
      .map(({ number, from }) => [
        { text: String(number), style: 'side' },
        { text: from.map(({ wall, mm }) => `${say(mm)} from ${wallName(wall)}`).join(',  '), style: 'mono' },
      ]);
  return {
    title: `${room.name}: tape marks`,
    subtitle:
      `${name}. Each mark square from two walls; walls by their numbers on the plan. Where both diagonals of a thing ` +
      'are alike it stands square.',
    foot: `${name}, ${room.name}, tape marks`,
    content: [
      ...(plan ? [{ svg: svgOf(numbered(plan, sheet), 499), width: 440, alignment: 'center' as const }] : []),
      ...sheet.things.map(({ thing, marks, diagonal }): Content => ({
        unbreakable: true,
        stack: [
          ...table(`${thing.name}, ${say(thing.width.mm)} × ${say(thing.depth.mm)}`, [24, '*'], places(marks)),
          { text: `Both diagonals ${say(diagonal)}.`, style: 'note' },
        ],
      })),
      ...table(
        'Openings, from the left end of their wall',
        ['*', 80, 100, 100],
        sheet.openings.map(({ opening, from, to }) => [
          opening.name || OPENING_KINDS[opening.kind],
          wallName(opening.wall),
          { text: say(from), style: 'mono' },
          { text: say(to), style: 'mono' },
        ]),
      ),
      ...table(
        'Across the room, corner to corner',
        ['*', 100],
        sheet.diagonals.map(({ from, to, mm }) => [
          `from where ${wallName(from)} begins to where ${wallName(to)} begins`,
          { text: say(mm), style: 'mono' },
        ]),
      ),
    ],
  };
}

/** One thing at full size, sheet by sheet, to be laid on the floor. @param number of the thing, from 1 */
export function fullSizePaper(job: JobReading, area: string, number: number): PaperDocument {
  const { name, units } = jobRow(job);
  const room = areaRow(job, area);
  const thing: Fixture | undefined = sheetOf(job, area).things[number - 1]?.thing;
  if (!thing) throw notFound('thing in this room');
  const { tiles, columns, rows } = tilesOf(thing, SHEET);
  if (tiles.length > MOST_SHEETS)
    throw unprocessable(
      'too-large',
      `${thing.name} would take ${tiles.length} sheets; tape it from its marks instead.`,
      'file',
    );
  const points = (mm: number): number => mm * POINTS_PER_MM;
  const size = `${formatLength(thing.width.mm, units)} × ${formatLength(thing.depth.mm, units)}`;
  return {
    title: `${thing.name} at full size`,
    plain: true,
    subtitle: '',
    foot: `${name}, ${room.name}: ${thing.name} at full size, ${size}`,
    content: tiles.map(({ column, row, lines }, at): Content => ({
      ...(at > 0 ? { pageBreak: 'before' as const } : {}),
      stack: [
        {
          text:
            `Sheet ${column + 1} of ${columns} from the left, ${row + 1} of ${rows} from the wall. ` +
            'Print at 100 %; the line below is 100 mm long.',
          style: 'note',
        },
        {
          canvas: [
            line(0, 4, points(100), 4, 1),
            ...[0, SHEET.width].flatMap((x) =>
              [0, SHEET.height].flatMap((y) => [
                line(points(x) - 6, points(y) + 14, points(x) + 6, points(y) + 14, 0.4),
                line(points(x), points(y) + 8, points(x), points(y) + 20, 0.4),
              ]),
            ),
            ...lines.map(({ from, to }) =>
              line(points(from.x), points(from.y) + 14, points(to.x), points(to.y) + 14, 2),
            ),
          ],
        },
      ],
    })),
  };
}

const line = (x1: number, y1: number, x2: number, y2: number, lineWidth: number) =>
  ({ type: 'line', x1, y1, x2, y2, lineWidth }) as const;

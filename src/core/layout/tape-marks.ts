import { footprint } from './footprint';
import { direction, distance, inwardOf, squareFrom, type Point } from './point';
import { outlineOf } from './room-outline';
import { type Fixture, type Opening, type RoomShape } from './shape';

/** A corner of a thing on the floor, by the tape: square from one wall and square from another. mm */
interface TapeMark {
  /** Numbered through the room, from 1; corners that fall together are one mark. */
  number: number;
  at: Point;
  /** Into the thing it was marked for first. */
  inward: Point;
  from: readonly { wall: number; mm: number }[];
}

export interface TapeSheet {
  marks: TapeMark[];
  /** Of each thing: its corners by their numbers, and the diagonal that shows that it stands square. mm */
  things: { thing: Fixture; marks: number[]; diagonal: number }[];
  /** Where each opening begins and ends on its wall, from its left end. mm */
  openings: { opening: Opening; from: number; to: number }[];
  /** From corner to corner across the room; a corner is where the wall of its number begins. mm */
  diagonals: { from: number; to: number; mm: number }[];
}

/** Corners nearer to each other are one mark of the tape. mm */
const TOGETHER = 2;
/** What hangs is not taped on the floor. */
export const standsOnFloor = ({ bottom }: Pick<Fixture, 'bottom'>): boolean => bottom.mm === 0;

/** Two walls nearer to one direction than this measure the same way. cos 30° */
const ALIKE = 0.866;
const MOST_DIAGONALS = 12;

/** The wall a thing is measured from, and the nearest that runs across it and has the point before it. */
function twoWalls(corners: readonly Point[], own: number, at: Point): TapeMark['from'] {
  const mine = inwardOf(corners, own);
  const [across] = corners
    .map((_, wall) => ({ wall, inward: inwardOf(corners, wall), mm: squareFrom(corners, wall, at) }))
    .filter(({ inward, mm }) => Math.abs(inward.x * mine.x + inward.y * mine.y) < ALIKE && mm > -0.5)
    .sort((a, b) => a.mm - b.mm);
  return [{ wall: own, mm: squareFrom(corners, own, at) }, ...(across ? [{ wall: across.wall, mm: across.mm }] : [])];
}

/**
 * What is taped on the floor of a room so that it can be walked round at full size.
 * @returns undefined where the walls do not make a room
 */
export function tapeSheet(
  shape: RoomShape,
  openings: readonly Opening[],
  fixtures: readonly Fixture[],
): TapeSheet | undefined {
  const outline = outlineOf(shape);
  if (!outline.ok) return undefined;
  const { corners } = outline.value;
  const marks: TapeMark[] = [];
  const marked = (thing: Fixture): number[] => {
    const floor = footprint(corners, thing);
    const middle = floor.reduce((sum, { x, y }) => ({ x: sum.x + x / 4, y: sum.y + y / 4 }), { x: 0, y: 0 });
    return floor.map((at) => {
      const known = marks.find((mark) => distance(mark.at, at) <= TOGETHER);
      if (known) return known.number;
      const number = marks.length + 1;
      marks.push({ number, at, inward: direction(at, middle), from: twoWalls(corners, thing.wall, at) });
      return number;
    });
  };
  const things = fixtures.filter(standsOnFloor).map((thing) => ({
    thing,
    marks: marked(thing),
    diagonal: Math.hypot(thing.width.mm, thing.depth.mm),
  }));
  return {
    marks,
    things,
    openings: openings.flatMap((opening) =>
      opening.along ? [{ opening, from: opening.along.mm, to: opening.along.mm + opening.width.mm }] : [],
    ),
    diagonals: diagonalsOf(corners),
  };
}

/** Every pair of corners with another between them both ways round, each once. */
function diagonalsOf(corners: readonly Point[]): TapeSheet['diagonals'] {
  const count = corners.length;
  return corners
    .flatMap((from, one) =>
      corners.slice(one + 2).flatMap((to, at) => {
        const other = one + 2 + at;
        return one === 0 && other === count - 1 ? [] : [{ from: one, to: other, mm: distance(from, to) }];
      }),
    )
    .slice(0, MOST_DIAGONALS);
}

/** A sheet of a thing drawn at full size: its column and row, and the edges that lie on it, from its upper left corner. mm */
export interface Tile {
  column: number;
  row: number;
  lines: { from: Point; to: Point }[];
}

/**
 * The outline of a thing at full size, cut into sheets; only those that carry a line. Lengths in mm, y downward.
 * @param sheet how much one sheet carries
 */
export function tilesOf(
  { width, depth }: Pick<Fixture, 'width' | 'depth'>,
  sheet: { width: number; height: number },
): { tiles: Tile[]; columns: number; rows: number } {
  const [columns, rows] = [
    Math.max(1, Math.ceil(width.mm / sheet.width)),
    Math.max(1, Math.ceil(depth.mm / sheet.height)),
  ];
  const edges = [
    [0, 0, width.mm, 0],
    [width.mm, 0, width.mm, depth.mm],
    [0, depth.mm, width.mm, depth.mm],
    [0, 0, 0, depth.mm],
  ] as const;
  const tiles: Tile[] = [];
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1) {
      const [left, top] = [column * sheet.width, row * sheet.height];
      const lines = edges.flatMap(([x1, y1, x2, y2]) => {
        const [from, to] = [
          { x: Math.max(x1, left) - left, y: Math.max(y1, top) - top },
          { x: Math.min(x2, left + sheet.width) - left, y: Math.min(y2, top + sheet.height) - top },
        ];
        const inside = from.x <= to.x && from.y <= to.y && from.x >= 0 && from.y >= 0;
        return inside && from.x + from.y !== to.x + to.y ? [{ from, to }] : [];
      });
      if (lines.length > 0) tiles.push({ column, row, lines });
    }
  return { tiles, columns, rows };
}

import { endsOf, squareFrom, type Point } from './point';
import type { RoomShape } from './shape';

/** Why a slope cannot be: its wall is not there, or the ceiling is no lower at it than in the room. */
export interface WrongSlope {
  slope: number;
  part: 'wall' | 'low';
  message: string;
}

/** The first slope of a ceiling that cannot be, if there is one. */
export function wrongSlope({ walls, height, slopes = [] }: RoomShape): WrongSlope | undefined {
  for (const [slope, { wall, low }] of slopes.entries()) {
    if (!walls[wall]) return { slope, part: 'wall', message: `Which wall, from 1 to ${walls.length}.` };
    if (low.mm >= height.mm)
      return { slope, part: 'low', message: `At the wall it is lower than the room: under ${height.typed}.` };
  }
  return undefined;
}

/** How high the ceiling is over a point of the floor: the room's height, or less under a slope. mm */
export const ceilingOver = (shape: RoomShape, corners: readonly Point[], point: Point): number =>
  Math.min(
    shape.height.mm,
    ...(shape.slopes ?? []).map(({ wall, low, run }) => {
      const rise = Math.max(0, shape.height.mm - low.mm);
      const from = Math.max(0, squareFrom(corners, wall, point));
      return run.mm <= 0 ? shape.height.mm : low.mm + (rise * Math.min(from, run.mm)) / run.mm;
    }),
  );

/** Where along a stretch, as parts of it, the ceiling over it may bend. */
function bends(shape: RoomShape, corners: readonly Point[], from: Point, to: Point): number[] {
  const slopes = shape.slopes ?? [];
  const heights = slopes.map(({ wall, low, run }) => {
    const at = (point: Point): number =>
      low.mm + ((shape.height.mm - low.mm) * squareFrom(corners, wall, point)) / Math.max(1, run.mm);
    return [at(from), at(to)] as const;
  });
  const lines = [
    [shape.height.mm, shape.height.mm] as const,
    ...slopes.map(({ low }) => [low.mm, low.mm] as const),
    ...heights,
  ];
  return lines.flatMap(([a, b], one) =>
    lines.slice(one + 1).flatMap(([c, d]) => {
      const bottom = b - a - (d - c);
      const part = bottom === 0 ? -1 : (c - a) / bottom;
      return part > 0 && part < 1 ? [part] : [];
    }),
  );
}

/** The top edge of a wall from its left end to its right one, as it is seen from inside: x along the wall, y up. mm */
export function wallTop(shape: RoomShape, corners: readonly Point[], wall: number): Point[] {
  const [from, to] = endsOf(corners, wall);
  const length = shape.walls[wall]?.mm ?? 0;
  const parts = [...new Set([0, ...bends(shape, corners, from, to), 1])].sort((a, b) => a - b);
  return parts.map((part) => ({
    x: part * length,
    y: ceilingOver(shape, corners, { x: from.x + (to.x - from.x) * part, y: from.y + (to.y - from.y) * part }),
  }));
}

/** How high a wall is over a part of its length: the lowest place. mm */
export function wallHeight(top: readonly Point[], from: number, to: number): number {
  const at = (x: number): number => {
    const right = top.findIndex((point) => point.x >= x);
    const [a, b] = [top[Math.max(0, right - 1)], top[right === -1 ? top.length - 1 : right]];
    if (!a || !b) return 0;
    return b.x === a.x ? Math.min(a.y, b.y) : a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
  };
  return Math.min(at(from), at(to), ...top.filter(({ x }) => x > from && x < to).map(({ y }) => y));
}

/** The area of a wall under its ceiling. mm² */
export const wallSurface = (top: readonly Point[]): number =>
  top.slice(1).reduce((sum, point, index) => {
    const before = top[index] ?? point;
    return sum + ((point.x - before.x) * (point.y + before.y)) / 2;
  }, 0);

import { answer, refuse, type Outcome } from '../problem';
import { formatLength, type LengthSystem } from '../units/length';
import { sum } from '../units/rounding';
import { direction, distance, meet, shift, signedArea, type Point } from './point';
import { measuredAs, type RoomShape, type Wall } from './shape';

export interface Outline {
  /** Where each wall begins: its left end, seen from inside. Clockwise. */
  corners: Point[];
  /** How far the end of the last wall lies from the beginning of the first. mm */
  closing: number;
  perimeter: number;
  /** m² */
  area: number;
}

/** More than this part of the perimeter is no error of measuring but a wall or a turn forgotten. */
const MOST_CLOSING = 0.05;
/** Under this nobody sees it on site. mm */
export const CLOSES_WITHIN = 1;

/** A rectangle, quickly: width by length. */
export const rectangle = (width: Wall | { mm: number; typed: string }, length: { mm: number; typed: string }): Wall[] =>
  [width, length, width, length].map(({ mm, typed }) => ({ mm, typed, turn: 90 }));

/**
 * Walks round a room clockwise wall by wall, turning right by each wall's turn.
 * @returns its corners and what is missing to close it; a problem where it crosses itself, cannot close, or turns the
 * wrong way
 * @param system of what it says
 */
export function outlineOf(
  shape: Pick<RoomShape, 'walls' | 'spread'>,
  system: LengthSystem = 'metric',
): Outcome<Outline> {
  const { walls } = shape;
  if (walls.length < 3)
    return refuse({ code: 'walls-too-few', message: 'A room has at least three walls.', field: 'walls' });
  const points: Point[] = [{ x: 0, y: 0 }];
  let heading = 0;
  for (const wall of walls) {
    const last = points.at(-1) ?? { x: 0, y: 0 };
    points.push({ x: last.x + Math.cos(heading) * wall.mm, y: last.y + Math.sin(heading) * wall.mm });
    heading -= (wall.turn * Math.PI) / 180;
  }
  const perimeter = sum(walls.map((wall) => wall.mm));
  const end = points.pop() ?? { x: 0, y: 0 };
  const closing = Math.hypot(end.x, end.y);
  if (closing > perimeter * MOST_CLOSING) {
    return refuse({
      code: 'walls-do-not-close',
      message:
        `The walls do not come back to where they began: ${formatLength(closing, system)} are missing. Check their ` +
        'lengths and turns.',
      field: 'walls',
    });
  }
  const corners = shape.spread ? spread(points, walls, end) : points;
  const crossed = crossedBy(corners);
  if (crossed)
    return refuse({
      code: 'walls-cross',
      message:
        `Wall ${crossed[0] + 1} crosses wall ${crossed[1] + 1}. Check the turn at the end of one of those between ` +
        'them.',
      field: `walls[${crossed[1]}].turn`,
    });
  const area = -signedArea(corners);
  if (area <= 0)
    return refuse({
      code: 'walls-turn-left',
      message: 'Read the walls off clockwise, from left to right as you face them: most turns are to the right.',
      field: 'walls',
    });
  return answer({ corners, closing, perimeter, area: area / 1e6 });
}

/** The surveyor’s compass rule: every corner takes the part of the error that the walls up to it are of the whole. */
function spread(corners: Point[], walls: readonly Wall[], error: Point): Point[] {
  const total = sum(walls.map((wall) => wall.mm));
  let walked = 0;
  return corners.map((corner, index) => {
    if (index > 0) walked += walls[index - 1]?.mm ?? 0;
    return shift(corner, error, -walked / total);
  });
}

/** The first two walls that cross or touch without being neighbours, or fold back on each other. */
function crossedBy(corners: readonly Point[]): [number, number] | undefined {
  const at = (index: number): Point => corners[index % corners.length] ?? { x: 0, y: 0 };
  for (let one = 0; one < corners.length; one++) {
    for (let other = one + 1; other < corners.length; other++) {
      const neighbours = other === one + 1 || (one === 0 && other === corners.length - 1);
      if (neighbours) {
        const [d, e] = [direction(at(one), at(one + 1)), direction(at(other), at(other + 1))];
        if (d.x * e.x + d.y * e.y < -1 + 1e-9) return [one, other];
      } else if (meet(at(one), at(one + 1), at(other), at(other + 1))) return [one, other];
    }
  }
  return undefined;
}

/**
 * The walls that corners make: for a room whose corners were moved on the plan. Lengths that did not change keep their
 * text.
 */
export function wallsOf(corners: readonly Point[], before: readonly Wall[], system: LengthSystem): Wall[] {
  const at = (index: number): Point => corners[(index + corners.length) % corners.length] ?? { x: 0, y: 0 };
  return corners.map((corner, index) => {
    const mm = distance(corner, at(index + 1));
    const [d, e] = [direction(corner, at(index + 1)), direction(at(index + 1), at(index + 2))];
    const turn = (Math.atan2(d.y * e.x - d.x * e.y, d.x * e.x + d.y * e.y) * 180) / Math.PI;
    const known = before[index];
    return {
      ...(known && Math.abs(known.mm - mm) < 0.05 ? { mm: known.mm, typed: known.typed } : measuredAs(mm, system)),
      turn: Math.round(turn * 1e4) / 1e4,
    };
  });
}

import { inside, type Point } from '@/core/layout/point';

/** A plain, slow twin of what is judged of a plan: it looks and pushes instead of reasoning. Lengths in mm. */

const next = (shape: readonly Point[], at: number): Point => shape[(at + 1) % shape.length] ?? { x: 0, y: 0 };

/** Points along the sides of a shape, its corners among them. */
const along = (shape: readonly Point[], step: number): Point[] =>
  shape.flatMap((from, at) => {
    const to = next(shape, at);
    const count = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / step));
    return Array.from({ length: count }, (_, index) => ({
      x: from.x + ((to.x - from.x) * index) / count,
      y: from.y + ((to.y - from.y) * index) / count,
    }));
  });

/** From a point to the nearest of a side, by halving the side towards it. */
function toSide(point: Point, from: Point, to: Point): number {
  const far = ({ x, y }: Point): number => Math.hypot(point.x - x, point.y - y);
  let [a, b] = [from, to];
  for (let halved = 0; halved < 24; halved += 1) {
    const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
    if (far(a) < far(b)) b = middle;
    else a = middle;
  }
  return far(a);
}

const toEdge = (point: Point, shape: readonly Point[]): number =>
  Math.min(...shape.map((from, at) => toSide(point, from, next(shape, at))));

/** How far a floor is on the wrong side of a room, or a wall of the room in the floor; too little by half a step at most. */
function wrongBy(corners: readonly Point[], floor: readonly Point[], step = 3): number {
  const out = along(floor, step).map((point) => (inside(corners, point) ? 0 : toEdge(point, corners)));
  const [xs, ys] = [floor.map(({ x }) => x), floor.map(({ y }) => y)];
  const [left, right, low, top] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const near = ({ x, y }: Point): boolean => x >= left && x <= right && y >= low && y <= top;
  const into = along(corners, step).map((point) => (near(point) && inside(floor, point) ? toEdge(point, floor) : 0));
  return [...out, ...into].reduce((most, mm) => Math.max(most, mm), 0);
}

const LIMIT = 1;
const BAND = 2;

/** Whether a floor lies in a room; undefined within the band round the limit. */
export function liesIn(corners: readonly Point[], floor: readonly Point[]): boolean | undefined {
  if (wrongBy(corners, floor) > LIMIT + BAND) return false;
  // Looked at every millimetre it is wrong by half a millimetre more than was seen, at most.
  return wrongBy(corners, floor, 1) <= LIMIT - 0.5 ? true : undefined;
}

/** What two convex shapes share, by cutting one along the sides of the other. mm² */
function shared(one: readonly Point[], other: readonly Point[]): number {
  const turn = area(other) >= 0 ? 1 : -1;
  let left: Point[] = [...one];
  for (const [at, a] of other.entries()) {
    const b = next(other, at);
    const side = (p: Point): number => turn * ((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x));
    left = left.flatMap((from, index) => {
      const to = left[(index + 1) % left.length] ?? from;
      const [s, t] = [side(from), side(to)];
      const cut = { x: from.x + ((to.x - from.x) * s) / (s - t), y: from.y + ((to.y - from.y) * s) / (s - t) };
      return s >= 0 ? (t >= 0 ? [to] : [cut]) : t >= 0 ? [cut, to] : [];
    });
  }
  return Math.abs(area(left));
}

const area = (shape: readonly Point[]): number =>
  shape.reduce((sum, from, at) => sum + from.x * next(shape, at).y - next(shape, at).x * from.y, 0) / 2;

/** Directions that are tried. */
const WAYS = 180;

/** Whether one of both can be pushed so far in some direction that they share nothing. */
const pushedFree = (one: readonly Point[], other: readonly Point[], by: number): boolean =>
  Array.from({ length: WAYS }, (_, way) => (way * 2 * Math.PI) / WAYS).some(
    (turn) =>
      shared(
        one.map(({ x, y }) => ({ x: x + by * Math.cos(turn), y: y + by * Math.sin(turn) })),
        other,
      ) < 1e-3,
  );

/** Whether two floors share ground; undefined within the band round the limit. */
export function clash(one: readonly Point[], other: readonly Point[]): boolean | undefined {
  if (shared(one, other) < 1e-3) return false;
  return pushedFree(one, other, LIMIT + BAND) ? undefined : true;
}

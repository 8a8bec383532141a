/** A point on a plan or elevation: mm, x to the right, y up. */
export interface Point {
  x: number;
  y: number;
}

export const distance = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);
export const along = (a: Point, b: Point, part: number): Point => ({
  x: a.x + (b.x - a.x) * part,
  y: a.y + (b.y - a.y) * part,
});
export const shift = (a: Point, by: Point, times = 1): Point => ({ x: a.x + by.x * times, y: a.y + by.y * times });
/** The unit vector from one point to another; nothing for two that are one. */
export function direction(a: Point, b: Point): Point {
  const length = distance(a, b);
  return length === 0 ? { x: 0, y: 0 } : { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
}
/** A quarter turn to the left: of a wall walked with the room at the right hand it points out of the room. */
export const leftOf = (d: Point): Point => ({ x: -d.y, y: d.x });

/** The two ends of a wall of an outline, from left to right as it is seen from inside. */
export const endsOf = (corners: readonly Point[], wall: number): [Point, Point] => [
  corners[wall] ?? { x: 0, y: 0 },
  corners[(wall + 1) % corners.length] ?? { x: 0, y: 0 },
];
/** The unit vector from a wall into its room. */
export function inwardOf(corners: readonly Point[], wall: number): Point {
  const out = leftOf(direction(...endsOf(corners, wall)));
  return { x: -out.x, y: -out.y };
}

/** How far a point lies from the line of a wall, into the room. mm */
export function squareFrom(corners: readonly Point[], wall: number, { x, y }: Point): number {
  const [[from], inward] = [endsOf(corners, wall), inwardOf(corners, wall)];
  return (x - from.x) * inward.x + (y - from.y) * inward.y;
}

/** mm², over 0 where the corners run against the clock. */
export const signedArea = (corners: readonly Point[]): number =>
  corners.reduce((sum, corner, at) => {
    const next = corners[(at + 1) % corners.length] ?? corner;
    return sum + corner.x * next.y - next.x * corner.y;
  }, 0) / 2;

const side = (a: Point, b: Point, p: Point): number => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

/** Whether two stretches cross or lie on each other; touching at an end of one counts too. */
export function meet(a: Point, b: Point, c: Point, d: Point, tolerance = 1e-6): boolean {
  const [s1, s2, s3, s4] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)];
  if (
    Math.max(s1, s2) < -tolerance ||
    Math.min(s1, s2) > tolerance ||
    Math.max(s3, s4) < -tolerance ||
    Math.min(s3, s4) > tolerance
  )
    return false;
  const apart = (entry: keyof Point): boolean =>
    Math.max(a[entry], b[entry]) < Math.min(c[entry], d[entry]) - tolerance ||
    Math.max(c[entry], d[entry]) < Math.min(a[entry], b[entry]) - tolerance;
  return !apart('x') && !apart('y');
}

/** Where two lines cross; undefined where they run side by side. */
export function crossing(a: Point, along1: Point, b: Point, along2: Point): Point | undefined {
  const bottom = along1.x * along2.y - along1.y * along2.x;
  if (Math.abs(bottom) < 1e-9) return undefined;
  const t = ((b.x - a.x) * along2.y - (b.y - a.y) * along2.x) / bottom;
  return shift(a, along1, t);
}

/** Least and greatest of both. */
export function boundsOf(points: readonly Point[]): { left: number; right: number; bottom: number; top: number } {
  const box = { left: Infinity, right: -Infinity, bottom: Infinity, top: -Infinity };
  for (const { x, y } of points) {
    if (x < box.left) box.left = x;
    if (x > box.right) box.right = x;
    if (y < box.bottom) box.bottom = y;
    if (y > box.top) box.top = y;
  }
  return box;
}

/** Whether a point lies inside the corners or on their edge. */
export function inside(corners: readonly Point[], point: Point): boolean {
  let within = false;
  for (const [at, a] of corners.entries()) {
    const b = corners[(at + 1) % corners.length] ?? a;
    if (meet(a, b, point, point, 1e-3)) return true;
    if (a.y > point.y !== b.y > point.y && point.x < ((b.x - a.x) * (point.y - a.y)) / (b.y - a.y) + a.x)
      within = !within;
  }
  return within;
}

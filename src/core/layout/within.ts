import { direction, distance, inside, leftOf, signedArea, type Point } from './point';

/** Things may touch a wall; less than this is how walls are drawn, not where they stand. mm */
export const TOUCHING = 1;

/**
 * Whether a convex floor (a thing, a leaf's sweep, the floor wanted in front of it) lies inside a room: no corner of it
 * further than a touch beyond a wall, and no wall, of a bay, a chimney or a corner that stands out, further than a touch
 * inside it.
 * @param corners of the room, in order
 * @param floor its corners, in order
 */
export const isWithin = (corners: readonly Point[], floor: readonly Point[]): boolean =>
  floor.every((point) => inside(corners, point) || toEdge(corners, point) <= TOUCHING) &&
  !wallsOf(corners).some(([from, to]) => entersBy(floor, from, to) > TOUCHING);

const wallsOf = (corners: readonly Point[]): (readonly [Point, Point])[] =>
  corners.map((corner, at) => [corner, corners[(at + 1) % corners.length] ?? corner] as const);

/** From a point to the nearest wall. */
const toEdge = (corners: readonly Point[], point: Point): number =>
  Math.min(...wallsOf(corners).map(([from, to]) => toStretch(point, from, to)));

function toStretch(point: Point, from: Point, to: Point): number {
  const length = distance(from, to);
  if (length === 0) return distance(point, from);
  const along = ((point.x - from.x) * (to.x - from.x) + (point.y - from.y) * (to.y - from.y)) / length ** 2;
  const at = Math.min(1, Math.max(0, along));
  return distance(point, { x: from.x + at * (to.x - from.x), y: from.y + at * (to.y - from.y) });
}

/**
 * How deep a stretch reaches into a convex floor, in mm: the greatest depth (distance to the nearest edge line) of any
 * of its points. The depth along a stretch is the least of straight lines, so its greatest value lies at an end or where
 * two of them cross.
 */
function entersBy(floor: readonly Point[], from: Point, to: Point): number {
  const turn = signedArea(floor) >= 0 ? 1 : -1;
  // Depth under each edge at the stretch's ends; in between it changes evenly.
  const depths = wallsOf(floor).flatMap(([a, b]): [number, number][] => {
    const inward = leftOf(direction(a, b));
    if (inward.x === 0 && inward.y === 0) return [];
    const under = (point: Point): number => turn * ((point.x - a.x) * inward.x + (point.y - a.y) * inward.y);
    return [[under(from), under(to)]];
  });
  const depthAt = (part: number): number => Math.min(...depths.map(([start, end]) => start + (end - start) * part));
  const crossings = depths.flatMap(([start, end], at) =>
    depths.slice(at + 1).flatMap(([other, otherEnd]) => {
      const bottom = end - start - (otherEnd - other);
      const part = bottom === 0 ? -1 : (other - start) / bottom;
      return part > 0 && part < 1 ? [part] : [];
    }),
  );
  return Math.max(...[0, 1, ...crossings].map(depthAt));
}

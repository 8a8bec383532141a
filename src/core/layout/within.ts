import { boundsOf, distance, signedArea, type Point } from './point';

/** Things may touch a wall; less than this is how walls are drawn, not where they stand. mm */
export const TOUCHING = 1;

/**
 * Whether a convex floor (a thing, a leaf's sweep, the floor wanted in front of it) lies inside a room: no corner of it
 * further than a touch beyond a wall, and no wall, of a bay, a chimney or a corner that stands out, further than a touch
 * inside it.
 * @param corners of the room, in order
 * @param floor its corners, in order
 */
export function isWithin(corners: readonly Point[], floor: readonly Point[]): boolean {
  for (const point of floor) if (!isInside(corners, point) && toEdge(corners, point) > TOUCHING) return false;
  const box = boundsOf(floor);
  const turn = signedArea(floor) >= 0 ? 1 : -1;
  for (const [at, from] of corners.entries()) {
    const to = corners[(at + 1) % corners.length] ?? from;
    // A wall that passes the floor by is not in it.
    const apart =
      Math.max(from.x, to.x) < box.left ||
      Math.min(from.x, to.x) > box.right ||
      Math.max(from.y, to.y) < box.bottom ||
      Math.min(from.y, to.y) > box.top;
    if (!apart && entersBy(floor, turn, from, to) > TOUCHING) return false;
  }
  return true;
}

/** Whether a point lies inside; on a wall it may be told as either. */
function isInside(corners: readonly Point[], { x, y }: Point): boolean {
  let within = false;
  for (const [at, a] of corners.entries()) {
    const b = corners[(at + 1) % corners.length] ?? a;
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) within = !within;
  }
  return within;
}

/** From a point to the nearest wall. */
function toEdge(corners: readonly Point[], point: Point): number {
  let nearest = Number.POSITIVE_INFINITY;
  for (const [at, from] of corners.entries())
    nearest = Math.min(nearest, toStretch(point, from, corners[(at + 1) % corners.length] ?? from));
  return nearest;
}

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
 * @param turn 1 where the floor's corners run against the clock, −1 with it
 */
function entersBy(floor: readonly Point[], turn: number, from: Point, to: Point): number {
  // Depth under each edge at the stretch's ends; in between it changes evenly.
  const [starts, ends]: [number[], number[]] = [[], []];
  for (const [at, a] of floor.entries()) {
    const b = floor[(at + 1) % floor.length] ?? a;
    const length = distance(a, b);
    if (length === 0) continue;
    const [x, y] = [(-(b.y - a.y) / length) * turn, ((b.x - a.x) / length) * turn];
    starts.push((from.x - a.x) * x + (from.y - a.y) * y);
    ends.push((to.x - a.x) * x + (to.y - a.y) * y);
  }
  let deepest = Math.max(depthAt(starts, ends, 0), depthAt(starts, ends, 1));
  for (const [one, start] of starts.entries())
    for (let other = one + 1; other < starts.length; other += 1) {
      const [otherStart = 0, end = 0, otherEnd = 0] = [starts[other], ends[one], ends[other]];
      const bottom = end - start - (otherEnd - otherStart);
      const part = bottom === 0 ? -1 : (otherStart - start) / bottom;
      if (part > 0 && part < 1) deepest = Math.max(deepest, depthAt(starts, ends, part));
    }
  return deepest;
}

function depthAt(starts: readonly number[], ends: readonly number[], part: number): number {
  let least = Number.POSITIVE_INFINITY;
  for (const [at, start] of starts.entries()) least = Math.min(least, start + ((ends[at] ?? start) - start) * part);
  return least;
}

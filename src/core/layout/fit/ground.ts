import { boundsOf, direction, leftOf, shift, type Point } from '../point';
import { footprint, swingOf } from '../footprint';
import type { Fixture, Opening } from '../shape';
import { TOUCHING } from '../within';
import type { PlanTerms } from './finding';

/** A room with the ground that each thing takes. */
export interface Room {
  corners: readonly Point[];
  openings: readonly Opening[];
  floors: readonly Standing[];
  swings: readonly Swing[];
  terms: PlanTerms;
  /** Whether all of a floor is inside the room. */
  holds: (floor: Ground) => boolean;
  /** How high the ceiling is over a floor, at its lowest place. mm */
  ceiling: (floor: Ground) => number;
  say: (mm: number) => string;
}
export interface Standing {
  thing: Fixture;
  floor: Ground;
  front: Ground;
}
export interface Swing {
  opening: Opening;
  floor: Ground;
}

/** A convex floor, with what every question of it asks: the box round it, and the directions across its sides. */
export interface Ground {
  points: readonly Point[];
  box: ReturnType<typeof boundsOf>;
  axes: readonly Point[];
}

/** Two sides of one direction ask the same. */
const ALIKE = 1e-9;

export function groundOf(points: readonly Point[]): Ground {
  const axes: Point[] = [];
  for (const [at, corner] of points.entries()) {
    const axis = leftOf(direction(corner, points[(at + 1) % points.length] ?? corner));
    if ((axis.x !== 0 || axis.y !== 0) && !isAmong(axes, axis)) axes.push(axis);
  }
  return { points, box: boundsOf(points), axes };
}

function isAmong(axes: readonly Point[], { x, y }: Point): boolean {
  for (const other of axes) if (Math.abs(x * other.y - y * other.x) < ALIKE) return true;
  return false;
}

/** Whether two convex floors share ground: no line between them keeps them apart. */
export function overlap(one: Ground, other: Ground): boolean {
  const [a, b] = [one.box, other.box];
  // Most things are nowhere near each other.
  if (a.left >= b.right - TOUCHING || b.left >= a.right - TOUCHING) return false;
  if (a.bottom >= b.top - TOUCHING || b.bottom >= a.top - TOUCHING) return false;
  return !keptApart(one, other, one.axes) && !keptApart(one, other, other.axes);
}

function keptApart(one: Ground, other: Ground, axes: readonly Point[]): boolean {
  for (const axis of axes) {
    const [from, to] = reach(one.points, axis);
    const [otherFrom, otherTo] = reach(other.points, axis);
    if (from >= otherTo - TOUCHING || otherFrom >= to - TOUCHING) return true;
  }
  return false;
}

/** From where to where points lie along a direction. */
export function reach(points: readonly Point[], axis: Point): [number, number] {
  let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const { x, y } of points) {
    const at = x * axis.x + y * axis.y;
    if (at < least) least = at;
    if (at > most) most = at;
  }
  return [least, most];
}

/** Whether two stretches share more than a touch. */
export const shares = (from: number, to: number, other: number, otherTo: number): boolean =>
  from < otherTo - TOUCHING && other < to - TOUCHING;

export const topOf = (thing: Fixture): number => thing.bottom.mm + thing.tall.mm;

/** Whether two things are at the same height: what hangs may hang over what stands. */
export const sameHeight = (one: Fixture, other: Fixture): boolean =>
  shares(one.bottom.mm, topOf(one), other.bottom.mm, topOf(other));

/** Straight sides that stand for the quarter circle of a leaf. */
const FAN = 8;

/** What a leaf sweeps, as a convex floor; nothing for what slides or opens away. */
export function sweep(corners: readonly Point[], opening: Opening): Point[] | undefined {
  const swing = swingOf(corners, opening);
  if (!swing) return undefined;
  const [from, to] = [
    Math.atan2(swing.shut.y - swing.hinge.y, swing.shut.x - swing.hinge.x),
    Math.atan2(swing.open.y - swing.hinge.y, swing.open.x - swing.hinge.x),
  ];
  const turn = ((to - from + 3 * Math.PI) % (2 * Math.PI)) - Math.PI;
  return [
    swing.hinge,
    ...Array.from({ length: FAN + 1 }, (_, index) => ({
      x: swing.hinge.x + swing.radius * Math.cos(from + (turn * index) / FAN),
      y: swing.hinge.y + swing.radius * Math.sin(from + (turn * index) / FAN),
    })),
  ];
}

/** The floor wanted free in front of a thing. */
export function frontOf(corners: readonly Point[], thing: Fixture): Point[] {
  const [left = { x: 0, y: 0 }, , farRight = left, farLeft = left] = footprint(corners, thing);
  const away = direction(left, farLeft);
  return [farLeft, farRight, shift(farRight, away, thing.front.mm), shift(farLeft, away, thing.front.mm)];
}

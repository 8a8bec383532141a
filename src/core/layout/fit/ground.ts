import { direction, leftOf, shift, type Point } from '../point';
import { footprint, swingOf } from '../drawing';
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
  holds: (points: readonly Point[]) => boolean;
  /** How high the ceiling is over a floor, at its lowest place. mm */
  ceiling: (points: readonly Point[]) => number;
  say: (mm: number) => string;
}
export interface Standing {
  thing: Fixture;
  floor: Point[];
  front: Point[];
}
export interface Swing {
  opening: Opening;
  floor: Point[];
}

const FAN = 8;

/** Whether two convex floors share ground: no line between them keeps them apart. */
export function overlap(entry: readonly Point[], other: readonly Point[]): boolean {
  const edges = [entry, other].flatMap((corners) =>
    corners.map((corner, index) => leftOf(direction(corner, corners[(index + 1) % corners.length] ?? corner))),
  );
  return edges
    .filter((axis) => axis.x !== 0 || axis.y !== 0)
    .every((axis) => {
      const reach = (corners: readonly Point[]): [number, number] => {
        const values = corners.map((corner) => corner.x * axis.x + corner.y * axis.y);
        return [Math.min(...values), Math.max(...values)];
      };
      const [[a, b], [c, d]] = [reach(entry), reach(other)];
      return a < d - TOUCHING && c < b - TOUCHING;
    });
}

/** Whether two stretches share more than a touch. */
export const shares = (from: number, to: number, other: number, otherTo: number): boolean =>
  from < otherTo - TOUCHING && other < to - TOUCHING;

export const topOf = (thing: Fixture): number => thing.bottom.mm + thing.tall.mm;

/** Whether two things are at the same height: what hangs may hang over what stands. */
export const sameHeight = (one: Fixture, other: Fixture): boolean =>
  shares(one.bottom.mm, topOf(one), other.bottom.mm, topOf(other));

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

import type { LengthSystem } from '../units/length';
import { direction, endsOf, leftOf, type Point } from './point';
import { measuredAs, type Fixture, type RoomShape } from './shape';

/** What is dragged goes from one figure of the tape to the next: a centimetre, or half an inch. mm */
const STEP: Record<LengthSystem, number> = { metric: 10, imperial: 12.7 };
/** So near to its wall it is meant to stand against it. mm */
const MAGNET = 60;

/**
 * A thing pulled over the plan: it slides along its wall and away from it, never through it or past its ends.
 * @param by how far it was pulled, on the plan
 * @returns the thing where it then is, its place written as if it had been typed
 */
export function dragged(
  shape: RoomShape,
  corners: readonly Point[],
  thing: Fixture,
  by: Point,
  system: LengthSystem,
): Fixture {
  const wall = shape.walls[thing.wall];
  if (!wall) return thing;
  const along = direction(...endsOf(corners, thing.wall));
  const out = leftOf(along);
  const onStep = (mm: number): number => Math.round(mm / STEP[system]) * STEP[system];
  const place = (mm: number, most: number): number => Math.min(Math.max(0, onStep(mm)), most);
  const off = thing.away.mm - (by.x * out.x + by.y * out.y);
  return {
    ...thing,
    along: measuredAs(
      place(thing.along.mm + by.x * along.x + by.y * along.y, Math.max(0, wall.mm - thing.width.mm)),
      system,
    ),
    away: measuredAs(off < MAGNET ? 0 : onStep(off), system),
  };
}

import { answer, refuse, type Outcome } from '../problem';
import type { LengthSystem } from '../units/length';
import { crossing, direction, distance, leftOf, shift, type Point } from './point';
import { outlineOf, wallsOf } from './room-outline';
import { measuredAs, type Opening, type Fixture, type RoomShape } from './shape';

export interface MovedRoom {
  shape: RoomShape;
  openings: Opening[];
  fixtures: Fixture[];
  /** m² won, under 0 where lost. */
  gain: number;
}

const TURNED = 1;

/**
 * Moves one wall of a room by so much outward (under 0: inward); the walls beside it grow or shrink along their own
 * lines, and what stands on them stays where it is in the house. A closing error that was left open is closed by it.
 * @returns the room as it then is; a problem where a wall would vanish or the room would cross itself
 */
export function moveWall(
  shape: RoomShape,
  openings: readonly Opening[],
  fixtures: readonly Fixture[],
  wall: number,
  outward: number,
  system: LengthSystem,
): Outcome<MovedRoom> {
  const before = outlineOf(shape, system);
  if (!before.ok) return before;
  const { corners } = before.value;
  const at = (index: number): Point =>
    corners[((index % corners.length) + corners.length) % corners.length] ?? { x: 0, y: 0 };
  const heading = direction(at(wall), at(wall + 1));
  const foot = shift(at(wall), leftOf(heading), outward);
  const start = crossing(foot, heading, at(wall - 1), direction(at(wall - 1), at(wall)));
  const end = crossing(foot, heading, at(wall + 1), direction(at(wall + 1), at(wall + 2)));
  if (!start || !end)
    return refuse({
      code: 'wall-in-line',
      message: 'The wall beside it runs the same way; move both as one.',
      field: 'by',
    });
  const next = (wall + 1) % corners.length;
  const moved = corners.map((corner, index) => (index === wall ? start : index === next ? end : corner));
  const [was, is] = [wallsOf(corners, shape.walls, system), wallsOf(moved, shape.walls, system)];
  if (is.some((entry, index) => Math.abs(entry.turn - (was[index]?.turn ?? 0)) > TURNED))
    return refuse({ code: 'wall-vanishes', message: 'That is further than the wall beside it is long.', field: 'by' });
  const room: RoomShape = { ...shape, walls: is, spread: false };
  const after = outlineOf(room, system);
  if (!after.ok) return after;
  // The next wall begins at a corner that moved; the moved wall itself where its neighbours are not square to it.
  const slides = new Map([
    [next, distance(end, at(wall + 2)) - distance(at(wall + 1), at(wall + 2))],
    [wall, (at(wall).x - start.x) * heading.x + (at(wall).y - start.y) * heading.y],
  ]);
  const stay = <Thing extends { wall: number; along: { mm: number; typed: string } | null }>(thing: Thing): Thing => {
    const by = slides.get(thing.wall) ?? 0;
    return thing.along && Math.abs(by) > 0.05 ? { ...thing, along: measuredAs(thing.along.mm + by, system) } : thing;
  };
  return answer({
    shape: room,
    openings: openings.map(stay),
    fixtures: fixtures.map(stay),
    gain: after.value.area - before.value.area,
  });
}

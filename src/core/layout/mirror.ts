import type { LengthSystem } from '../units/length';
import { measuredAs, type FaceShape, type Opening, type Fixture, type RoomShape, type Shape } from './shape';
import { wallLength } from './check-openings';

export interface Mirrored {
  shape: Shape;
  openings: Opening[];
  fixtures: Fixture[];
}

/** “The right half is the left half turned”: the same area seen in a mirror, with everything on its walls. */
export function mirror(
  shape: Shape,
  openings: readonly Opening[],
  fixtures: readonly Fixture[],
  system: LengthSystem,
): Mirrored {
  if (shape.kind !== 'room' && shape.kind !== 'face')
    return { shape, openings: [...openings], fixtures: [...fixtures] };
  const count = shape.kind === 'room' ? shape.walls.length : shape.sections.length;
  const turned = <Thing extends { wall: number; along: { mm: number; typed: string } | null; width: { mm: number } }>(
    thing: Thing,
  ): Thing => ({
    ...thing,
    wall: count - 1 - thing.wall,
    along: thing.along && measuredAs((wallLength(shape, thing.wall) ?? 0) - thing.along.mm - thing.width.mm, system),
  });
  return {
    shape: shape.kind === 'room' ? mirrorRoom(shape) : mirrorFace(shape),
    openings: openings.map((opening) => ({ ...turned(opening), hinge: opening.hinge === 'left' ? 'right' : 'left' })),
    fixtures: fixtures.map((thing) => ({ ...turned(thing), hinge: TURNED_HINGE[thing.hinge] })),
  };
}

const TURNED_HINGE = { left: 'right', right: 'left', none: 'none' } as const;

/** Read the other way round: each wall then ends with the turn that it began with. */
function mirrorRoom(shape: RoomShape): RoomShape {
  const { walls } = shape;
  return {
    ...shape,
    walls: walls
      .map((wall, index) => ({ ...wall, turn: walls[(index - 1 + walls.length) % walls.length]?.turn ?? 90 }))
      .reverse(),
    ...(shape.slopes
      ? { slopes: shape.slopes.map((slope) => ({ ...slope, wall: walls.length - 1 - slope.wall })) }
      : {}),
  };
}

const mirrorFace = (shape: FaceShape): FaceShape => ({ ...shape, sections: [...shape.sections].reverse() });

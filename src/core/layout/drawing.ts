import type { LengthSystem } from '../units/length';
import { formatLength } from '../units/length';
import { runProfile } from './drain-profile';
import { faceElevation, wallElevation } from './elevation';
import { planOf } from './room-plan';
import type { Fixture, Opening, RoofShape, Shape } from './shape';
import { drawing, measureText, TEXT_PART, type Drawing } from './stroke';

/** What of a room is looked at: one of its walls from inside, or the ceiling. */
export type Seen = number | 'ceiling';

/**
 * The one drawing that shows most of a shape: the plan of a room, the elevation of a face, the profile of a drain.
 * @param seen of a room, its ceiling or one wall instead
 * @returns undefined where there is nothing such to be seen, or the outline does not close
 */
export function drawingOf(
  name: string,
  shape: Shape,
  openings: readonly Opening[],
  fixtures: readonly Fixture[],
  system: LengthSystem,
  seen?: Seen,
): Drawing | undefined {
  if (seen !== undefined && shape.kind !== 'room') return undefined;
  switch (shape.kind) {
    case 'room':
      return typeof seen === 'number'
        ? wallElevation(name, shape, openings, fixtures, seen, system)
        : planOf(name, shape, openings, fixtures, system, seen ?? 'floor');
    case 'face':
      return faceElevation(name, shape, openings, system);
    case 'run':
      return runProfile(name, shape, system);
    case 'roof':
      return roofPlan(name, shape, system);
  }
}

function roofPlan(name: string, shape: RoofShape, system: LengthSystem): Drawing {
  return drawing(
    name,
    [
      {
        form: 'path',
        layer: 'walls',
        points: [
          { x: 0, y: 0 },
          { x: shape.width.mm, y: 0 },
          { x: shape.width.mm, y: shape.length.mm },
          { x: 0, y: shape.length.mm },
        ],
        closed: true,
      },
      measureText(
        { x: 0, y: 0 },
        { x: shape.width.mm, y: 0 },
        -shape.width.mm * TEXT_PART * 1.3,
        formatLength(shape.width.mm, system),
        shape.width.mm * TEXT_PART,
      ),
      measureText(
        { x: 0, y: 0 },
        { x: 0, y: shape.length.mm },
        shape.width.mm * TEXT_PART * 1.3,
        formatLength(shape.length.mm, system),
        shape.width.mm * TEXT_PART,
      ),
      {
        form: 'text',
        layer: 'measures',
        at: { x: shape.width.mm / 2, y: shape.length.mm / 2 },
        text: `rises ${shape.riseIn12} in 12`,
        height: shape.width.mm * TEXT_PART,
        turn: 0,
      },
    ],
    shape.width.mm * 0.1,
  );
}

import type { Problem } from '../problem';
import type { LengthSystem } from '../units/length';
import { formatLength } from '../units/length';
import { wallHeight, wallTop } from './ceiling';
import { outlineOf } from './room-outline';
import { OPENING_KINDS, wallName, type FaceShape, type Opening, type RoomShape, type Shape } from './shape';

/** Nobody builds these; a slip of the finger does. mm */
const LARGEST = { door: { width: 6_000, height: 4_000 }, window: { width: 12_000, height: 6_000 } } as const;
const SMALLEST = 100;

/** How high the wall is over a stretch of it: under a gable the lower of its two ends. */
function heightOver(shape: RoomShape | FaceShape, wall: number, from: number, to: number): number {
  if (shape.kind === 'room') {
    if (!shape.slopes?.length) return shape.height.mm;
    const outline = outlineOf(shape);
    return outline.ok ? wallHeight(wallTop(shape, outline.value.corners, wall), from, to) : shape.height.mm;
  }
  const section = shape.sections[wall];
  if (!section) return 0;
  const at = (x: number): number =>
    section.height.mm + section.gableRise.mm * (1 - Math.abs(x / section.width.mm - 0.5) * 2);
  return Math.min(at(from), at(to));
}

export const wallLength = (shape: Shape, wall: number): number | undefined =>
  shape.kind === 'room' ? shape.walls[wall]?.mm : shape.kind === 'face' ? shape.sections[wall]?.width.mm : undefined;

/** A size that cannot be meant, whatever the wall: the first thing that is asked again. */
export function absurdOpening(
  opening: Pick<Opening, 'kind' | 'width' | 'height'>,
  system: LengthSystem,
): Problem | undefined {
  const largest = opening.kind === 'window' ? LARGEST.window : LARGEST.door;
  for (const [field, word] of [
    ['width', 'wide'],
    ['height', 'high'],
  ] as const) {
    const { mm } = opening[field];
    if (mm > largest[field] || mm < SMALLEST) {
      return {
        code: 'opening-absurd',
        message:
          `A ${OPENING_KINDS[opening.kind]} ${formatLength(mm, system)} ${word} cannot be meant; between ` +
          `${formatLength(SMALLEST, system)} and ${formatLength(largest[field], system)} could be. Check the unit.`,
        field,
      };
    }
  }
  return undefined;
}

/** Everything about one opening that does not go with its wall or with the others there; nothing where it fits. */
export function checkOpening(
  shape: Shape,
  opening: Opening,
  others: readonly Opening[],
  system: LengthSystem,
): Problem[] {
  const absurd = absurdOpening(opening, system);
  if (absurd) return [absurd];
  if (shape.kind !== 'room' && shape.kind !== 'face')
    return [{ code: 'no-walls', message: 'Only rooms and faces have openings.', field: 'wall' }];
  const length = wallLength(shape, opening.wall);
  if (length === undefined)
    return [{ code: 'no-such-wall', message: `There is no ${wallName(opening.wall)} here.`, field: 'wall' }];
  const say = (mm: number): string => formatLength(Math.max(0, mm), system);
  const problems: Problem[] = [];
  if (opening.width.mm * (opening.along ? 1 : opening.count) > length + 0.5) {
    problems.push({
      code: 'opening-wider-than-wall',
      message:
        `It is ${say(opening.width.mm)} wide${opening.count > 1 ? `, ${opening.count} times` : ''}, and ` +
        `${shape.kind === 'face' ? 'its section' : 'its wall'} only ${say(length)}.`,
      field: 'width',
    });
  }
  const from = opening.along?.mm ?? Math.max(0, (length - opening.width.mm) / 2);
  const to = from + opening.width.mm;
  if (problems.length === 0 && opening.along && to > length + 0.5)
    problems.push({
      code: 'opening-past-end',
      message:
        `It ends ${say(to - length)} past the end of its wall; at most ${say(length - opening.width.mm)} from the ` +
        'left.',
      field: 'along',
    });
  const height = heightOver(shape, opening.wall, Math.min(from, length), Math.min(to, length));
  const top = opening.sill.mm + opening.height.mm;
  if (top > height + 0.5)
    problems.push({
      code: 'opening-higher-than-wall',
      message: `Its top would be at ${say(top)}, and the wall is ${say(height)} high there.`,
      field: 'height',
    });
  const over = others.find(
    (other) =>
      other.id !== opening.id &&
      other.wall === opening.wall &&
      other.along &&
      opening.along &&
      other.along.mm < to - 0.5 &&
      from < other.along.mm + other.width.mm - 0.5 &&
      other.sill.mm < top - 0.5 &&
      opening.sill.mm < other.sill.mm + other.height.mm - 0.5,
  );
  if (over)
    problems.push({
      code: 'openings-overlap',
      message: `It lies over “${over.name || OPENING_KINDS[over.kind]}”.`,
      field: 'along',
    });
  return problems;
}

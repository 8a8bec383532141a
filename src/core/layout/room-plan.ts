import type { LengthSystem } from '../units/length';
import { formatLength } from '../units/length';
import { along, boundsOf, direction, distance, endsOf, inwardOf, leftOf, shift, type Point } from './point';
import { outlineOf } from './room-outline';
import { footprint, swingOf } from './footprint';
import { isOverhead, type Fixture, type Opening, type RoomShape } from './shape';
import {
  drawing,
  fitted,
  LEGIBLE,
  LETTER_PART,
  measureText,
  TEXT_PART,
  type Drawing,
  type Layer,
  type Stroke,
} from './stroke';

const angle = (from: Point, to: Point): number => (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;

/** What a plan shows: the floor with all that stands on it, or the ceiling with all that runs under it. */
export type Storey = 'floor' | 'ceiling';

/** @param storey on the floor what runs overhead is dashed; on the ceiling nothing that stands is drawn but posts */
export function planOf(
  name: string,
  shape: RoomShape,
  openings: readonly Opening[],
  fixtures: readonly Fixture[],
  system: LengthSystem,
  storey: Storey = 'floor',
): Drawing | undefined {
  const outline = outlineOf(shape);
  if (!outline.ok) return undefined;
  const { corners } = outline.value;
  const bounds = boundsOf(corners);
  const size = Math.max(bounds.right - bounds.left, bounds.top - bounds.bottom);
  const height = size * TEXT_PART;
  const strokes: Stroke[] = [];
  corners.forEach((corner, wall) => {
    const next = corners[(wall + 1) % corners.length] ?? corner;
    strokes.push({ form: 'path', layer: 'walls', points: [corner, next], closed: false, about: `wall ${wall + 1}` });
    const text = wallLabel(wall, formatLength(shape.walls[wall]?.mm ?? 0, system), distance(corner, next) / height);
    strokes.push(measureText(corner, next, height * 1.7, text, height, `wall ${wall + 1}`));
  });
  if (storey === 'floor') for (const opening of openings) strokes.push(...openingOnPlan(corners, opening, height));
  else strokes.push(...slopesOnPlan(shape, corners, height, system));
  const shown = fixtures.filter((thing) => storey === 'floor' || isOverhead(thing) || thing.kind === 'post');
  for (const thing of shown) strokes.push(...thingOnPlan(corners, thing, height, system, storey));
  return drawing(storey === 'ceiling' ? `${name}, ceiling` : name, strokes, size * 0.1);
}

/** A wall by its number and length; a short one has room for less. @param letters how long it is in heights of a letter */
const wallLabel = (wall: number, length: string, letters: number): string =>
  [`wall ${wall + 1}, ${length}`, `${wall + 1}: ${length}`].find(
    (text) => (text.length + 1) * LETTER_PART <= letters,
  ) ?? `${wall + 1}`;

function thingOnPlan(
  corners: readonly Point[],
  thing: Fixture,
  height: number,
  system: LengthSystem,
  storey: Storey,
): Stroke[] {
  const points = footprint(corners, thing);
  const overhead = isOverhead(thing);
  const layer: Layer = overhead ? 'ceiling' : 'fixtures';
  const box = boundsOf(points);
  const [wide, tall] = [box.right - box.left, box.top - box.bottom];
  const text =
    storey === 'ceiling' && overhead ? `${thing.name}, under it ${formatLength(thing.bottom.mm, system)}` : thing.name;
  const words = fitted(height * 0.85, Math.max(wide, tall), text);
  const ground: Stroke = { form: 'path', layer, points, closed: true, about: thing.id };
  // On the floor’s plan what runs overhead is only dashed: its words are on the ceiling’s.
  if (words <= height * LEGIBLE || (overhead && storey === 'floor')) return [ground];
  return [
    ground,
    {
      form: 'text',
      layer,
      at: along(points[0] ?? { x: 0, y: 0 }, points[2] ?? { x: 0, y: 0 }, 0.5),
      text,
      height: words,
      turn: tall > wide ? 90 : 0,
      about: thing.id,
    },
  ];
}

/** Where the ceiling comes down: a line where the slope begins, with its height at the wall. */
function slopesOnPlan(shape: RoomShape, corners: readonly Point[], height: number, system: LengthSystem): Stroke[] {
  return (shape.slopes ?? []).flatMap(({ wall, low, run }): Stroke[] => {
    const [a, b] = endsOf(corners, wall);
    const inward = inwardOf(corners, wall);
    const [from, to] = [shift(a, inward, run.mm), shift(b, inward, run.mm)];
    const text = `${formatLength(low.mm, system)} at the wall`;
    return [
      { form: 'path', layer: 'ceiling', points: [from, to], closed: false },
      { ...measureText(a, b, -height * 1.5, text, height), layer: 'ceiling' },
    ];
  });
}

function openingOnPlan(corners: readonly Point[], opening: Opening, height: number): Stroke[] {
  if (!opening.along) return [];
  const [a, b] = endsOf(corners, opening.wall);
  const d = direction(a, b);
  const [left, right] = [shift(a, d, opening.along.mm), shift(a, d, opening.along.mm + opening.width.mm)];
  const out = leftOf(d);
  const jamb = height * 0.55;
  const strokes: Stroke[] = [
    {
      form: 'path',
      layer: 'openings',
      points: [shift(left, out, jamb), shift(left, out, -jamb), shift(right, out, -jamb), shift(right, out, jamb)],
      closed: true,
      about: opening.id,
    },
  ];
  if (opening.kind === 'window')
    strokes.push({ form: 'path', layer: 'openings', points: [left, right], closed: false, about: opening.id });
  if (opening.kind === 'pocket')
    strokes.push({
      form: 'path',
      layer: 'swings',
      points: [left, shift(left, d, opening.hinge === 'left' ? -opening.width.mm : opening.width.mm * 2)],
      closed: false,
      about: opening.id,
    });
  const swing = swingOf(corners, opening);
  if (swing) {
    const [from, to] = [angle(swing.hinge, swing.shut), angle(swing.hinge, swing.open)];
    const [low, high] = ((to - from + 540) % 360) - 180 > 0 ? [from, to] : [to, from];
    strokes.push(
      { form: 'path', layer: 'swings', points: [swing.hinge, swing.open], closed: false, about: opening.id },
      {
        form: 'arc',
        layer: 'swings',
        centre: swing.hinge,
        radius: swing.radius,
        from: low,
        to: high < low ? high + 360 : high,
        about: opening.id,
      },
    );
  }
  return strokes;
}

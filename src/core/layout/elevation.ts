import type { LengthSystem } from '../units/length';
import { formatLength } from '../units/length';
import { wallTop } from './ceiling';
import { outlineOf } from './room-outline';
import { isDoor, isOverhead, OPENING_KINDS, type FaceShape, type Fixture, type Opening, type RoomShape } from './shape';
import { drawing, fitted, LEGIBLE, measureText, TEXT_PART, type Drawing, type Layer, type Stroke } from './stroke';

/** What stands or hangs so near a wall is seen on it. mm */
const ON_WALL = 150;

/** One wall of a room, seen from inside, under its ceiling, with what stands against it and hangs on it. */
export function wallElevation(
  name: string,
  shape: RoomShape,
  openings: readonly Opening[],
  fixtures: readonly Fixture[],
  wall: number,
  system: LengthSystem,
): Drawing | undefined {
  const one = shape.walls[wall];
  if (!one) return undefined;
  const bare = faceElevation(
    `${name}, wall ${wall + 1}`,
    { kind: 'face', sections: [{ width: one, height: shape.height, gableRise: { mm: 0, typed: '' } }] },
    openings.filter((opening) => opening.wall === wall).map((opening) => ({ ...opening, wall: 0 })),
    system,
  );
  const height = Math.max(one.mm, shape.height.mm) * TEXT_PART;
  const outline = outlineOf(shape);
  const top = outline.ok && shape.slopes?.length ? wallTop(shape, outline.value.corners, wall) : [];
  const things = fixtures.filter((thing) => thing.wall === wall && thing.away.mm < ON_WALL);
  return {
    ...bare,
    strokes: [
      ...bare.strokes.map((stroke): Stroke =>
        stroke.form === 'path' && stroke.layer === 'walls' && top.length > 0
          ? { ...stroke, points: [{ x: 0, y: 0 }, ...top, { x: one.mm, y: 0 }] }
          : stroke,
      ),
      ...things.flatMap((thing) => thingOnElevation(thing, height, system)),
    ],
  };
}

/** A thing on its wall: its outline, its door by the side it hangs on, its name and how high its edges are. */
function thingOnElevation(thing: Fixture, height: number, system: LengthSystem): Stroke[] {
  const [left, right] = [thing.along.mm, thing.along.mm + thing.width.mm];
  const [low, top] = [thing.bottom.mm, thing.bottom.mm + thing.tall.mm];
  const layer: Layer = isOverhead(thing) ? 'ceiling' : 'fixtures';
  const box = [
    { x: left, y: low },
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: low },
  ];
  const hung = thing.hinge === 'left' ? left : right;
  const free = thing.hinge === 'left' ? right : left;
  const door: Stroke[] =
    thing.hinge === 'none'
      ? []
      : [
          {
            form: 'path',
            layer: 'swings',
            points: [
              { x: free, y: low },
              { x: hung, y: (low + top) / 2 },
              { x: free, y: top },
            ],
            closed: false,
            about: thing.id,
          },
        ];
  const said = [
    thing.name,
    low > 0 ? `${formatLength(low, system)} to ${formatLength(top, system)}` : formatLength(top, system),
  ];
  const words = fitted(
    height * 0.8,
    thing.width.mm,
    said.reduce((a, b) => (a.length > b.length ? a : b)),
  );
  return [
    { form: 'path', layer, points: box, closed: true, about: thing.id },
    ...door,
    ...(words < height * LEGIBLE
      ? []
      : said.map((text, line): Stroke => ({
          form: 'text',
          layer,
          at: { x: (left + right) / 2, y: (low + top) / 2 - (line - 0.5) * words * 1.3 },
          text,
          height: words,
          turn: 0,
          about: thing.id,
        }))),
  ];
}

/** A face seen from outside, its sections side by side on one ground line. */
export function faceElevation(
  name: string,
  shape: FaceShape,
  openings: readonly Opening[],
  system: LengthSystem,
): Drawing {
  const width = shape.sections.reduce((sum, section) => sum + section.width.mm, 0);
  const top = Math.max(...shape.sections.map((section) => section.height.mm + section.gableRise.mm));
  const height = Math.max(width, top) * TEXT_PART;
  const strokes: Stroke[] = [
    {
      form: 'path',
      layer: 'ground',
      points: [
        { x: -height * 2, y: 0 },
        { x: width + height * 2, y: 0 },
      ],
      closed: false,
    },
  ];
  let left = 0;
  shape.sections.forEach((section, index) => {
    const [right, eaves] = [left + section.width.mm, section.height.mm];
    const peak = section.gableRise.mm > 0 ? [{ x: (left + right) / 2, y: eaves + section.gableRise.mm }] : [];
    strokes.push({
      form: 'path',
      layer: 'walls',
      points: [{ x: left, y: 0 }, { x: left, y: eaves }, ...peak, { x: right, y: eaves }, { x: right, y: 0 }],
      closed: true,
      about: `section ${index + 1}`,
    });
    strokes.push(
      measureText(
        { x: left, y: 0 },
        { x: right, y: 0 },
        -height * 1.3,
        shape.sections.length > 1
          ? `section ${index + 1}, ${formatLength(section.width.mm, system)}`
          : formatLength(section.width.mm, system),
        height,
      ),
    );
    strokes.push(
      measureText(
        { x: left + height * 0.4, y: 0 },
        { x: left + height * 0.4, y: eaves },
        -height * 0.6,
        formatLength(eaves, system),
        height,
      ),
    );
    if (section.gableRise.mm > 0) {
      strokes.push({
        form: 'path',
        layer: 'measures',
        points: [
          { x: left, y: eaves },
          { x: right, y: eaves },
        ],
        closed: false,
      });
      strokes.push({
        form: 'text',
        layer: 'measures',
        at: { x: (left + right) / 2, y: eaves + height * 0.75 },
        text: `+ ${formatLength(section.gableRise.mm, system)}`,
        height: fitted(height, section.width.mm * 0.55, `+ ${formatLength(section.gableRise.mm, system)}`),
        turn: 0,
      });
    }
    for (const opening of openings.filter((opening) => opening.wall === index))
      strokes.push(...openingOnElevation(opening, left, section.width.mm, height));
    left = right;
  });
  return drawing(name, strokes, height * 2.2);
}

/** Those without a place stand spread evenly, dashed on screen by their layer. */
function openingOnElevation(opening: Opening, left: number, width: number, height: number): Stroke[] {
  const count = opening.along ? 1 : opening.count;
  return Array.from({ length: count }, (_, index): Stroke[] => {
    const x = left + (opening.along ? opening.along.mm : ((index + 1) * width) / (count + 1) - opening.width.mm / 2);
    const y = opening.sill.mm;
    const [w, h] = [opening.width.mm, opening.height.mm];
    const frame: Stroke = {
      form: 'path',
      layer: 'openings',
      points: [
        { x, y },
        { x, y: y + h },
        { x: x + w, y: y + h },
        { x: x + w, y },
      ],
      closed: true,
      about: opening.id,
    };
    const cross: Stroke[] = isDoor(opening.kind)
      ? []
      : [
          {
            form: 'path',
            layer: 'swings',
            points: [
              { x, y: y + h * 0.75 },
              { x: x + w, y: y + h * 0.75 },
            ],
            closed: false,
            about: opening.id,
          },
        ];
    const name = opening.name || OPENING_KINDS[opening.kind];
    const words = fitted(height * 0.85, Math.max(w, h), name);
    if (words < height * LEGIBLE) return [frame, ...cross];
    return [
      frame,
      ...cross,
      {
        form: 'text',
        layer: 'openings',
        at: { x: x + w / 2, y: y + h * 0.4 },
        text: name,
        height: words,
        turn: h > w * 1.2 ? 90 : 0,
        about: opening.id,
      },
    ];
  }).flat();
}

import type { LengthSystem } from '../units/length';
import { formatLength } from '../units/length';
import { invertsOf } from '../fit/drain-run';
import { along, boundsOf, direction, distance, leftOf, shift, type Point } from './point';
import { wallTop } from './ceiling';
import { outlineOf } from './room-outline';
import {
  isDoor,
  isOverhead,
  OPENING_KINDS,
  type FaceShape,
  type Opening,
  type Fixture,
  type RoomShape,
  type RunShape,
  type Shape,
} from './shape';

/** Plan and elevation as plain strokes in mm, y up: the screen, SVG, DXF and PDF are all drawn from them. */
export type Stroke =
  | { form: 'path'; layer: Layer; points: Point[]; closed: boolean; about?: string }
  | { form: 'arc'; layer: Layer; centre: Point; radius: number; from: number; to: number; about?: string }
  /** `height` in mm of the drawing; `turn` in degrees. */
  | { form: 'text'; layer: Layer; at: Point; text: string; height: number; turn: number; about?: string };
export type Layer = 'walls' | 'openings' | 'swings' | 'fixtures' | 'ceiling' | 'measures' | 'ground';

export interface Drawing {
  title: string;
  strokes: Stroke[];
  bounds: ReturnType<typeof boundsOf>;
}

/** A letter is about so wide for its height; words are made small enough for the room they have. */
const LETTER_PART = 0.55;
const fitted = (height: number, room: number, text: string): number =>
  Math.min(height, room / (LETTER_PART * (text.length + 1)));
/** Words smaller than this part of the usual are left to the list beside the drawing. */
const LEGIBLE = 0.5;

/** Letters are so large against the drawing that they can be read on a phone. */
const TEXT_PART = 1 / 34;

function drawing(title: string, strokes: Stroke[], margin: number): Drawing {
  const points = strokes.flatMap((stroke) =>
    stroke.form === 'path'
      ? stroke.points
      : stroke.form === 'text'
        ? [stroke.at]
        : [
            shift(stroke.centre, { x: stroke.radius, y: stroke.radius }, -1),
            shift(stroke.centre, { x: stroke.radius, y: stroke.radius }),
          ],
  );
  const bounds = boundsOf(
    points.length > 0
      ? points
      : [
          { x: 0, y: 0 },
          { x: 1000, y: 1000 },
        ],
  );
  return {
    title,
    strokes,
    bounds: {
      left: bounds.left - margin,
      right: bounds.right + margin,
      bottom: bounds.bottom - margin,
      top: bounds.top + margin,
    },
  };
}

/** Text along a line, never upside down. */
function measureText(a: Point, b: Point, away: number, text: string, height: number, about?: string): Stroke {
  const d = direction(a, b);
  const middle = shift(along(a, b, 0.5), leftOf(d), away);
  const degrees = (Math.atan2(d.y, d.x) * 180) / Math.PI;
  const turn = degrees > 90 + 1e-6 || degrees <= -90 + 1e-6 ? degrees + 180 : degrees;
  return {
    form: 'text',
    layer: 'measures',
    at: middle,
    text,
    height: fitted(height, Math.max(distance(a, b), height * 5), text),
    turn,
    ...(about ? { about } : {}),
  };
}

/** The floor that a door leaf sweeps or a placed thing takes, as corners. */
export function footprint(corners: readonly Point[], thing: Fixture): Point[] {
  const [a, b] = [corners[thing.wall] ?? { x: 0, y: 0 }, corners[(thing.wall + 1) % corners.length] ?? { x: 0, y: 0 }];
  const d = direction(a, b);
  const from = shift(shift(a, d, thing.along.mm), leftOf(d), -thing.away.mm);
  const to = shift(from, d, thing.width.mm);
  return [from, to, shift(to, leftOf(d), -thing.depth.mm), shift(from, leftOf(d), -thing.depth.mm)];
}

export interface Swing {
  hinge: Point;
  radius: number;
  /** Where the leaf lies shut and where it stands open. */
  shut: Point;
  open: Point;
}

/** The quarter circle of a door that opens into this room; nothing for what slides or opens away. */
export function swingOf(corners: readonly Point[], opening: Opening): Swing | undefined {
  if (opening.kind !== 'door' || !opening.opensIn || !opening.along) return undefined;
  const [a, b] = [
    corners[opening.wall] ?? { x: 0, y: 0 },
    corners[(opening.wall + 1) % corners.length] ?? { x: 0, y: 0 },
  ];
  const d = direction(a, b);
  const [left, right] = [shift(a, d, opening.along.mm), shift(a, d, opening.along.mm + opening.width.mm)];
  const hinge = opening.hinge === 'left' ? left : right;
  return {
    hinge,
    radius: opening.width.mm,
    shut: opening.hinge === 'left' ? right : left,
    open: shift(hinge, leftOf(d), -opening.width.mm),
  };
}

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
    const [a, b] = [corners[wall], corners[(wall + 1) % corners.length]];
    if (!a || !b) return [];
    const inward = leftOf(direction(a, b));
    const [from, to] = [shift(a, inward, -run.mm), shift(b, inward, -run.mm)];
    const text = `${formatLength(low.mm, system)} at the wall`;
    return [
      { form: 'path', layer: 'ceiling', points: [from, to], closed: false },
      { ...measureText(a, b, -height * 1.5, text, height), layer: 'ceiling' },
    ];
  });
}

function openingOnPlan(corners: readonly Point[], opening: Opening, height: number): Stroke[] {
  if (!opening.along) return [];
  const [a, b] = [
    corners[opening.wall] ?? { x: 0, y: 0 },
    corners[(opening.wall + 1) % corners.length] ?? { x: 0, y: 0 },
  ];
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
function faceElevation(name: string, shape: FaceShape, openings: readonly Opening[], system: LengthSystem): Drawing {
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

/** How much taller than long a drain is drawn: a fall of 1:80 could not be seen otherwise. */
const STEEPER = 10;

/** A drain from its outlet upstream, with its inverts; heights drawn ten times. */
function runProfile(name: string, shape: RunShape, system: LengthSystem): Drawing {
  const inverts = invertsOf(
    shape.outletInvert.mm,
    shape.legs.map((leg) => ({ length: leg.length.mm, fall: leg.fall })),
  );
  const level = (mm: number): string => `${mm < 0 ? '−' : '+'}${formatLength(Math.abs(mm), system)}`;
  let x = 0;
  const points = inverts.map((invert, index) => {
    if (index > 0) x += shape.legs[index - 1]?.length.mm ?? 0;
    return { x, y: invert * STEEPER };
  });
  const top = Math.max(shape.headMaxInvert.mm * STEEPER, ...points.map((point) => point.y));
  const height = Math.max(x, 2000) * TEXT_PART;
  const strokes: Stroke[] = [
    { form: 'path', layer: 'walls', points, closed: false },
    ...points.map((point, index): Stroke => ({
      form: 'text',
      layer: 'measures',
      at: { x: point.x, y: point.y - height * 1.4 },
      text: level(inverts[index] ?? 0),
      height,
      turn: 0,
    })),
    ...shape.legs.flatMap((leg, index): Stroke[] => {
      const [a, b] = [points[index], points[index + 1]];
      if (!a || !b) return [];
      return [
        {
          form: 'text',
          layer: 'openings',
          at: { x: (a.x + b.x) / 2, y: Math.max(a.y, b.y) + height * 1.1 },
          text: `${formatLength(leg.length.mm, system)}${leg.fall > 0 ? `, 1:${Math.round(1 / leg.fall)}` : ', level'}`,
          height,
          turn: 0,
        },
      ];
    }),
    {
      form: 'path',
      layer: 'ground',
      points: [
        { x: Math.max(0, x - height * 6), y: shape.headMaxInvert.mm * STEEPER },
        { x: x + height * 2, y: shape.headMaxInvert.mm * STEEPER },
      ],
      closed: false,
    },
    {
      form: 'text',
      layer: 'ground',
      at: { x: Math.max(height * 4, x - height * 6.5), y: shape.headMaxInvert.mm * STEEPER + height * 0.9 },
      text: `head at most ${level(shape.headMaxInvert.mm)}`,
      height: height * 0.9,
      turn: 0,
    },
  ];
  for (const point of points)
    strokes.push({
      form: 'path',
      layer: 'openings',
      points: [
        { x: point.x, y: point.y },
        { x: point.x, y: top + height * 2 },
      ],
      closed: false,
    });
  return drawing(name, strokes, height * 3);
}

/** The one drawing that shows most of a shape: the plan of a room, the elevation of a face, the profile of a drain. */
export function drawingOf(
  name: string,
  shape: Shape,
  openings: readonly Opening[],
  fixtures: readonly Fixture[],
  system: LengthSystem,
): Drawing | undefined {
  switch (shape.kind) {
    case 'room':
      return planOf(name, shape, openings, fixtures, system);
    case 'face':
      return faceElevation(name, shape, openings, system);
    case 'run':
      return runProfile(name, shape, system);
    case 'roof':
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
}

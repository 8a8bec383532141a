import { wallElevation } from '../layout/elevation';
import type { Drawing, Stroke } from '../layout/stroke';
import type { Opening, RoomShape } from '../layout/shape';
import { wallName } from '../layout/shape';
import { formatLength, type LengthSystem } from '../units/length';
import { IN_WALL_KINDS, type InWall } from '../walks/observation';
import { wallSizes } from './wall-sizes';

/** One thing in a wall with its number on the drawing. */
export interface Numbered extends InWall {
  number: number;
}

/** Where the wall is not drawn: long enough for what is in it, and of the usual height. mm */
const LEAST = { length: 2400, height: 2400 };

const measured = (mm: number): { mm: number; typed: string } => ({ mm, typed: '' });

/** What stands in each wall of an area, numbered from the left. */
export function byWall(things: readonly InWall[]): Map<number, Numbered[]> {
  const walls = new Map<number, InWall[]>();
  for (const thing of things) walls.set(thing.wall, [...(walls.get(thing.wall) ?? []), thing]);
  return new Map(
    [...walls]
      .sort(([a], [b]) => a - b)
      .map(([wall, list]) => [
        wall,
        list
          .sort((a, b) => a.along - b.along || a.height - b.height)
          .map((thing, index) => ({ ...thing, number: index + 1 })),
      ]),
  );
}

/**
 * The elevation of one wall as one faces it from inside, with what is in it: outlines where it stretches, a cross where
 * it is a spot, its number, which the list beneath explains, and beside it how far and how high it is.
 * @param shape undefined where the room is not drawn: the wall is then as long as what is in it
 */
export function wallRecord(
  name: string,
  shape: RoomShape | undefined,
  openings: readonly Opening[],
  wall: number,
  things: readonly Numbered[],
  system: LengthSystem,
): Drawing {
  const drawn = shape?.walls[wall] ? shape : standIn(wall, things);
  const elevation = wallElevation(name, drawn, openings, [], wall, system);
  if (!elevation) throw new Error(`There is no wall ${wall + 1}.`);
  const unit = Math.max(drawn.walls[wall]?.mm ?? LEAST.length, drawn.height.mm) / 34;
  return {
    ...elevation,
    title: `${name}, ${wallName(wall)}: what is inside`,
    strokes: [
      ...elevation.strokes.map((stroke) => heightOutside(stroke, unit)),
      ...wallSizes(things, unit, system),
      ...things.flatMap((thing) => strokesOf(thing, unit)),
    ],
  };
}

/** How high the wall is stands outside it: inside, the sizes of things would run through it. */
const heightOutside = (stroke: Stroke, unit: number): Stroke =>
  stroke.form === 'text' && stroke.layer === 'measures' && stroke.turn !== 0
    ? { ...stroke, at: { ...stroke.at, x: -unit * 0.9 } }
    : stroke;

function standIn(wall: number, things: readonly InWall[]): RoomShape {
  const length = Math.max(LEAST.length, ...things.map((thing) => thing.along + thing.length + 300));
  const height = Math.max(LEAST.height, ...things.map((thing) => thing.height + thing.rise + 200));
  return {
    kind: 'room',
    height: measured(height),
    spread: false,
    walls: Array.from({ length: Math.max(4, wall + 1) }, () => ({ ...measured(length), turn: 90 })),
  };
}

function strokesOf(thing: Numbered, unit: number): Stroke[] {
  const { along: x, height: y, length, rise } = thing;
  const label = String(thing.number);
  const spot = length === 0 && rise === 0;
  const half = unit * 0.5;
  const outline: Stroke[] = spot
    ? [
        {
          form: 'path',
          layer: 'fixtures',
          points: [
            { x: x - half, y: y - half },
            { x: x + half, y: y + half },
          ],
          closed: false,
        },
        {
          form: 'path',
          layer: 'fixtures',
          points: [
            { x: x - half, y: y + half },
            { x: x + half, y: y - half },
          ],
          closed: false,
        },
      ]
    : length === 0 || rise === 0
      ? [
          {
            form: 'path',
            layer: 'fixtures',
            points: [
              { x, y },
              { x: x + length, y: y + rise },
            ],
            closed: false,
          },
        ]
      : [
          {
            form: 'path',
            layer: 'fixtures',
            points: [
              { x, y },
              { x: x + length, y },
              { x: x + length, y: y + rise },
              { x, y: y + rise },
            ],
            closed: true,
          },
        ];
  return [
    ...outline,
    {
      form: 'text',
      layer: 'fixtures',
      at: {
        x: x + length / 2 + (spot ? unit * 1.1 : length === 0 ? unit * 0.9 : 0),
        y: y + rise / 2 + (rise === 0 && !spot ? unit * 0.9 : 0),
      },
      text: label,
      height: unit * 1.1,
      turn: 0,
    },
  ];
}

/** One line of the list beneath: what, and where to find it again with a tape. */
export const fixtureWords = (thing: InWall, system: LengthSystem): string => {
  const size = [
    thing.length > 0 ? `${formatLength(thing.length, system)} long` : '',
    thing.rise > 0 ? `${formatLength(thing.rise, system)} high` : '',
  ]
    .filter(Boolean)
    .join(', ');
  const of =
    thing.text === ''
      ? ''
      : /^(?:for|to|from|up|down|of|under|over|behind) /.test(thing.text)
        ? ` ${thing.text}`
        : `, ${thing.text}`;
  return (
    `${IN_WALL_KINDS[thing.what]}${of}: ${formatLength(thing.along, system)} from the left corner, ` +
    `${formatLength(thing.height, system)} up${size ? ` (${size})` : ''}`
  );
};

import type { Stroke } from '../layout/stroke';
import { LEGIBLE, LETTER_PART } from '../layout/stroke';
import { along, distance, type Point } from '../layout/point';
import { formatLength, type LengthSystem } from '../units/length';
import type { InWall } from '../walks/observation';

interface Box {
  left: number;
  right: number;
  bottom: number;
  top: number;
}

/** Where on its line a size is tried to be written, as a part of it. */
const PLACES = [0.5, 0.3, 0.7];

/**
 * The sizes that stand beside things in a wall: from the left corner, and from the floor, to where each begins, as one holds
 * the tape. A size that would stand in another or in a thing, or be too small to be read, is left to the list beneath.
 * @param unit the height of usual letters, mm of the wall
 * @returns a line with its ends and its words for each size
 */
export function wallSizes(things: readonly InWall[], unit: number, system: LengthSystem): Stroke[] {
  const taken = things.map((thing) => boxOf(thing, unit));
  const strokes: Stroke[] = [];
  for (const { along: x, height: y } of things)
    for (const [from, to] of [
      [
        { x: 0, y },
        { x, y },
      ],
      [
        { x, y: 0 },
        { x, y },
      ],
    ] as const) {
      const words = sizeWords(from, to, unit, system).find((one) => !taken.some((box) => meets(box, wordsBox(one))));
      if (!words) continue;
      taken.push(wordsBox(words));
      strokes.push(...tape(from, to, unit), words);
    }
  return strokes;
}

/** What a thing takes on the drawing: a spot takes its cross and its number. */
const boxOf = ({ along: x, height: y, length, rise }: InWall, unit: number): Box => ({
  left: x - (length === 0 ? unit * 0.5 : 0),
  right: x + length + (length === 0 ? unit * 1.6 : 0),
  bottom: y - (rise === 0 ? unit * 0.5 : 0),
  top: y + rise + (rise === 0 ? unit * 0.5 : 0),
});

type Words = Extract<Stroke, { form: 'text' }>;

/** The words of one size at each place where they may stand; none where it is too short for them. */
function sizeWords(from: Point, to: Point, unit: number, system: LengthSystem): Words[] {
  const length = distance(from, to);
  const text = formatLength(length, system);
  const height = Math.min(unit * 0.9, length / (LETTER_PART * (text.length + 1)));
  if (height < unit * LEGIBLE) return [];
  const level = from.y === to.y;
  const away = height * 0.75;
  return PLACES.map((part) => {
    const { x, y } = along(from, to, part);
    const at = level ? { x, y: y + away } : { x: x - away, y };
    return { form: 'text', layer: 'measures', at, text, height, turn: level ? 0 : 90 };
  });
}

/** The room that words take, turned or not. */
function wordsBox({ at, text, height, turn }: Words): Box {
  const [half, deep] = [(LETTER_PART * text.length * height) / 2, height / 2];
  const [across, up] = turn === 0 ? [half, deep] : [deep, half];
  return { left: at.x - across, right: at.x + across, bottom: at.y - up, top: at.y + up };
}

const meets = (one: Box, other: Box): boolean =>
  one.left < other.right && other.left < one.right && one.bottom < other.top && other.bottom < one.top;

/** A line with a short stroke across each of its ends. */
function tape(from: Point, to: Point, unit: number): Stroke[] {
  const half = unit * 0.3;
  const across = from.y === to.y ? { x: 0, y: half } : { x: half, y: 0 };
  const path = (...points: Point[]): Stroke => ({ form: 'path', layer: 'measures', points, closed: false });
  return [
    path(from, to),
    ...[from, to].map((end) =>
      path({ x: end.x - across.x, y: end.y - across.y }, { x: end.x + across.x, y: end.y + across.y }),
    ),
  ];
}

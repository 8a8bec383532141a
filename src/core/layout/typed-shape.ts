import { wrongSlope } from './ceiling';
import { formatFall, parseFall } from './fall';
import type { Measured, Shape } from './shape';
import { plainSigns, readNumber } from '../units/number';
import { parseLength, type LengthSystem } from '../units/length';

/** A shape as it is typed: texts in the order of their fields, whether they can be read or not. */
export interface TypedShape {
  kind: Shape['kind'];
  height: string;
  spread: boolean;
  /** Walls: length, turn. Sections: width, height, gable. Legs: length, fall. */
  lines: string[][];
  /** Roof: width, length, rise in 12. Drain: outlet, highest head, pipe. */
  sizes: string[];
  /** Where the ceiling of a room comes down: wall from 1, height at it, how far in the slope ends. */
  slopes: string[][];
}

/** What is typed to begin with: a room of four right angles, one line of the others. */
export const BLANK_LINES: Record<Shape['kind'], string[][]> = {
  room: [
    ['', '90'],
    ['', '90'],
    ['', '90'],
    ['', '90'],
  ],
  face: [['', '', '']],
  roof: [],
  run: [['', '1:80']],
};
/** Nothing typed yet. */
export const blankShape = (kind: Shape['kind']): TypedShape => ({
  kind,
  height: '',
  spread: false,
  lines: BLANK_LINES[kind],
  sizes: ['', '', ''],
  slopes: [],
});

/** A drawn shape as it was typed. */
export function typedOf(shape: Shape): TypedShape {
  switch (shape.kind) {
    case 'room':
      return {
        ...blankShape('room'),
        height: shape.height.typed,
        spread: shape.spread,
        lines: shape.walls.map((wall) => [wall.typed, String(wall.turn)]),
        slopes: (shape.slopes ?? []).map(({ wall, low, run }) => [String(wall + 1), low.typed, run.typed]),
      };
    case 'face':
      return {
        ...blankShape('face'),
        lines: shape.sections.map((section) => [
          section.width.typed,
          section.height.typed,
          section.gableRise.mm > 0 ? section.gableRise.typed : '',
        ]),
      };
    case 'roof':
      return { ...blankShape('roof'), sizes: [shape.width.typed, shape.length.typed, String(shape.riseIn12)] };
    case 'run':
      return {
        ...blankShape('run'),
        sizes: [shape.outletInvert.typed, shape.headMaxInvert.typed, shape.pipe?.typed ?? ''],
        lines: shape.legs.map((leg) => [leg.length.typed, formatFall(leg.fall)]),
      };
  }
}

/**
 * The shape of what is typed, or the first field that cannot be read. Fields are named `height`, `line 2 1`, `size 0`,
 * `slope 0 1`.
 */
export function readShape(
  typed: TypedShape,
  system: LengthSystem,
): { shape: Shape } | { field: string; message: string } {
  let wrong: { field: string; message: string } | undefined;
  const fail = (field: string, message: string): Measured => {
    wrong ??= { field, message };
    return { mm: 0, typed: '' };
  };
  const length = (
    text: string | undefined,
    field: string,
    terms: { zero?: boolean; signed?: boolean } = {},
  ): Measured => {
    const plain = (text ?? '').trim();
    if (plain === '') return terms.zero ? { mm: 0, typed: '' } : fail(field, 'This is missing.');
    const under = terms.signed === true && /^[-−]/.test(plain);
    const outcome = parseLength(under ? plain.slice(1) : plain, system);
    if (!outcome.ok) return fail(field, outcome.problem.message);
    if (outcome.value === 0 && !terms.zero && !terms.signed) return fail(field, 'A length is over 0.');
    return { mm: under ? -outcome.value : outcome.value, typed: plain };
  };
  const number = (text: string | undefined, field: string, most: number, message: string): number => {
    const plain = plainSigns(text ?? '').replace(/°$/, '');
    const read = readNumber(plain.replace(/^-/, ''), { commaIs: 'decimals' });
    const value = read && 'value' in read ? read.value * (plain.startsWith('-') ? -1 : 1) : Number.NaN;
    if (!Number.isFinite(value) || Math.abs(value) > most) fail(field, message);
    return value;
  };
  const wallNumber = (text: string | undefined, field: string): number => {
    const count = typed.lines.length;
    const value = number(text, field, count, `Which wall, from 1 to ${count}.`);
    if (!Number.isInteger(value) || value < 1) fail(field, `Which wall, from 1 to ${count}.`);
    return value - 1;
  };
  const shape = ((): Shape => {
    switch (typed.kind) {
      case 'room':
        return {
          kind: 'room',
          walls: typed.lines.map((line, index) => ({
            ...length(line[0], `line ${index} 0`),
            turn: number(line[1], `line ${index} 1`, 179, 'A turn is in degrees: 90 to the right, −90 to the left.'),
          })),
          height: length(typed.height, 'height'),
          spread: typed.spread,
          ...(typed.slopes.length > 0
            ? {
                slopes: typed.slopes.map((slope, index) => ({
                  wall: wallNumber(slope[0], `slope ${index} 0`),
                  low: length(slope[1], `slope ${index} 1`, { zero: true }),
                  run: length(slope[2], `slope ${index} 2`),
                })),
              }
            : {}),
        };
      case 'face':
        return {
          kind: 'face',
          sections: typed.lines.map((line, index) => ({
            width: length(line[0], `line ${index} 0`),
            // A gable alone stands on a wall of another material: 0 to the eaves.
            height: length(line[1], `line ${index} 1`, { zero: (line[2] ?? '').trim() !== '' }),
            gableRise: length(line[2], `line ${index} 2`, { zero: true }),
          })),
        };
      case 'roof':
        return {
          kind: 'roof',
          width: length(typed.sizes[0], 'size 0'),
          length: length(typed.sizes[1], 'size 1'),
          riseIn12: number(typed.sizes[2], 'size 2', 60, 'How much it rises in 12, like 7.'),
        };
      case 'run':
        return {
          kind: 'run',
          outletInvert: length(typed.sizes[0], 'size 0', { signed: true }),
          headMaxInvert: length(typed.sizes[1], 'size 1', { signed: true }),
          ...((typed.sizes[2] ?? '').trim() === '' ? {} : { pipe: length(typed.sizes[2], 'size 2') }),
          legs: typed.lines.map((line, index) => ({
            length: length(line[0], `line ${index} 0`),
            fall:
              parseFall(line[1] ?? '', system) ??
              (fail(`line ${index} 1`, 'A fall like 1:80, 1.25 % or 1/4 in per ft.'), 0),
          })),
        };
    }
  })();
  if (wrong) return wrong;
  const slope = shape.kind === 'room' ? wrongSlope(shape) : undefined;
  return slope ? { field: `slope ${slope.slope} ${slope.part === 'wall' ? 0 : 1}`, message: slope.message } : { shape };
}

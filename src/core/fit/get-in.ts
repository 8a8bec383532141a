import { answer } from '../problem';
import { amount, choice, give, length, main, variantsOf } from '../quantities/ask';
import { calculator } from '../quantities/calculator';
import { ceil } from '../units/rounding';

/** Guidance for one person, close to the body; awkward ways lower it. kg */
const ONE_PERSON = 25;
/** Walking with a load and back again. m in an hour */
const CARRY_PACE = 2000;
/** Slings and swing beside the load itself. */
const RIGGING = 1.1;

interface Piece {
  long: number;
  mid: number;
  thin: number;
  /** A machine or a boiler stays as it stands. */
  upright: number | null;
}

/**
 * The longest straight piece of a thickness that goes round a square corner, flat on the ground. Lengths in mm.
 * Source: geometry; over all angles the least of a / cos θ + b / sin θ − t / (sin θ cos θ).
 * @returns 0 where it is thicker than one of the ways
 */
export function longestRound(before: number, after: number, thickness: number): number {
  if (thickness > before || thickness > after) return 0;
  const at = (angle: number): number =>
    before / Math.cos(angle) + after / Math.sin(angle) - thickness / (Math.sin(angle) * Math.cos(angle));
  // It falls and then rises once: thirds close in on its lowest place.
  let [low, high] = [1e-4, Math.PI / 2 - 1e-4];
  for (let step = 0; step < 100; step += 1) {
    const [one, two] = [low + (high - low) / 3, high - (high - low) / 3];
    if (at(one) < at(two)) high = two;
    else low = one;
  }
  return Math.max(0, at((low + high) / 2));
}

/** The longest that goes through a straight way: any length once the section does; 0 where it does not. */
function longestThrough({ mid, thin, long, upright }: Piece, width: number, height: number): number {
  if (upright !== null) return upright <= height && Math.min(mid, thin, long) <= width ? Infinity : 0;
  return (mid <= height && thin <= width) || (mid <= width && thin <= height) ? Infinity : 0;
}

/** Round a corner: on edge, its narrow side across the way, tilted as far as the height lets it. */
function longestAround({ mid, thin, upright }: Piece, before: number, after: number, height: number): number {
  if (upright !== null) return upright <= height ? longestRound(before, after, Math.min(mid, thin)) : 0;
  if (mid > height) return 0;
  const flat = longestRound(before, after, thin);
  return flat === 0 ? 0 : Math.hypot(flat, height - mid);
}

export const getIn = calculator({
  name: 'get-in',
  title: 'Can it be got in',
  group: 'fit',
  answers: 'Whether a beam, sheet, tub or machine comes to where it goes, and what follows if it does not.',
  asks: {
    piece: choice('it is', {
      beam: 'long and straight, can be turned',
      sheet: 'a sheet, a tub, a cabinet: can be turned',
      machine: 'a machine or a boiler: stays upright',
    }),
    length: length('length'),
    width: length('width'),
    height: length('height or thickness'),
    mass: amount('it weighs', 'kg', { most: 100_000 }),
    ways: variantsOf(
      'on its way',
      {
        opening: 'door, gate, window, corridor or alley',
        turn: 'square turn',
        stair: 'straight stair',
        crane: 'over it by crane',
        hose: 'by pump and hose',
      },
      {
        opening: { width: length('clear width'), height: length('clear height') },
        turn: { before: length('way before it'), after: length('way behind it'), height: length('clear height') },
        stair: { width: length('clear width'), headroom: length('headroom along the slope') },
        crane: { lifts: amount('lifts at that reach', 'kg', { most: 500_000 }) },
        hose: { distance: length('from the pump'), hose: length('hose there is') },
      },
      { least: 1 },
    ),
    carry: length('carried by hand', { zero: true }),
  },
  gives: {
    fits: give('flag', 'it comes there', { ...main, good: true }),
    stops: give('texts', 'what stops it'),
    longest: give('length', 'the longest that comes there'),
    pieces: give('count', 'pieces', main),
    people: give('count', 'people to a piece'),
    hours: give('number', 'carrying', { unit: 'h' }),
    follows: give('texts', 'what follows'),
  },
  formula:
    'straight: the section within the clear width and height, either way up; turn: the least over all angles of a/cos + ' +
    'b/sin − t/(sin·cos), tilted by the height left; people = ceil(mass / 25 kg); crane: mass and a tenth for slings',
  source: 'Geometry, and usual manual-handling guidance of 25 kg close to the body; try it with a lath first.',
  decides:
    'Whether a beam may have a joint is the engineer’s; lifting gear and its reach are the lifting company’s; nothing here ' +
    'sizes what carries.',
  example: {
    piece: 'beam',
    length: 5200,
    width: 90,
    height: 240,
    mass: 62,
    ways: [
      { kind: 'opening', width: 820, height: 2040 },
      { kind: 'turn', before: 1000, after: 900, height: 2350 },
    ],
    carry: 24_000,
  },
  compute: ({ piece, length: long, width, height, mass, ways, carry }) => {
    const [thin = 0, mid = 0, longest = 0] = [long, width, height].sort((a, b) => a - b);
    const body: Piece =
      piece === 'machine'
        ? { long: Math.max(long, width), mid: Math.min(long, width), thin: Math.min(long, width), upright: height }
        : { long: longest, mid, thin, upright: null };
    const limits = ways.map((way) => {
      switch (way.kind) {
        case 'opening':
          return { words: 'the opening', most: longestThrough(body, way.width, way.height) };
        case 'stair':
          return { words: 'the stair', most: longestThrough(body, way.width, way.headroom) };
        case 'turn':
          return { words: 'the turn', most: longestAround(body, way.before, way.after, way.height) };
        case 'crane':
          return { words: 'the crane', most: mass * RIGGING <= way.lifts ? Infinity : 0 };
        case 'hose':
          return { words: 'the hose', most: way.distance <= way.hose ? Infinity : 0 };
      }
    });
    const most = Math.min(body.long, ...limits.map((limit) => limit.most));
    const stops = limits.flatMap((limit, at) =>
      limit.most < body.long - 1e-6 ? [`${limit.words}, number ${at + 1} on its way`] : [],
    );
    const fits = stops.length === 0;
    const pieces = fits ? 1 : most > 0 && piece === 'beam' ? ceil(body.long / most) : 0;
    const each = mass / Math.max(1, pieces);
    const people = ceil(each / ONE_PERSON);
    const hours = (Math.max(1, pieces) * people * 2 * (carry / 1000)) / CARRY_PACE;
    return answer({
      fits,
      stops,
      longest: most,
      pieces,
      people,
      hours: Math.round(hours * 100) / 100,
      follows: [
        ...(pieces > 1 ? [`in ${pieces} pieces, where the engineer’s drawing allows a joint`] : []),
        ...(pieces === 0 ? ['another way in: a window taken out, a wall opened, a crane, or built up in place'] : []),
        ...(people > 4 ? ['a machine or rollers instead of hands'] : []),
      ],
    });
  },
});

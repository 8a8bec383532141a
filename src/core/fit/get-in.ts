import { answer } from '../problem';
import { amount, choice, give, length, main, variantsOf } from '../quantities/ask';
import { calculator } from '../quantities/calculator';
import { peopleFor } from '../selections/storage';
import { bodyOf, carryHours, limitOf, PIECE_KINDS, piecesOf, WAY_KINDS, WAY_WORDS } from './way-in';

/** What is carried by hand is asked for once, beside the ways. */
const { carry: _, ...WAYS } = WAY_KINDS;

export const getIn = calculator({
  name: 'get-in',
  title: 'Can it be got in',
  group: 'fit',
  answers: 'Whether a beam, sheet, tub or machine comes to where it goes, and what follows if it does not.',
  asks: {
    piece: choice('it is', PIECE_KINDS),
    length: length('length'),
    width: length('width'),
    height: length('height or thickness'),
    mass: amount('it weighs', 'kg', { most: 100_000 }),
    ways: variantsOf(
      'on its way',
      WAYS,
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
    const body = bodyOf({ kind: piece, length: long, width, height, mass });
    const limits = ways.map((way) => ({ kind: way.kind, most: limitOf(body, way) }));
    const most = Math.min(body.long, ...limits.map((limit) => limit.most));
    const stops = limits.flatMap((limit, at) =>
      limit.most < body.long - 1e-6 ? [`${WAY_WORDS[limit.kind]}, number ${at + 1} on its way`] : [],
    );
    const fits = stops.length === 0;
    const pieces = fits ? 1 : piecesOf(piece, body, most);
    const people = peopleFor(mass / Math.max(1, pieces));
    const hours = carryHours(Math.max(1, pieces), people, carry);
    return answer({
      fits,
      stops,
      longest: most,
      pieces,
      people,
      hours,
      follows: [
        ...(pieces > 1 ? [`in ${pieces} pieces, where the engineer’s drawing allows a joint`] : []),
        ...(pieces === 0 ? ['another way in: a window taken out, a wall opened, a crane, or built up in place'] : []),
        ...(people > 4 ? ['a machine or rollers instead of hands'] : []),
      ],
    });
  },
});

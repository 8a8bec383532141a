import { answer } from '../problem';
import { ceil, floor, squareMetres } from '../units/rounding';
import { OF_FACE, area, count, fraction, give, length, main, waste } from './ask';
import { calculator } from './calculator';

export const salvage = calculator({
  name: 'salvage',
  title: 'Bricks or stones to re-use',
  group: 'outside',
  answers: 'How many bricks or stones a wall gives back, and how many must be bought.',
  asks: {
    wallArea: area('wall taken down', { zero: true, drawn: OF_FACE }),
    unitLength: length('unit length'),
    unitHeight: length('unit height'),
    joint: length('joint', { zero: true }),
    leaves: count('leaves', { most: 10 }),
    recovery: fraction('come off whole'),
    newArea: area('new wall', { zero: true, drawn: OF_FACE }),
    waste: waste(),
  },
  gives: {
    recovered: give('count', 'to re-use'),
    needed: give('count', 'needed'),
    buy: give('count', 'to buy', main),
    spare: give('count', 'to spare'),
  },
  formula:
    'won = floor(wall · leaves · recovery / unit face); needed = ceil(new wall · leaves · (1 + waste) / unit face)',
  source: 'A unit’s face with its joint once each way; hard mortar gives fewer back.',
  example: {
    wallArea: 6.5,
    unitLength: 215,
    unitHeight: 65,
    joint: 10,
    leaves: 1,
    recovery: 0.6,
    newArea: 4.2,
    waste: 0.05,
  },
  compute: (input) => {
    const face = squareMetres(input.unitLength + input.joint, input.unitHeight + input.joint);
    const recovered = floor((input.wallArea / face) * input.leaves * input.recovery);
    const needed = ceil((input.newArea / face) * input.leaves * (1 + input.waste));
    return answer({ recovered, needed, buy: Math.max(0, needed - recovered), spare: Math.max(0, recovered - needed) });
  },
  buys: ({ buy }) => (buy > 0 ? [{ what: 'matching bricks or stones', quantity: buy, unit: 'pieces' }] : []),
});

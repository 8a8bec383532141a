import { answer } from '../problem';
import { ceil, squareMetres } from '../units/rounding';
import { OF_FLOOR, area, give, length, main, waste } from './ask';
import { calculator } from './calculator';

export const tiles = calculator({
  name: 'tiles',
  title: 'Tiles',
  group: 'inside',
  answers: 'How many tiles cover an area.',
  asks: {
    area: area('area to tile', { drawn: OF_FLOOR }),
    tileWidth: length('tile width'),
    tileHeight: length('tile height'),
    joint: length('joint', { zero: true }),
    waste: waste(),
  },
  gives: { tiles: give('count', 'tiles', main) },
  formula: 'ceil(area · (1 + waste) / ((width + joint) · (height + joint)))',
  source: 'The joint counts once each way.',
  example: { area: 22.6, tileWidth: 300, tileHeight: 600, joint: 3, waste: 0.12 },
  compute: ({ area: covered, tileWidth, tileHeight, joint, waste: part }) =>
    answer({ tiles: ceil((covered * (1 + part)) / squareMetres(tileWidth + joint, tileHeight + joint)) }),
  buys: ({ tiles: quantity }, { tileWidth, tileHeight }) => [
    { what: 'tiles', size: [tileWidth, tileHeight], quantity, unit: 'tiles' },
  ],
});

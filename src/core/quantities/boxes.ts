import { answer } from '../problem';
import { ceil } from '../units/rounding';
import { OF_WALLS, amount, area, give, main, waste } from './ask';
import { calculator } from './calculator';

/** Floor, insulation, anything sold by the pack. */
export const boxes = calculator({
  name: 'boxes',
  title: 'Packs',
  group: 'inside',
  answers: 'How many packs cover an area.',
  asks: {
    area: area('area to cover', { drawn: OF_WALLS }),
    waste: waste(),
    perBox: amount('one pack covers', 'm²', { most: 1000 }),
  },
  gives: { boxes: give('count', 'packs', main) },
  formula: 'ceil(area · (1 + waste) / pack)',
  source: 'Arithmetic; 10 % for straight floors, 15 % laid at an angle.',
  example: { area: 23.4, waste: 0.1, perBox: 1.85 },
  compute: ({ area: covered, waste: part, perBox }) => answer({ boxes: ceil((covered * (1 + part)) / perBox) }),
  buys: ({ boxes: quantity }, { perBox }) => [{ what: `packs of ${perBox} m²`, quantity, unit: 'packs' }],
});

import { answer } from '../problem';
import { ceil } from '../units/rounding';
import { OF_FACE, OF_WALLS, amount, area, give, length, main, waste } from './ask';
import { calculator } from './calculator';

/** Battens, studs, joists: lengths that stand side by side over an area. */
export const lengthsOverArea = calculator({
  name: 'lengths-over-area',
  title: 'Lengths over an area',
  group: 'lengths',
  answers: 'How many lengths lie over an area, so much of them on each part of it.',
  asks: {
    area: area('area', { drawn: [...new Set([...OF_FACE, ...OF_WALLS, 'roofPlan' as const, 'roofSlope' as const])] }),
    perArea: amount('m of it on one m²', 'm', { most: 100, hint: 'one metre divided by how far they stand apart' }),
    waste: waste(),
    stick: length('one length'),
  },
  gives: { pieces: give('count', 'lengths', main) },
  formula: 'ceil(area · m on one m² · (1 + waste) / length)',
  source: 'Arithmetic; at 400 mm (16 in) apart 2.5 m lie on one m².',
  example: { area: 40, perArea: 2.5, waste: 0.1, stick: 4800 },
  compute: ({ area: covered, perArea, waste: part, stick }) =>
    answer({ pieces: ceil((covered * perArea * 1000 * (1 + part)) / stick) }),
  buys: ({ pieces: quantity }, { stick }) => [{ what: 'lengths', size: [stick], quantity, unit: 'pieces' }],
});

import { answer } from '../problem';
import { ceil } from '../units/rounding';
import { amount, count, give, main, waste } from './ask';
import { calculator } from './calculator';

/** Brackets, blocks, taps: so many for each of what is counted. */
export const pieces = calculator({
  name: 'pieces',
  title: 'Pieces for each',
  group: 'frame',
  answers: 'How many pieces go with what is counted.',
  asks: {
    count: count('how many there are', { zero: true }),
    each: amount('pieces for one', '', { most: 1000 }),
    waste: waste(),
  },
  gives: { pieces: give('count', 'pieces', main) },
  formula: 'ceil(count · pieces for one · (1 + waste))',
  source: 'Arithmetic.',
  example: { count: 6, each: 2, waste: 0 },
  compute: ({ count: many, each, waste: part }) => answer({ pieces: ceil(many * each * (1 + part)) }),
  buys: ({ pieces: quantity }) => (quantity > 0 ? [{ what: 'pieces', quantity, unit: 'pieces' }] : []),
});

import { answer } from '../problem';
import { ceil } from '../units/rounding';
import { give, length, main } from './ask';
import { calculator } from './calculator';

/** Buttresses, posts, rungs: whatever stands at most so far apart, both ends included. */
export const spaced = calculator({
  name: 'spaced',
  title: 'Spacing of posts, buttresses, rungs',
  group: 'frame',
  answers: 'How many stand along a length.',
  asks: { length: length('length', { drawn: ['width', 'perimeter'] }), maxSpacing: length('at most apart') },
  gives: { count: give('count', 'pieces', main), spacing: give('length', 'apart, centre to centre') },
  formula: 'ceil(length / most) + 1; spacing = length / (count − 1)',
  source: 'Geometry; one stands at each end.',
  example: { length: 11560, maxSpacing: 1800 },
  compute: ({ length: run, maxSpacing }) => {
    const gaps = ceil(run / maxSpacing);
    return answer({ count: gaps + 1, spacing: run / gaps });
  },
  buys: ({ count: quantity }) => [{ what: 'posts', quantity, unit: 'pieces' }],
});

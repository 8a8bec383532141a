import { answer } from '../problem';
import { floor } from '../units/rounding';
import { give, length, main } from './ask';
import { calculator } from './calculator';

/** Two rows of studs, offset, so that no stud touches both sides: less sound comes through. */
export const staggeredWall = calculator({
  name: 'staggered-wall',
  title: 'Staggered studs',
  group: 'frame',
  answers: 'How many studs a wall with two offset rows takes.',
  asks: {
    length: length('length of wall', { drawn: ['width', 'perimeter'] }),
    spacing: length('stud spacing in a row'),
  },
  gives: { studs: give('count', 'studs', main) },
  formula:
    'each row from its own zero, the second offset by half a spacing; one more where neither row ends on the length',
  source: 'Geometry.',
  example: { length: 4800, spacing: 600 },
  compute: ({ length: run, spacing }) => {
    const half = spacing / 2;
    const [first, second] = [floor(run / spacing) + 1, run < half - 1e-9 ? 0 : floor((run - half) / spacing) + 1];
    // One of the rows ends on the length where it is a whole number of half-spacings.
    const ends = Math.abs(run / half - Math.round(run / half)) < 1e-9;
    return answer({ studs: first + second + (ends ? 0 : 1) });
  },
  buys: ({ studs }) => [{ what: 'studs, staggered wall', quantity: studs, unit: 'pieces' }],
});

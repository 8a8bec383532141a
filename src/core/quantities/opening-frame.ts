import { answer } from '../problem';
import { count, give, length, main } from './ask';
import { calculator, ENGINEER } from './calculator';

export const openingFrame = calculator({
  name: 'opening-frame',
  title: 'Opening in a stud wall',
  group: 'frame',
  answers: 'Which timber frames an opening.',
  asks: {
    roughWidth: length('rough width'),
    jacksEachSide: count('jacks each side', { zero: true, most: 10 }),
    studThickness: length('stud thickness'),
    plies: count('plies of the header', { most: 10 }),
  },
  gives: {
    headerLength: give('length', 'header', main),
    kings: give('count', 'kings'),
    jacks: give('count', 'jacks'),
    headerLineal: give('length', 'header timber in all', main),
  },
  formula: 'header = rough width + 2 · jacks · stud thickness; timber = header · plies',
  source: 'Geometry of the frame alone.',
  decides: ENGINEER,
  example: { roughWidth: 1230, jacksEachSide: 1, studThickness: 45, plies: 2 },
  compute: ({ roughWidth, jacksEachSide, studThickness, plies }) => {
    const headerLength = roughWidth + 2 * jacksEachSide * studThickness;
    return answer({ headerLength, kings: 2, jacks: 2 * jacksEachSide, headerLineal: headerLength * plies });
  },
  buys: ({ headerLineal, kings, jacks }) => [
    { what: 'header timber', quantity: Math.ceil(headerLineal / 100) / 10, unit: 'm' },
    { what: 'kings and jacks', quantity: kings + jacks, unit: 'pieces' },
  ],
});

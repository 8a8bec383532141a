import { answer } from '../problem';
import { ceil, squareMetres } from '../units/rounding';
import { count, give, length, main } from '../quantities/ask';
import { calculator, LOCAL_CODE } from '../quantities/calculator';

export const bulkhead = calculator({
  name: 'bulkhead',
  title: 'Bulkhead',
  group: 'fit',
  answers: 'How low a boxed-in duct or beam comes, and what the box takes.',
  asks: {
    joistHeight: length('under the joists'),
    obstructionDrop: length('what it hides hangs down'),
    clearance: length('clearance', { zero: true }),
    board: length('board', { zero: true }),
    width: length('width'),
    length: length('length'),
    freeSides: count('free sides', { zero: true, most: 2 }),
    rungSpacing: length('rungs at most apart'),
    minHeight: length('least height'),
  },
  gives: {
    drop: give('length', 'hangs down'),
    finishedHeight: give('length', 'height under it', main),
    rungs: give('count', 'rungs'),
    boardArea: give('area', 'board'),
    clears: give('flag', 'high enough', { good: true }),
  },
  formula:
    'drop = obstruction + clearance + board; a ladder a free side with ceil(length / spacing) + 1 rungs; board = ' +
    'length · (width + free sides · drop)',
  source: 'Geometry.',
  decides: LOCAL_CODE,
  example: {
    joistHeight: 2480,
    obstructionDrop: 210,
    clearance: 25,
    board: 12.5,
    width: 600,
    length: 3900,
    freeSides: 1,
    rungSpacing: 600,
    minHeight: 2130,
  },
  compute: (input) => {
    const drop = input.obstructionDrop + input.clearance + input.board;
    const finishedHeight = input.joistHeight - drop;
    return answer({
      drop,
      finishedHeight,
      rungs: input.freeSides * (ceil(input.length / input.rungSpacing) + 1),
      boardArea: squareMetres(input.length, input.width + input.freeSides * drop),
      clears: finishedHeight >= input.minHeight - 1e-9,
    });
  },
});

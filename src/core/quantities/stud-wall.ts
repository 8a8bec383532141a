import { answer } from '../problem';
import { ceil, sum } from '../units/rounding';
import { count, give, length, main, rowsOf } from './ask';
import { calculator, ENGINEER } from './calculator';

export const studWall = calculator({
  name: 'stud-wall',
  title: 'Stud wall',
  group: 'frame',
  answers: 'How many studs and how much plate a wall takes.',
  asks: {
    length: length('length of wall', { drawn: ['width', 'perimeter'] }),
    spacing: length('stud spacing'),
    corners: count('corners', { zero: true, most: 100 }),
    tees: count('walls that meet it', { zero: true, most: 100 }),
    openings: rowsOf(
      'openings',
      { jacksEachSide: count('jacks each side', { zero: true, most: 10 }) },
      { least: 0, drawn: ['openings'] },
    ),
    plateRows: count('rows of plate', { most: 10, hint: '2 is one below and one above, 3 with a doubled top' }),
  },
  gives: { studs: give('count', 'studs', main), plateLength: give('length', 'plate', main) },
  formula:
    'studs = ceil(length / spacing) + 1, two more a corner and a meeting wall, two kings and the jacks of both ' +
    'sides an opening; plate = length · rows',
  source: 'Usual light framing; studs that would stand in an opening are not taken off, they become cripples.',
  decides: ENGINEER,
  example: { length: 4800, spacing: 600, corners: 1, tees: 1, openings: [{ jacksEachSide: 1 }], plateRows: 3 },
  compute: ({ length: run, spacing, corners, tees, openings, plateRows }) =>
    answer({
      studs:
        ceil(run / spacing) +
        1 +
        2 * corners +
        2 * tees +
        sum(openings.map((opening) => 2 + 2 * opening.jacksEachSide)),
      plateLength: run * plateRows,
    }),
  buys: ({ studs, plateLength }) => [
    { what: 'studs', quantity: studs, unit: 'pieces' },
    { what: 'plate', quantity: Math.ceil(plateLength / 100) / 10, unit: 'm' },
  ],
});

import { answer } from '../problem';
import { give, length, main, rowsOf, text } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

export const levelThrough = calculator({
  name: 'level-through',
  title: 'One line through several rooms',
  group: 'fit',
  answers: 'How high a sill, a rail or a top lies over each floor when it runs level through the house.',
  asks: {
    level: length('the line, against the datum', { signed: true }),
    rooms: rowsOf('rooms', { name: text('room'), floor: length('floor against the datum', { signed: true }) }),
    least: length('at least over a floor', { zero: true }),
    most: length('at most over a floor'),
  },
  gives: {
    heights: give('table', 'over each floor', main),
    fits: give('flag', 'within bounds everywhere', { good: true }),
  },
  formula: 'height = line − floor',
  source: 'Geometry; one datum for the whole job, carried by a level and not by the floors.',
  example: {
    level: 1050,
    rooms: [
      { name: 'hall', floor: 0 },
      { name: 'day room', floor: -32 },
      { name: 'kitchen', floor: 18 },
    ],
    least: 1000,
    most: 1100,
  },
  compute: ({ level, rooms, least, most }) => {
    const heights = rooms.map((room) => ({ room: room.name, height: level - room.floor }));
    return answer({ heights, fits: heights.every(({ height }) => height >= least - 1e-9 && height <= most + 1e-9) });
  },
});

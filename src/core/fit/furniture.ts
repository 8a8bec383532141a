import { answer } from '../problem';
import { choice, give, length, main } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

export const furniture = calculator({
  name: 'furniture',
  title: 'Bed or table in a room',
  group: 'fit',
  answers: 'Whether a bed or table stands in a room with space to go round it.',
  asks: {
    roomWidth: length('room, along the head'),
    roomDepth: length('room, away from it'),
    width: length('piece, along the head'),
    depth: length('piece, away from it'),
    stands: choice('it stands', { middle: 'free on both sides', corner: 'in a corner', island: 'free all round' }),
    least: length('wanted to walk'),
  },
  gives: {
    beside: give('level', 'beside it', main),
    foot: give('level', 'at its foot', main),
    fits: give('flag', 'room to walk', { good: true }),
  },
  formula: 'beside = (room − piece), halved where both sides are free; foot likewise where it stands free all round',
  source: 'Geometry; 600 mm is a squeeze, 750 mm is easy, 900 mm passes with a tray.',
  example: { roomWidth: 3050, roomDepth: 3400, width: 1600, depth: 2100, stands: 'middle', least: 650 },
  compute: ({ roomWidth, roomDepth, width, depth, stands, least }) => {
    const beside = (roomWidth - width) / (stands === 'corner' ? 1 : 2);
    const foot = (roomDepth - depth) / (stands === 'island' ? 2 : 1);
    return answer({ beside, foot, fits: beside >= least - 1e-9 && foot >= least - 1e-9 });
  },
});

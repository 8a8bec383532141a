import { answer } from '../problem';
import { ceil } from '../units/rounding';
import { count, give, main, rowsOf } from './ask';
import { calculator } from './calculator';

export const fasteners = calculator({
  name: 'fasteners',
  title: 'Fasteners for hangers',
  group: 'frame',
  answers: 'How many nails or screws, and how many boxes of them.',
  asks: {
    hangers: count('hangers'),
    kinds: rowsOf('kinds of fastener', { perHanger: count('in each hanger'), boxOf: count('in a box') }),
  },
  gives: { totals: give('counts', 'fasteners of each kind'), boxes: give('counts', 'boxes of each kind', main) },
  formula: 'total = hangers · each; boxes = ceil(total / box)',
  source: 'The number a hanger needs stands on its maker’s sheet; every hole that it names is filled.',
  decides: 'The hanger’s maker decides which fastener and how many.',
  example: {
    hangers: 16,
    kinds: [
      { perHanger: 14, boxOf: 250 },
      { perHanger: 6, boxOf: 100 },
    ],
  },
  compute: ({ hangers, kinds }) => {
    const totals = kinds.map((kind) => hangers * kind.perHanger);
    return answer({ totals, boxes: totals.map((total, index) => ceil(total / (kinds[index]?.boxOf ?? 1))) });
  },
  buys: ({ boxes }, { kinds }) =>
    boxes.map((quantity, index) => ({
      what: `fasteners, kind ${index + 1}, boxes of ${kinds[index]?.boxOf ?? 0}`,
      quantity,
      unit: 'boxes',
    })),
});

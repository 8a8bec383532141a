import { answer } from '../problem';
import { choice, flag, give, main } from '../quantities/ask';
import { calculator, ENGINEER } from '../quantities/calculator';

const FILLS = {
  stone: 'sound crushed stone',
  undisturbed: 'undisturbed ground',
  clean: 'clean dug soil',
  organic: 'soil with roots or topsoil',
  loose: 'loose or made ground',
  swelling: 'clay that swells',
  rubble: 'rubble with wood or plaster',
} as const;

const SAID: Record<keyof typeof FILLS, { may: 'yes' | 'no' | 'where nothing bears'; why: string }> = {
  stone: { may: 'yes', why: 'It drains and does not settle; in layers, each compacted.' },
  undisturbed: { may: 'yes', why: 'It has never been dug; trim it, do not loosen it.' },
  clean: {
    may: 'where nothing bears',
    why: 'It settles: good enough beside a wall or in a garden, not under a slab or a footing.',
  },
  organic: { may: 'no', why: 'It rots and sinks.' },
  loose: { may: 'no', why: 'It settles under load.' },
  swelling: { may: 'no', why: 'It lifts and shrinks with the weather.' },
  rubble: { may: 'no', why: 'Wood rots and plaster swells.' },
};

export const fillBack = calculator({
  name: 'fill-back',
  title: 'May this fill go back',
  group: 'ground',
  answers: 'Whether what was dug may be filled in again.',
  asks: {
    fill: choice('the fill is', FILLS),
    bears: flag('a slab, footing or paving stands on it'),
    drawing: flag('the drawing asks for engineered fill'),
  },
  gives: { may: give('text', 'may it go back', main), why: give('text', 'because') },
  formula:
    'sound crushed stone and undisturbed ground: yes; loose, organic or swelling soil: no; clean soil: only ' +
    'where nothing bears on it; engineered fill where the drawing says so',
  source: 'Usual practice; filled in layers of 150 mm at most, each compacted.',
  decides: ENGINEER,
  example: { fill: 'clean', bears: true, drawing: false },
  compute: ({ fill, bears, drawing }) => {
    const { may, why } = SAID[fill];
    if (drawing)
      return answer({
        may: 'only engineered fill, tested',
        why: 'The drawing says so: material, layers and tests are the engineer’s.',
      });
    return answer({ may: may === 'where nothing bears' ? (bears ? 'no' : 'yes') : may, why });
  },
});

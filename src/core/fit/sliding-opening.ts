import { answer } from '../problem';
import { choice, count, give, length, main } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

/** More than the leaves themselves: a starting figure, the maker’s sheet decides. */
export const SLACK_MM = 25;

export const slidingOpening = calculator({
  name: 'sliding-opening',
  title: 'Pocket or folding door',
  group: 'fit',
  answers: 'How wide the rough opening of a door is that goes into the wall or folds.',
  asks: {
    kind: choice('door', { pocket: 'slides into the wall', folding: 'folds' }),
    leafWidth: length('leaf width'),
    leaves: count('leaves', { most: 12 }),
    wallFree: length('free wall, no pipes or switches'),
  },
  gives: {
    rough: give('length', 'rough opening', main),
    fits: give('flag', 'the wall is long enough', { good: true }),
    shortBy: give('length', 'short by'),
  },
  formula:
    'pocket: every leaf needs its own width beside it, so leaves · leaf · 2 + 25 mm; folding: leaves · leaf + 25 mm',
  source:
    'A starting figure: the maker’s sheet decides. Nothing is screwed or wired into the wall where a leaf runs; ' +
    'it is tried before the wall is closed.',
  example: { kind: 'pocket', leafWidth: 762, leaves: 1, wallFree: 1700 },
  compute: ({ kind, leafWidth, leaves, wallFree }) => {
    const rough = leaves * leafWidth * (kind === 'pocket' ? 2 : 1) + SLACK_MM;
    return answer({ rough, fits: rough <= wallFree + 1e-9, shortBy: Math.max(0, rough - wallFree) });
  },
});

import { describe, expect, it } from 'vitest';
import type { NewObservation } from './observation';
import { placedOf, placedWords } from './placing';

const placed = (fresh: NewObservation, words: string, hasSteps = true): (string | undefined)[] =>
  placedOf(fresh, words, hasSteps).map(placedWords);
const area = 'a';

describe('what was said on a first visit', () => {
  it('becomes lines of scope, as many as it says', () => {
    expect(placed({ kind: 'scope', area, text: '', stance: 'in' }, 'New tub, new tile, move the toilet.')).toEqual([
      'in: install new tub',
      'in: install new tile',
      'in: move the toilet',
    ]);
  });

  it('has nothing left to do before it is begun: that is work', () => {
    expect(
      placed({ kind: 'remaining', area, text: 'rafters', trade: 'carpentry' }, 'Four rafters need to be sistered.'),
    ).toEqual(['in: sister rafters, 4 pieces']);
  });

  it.each<[string, NewObservation['kind'], string | undefined]>([
    ['There is rot in the sill.', 'surprise', 'damage: rot in the sill'],
    ['An oil tank nobody told us of.', 'surprise', 'service: an oil tank nobody told us of'],
    ['A mural behind the paper.', 'surprise', undefined],
    ['Next door wants no noise on Sunday.', 'household', 'neighbour: next door wants no noise on Sunday'],
    ['The dumpster must not block the lane.', 'household', 'parking: the dumpster must not block the lane'],
    ['They eat at six.', 'household', undefined],
    ['We need the engineer’s letter first.', 'gate', "approval needed: the engineer's letter first"],
  ])('%s is %s', (text, kind, words) => {
    expect(placed({ kind, area, text } as NewObservation, text)).toEqual([words]);
  });

  it('is a line of scope where no step can show it yet, and stays a record where it is one', () => {
    const assumption: NewObservation = { kind: 'assumption', area, text: 'it is oak' };
    const words = 'I’m assuming it’s oak. If not we paint it.';
    expect(placed(assumption, words)).toEqual(['assumption: it is oak']);
    expect(placed(assumption, words, false)).toEqual(['depends on what is found: assume oak, If not we paint it']);
    expect(placed({ kind: 'selection', area, text: 'tile', choice: 'sage' }, 'They took sage.', false)).toEqual([
      'in: use sage',
    ]);
    expect(placed({ kind: 'caution', area, text: 'open edge' }, '')).toEqual([undefined]);
  });
});

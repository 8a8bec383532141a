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

  it.each<[string, NewObservation['kind'], string | undefined]>([
    ['There is rot in the sill.', 'surprise', 'damage: There is rot in the sill.'],
    ['An oil tank nobody told us of.', 'surprise', 'service: An oil tank nobody told us of.'],
    ['A mural behind the paper.', 'surprise', undefined],
    ['Next door wants no noise on Sunday.', 'household', 'neighbour: Next door wants no noise on Sunday.'],
    ['The dumpster must not block the lane.', 'household', 'parking: The dumpster must not block the lane.'],
    ['They eat at six.', 'household', undefined],
    ['We need the engineer’s letter first.', 'gate', 'approval needed: We need the engineer’s letter first.'],
  ])('%s is %s', (text, kind, words) => {
    expect(placed({ kind, area, text } as NewObservation, text)).toEqual([words]);
  });

  it('waits where no step can show it yet, and stays a record where it is one', () => {
    const assumption: NewObservation = { kind: 'assumption', area, text: 'it is oak' };
    expect(placed(assumption, '')).toEqual(['assumption: it is oak']);
    expect(placed(assumption, '', false)).toEqual([undefined]);
    expect(placed({ kind: 'caution', area, text: 'open edge' }, '')).toEqual([undefined]);
  });
});

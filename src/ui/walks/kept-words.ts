import type { NewObservation } from '@/core/walks/observation';
import { placedOf, placedWords, type Placed } from '@/core/walks/placing';
import { understood } from './line-form';
import type { Walking } from './use-walk';

/**
 * What becomes of a draft that is kept: on a first visit what it says is written down at once; else it is a record.
 * @param words as they were said
 */
export function placedHere(fresh: NewObservation, words: string, { walk, areas }: Walking['pack']): Placed[] {
  if (walk.kind !== 'scope') return [{ fresh }];
  const area = areas.find(({ id }) => id === fresh.area);
  return placedOf(fresh, words, (area?.steps.length ?? 0) > 0);
}

/** What a record says once it is kept, in a few words; on a first visit what is written down. */
export function keptWords(fresh: NewObservation, words: string, pack: Walking['pack']): string {
  const placed = placedHere(fresh, words, pack).flatMap((one) => placedWords(one) ?? []);
  return placed.length > 0 ? placed.join(' · ') : understood(fresh, pack.areas);
}

import type { Observation, Of } from './observation';

/** Remaining work and cautions are looked at again on every walk until somebody finds them done. */
export type Carried = Of<'remaining'> | Of<'caution'>;

/** Something that a walk found open, with its history over the walks since. */
export interface OpenItem<Item extends Carried = Carried> {
  item: Item;
  /** How often it was found still open or worse. */
  putOff: number;
  /** How often somebody was there and did not get to see it. */
  notSeen: number;
  worse: boolean;
}

/**
 * What no later walk found done: not one gets lost, however often it was put off.
 * @param observations those that stand, in the order seen
 */
export function carriedItems(observations: readonly Observation[]): OpenItem[] {
  const items = new Map<string, OpenItem>();
  for (const one of observations) {
    if (one.kind === 'remaining' || one.kind === 'caution')
      items.set(one.id, items.get(one.id) ?? { item: one, putOff: 0, notSeen: 0, worse: false });
  }
  for (const check of observations) {
    if (check.kind !== 'recheck') continue;
    const known = items.get(check.about);
    if (!known) continue;
    if (check.verdict === 'done') items.delete(check.about);
    else if (check.verdict === 'not seen') items.set(check.about, { ...known, notSeen: known.notSeen + 1 });
    else
      items.set(check.about, { ...known, putOff: known.putOff + 1, worse: known.worse || check.verdict === 'worse' });
  }
  return [...items.values()];
}

/** Remaining work alone. @param observations those that stand, in the order seen */
export const openItems = (observations: readonly Observation[]): OpenItem<Of<'remaining'>>[] =>
  carriedItems(observations).flatMap(({ item, ...rest }) => (item.kind === 'remaining' ? [{ item, ...rest }] : []));

/** Cautions that still hold: what was made safe is said no more. */
export const openCautions = (observations: readonly Observation[]): Of<'caution'>[] =>
  carriedItems(observations).flatMap(({ item }) => (item.kind === 'caution' ? [item] : []));

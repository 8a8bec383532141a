import { ofKind, type Observation, type Of } from './observation';

/** Something still to do that a walk recorded, with its history over the walks since. */
export interface OpenItem {
  item: Of<'remaining'>;
  /** How often it was found still open or worse. */
  putOff: number;
  worse: boolean;
}

/** Remaining work that no later walk found done. @param observations those that stand, in the order seen */
export function openItems(observations: readonly Observation[]): OpenItem[] {
  const items = new Map<string, OpenItem>(ofKind(observations, 'remaining').map((item) => [item.id, { item, putOff: 0, worse: false }]));
  for (const check of ofKind(observations, 'recheck')) {
    const known = items.get(check.about);
    if (!known) continue;
    if (check.verdict === 'done') items.delete(check.about);
    else items.set(check.about, { item: known.item, putOff: known.putOff + 1, worse: known.worse || check.verdict === 'worse' });
  }
  return [...items.values()];
}

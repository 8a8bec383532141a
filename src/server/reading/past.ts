import type { PastPlace } from '@/contract/past';
import type { PastShown } from '@/contract/views/job';

/** A place after all that was. */
export const NEWEST: PastPlace = { at: '9', id: '' };

/** What a page says of a past of which it shows a part: what was before a place, and from where on there is more. */
export const pastShown = (before: PastPlace | undefined, earlier: PastPlace | null): PastShown => ({
  newest: before === undefined,
  earlier,
});

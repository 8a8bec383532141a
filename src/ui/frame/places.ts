import type { JobHead } from '@/contract/views/job';

/** The seven places of a job, in the order of the work. */
export const PLACES: readonly { path: string; label: string; count?: keyof JobHead['counts'] }[] = [
  { path: '', label: 'Rooms' },
  { path: '/scope', label: 'Scope' },
  { path: '/selections', label: 'Selections', count: 'selections' },
  { path: '/sequence', label: 'Sequence' },
  { path: '/schedule', label: 'Schedule', count: 'schedule' },
  { path: '/walks', label: 'Walks' },
  { path: '/updates', label: 'Updates', count: 'updates' },
];

/** The job that an address belongs to, and the place in it. */
export function placeOf(pathname: string): { job: string | null; place: string } {
  const found = /^\/jobs\/([^/]+)(\/[^/]+)?/.exec(pathname);
  return found && found[1] !== 'new'
    ? { job: found[1] ?? null, place: found[2] === '/areas' || found[2] === '/set-out' ? '' : (found[2] ?? '') }
    : { job: null, place: '' };
}

import { jobRoutes, type Path } from '@/contract/routes';
import type { JobHead } from '@/contract/views/job';

/** A place of a job: what it is called, where it is, and what is counted beside it. */
export interface Place {
  name: 'rooms' | 'scope' | 'selections' | 'sequence' | 'schedule' | 'walks' | 'news';
  label: string;
  path: (job: string) => Path;
  count?: keyof JobHead['counts'];
}

/** The seven places of a job, in the order of the work. */
export const PLACES: readonly Place[] = [
  { name: 'rooms', label: 'Rooms', path: jobRoutes.rooms },
  { name: 'scope', label: 'Scope', path: jobRoutes.scope },
  { name: 'selections', label: 'Selections', path: jobRoutes.selections, count: 'selections' },
  { name: 'sequence', label: 'Sequence', path: jobRoutes.sequence },
  { name: 'schedule', label: 'Schedule', path: (job) => jobRoutes.schedule(job), count: 'schedule' },
  { name: 'walks', label: 'Walks', path: jobRoutes.walks },
  { name: 'news', label: 'News', path: (job) => jobRoutes.news(job), count: 'news' },
];

/** The job that an address belongs to, and the place in it: the areas and their pages belong to Rooms. */
export function placeOf(pathname: string): { job: string | null; place: Place['name'] | null } {
  const [, jobs, job, page = 'rooms'] = pathname.split('/');
  if (jobs !== 'jobs' || !job || job === 'new') return { job: null, place: null };
  return { job, place: PLACES.find(({ name }) => name === page)?.name ?? 'rooms' };
}

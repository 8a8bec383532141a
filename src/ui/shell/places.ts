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

/** The other pages of a job, as somebody would ask for them. */
export const JOB_PAGES: readonly Pick<Place, 'label' | 'path'>[] = [
  { label: 'Areas, the job itself', path: jobRoutes.areas },
  { label: 'First visit', path: (job) => jobRoutes.firstVisit(job) },
  { label: 'Assumptions', path: jobRoutes.assumptions },
  { label: 'Options', path: jobRoutes.options },
  { label: 'Levels', path: jobRoutes.levels },
  { label: 'Materials', path: jobRoutes.materials },
  { label: 'Prices', path: jobRoutes.prices },
  { label: 'Changes', path: jobRoutes.changes },
  { label: 'Money, payments', path: jobRoutes.money },
  { label: 'Statement of work', path: (job) => jobRoutes.statement(job) },
  { label: 'Requests, approvals', path: (job) => jobRoutes.requests(job) },
  { label: 'Purchase orders', path: jobRoutes.purchasing },
  { label: 'Deliveries', path: jobRoutes.deliveries },
  { label: 'Way in', path: jobRoutes.wayIn },
  { label: 'Forecast', path: jobRoutes.forecast },
  { label: 'Living in, household', path: (job) => jobRoutes.living(job) },
  { label: 'Slip and progress', path: (job) => jobRoutes.progress(job) },
  { label: 'Completion, hand-over', path: jobRoutes.completion },
  { label: 'Pictures', path: jobRoutes.pictures },
  { label: 'History, undo', path: (job) => jobRoutes.history(job) },
];

/** The job that an address belongs to, and the place in it: the areas and their pages belong to Rooms. */
export function placeOf(pathname: string): { job: string | null; place: Place['name'] | null } {
  const [, jobs, job, page = 'rooms'] = pathname.split('/');
  if (jobs !== 'jobs' || !job || job === 'new') return { job: null, place: null };
  return { job, place: PLACES.find(({ name }) => name === page)?.name ?? 'rooms' };
}

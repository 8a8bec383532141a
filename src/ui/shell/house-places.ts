import { routes, type Path } from '@/contract/routes';

/** A page that belongs to no one job. */
interface HousePlace {
  label: string;
  path: Path;
}

/** What is done over all jobs. */
export const WORK_PLACES: readonly HousePlace[] = [
  { label: 'Schedule, all jobs', path: routes.board() },
  { label: 'Trips and route', path: routes.route() },
  { label: 'Run list', path: routes.runs() },
  { label: 'Suppliers', path: routes.suppliers() },
  { label: 'Inspections, weather, plant, calendars', path: routes.coordination() },
  { label: 'Who was told what', path: routes.told() },
  { label: 'Bench, all calculators', path: routes.bench() },
];

/** Who the firm is and how it works, and what is one’s own. */
export const OWN_PLACES: readonly HousePlace[] = [
  { label: 'Firm, subs and people', path: routes.firm() },
  { label: 'Settings', path: routes.settings() },
  { label: 'Your account', path: routes.account() },
  { label: 'On your phone', path: routes.phone() },
  { label: 'Words and marks', path: routes.words() },
];

/** Every page that belongs to no one job, in the order of the menus. */
export const HOUSE_PLACES: readonly HousePlace[] = [...WORK_PLACES, ...OWN_PLACES];
export const NEW_JOB: HousePlace = { label: 'New job', path: routes.newJob() };

import { demoId } from '../../demo/seed';

/** Every main view of the demo and how to get to it; `file` names those that are kept as pictures in docs/screenshots. */
export interface MainView {
  name: string;
  path: string;
  /** Pressed in turn once it is there. */
  press?: string[];
  file?: { desk?: string; phone?: string };
}

const job = `/jobs/${demoId('signal')}`;
const areaOf = (key: string): string => demoId('signal', 'area', key);
export const MAIN_VIEWS: MainView[] = [
  { name: 'Today', path: '/', file: { desk: 'today.png', phone: 'today-phone.png' } },
  { name: 'Rooms', path: job, file: { desk: 'rooms.png', phone: 'rooms-phone.png' } },
  { name: 'Rooms of an outside job', path: `/jobs/${demoId('dairy')}` },
  { name: 'Room page', path: `${job}/areas/${areaOf('guest')}`, file: { desk: 'room.png' } },
  { name: 'Something holds an area', path: `${job}/areas/${areaOf('study')}`, press: ['Something holds it'] },
  { name: 'Scope', path: `${job}/scope`, file: { desk: 'scope.png' } },
  { name: 'Selections', path: `${job}/selections`, file: { desk: 'selections.png' } },
  { name: 'Sequence', path: `${job}/sequence`, file: { desk: 'sequence.png' } },
  { name: 'Schedule by trade', path: `${job}/schedule`, file: { desk: 'schedule.png', phone: 'schedule-phone.png' } },
  { name: 'Schedule by room', path: `${job}/schedule?by=room&weeks=3`, file: { desk: 'schedule-by-room.png' } },
  { name: 'Schedule of all jobs', path: '/schedule' },
  { name: 'Walks', path: `${job}/walks` },
  { name: 'Review of a walk', path: `${job}/walks/${demoId('signal', 'walk', '2')}`, file: { desk: 'review.png' } },
  { name: 'Walk', path: `/walk/${demoId('signal', 'walk', '2')}`, file: { phone: 'walk-phone.png' } },
  { name: 'Walk, a line', path: `/walk/${demoId('signal', 'walk', '2')}`, press: ['Line'] },
  { name: 'Walk, the route', path: `/walk/${demoId('signal', 'walk', '2')}`, press: ['1 of 18 · outside'] },
  { name: 'Updates', path: `${job}/updates`, file: { desk: 'updates.png' } },
  { name: 'Firm', path: '/firm' },
  { name: 'New job', path: '/jobs/new' },
  { name: 'Set out', path: `${job}/set-out` },
  { name: 'A page that is not there', path: '/jobs/none' },
];

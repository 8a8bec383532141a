import { demoId } from '../../demo/seed';

/**
 * Every main view of the demo and how to get to it; `file` names those that are kept as pictures in docs/screenshots.
 */
export interface MainView {
  name: string;
  path: string;
  /** A slip like others: looked at once is enough. */
  deskOnly?: true;
  /** Pressed in turn once it is there. */
  press?: string[];
  file?: { desk?: string; phone?: string };
}

const job = `/jobs/${demoId('signal')}`;
const dairy = `/jobs/${demoId('dairy')}`;
/** The first visit of the dairy, in one of its areas. */
const firstVisit = (area: string): string =>
  `/walk/${demoId('dairy', 'walk', '0')}?area=${demoId('dairy', 'area', area)}`;
const ofDairy = (key: string): string => demoId('dairy', 'area', key);
const areaOf = (key: string): string => demoId('signal', 'area', key);
export const MAIN_VIEWS: MainView[] = [
  { name: 'Who was told what', path: '/told' },
  { name: 'Today', path: '/', file: { desk: 'today.png' } },
  { name: 'Rooms', path: job, file: { desk: 'rooms.png' } },
  { name: 'Rooms of an outside job', path: `/jobs/${demoId('dairy')}` },
  { name: 'Room page', path: `${job}/areas/${areaOf('guest')}`, file: { desk: 'room.png' } },
  { name: 'Something holds an area', path: `${job}/areas/${areaOf('study')}`, press: ['Put it on hold'] },
  { name: 'Scope', path: `${dairy}/scope`, file: { desk: 'scope.png' } },
  { name: 'Lists of Scope', path: `${dairy}/scope`, press: ['Lists'] },
  { name: 'First visits', path: `${dairy}/scope/visit` },
  { name: 'First visit', path: firstVisit('front'), file: { phone: 'visit-phone.png' } },
  {
    name: 'First visit, damage',
    path: firstVisit('front'),
    press: ['damage'],
  },
  {
    name: 'First visit, everything except',
    path: firstVisit('back'),
    press: ['Everything here except …'],
  },
  { name: 'Assumptions', path: `${dairy}/scope/assumptions` },
  { name: 'Assumptions, one more', deskOnly: true, path: `${dairy}/scope/assumptions`, press: ['Add assumption'] },
  { name: 'Options', path: `${dairy}/scope/options` },
  { name: 'Options, comparing', deskOnly: true, path: `${dairy}/scope/options`, press: ['Compare something'] },
  { name: 'Levels', path: `${dairy}/scope/levels` },
  { name: 'Materials', path: `${dairy}/scope/materials` },
  {
    name: 'Assemblies',
    path: `${dairy}/scope/assemblies?area=${ofDairy('back')}`,
    press: ['Set Strip and reclad a face'],
  },
  {
    name: 'An assembly of the firm',
    deskOnly: true,
    path: `${dairy}/scope/assemblies?area=${ofDairy('back')}`,
    press: ['Change Repoint a wall'],
  },
  { name: 'Prices', path: `${job}/scope/prices` },
  { name: 'Money', path: `/jobs/${demoId('tannery')}/scope/money`, file: { desk: 'money.png' } },
  {
    name: 'Payment steps',
    deskOnly: true,
    path: `/jobs/${demoId('tannery')}/scope/money`,
    press: ['Change the steps'],
  },
  { name: 'Changes', path: `/jobs/${demoId('tannery')}/scope/changes` },
  { name: 'A change', deskOnly: true, path: `/jobs/${demoId('tannery')}/scope/changes`, press: ['New change'] },
  { name: 'Statement, agreed', deskOnly: true, path: `/jobs/${demoId('tannery')}/scope/statement` },
  { name: 'Statement', path: `${dairy}/scope/statement`, file: { desk: 'statement.png' } },
  { name: 'A room to scale', path: `${dairy}/areas/${ofDairy('workshop')}/layout`, file: { desk: 'layout.png' } },
  { name: 'A drain to scale', path: `${dairy}/areas/${ofDairy('lower')}/layout` },
  { name: 'Measures of a room', path: `${dairy}/areas/${ofDairy('workshop')}/layout`, press: ['Measures'] },
  { name: 'An opening', deskOnly: true, path: `${dairy}/areas/${ofDairy('workshop')}/layout`, press: ['An opening'] },
  { name: 'A wall moved', path: `${dairy}/areas/${ofDairy('workshop')}/layout`, press: ['Move a wall'] },
  { name: 'Bench', path: '/bench' },
  { name: 'Cut list on Bench', path: '/bench/cut-list', file: { desk: 'bench.png' } },
  { name: 'Planks for a face', deskOnly: true, path: `/bench/plank-cladding?area=${ofDairy('east')}` },
  { name: 'Selections', path: `${job}/selections`, file: { desk: 'selections.png' } },
  {
    name: 'A selection',
    path: `${job}/selections/${demoId('signal', 'selection', 'lroof', 'Lantern glazing')}`,
    file: { desk: 'selection.png' },
  },
  { name: 'Alternatives', path: `${job}/selections/${demoId('signal', 'selection', 'bath', 'Bath tiles')}` },
  {
    name: 'An order',
    deskOnly: true,
    path: `${job}/selections/${demoId('signal', 'selection', 'lroof', 'Lantern glazing')}`,
    press: ['Order it'],
  },
  { name: 'Approvals and answers', path: `${job}/selections/requests` },
  {
    name: 'Something is asked for',
    deskOnly: true,
    path: `${job}/selections/requests`,
    press: ['New approval or question'],
  },
  { name: 'Purchase orders', path: `/jobs/${demoId('dairy')}/selections/orders` },
  {
    name: 'Writing an order',
    deskOnly: true,
    path: `/jobs/${demoId('dairy')}/selections/orders`,
    press: ['Write the order to Fathom Timber'],
  },
  {
    name: 'A purchase order',
    path: `/jobs/${demoId('tannery')}/selections/orders/${demoId('tannery', 'purchase-order', '0')}`,
  },
  { name: 'Way in', path: `${job}/selections/way-in` },
  {
    name: 'Something large',
    deskOnly: true,
    path: `${job}/selections/way-in`,
    press: ['Change Steel beam over the opening'],
  },
  { name: 'Deliveries and storage', path: `${job}/selections/deliveries` },
  { name: 'A delivery', deskOnly: true, path: `${job}/selections/deliveries`, press: ['A delivery'] },
  { name: 'Suppliers', path: '/suppliers' },
  { name: 'Sequence', path: `${job}/sequence`, file: { desk: 'sequence.png' } },
  { name: 'Steps to tick', path: `${job}/sequence`, press: ['Tick several'] },
  { name: 'Schedule by trade', path: `${job}/schedule`, file: { desk: 'schedule.png' } },
  { name: 'Schedule by room', path: `${job}/schedule?by=room&weeks=3` },
  { name: 'Schedule of all jobs', path: '/schedule' },
  { name: 'Schedule of twelve weeks', deskOnly: true, path: '/schedule?weeks=12' },
  {
    name: 'Moving a block',
    deskOnly: true,
    path: `${job}/schedule?task=${encodeURIComponent(`${areaOf('lroof')}:deck`)}`,
    press: ['Move it'],
  },
  { name: 'Living in', path: `${job}/schedule/living` },
  { name: 'Trips and route', path: '/route' },
  { name: 'Slip and progress', path: `${job}/schedule/progress`, file: { desk: 'progress.png' } },
  { name: 'Coordination', path: '/coordination' },
  { name: 'An inspection office', deskOnly: true, path: '/coordination', press: ['Add an office'] },
  {
    name: 'A way of working',
    deskOnly: true,
    path: `${job}/sequence`,
    press: ['Ways of working all in the usual order', 'Choose: Cabinets and paint'],
  },
  { name: 'A rule', deskOnly: true, path: `${job}/sequence`, press: ['Write a rule'] },
  { name: 'A gate', deskOnly: true, path: `${job}/sequence`, press: ['Set one'] },
  { name: 'Walks', path: `${job}/walks` },
  { name: 'Review of a walk', path: `${job}/walks/${demoId('signal', 'walk', '2')}`, file: { desk: 'review.png' } },
  { name: 'Walk', path: `/walk/${demoId('signal', 'walk', '2')}`, file: { phone: 'walk-phone.png' } },
  { name: 'Walk, a line', path: `/walk/${demoId('signal', 'walk', '2')}`, press: ['Line'] },
  {
    name: 'Walk, told',
    path: `/walk/${demoId('signal', 'walk', '2')}`,
    press: ['Line', 'Dictate'],
  },
  {
    name: 'Walk, something in a wall',
    path: `/walk/${demoId('signal', 'walk', '2')}`,
    press: ['Measure', 'Something in a wall'],
  },
  { name: 'Walk, nothing kept here', deskOnly: true, path: '/walk' },
  { name: 'Inside the walls', path: `${job}/areas/${areaOf('study')}/walls`, file: { desk: 'walls.png' } },
  {
    name: 'Answering for open lines',
    deskOnly: true,
    path: `${job}/areas/${areaOf('study')}/walls`,
    press: ['Answer for the open lines by name'],
  },
  { name: 'Completion', path: `/jobs/${demoId('linden')}/walks/completion` },
  { name: 'Left with the client', deskOnly: true, path: `/jobs/${demoId('linden')}/walks/completion`, press: ['Add'] },
  { name: 'Run list', path: '/runs' },
  { name: 'Walk, the route', path: `/walk/${demoId('signal', 'walk', '2')}`, press: ['1 of 18 · outside'] },
  { name: 'News', path: `/jobs/${demoId('tannery')}/news`, file: { desk: 'news.png' } },
  { name: 'Firm', path: '/firm' },
  { name: 'Settings', path: '/firm/settings' },
  {
    name: 'How days are written',
    deskOnly: true,
    path: '/firm/settings',
    press: ['Write days and hours otherwise'],
  },
  { name: 'On your phone', path: '/phone' },
  { name: 'Pictures', path: `/jobs/${demoId('signal')}/walks/pictures` },
  { name: 'History', path: `/jobs/${demoId('signal')}/walks/history` },
  { name: 'Words and marks', path: '/words' },
  { name: 'New job', path: '/jobs/new' },
  { name: 'Areas', path: `${job}/areas` },
  { name: 'A page that is not there', path: '/jobs/none' },
];

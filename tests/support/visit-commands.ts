import { dayOfSlot, isAfternoon } from '@/core/units/slot';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { readPlan } from '@/server/reading/plan';
import { isVisit } from '@/core/schedule/visit';
import type { Given } from './first-visit-commands';
import { must, newId, signalHouse, TODAY } from './installations';

/** A visit of a sub by the newest plan: the first that has not begun, or the first of a trade. */
export function visitOf(installation: Installation, trade?: string) {
  const plan = readPlan(installation.db);
  const subs = new Set((installation.db.prepare('SELECT id FROM sub').all() as { id: string }[]).map(({ id }) => id));
  const task = plan?.tasks
    .filter((one) => isVisit(one) && subs.has(one.crew ?? '') && (!trade || one.trade === trade))
    .sort((a, b) => a.start - b.start)[0];
  if (!plan || !task) throw new Error('Nobody comes.');
  const half = isAfternoon(task.start) ? (1 as const) : (0 as const);
  return {
    task: task.id as string,
    crew: task.crew ?? '',
    job: task.job,
    day: dayOfSlot(plan.origin, task.start),
    half,
  };
}

const halfOf = (installation: Installation) => {
  const { task, day, half } = visitOf(installation);
  return { task, day, half };
};
const said = (installation: Installation): unknown =>
  queryOne(installation.db, 'SELECT said, said_by FROM visit_day WHERE task = @task', {
    task: visitOf(installation).task,
  });
const second = newId();
/** A visit of which nobody was told. */
const untold = (installation: Installation): string =>
  queryOne<{ task: string }>(installation.db, 'SELECT task FROM visit_day WHERE told_day IS NULL ORDER BY task')
    ?.task ?? '';

const quiet = newId();
const quietTime = {
  id: quiet,
  job: signalHouse,
  covers: 'loud',
  half: '0',
  firstDay: TODAY,
  lastDay: '2027-03-12',
  words: 'nothing loud before eleven until Friday',
} as const;
const quietLeft = (installation: Installation): unknown =>
  queryOne(installation.db, 'SELECT covers, half FROM quiet WHERE id = @quiet', { quiet }) ?? null;

const saturday = { id: quiet, job: signalHouse, day: '2027-03-20', words: 'the neighbours agree' };
const workedDays = (installation: Installation): unknown =>
  queryOne<{ day: string }>(installation.db, 'SELECT day FROM worked_day WHERE id = @quiet', { quiet })?.day ?? null;

const hired = {
  ...{ id: quiet, job: signalHouse, need: 'toilet' as const, words: 'a hired toilet in the yard' },
  fromDay: '2027-03-15',
};
const provisions = (installation: Installation): unknown =>
  queryOne<{ words: string }>(installation.db, 'SELECT words FROM provision WHERE id = @quiet', { quiet })?.words ??
  null;

/** Every command of visits and of quiet, with what it leaves behind. */
export const VISITS: Record<string, Given> = {
  'visit.tell': {
    payload: (installation) => ({
      visits: [halfOf(installation)],
      subs: [
        {
          ...{ sub: visitOf(installation).crew, updateId: newId(), messageId: newId(), linkId: newId() },
          ...{ name: 'Whoever comes', address: 'who@comes.example', expiresOn: '2027-06-01' },
        },
      ],
    }),
    leaves: (installation) => [
      said(installation),
      queryOne(installation.db, `SELECT state FROM message WHERE recipient = 'Whoever comes'`),
    ],
    expected: [{ said: 'asked', said_by: 'Maren' }, { state: 'queued' }],
  },
  'visit.answer': {
    payload: (installation) => ({ visits: [halfOf(installation)], answer: 'no', by: 'Marek', note: 'at another site' }),
    leaves: (installation) =>
      queryOne(installation.db, `SELECT said, said_by, note FROM visit_day WHERE said = 'declined'`),
    expected: { said: 'declined', said_by: 'Marek', note: 'at another site' },
    plans: true,
  },
  'visit.give': {
    before: (installation) =>
      must(installation, 'sub.add', { id: second, trade: 'wiring', name: 'Second Wire', crews: 1 }),
    payload: (installation) => ({ tasks: [visitOf(installation, 'wiring').task], sub: second }),
    leaves: (installation) => queryOne(installation.db, 'SELECT said FROM visit_day WHERE crew = @second', { second }),
    expected: { said: 'nothing' },
    plans: true,
  },
  'quiet.add': { payload: quietTime, leaves: quietLeft, expected: { covers: 'loud', half: 0 }, plans: true },
  'quiet.drop': {
    before: (installation) => must(installation, 'quiet.add', quietTime),
    payload: { id: quiet },
    leaves: quietLeft,
    expected: null,
    plans: true,
  },
  'visit.free': {
    payload: (installation) => ({ tasks: [untold(installation)] }),
    leaves: (installation) => queryAll(installation.db, 'SELECT 1 FROM visit_day WHERE free = 1').length,
    expected: 1,
    plans: true,
  },
  'travel.set': {
    payload: { one: 'yard', other: signalHouse, minutes: 25 },
    leaves: (installation) => queryOne(installation.db, 'SELECT minutes FROM travel'),
    expected: { minutes: 25 },
  },
  'spot.set': {
    payload: { place: signalHouse, north: 47.5, east: 8.25 },
    leaves: (installation) => queryOne(installation.db, 'SELECT north, east FROM spot'),
    expected: { north: 47.5, east: 8.25 },
  },
  'route.keep': {
    payload: { day: TODAY, starts: '07:30', stops: [{ place: signalHouse, stays: 40, from: '08:00', until: '10:00' }] },
    leaves: (installation) => queryOne(installation.db, 'SELECT place, stays, until_hour FROM route_stop'),
    expected: { place: signalHouse, stays: 40, until_hour: '10:00' },
  },
  'provision.add': { payload: hired, leaves: provisions, expected: 'a hired toilet in the yard' },
  'provision.drop': {
    before: (installation) => must(installation, 'provision.add', hired),
    payload: { id: quiet },
    leaves: provisions,
    expected: null,
  },
  'worked-day.add': {
    payload: saturday,
    leaves: workedDays,
    expected: '2027-03-20',
    plans: true,
  },
  'worked-day.drop': {
    before: (installation) => must(installation, 'worked-day.add', saturday),
    payload: { id: quiet },
    leaves: workedDays,
    expected: null,
    plans: true,
  },
  'plan.take': {
    before: (installation) => {
      const plan = readPlan(installation.db);
      // As a search leaves what it found: a plan, with the version that it is better than.
      must(installation, 'plan.search', { schedules: 1, seed: 1 });
      installation.db
        .prepare(`UPDATE plan_search SET state = 'done', found = ?, better_than = ?`)
        .run(JSON.stringify(plan), plan?.version);
    },
    payload: (installation) => ({ version: readPlan(installation.db)?.version ?? 0 }),
    leaves: (installation) => queryOne(installation.db, 'SELECT found, words FROM plan_search'),
    expected: { found: null, words: 'The better plan is kept.' },
  },
};

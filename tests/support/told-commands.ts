import { queryAll, queryOne } from '@/server/database/query';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { readPlan } from '@/server/reading/plan';
import { demoId } from '../../demo/seed';
import type { Given } from './first-visit-commands';
import { areaOf, must, newId, signalHouse } from './installations';
import { visitOf } from './visit-commands';

const [id, link, update, message, walk, progress] = [newId(), newId(), newId(), newId(), newId(), newId()];
const sending = {
  ...{ updateId: update, messageId: message, linkId: link },
  ...{ name: 'Whoever it is', address: 'who@ever.example', expiresOn: '2027-06-01' },
};
const row = (installation: Installation, table: string, key: string): Record<string, unknown> | undefined =>
  queryOne(installation.db, `SELECT * FROM ${table} WHERE id = @key`, { key });
const desk: Actor = { kind: 'desk', id: 'news' };
const carpenters = demoId('sub', 'carpentry');
export const carpentersLink: Actor = { kind: 'link', id: link, audience: 'sub', job: null, sub: carpenters };

const visit = demoId('signal', 'inspection', 'study', 'rough-inspection');
/** A question of an engineer's about a room. */
export const asked = {
  id,
  job: signalHouse,
  kind: 'answer',
  party: 'engineer',
  who: 'Ostler',
  subject: 'what carries the beam at its east end',
  takesLow: 2,
  takesHigh: 5,
  waits: [{ area: areaOf('kitchen'), phase: 'worktops' }],
} as const;

/** Asks the first sub that comes for their visit. */
export function askFirst(installation: Installation): void {
  const { task, day, half, crew } = visitOf(installation);
  must(installation, 'visit.tell', {
    visits: [{ task, day, half }],
    subs: [{ sub: crew, ...sending, updateId: newId(), messageId: newId(), linkId: newId() }],
  });
}

/** A piece of the carpenters' work that is not done. */
export const workOf = (installation: Installation): string =>
  readPlan(installation.db)?.tasks.find(({ crew, state, area }) => crew === carpenters && state !== 'done' && area)
    ?.id ?? '';
export const carpentersSay = (installation: Installation): void => {
  must(installation, 'share.make', {
    ...{ id: link, audience: 'sub', sub: carpenters, recipient: 'Wenna', expiresOn: '2027-06-01' },
  });
  must(installation, 'done.say', { id, task: workOf(installation), name: 'Wenna' }, carpentersLink);
};

/** Every command of telling by rule, of pages for one question, and of what subs say is done. */
export const TOLD: Record<string, Given> = {
  'firm.set-news-rules': {
    payload: { tellHour: 17, tellSoon: true, remindSubDays: 2, remindClientDays: 5 },
    leaves: (installation) =>
      queryOne(installation.db, 'SELECT tell_hour, tell_soon, remind_sub_days, remind_client_days FROM firm'),
    expected: { tell_hour: 17, tell_soon: 1, remind_sub_days: 2, remind_client_days: 5 },
  },
  'firm.set-retention': {
    payload: { recordings: 24, origins: 12 },
    leaves: (installation) =>
      queryOne(installation.db, 'SELECT keep_recordings, keep_origins, keep_neighbours FROM firm'),
    expected: { keep_recordings: 24, keep_origins: 12, keep_neighbours: null },
  },
  'licence.set': {
    payload: { id, sub: carpenters, trade: 'carpentry', holder: 'Wenna', number: 'C 9', expiresOn: '2027-05-01' },
    leaves: (installation) => row(installation, 'licence', id),
    expected: { sub: carpenters, holder: 'Wenna', expires_on: '2027-05-01' },
  },
  'licence.remove': {
    before: (installation) => must(installation, 'licence.set', { id, trade: 'wiring', holder: 'Maren' }),
    payload: { id },
    leaves: (installation) => row(installation, 'licence', id) ?? null,
    expected: null,
  },
  'firm.set-licensed-trades': {
    payload: { trades: ['wiring', 'plumbing'] },
    leaves: (installation) =>
      queryAll<{ trade: string }>(installation.db, 'SELECT trade FROM licensed_trade ORDER BY trade').map(
        ({ trade }) => trade,
      ),
    expected: ['plumbing', 'wiring'],
  },
  'visit.remind': {
    before: askFirst,
    payload: (installation) => ({ subs: [{ sub: visitOf(installation).crew, ...sending }] }),
    leaves: (installation) => [
      String(row(installation, 'job_update', update)?.title).startsWith('Can you come?'),
      queryOne<{ about: string }>(installation.db, 'SELECT about FROM reminder') !== undefined,
    ],
    expected: [true, true],
  },
  'decision.remind': {
    who: desk,
    payload: {
      ...{ job: signalHouse, decisions: [{ key: 'decide:1:2027-03-12', text: 'Oak or cork, by Fri 12 Mar' }] },
      ...sending,
    },
    leaves: (installation) => [
      row(installation, 'job_update', update)?.title,
      queryOne(installation.db, 'SELECT about FROM reminder'),
    ],
    expected: ['Signal House: 1 thing for you to decide', { about: 'decide:1:2027-03-12' }],
  },
  'request.ask-party': {
    before: (installation) => must(installation, 'request.add', asked),
    payload: { id, version: 1, ...sending },
    leaves: (installation) => [
      row(installation, 'share_link', link)?.request === id,
      row(installation, 'request', id)?.sent_on,
    ],
    expected: [true, '2027-03-09'],
    plans: true,
  },
  'inspection.show': {
    payload: { id: visit, ...sending },
    leaves: (installation) => [
      row(installation, 'share_link', link)?.inspection === visit,
      row(installation, 'message', message)?.state,
    ],
    expected: [true, 'queued'],
  },
  'done.say': {
    before: (installation) =>
      must(installation, 'share.make', {
        ...{ id: link, audience: 'sub', sub: carpenters, recipient: 'Wenna', expiresOn: '2027-06-01' },
      }),
    who: carpentersLink,
    payload: (installation) => ({ id, task: workOf(installation), name: 'Wenna', note: 'swept too' }),
    leaves: (installation) => row(installation, 'done_word', id),
    expected: { name: 'Wenna', note: 'swept too', verdict: null },
  },
  'done.take': {
    before: carpentersSay,
    payload: { id, version: 1, walk, progress, shown: newId() },
    leaves: (installation) => [
      row(installation, 'done_word', id)?.verdict,
      row(installation, 'observation', progress)?.fraction,
    ],
    expected: ['taken', 1],
    plans: true,
  },
  'done.refuse': {
    before: carpentersSay,
    payload: { id, version: 1, answer: 'the back is open' },
    leaves: (installation) => row(installation, 'done_word', id),
    expected: { verdict: 'not yet', answer: 'the back is open', settled_by: 'Maren' },
  },
};

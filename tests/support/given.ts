import type { Input } from '@/contract/commands';
import { ATTACHMENTS } from './attachment-commands';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { demoId } from '../../demo/seed';
import { dispatch } from '@/server/dispatch/dispatch';
import { openSession } from '@/server/accounts/sessions';
import { asRead } from './sending';
import { areaOf, MAREN, must, newId, NOW, raw, signalHouse } from './installations';
import { FIRST_VISIT, type Given } from './first-visit-commands';
import { MONEY } from './money-commands';
import { PURCHASES } from './purchase-commands';
import { SCHEDULE } from './schedule-commands';
import { SELECTIONS } from './selection-commands';
import { WALKS } from './walk-commands';
import { TOLD } from './told-commands';
import { VISITS } from './visit-commands';
import { WAY_IN } from './way-in-commands';

const id = newId();
const other = newId();
const third = newId();
const second = newId();
const fourth = newId();
const walk = demoId('signal', 'walk', '2');
const row = (installation: Installation, table: string, key: string): Record<string, unknown> | undefined =>
  queryOne(installation.db, `SELECT * FROM ${table} WHERE id = @key`, { key });
const version = (installation: Installation, table: string, key: string): number =>
  Number(row(installation, table, key)?.version);
const TOBIN = demoId('person', 'tobin');
const letter = (installation: Installation): Input<'update.send'> =>
  asRead(installation, {
    id: third,
    expiresOn: '2027-03-09',
    recipients: [{ messageId: id, linkId: other, name: 'A', address: 'a@a.example' }],
  });
const written: Input<'draft.write'> = {
  ...{ job: signalHouse, audience: 'client', line: 'own:1', words: 'Come by on Thursday.' },
};
const jobFacts = {
  name: 'New House',
  units: 'metric',
  startDay: '2027-03-15',
  promiseDay: '2027-06-01',
  client: 'C',
  clientEmail: 'c@c.example',
  livedIn: true,
  loudHalf: 'morning',
};

/** Every command once: what it is given after, what it is given, and what it leaves. */
export const GIVEN: Record<string, Given> = {
  ...FIRST_VISIT,
  ...ATTACHMENTS,
  ...MONEY,
  ...PURCHASES,
  ...VISITS,
  ...TOLD,
  ...WAY_IN,
  ...SELECTIONS,
  ...WALKS,
  ...SCHEDULE,
  'person.add': {
    payload: { id, name: 'New', role: 'lead', email: 'New@Firm.example' },
    leaves: (installation) => row(installation, 'person', id),
    expected: { name: 'New', email: 'new@firm.example', password_hash: null },
  },
  'person.change': {
    payload: { id: TOBIN, version: 2, name: 'Tobin T.', role: 'office', email: 'T@Firm.example', phone: '' },
    leaves: (installation) => row(installation, 'person', TOBIN),
    expected: { name: 'Tobin T.', role: 'office', email: 't@firm.example' },
  },
  'person.invite': {
    payload: { id, person: TOBIN },
    leaves: (installation) => row(installation, 'invitation', id),
    expected: { person: TOBIN, used_at: null },
  },
  'person.suspend': {
    payload: { id: TOBIN },
    leaves: (installation) => row(installation, 'person', TOBIN)?.state,
    expected: 'suspended',
  },
  'person.return': {
    before: (installation) => must(installation, 'person.suspend', { id: TOBIN }),
    payload: { id: TOBIN },
    leaves: (installation) => row(installation, 'person', TOBIN)?.state,
    expected: 'active',
  },
  'person.close': {
    payload: { id: TOBIN },
    leaves: (installation) => row(installation, 'person', TOBIN)?.state,
    expected: 'closed',
  },
  'person.sign-out': {
    before: (installation) =>
      void openSession(installation.db, TOBIN, { device: 'a telephone', source: '127.0.0.1' }, NOW),
    payload: { id: TOBIN },
    leaves: (installation) => queryAll(installation.db, 'SELECT id FROM session'),
    expected: [],
  },
  'clock.trust': {
    payload: {},
    leaves: (installation) => queryAll(installation.db, 'SELECT id FROM trusted_clock'),
    expected: [{ id: 1 }],
  },
  'person.set-sees': {
    payload: { id: TOBIN, version: 2, jobs: [signalHouse], prices: true },
    leaves: (installation) => [
      row(installation, 'person', TOBIN)?.sees_prices,
      queryAll(installation.db, 'SELECT job FROM person_job WHERE person = @id', { id: TOBIN }),
    ],
    expected: [1, [{ job: signalHouse }]],
  },
  'person.set-phone': {
    payload: { id: MAREN.kind === 'person' ? MAREN.id : '', phone: '+44 20 7946 0012' },
    leaves: (installation) => row(installation, 'person', demoId('person', 'maren'))?.phone,
    expected: '+44 20 7946 0012',
  },
  'neighbour.set': {
    payload: { id, job: signalHouse, name: 'Number 4', phone: '0555 0190', note: 'two dogs' },
    leaves: (installation) => row(installation, 'neighbour', id),
    expected: { name: 'Number 4', note: 'two dogs', removed: 0 },
  },
  'neighbour.remove': {
    before: (installation) => must(installation, 'neighbour.set', { id, job: signalHouse, name: 'Number 4' }),
    payload: { id },
    leaves: (installation) => row(installation, 'neighbour', id)?.removed,
    expected: 1,
  },
  'question.ask': {
    before: (installation) => must(installation, 'update.send', letter(installation)),
    who: { kind: 'link', id: other, audience: 'client', job: signalHouse, sub: null },
    payload: { id, job: signalHouse, name: 'Averill', text: 'May the window seat stay?' },
    leaves: (installation) => row(installation, 'question', id),
    expected: { text: 'May the window seat stay?', answered_at: null },
  },
  'question.answer': {
    before: (installation) => {
      must(installation, 'update.send', letter(installation));
      must(
        installation,
        'question.ask',
        { id: second, job: signalHouse, name: 'Averill', text: 'May it stay?' },
        { kind: 'link', id: other, audience: 'client', job: signalHouse, sub: null },
      );
    },
    payload: { id: second, version: 1, answer: 'Yes.', updateId: second, messageId: fourth },
    leaves: (installation) => [
      row(installation, 'question', second)?.answer,
      row(installation, 'message', fourth)?.address,
    ],
    expected: ['Yes.', 'a@a.example'],
  },
  'sub.add': {
    payload: { id, trade: 'paint', name: 'Third Bucket', also: ['tile'], crews: 1, phone: '+44 20 7946 0011' },
    leaves: (installation) => row(installation, 'sub', id),
    expected: { crews: 1, trade: 'paint', phone: '+44 20 7946 0011' },
    plans: true,
  },
  'sub.change': {
    payload: { id: demoId('sub', 'paint'), version: 1, name: 'Two Buckets', crews: 3 },
    leaves: (installation) => row(installation, 'sub', demoId('sub', 'paint')),
    expected: { crews: 3, version: 2 },
    plans: true,
  },
  'sub.away': {
    payload: { sub: demoId('sub', 'tile'), firstDay: '2027-05-03', lastDay: '2027-05-04' },
    leaves: (installation) => queryAll(installation.db, `SELECT last_day FROM day_away WHERE first_day = '2027-05-03'`),
    expected: [{ last_day: '2027-05-04' }],
    plans: true,
  },
  'sub.back': {
    before: (installation) =>
      must(installation, 'sub.away', { sub: demoId('sub', 'tile'), firstDay: '2027-05-03', lastDay: '2027-05-04' }),
    payload: { sub: demoId('sub', 'tile'), firstDay: '2027-05-03' },
    leaves: (installation) => queryAll(installation.db, `SELECT * FROM day_away WHERE first_day = '2027-05-03'`),
    expected: [],
    plans: true,
  },
  'firm.set-zone': {
    payload: { zone: 'Pacific/Auckland' },
    leaves: (installation) => queryOne(installation.db, 'SELECT zone FROM firm'),
    expected: { zone: 'Pacific/Auckland' },
    plans: true,
  },
  'firm.set-dates': {
    payload: { dates: 'en-US', clockHours: 12 },
    leaves: (installation) => queryOne(installation.db, 'SELECT dates, clock_hours FROM firm'),
    expected: { dates: 'en-US', clock_hours: 12 },
  },
  'holiday.add': {
    payload: { day: '2027-05-17', name: 'Harbour day' },
    leaves: (installation) => queryOne(installation.db, `SELECT name FROM holiday WHERE day = '2027-05-17'`),
    expected: { name: 'Harbour day' },
    plans: true,
  },
  'job.open': {
    payload: { id, ...jobFacts },
    leaves: (installation) => row(installation, 'job', id),
    expected: { state: 'scoping', lived_in: 1, loud_half: 'morning', position: 4 },
  },
  'job.change': {
    payload: (installation) => ({
      id: signalHouse,
      version: version(installation, 'job', signalHouse),
      state: 'active',
      ...jobFacts,
      units: 'imperial',
    }),
    leaves: (installation) => row(installation, 'job', signalHouse),
    expected: { name: 'New House', units: 'imperial' },
    plans: true,
  },
  'areas.add': {
    payload: {
      job: signalHouse,
      levels: [{ id, name: 'Cellar', height: -1 }],
      areas: [{ id: other, level: id, name: 'Store', kind: 'room', works: ['floor', 'redecorate'], size: 2 }],
    },
    leaves: (installation) =>
      queryAll<{ phase: string }>(installation.db, 'SELECT phase FROM step WHERE area = @other', { other })
        .map((step) => step.phase)
        .sort(),
    expected: ['clean', 'final-coat', 'first-coats', 'flooring', 'hand-over', 'protect'],
    plans: true,
  },
  'area.change': {
    payload: (installation) => ({
      id: areaOf('children'),
      version: version(installation, 'area', areaOf('children')),
      name: 'Nursery',
      works: ['floor'],
      size: 1,
    }),
    leaves: (installation) => row(installation, 'area', areaOf('children')),
    expected: { name: 'Nursery', works: '["floor"]' },
    plans: true,
  },
  'area.call': {
    payload: { id: areaOf('children'), name: 'the bunk room' },
    leaves: (installation) => row(installation, 'area', areaOf('children')),
    expected: { called: 'the bunk room' },
  },
  'area.merge': {
    payload: (installation) => ({
      from: areaOf('children'),
      version: version(installation, 'area', areaOf('children')),
      into: areaOf('main'),
    }),
    leaves: (installation) => row(installation, 'area_merged', areaOf('children')),
    expected: { into_area: areaOf('main') },
    plans: true,
  },
  'area.remove': {
    before: (installation) =>
      must(installation, 'areas.add', {
        job: signalHouse,
        levels: [],
        areas: [{ id: areaOf('box'), name: 'Box room', kind: 'room', works: ['floor'], size: 1 }],
      }),
    payload: { id: areaOf('box'), version: 1 },
    leaves: (installation) => row(installation, 'area', areaOf('box')),
    expected: undefined,
    plans: true,
  },
  'job.remove': {
    payload: (installation) => ({ id: signalHouse, version: version(installation, 'job', signalHouse) }),
    leaves: (installation) => row(installation, 'job', signalHouse),
    expected: { removed: 1 },
    plans: true,
  },
  'job.restore': {
    before: (installation) =>
      must(installation, 'job.remove', { id: signalHouse, version: version(installation, 'job', signalHouse) }),
    payload: { id: signalHouse },
    leaves: (installation) => row(installation, 'job', signalHouse),
    expected: { removed: 0 },
    plans: true,
  },
  'area.beside': {
    payload: { one: areaOf('main'), other: areaOf('children') },
    leaves: (installation) =>
      queryAll(installation.db, 'SELECT * FROM beside WHERE @a IN (one, other) AND @b IN (one, other)', {
        a: areaOf('main'),
        b: areaOf('children'),
      }).length,
    expected: 1,
    plans: true,
  },
  'step.change': {
    payload: { area: areaOf('boot'), phase: 'tape', trade: 'paint', halfDays: 7 },
    leaves: (installation) =>
      queryOne(installation.db, `SELECT trade, half_days FROM step WHERE area = @area AND phase = 'tape'`, {
        area: areaOf('boot'),
      }),
    expected: { trade: 'paint', half_days: 7 },
    plans: true,
  },
  'link.add': {
    payload: {
      id,
      job: signalHouse,
      before: { area: areaOf('boot'), phase: 'board' },
      after: { area: areaOf('guest'), phase: 'board' },
      reason: 'one delivery',
    },
    leaves: (installation) => row(installation, 'own_link', id),
    expected: { reason: 'one delivery' },
    plans: true,
  },
  'link.remove': {
    before: (installation) =>
      must(installation, 'link.add', {
        id,
        job: signalHouse,
        before: { area: areaOf('boot'), phase: 'board' },
        after: { area: areaOf('guest'), phase: 'board' },
        reason: 'one delivery',
      }),
    payload: { id },
    leaves: (installation) => row(installation, 'own_link', id),
    expected: undefined,
    plans: true,
  },
  'hold.add': {
    payload: {
      id,
      job: signalHouse,
      area: areaOf('boot'),
      phase: 'tape',
      kind: 'client',
      label: 'colour',
      text: 'which white',
      expectedOn: '2027-03-20',
    },
    leaves: (installation) => row(installation, 'hold', id),
    expected: { state: 'open', asked_on: null },
    plans: true,
  },
  'hold.expect': {
    payload: { id: demoId('signal', 'hold', '0'), version: 1, expectedOn: '2027-03-30' },
    leaves: (installation) => row(installation, 'hold', demoId('signal', 'hold', '0')),
    expected: { expected_on: '2027-03-30', version: 2 },
    plans: true,
  },
  'hold.release': {
    payload: { id: demoId('signal', 'hold', '0'), version: 1 },
    leaves: (installation) => row(installation, 'hold', demoId('signal', 'hold', '0')),
    expected: { state: 'released' },
    plans: true,
  },
  'scope.add': {
    payload: { id, job: signalHouse, area: areaOf('bath'), stance: 'out', verb: 'move', subject: 'the window' },
    leaves: (installation) => row(installation, 'scope_item', id),
    expected: { stance: 'out', quantity: null },
  },
  'scope.change': {
    payload: {
      id: demoId('signal', 'scope', '0'),
      version: 2,
      stance: 'conditional',
      verb: 'open',
      subject: 'the wall',
      dependsOn: 'the engineer',
    },
    leaves: (installation) => row(installation, 'scope_item', demoId('signal', 'scope', '0')),
    expected: { stance: 'conditional', version: 3 },
  },
  'walk.start': {
    payload: { id, job: signalHouse, kind: 'close-in' },
    leaves: (installation) => row(installation, 'walk', id),
    expected: { kind: 'close-in', finished_at: null, person: demoId('person', 'maren') },
  },
  'walk.discard': {
    before: (installation) => must(installation, 'walk.start', { id, job: signalHouse, kind: 'progress' }),
    payload: { id },
    leaves: (installation) => row(installation, 'walk', id)?.dropped,
    expected: 1,
  },
  'walk.finish': {
    before: (installation) => must(installation, 'walk.start', { id, job: signalHouse, kind: 'progress' }),
    payload: { id },
    leaves: (installation) => row(installation, 'walk', id)?.finished_at !== null,
    expected: true,
    plans: true,
  },
  'observation.record': {
    payload: { observation: { id, walk, area: areaOf('guest'), kind: 'caution', text: 'loose tread' } },
    leaves: (installation) => row(installation, 'observation', id),
    expected: { kind: 'caution', text: 'loose tread', job: signalHouse },
    plans: true,
  },
  'draft.write': {
    payload: written,
    leaves: (installation) =>
      queryOne(installation.db, 'SELECT words, was FROM draft_line WHERE job = @signalHouse', { signalHouse }),
    expected: { words: 'Come by on Thursday.', was: '' },
  },
  'draft.unwrite': {
    before: (installation) => must(installation, 'draft.write', written),
    payload: { job: signalHouse, audience: 'client', line: 'own:1' },
    leaves: (installation) =>
      queryAll(installation.db, 'SELECT * FROM draft_line WHERE job = @signalHouse', { signalHouse }),
    expected: [],
  },
  undo: {
    before: (installation) => {
      dispatch(
        installation,
        MAREN,
        raw('hold.release', { id: demoId('signal', 'hold', '0'), version: 1 }, { id: third }),
      );
    },
    payload: { command: third },
    leaves: (installation) => row(installation, 'hold', demoId('signal', 'hold', '0')),
    expected: { state: 'open', version: 3 },
    plans: true,
  },
  'update.send': {
    payload: letter,
    leaves: (installation) => row(installation, 'message', id),
    expected: { state: 'queued', share_link: other },
  },
  'share.make': {
    payload: { id, audience: 'crew', job: signalHouse, recipient: 'All', expiresOn: '2027-04-01' },
    leaves: (installation) => row(installation, 'share_link', id),
    expected: { audience: 'crew', sub: null, revoked_at: null },
  },
  'share.revoke': {
    before: (installation) =>
      must(installation, 'share.make', {
        id,
        audience: 'crew',
        job: signalHouse,
        recipient: 'All',
        expiresOn: '2027-04-01',
      }),
    payload: { id },
    leaves: (installation) => row(installation, 'share_link', id)?.revoked_at !== null,
    expected: true,
  },
  'message.pass-on': {
    before: (installation) => must(installation, 'update.send', letter(installation)),
    payload: { id },
    leaves: (installation) => row(installation, 'message', id),
    expected: { state: 'delivered', failure: null },
  },
  'message.retry': {
    before: (installation) => {
      must(installation, 'update.send', letter(installation));
      installation.db.prepare(`UPDATE message SET state = 'failed', failure = 'no' WHERE id = ?`).run(id);
    },
    payload: { id },
    leaves: (installation) => row(installation, 'message', id),
    expected: { state: 'queued', failure: null },
  },
  'message.readdress': {
    before: (installation) => {
      must(installation, 'update.send', letter(installation));
      installation.db.prepare(`UPDATE message SET state = 'failed', failure = 'no' WHERE id = ?`).run(id);
    },
    payload: { id, address: 'right@a.example' },
    leaves: (installation) => row(installation, 'message', id),
    expected: { state: 'queued', address: 'right@a.example', failure: null },
  },
  'message.acknowledge': {
    before: (installation) => must(installation, 'update.send', letter(installation)),
    who: { kind: 'link', id: other, audience: 'client', job: signalHouse, sub: null },
    payload: { name: 'Averill' },
    leaves: (installation) => row(installation, 'message', id),
    expected: { acknowledged_by: 'Averill' },
  },
};

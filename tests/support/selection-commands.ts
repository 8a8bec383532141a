import { queryOne } from '@/server/database/query';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { demoId } from '../../demo/seed';
import type { Given } from './first-visit-commands';
import { areaOf, must, newId, signalHouse } from './installations';

const [id, other, third, link] = [newId(), newId(), newId(), newId()];
const chosen = (area: string, category: string, job = 'signal'): string => demoId(job, 'selection', area, category);
const row = (installation: Installation, table: string, key: string): Record<string, unknown> | undefined =>
  queryOne(installation.db, `SELECT * FROM ${table} WHERE id = @key`, { key });
const at = (installation: Installation, table: string, key: string): { id: string; version: number } => ({
  id: key,
  version: Number(row(installation, table, key)?.version ?? 0),
});
const [worktop, valve, tiles, glazing] = [
  chosen('kitchen', 'Worktop'),
  chosen('wet', 'Shower valve'),
  chosen('bath', 'Bath tiles'),
  chosen('lroof', 'Lantern glazing'),
];
const [association, lumen] = [demoId('signal', 'request', 'association'), demoId('supplier', 'Lumen Curve Works')];
const OAK = { choice: 'Oak', code: 'O-1', supplier: 'Fathom Timber', leadLow: 14, leadHigh: 20, note: '' };
const client: Actor = { kind: 'link', id: link, audience: 'client', job: signalHouse, sub: null };
const asked = {
  id,
  job: signalHouse,
  kind: 'approval',
  party: 'client',
  subject: 'the grey of the slate',
  takesLow: 3,
  takesHigh: 7,
  waits: [{ selection: worktop }, { area: areaOf('kitchen'), phase: 'worktops' }],
} as const;
const sending = {
  updateId: other,
  messageId: third,
  linkId: link,
  name: 'Averill',
  address: 'a@a.example',
  expiresOn: '2027-06-01',
};
const ask = (installation: Installation): void => void must(installation, 'request.add', asked);
const delivery = { id, job: signalHouse, day: '2027-04-05', place: areaOf('boot'), selections: [worktop] };
const spare = { id, job: signalHouse, kind: 'spare parts', what: 'two cartridges', keptAt: 'boiler cupboard' } as const;
const alternatives = [
  { id, choice: 'Slate', leadLow: 9, leadHigh: 12, unitPrice: 9900, supplier: 'Slatepool Stone' },
  { id: other, choice: 'Beech', leadLow: 3, leadHigh: 5 },
];

/** Every command of selections, requests, suppliers and deliveries, with what it leaves. */
export const SELECTIONS: Record<string, Given> = {
  'selection.add': {
    payload: {
      id,
      job: signalHouse,
      area: areaOf('bath'),
      phase: 'tiling',
      category: 'Grout',
      ...OAK,
      state: 'chosen',
    },
    leaves: (installation) => row(installation, 'selection', id),
    expected: { category: 'Grout', lead_low: 14, lead_high: 20, state: 'chosen' },
    plans: true,
  },
  'selection.change': {
    payload: (installation) => ({
      ...at(installation, 'selection', worktop),
      phase: 'worktops',
      category: 'Top',
      ...OAK,
      quantity: 4,
      unit: 'm',
    }),
    leaves: (installation) => row(installation, 'selection', worktop),
    expected: { choice: 'Oak', category: 'Top', quantity: 4 },
    plans: true,
  },
  'selections.import': {
    payload: { job: signalHouse, lines: [{ id, area: areaOf('bath'), phase: 'tiling', category: 'Grout', ...OAK }] },
    leaves: (installation) => row(installation, 'selection', id),
    expected: { state: 'chosen', lead_high: 20 },
    plans: true,
  },
  'selection.step': {
    payload: (installation) => ({ ...at(installation, 'selection', worktop), to: 'approved', day: '2027-03-09' }),
    leaves: (installation) => row(installation, 'selection', worktop),
    expected: { state: 'approved' },
    plans: true,
  },
  'selection.order': {
    payload: (installation) => ({
      ...at(installation, 'selection', worktop),
      day: '2027-03-08',
      quantity: 22,
      unit: 'ft',
      expectedOn: '2027-03-22',
    }),
    leaves: (installation) => row(installation, 'selection', worktop),
    expected: {
      state: 'ordered',
      quantity: 22,
      ordered_on: '2027-03-08',
      promised_on: '2027-03-22',
      ordered_as: 'Honed grey slate, 1 1/4", SG-30',
    },
    plans: true,
  },
  'selection.expect': {
    payload: (installation) => ({
      ...at(installation, 'selection', valve),
      expectedOn: '2027-03-25',
      note: 'the lorry broke down',
    }),
    leaves: (installation) => row(installation, 'selection', valve),
    expected: { expected_on: '2027-03-25', promised_on: '2027-03-15', slip: 'the lorry broke down' },
    plans: true,
  },
  'selection.alternatives': {
    payload: (installation) => ({ ...at(installation, 'selection', worktop), alternatives }),
    leaves: (installation) =>
      (JSON.parse(String(row(installation, 'selection', worktop)?.alternatives)) as object[]).length,
    expected: 2,
  },
  'selection.choose': {
    before: (installation) =>
      must(installation, 'selection.alternatives', { ...at(installation, 'selection', worktop), alternatives }),
    payload: (installation) => ({
      ...at(installation, 'selection', worktop),
      alternative: other,
      reason: 'it is here in a week',
    }),
    leaves: (installation) => row(installation, 'selection', worktop),
    expected: { choice: 'Beech', state: 'chosen', lead_high: 5 },
    plans: true,
  },
  'selection.pick': {
    before: (installation) =>
      must(installation, 'share.make', {
        id: link,
        audience: 'client',
        job: signalHouse,
        recipient: 'Averill',
        expiresOn: '2027-06-01',
      }),
    who: client,
    plans: true,
    payload: {
      id: tiles,
      alternative: demoId('signal', 'alternative', 'Bath tiles', '1'),
      name: 'Averill',
      words: 'calm',
    },
    leaves: (installation) => row(installation, 'selection', tiles),
    expected: { choice: 'Chalk matt, 6" by 6"', state: 'chosen', lead_high: 10 },
  },
  'selection.check': {
    payload: (installation) => ({ ...at(installation, 'selection', valve), verdict: 'wrong', text: 'surface mounted' }),
    plans: true,
    leaves: (installation) => ({
      was: row(installation, 'selection', valve)?.state,
      again: queryOne(
        installation.db,
        'SELECT state, quantity, follows_as, lead_high FROM selection WHERE follows = @valve',
        {
          valve,
        },
      ),
      back: queryOne(installation.db, 'SELECT kind, what FROM spare WHERE selection = @valve', { valve }),
    }),
    expected: {
      was: 'checked',
      again: { state: 'approved', quantity: 1, follows_as: 're-order', lead_high: 10 },
      back: { kind: 'wrong part', what: 'Shower valve: surface mounted' },
    },
  },
  'selection.fit-later': {
    payload: (installation) => ({ ...at(installation, 'selection', valve), returnTrip: true }),
    leaves: (installation) => row(installation, 'selection', valve),
    expected: { return_trip: 1 },
    plans: true,
  },
  'supplier.add': {
    payload: { id, name: 'New Kiln', email: 'k@kiln.example', desk: true },
    leaves: (installation) => row(installation, 'supplier', id),
    expected: { name: 'New Kiln', desk: 1 },
  },
  'supplier.change': {
    payload: { id: lumen, version: 1, name: 'Lumen', note: 'ask for Odo' },
    leaves: (installation) => row(installation, 'supplier', lumen),
    expected: { name: 'Lumen', note: 'ask for Odo', desk: 0 },
  },
  'supplier.close': {
    payload: { supplier: lumen, firstDay: '2027-08-02', lastDay: '2027-08-13' },
    leaves: (installation) =>
      queryOne(installation.db, `SELECT last_day FROM supplier_closure WHERE first_day = '2027-08-02'`),
    expected: { last_day: '2027-08-13' },
    plans: true,
  },
  'supplier.reopen': {
    payload: { supplier: lumen, firstDay: '2027-04-22' },
    leaves: (installation) =>
      queryOne(installation.db, 'SELECT count(*) AS count FROM supplier_closure WHERE supplier = @lumen', { lumen }),
    expected: { count: 0 },
    plans: true,
  },
  'supplier.prices': {
    payload: { supplier: lumen, lines: [{ code: 'lg-8', leadLow: 100, leadHigh: 120, unitPrice: 88000 }] },
    leaves: (installation) => row(installation, 'selection', glazing),
    expected: { unit_price: 88000, lead_low: 100, lead_high: 120 },
    plans: true,
  },
  'supplier.say': {
    payload: { selection: valve, says: 'slips', day: '2027-03-30', text: 'the kiln is cold' },
    leaves: (installation) => row(installation, 'selection', valve),
    expected: { expected_on: '2027-03-30', slip: 'the kiln is cold' },
    plans: true,
  },
  'supplier.hear': {
    before: (installation) =>
      must(installation, 'selection.order', {
        ...at(installation, 'selection', glazing),
        day: '2027-03-08',
        quantity: 8,
        unit: 'panes',
        despite: 'one slot left',
      }),
    payload: { selection: glazing },
    leaves: (installation) => row(installation, 'selection', glazing),
    expected: { state: 'confirmed' },
    plans: true,
  },
  'request.add': {
    payload: asked,
    leaves: (installation) => ({
      ...row(installation, 'request', id),
      waits: queryOne(installation.db, 'SELECT count(*) AS count FROM request_wait WHERE request = @id', { id }),
    }),
    expected: { party: 'client', takes_high: 7, waits: { count: 2 } },
    plans: true,
  },
  'request.change': {
    payload: (installation) => ({
      ...at(installation, 'request', association),
      kind: 'approval',
      party: 'association',
      subject: 'glass',
      takesLow: 1,
      takesHigh: 2,
      waits: [],
    }),
    leaves: (installation) => row(installation, 'request', association),
    expected: { subject: 'glass', takes_high: 2 },
    plans: true,
  },
  'request.send': {
    before: ask,
    payload: { id, version: 1, sentOn: '2027-03-09', sent: 'a sample' },
    leaves: (installation) => row(installation, 'request', id),
    expected: { sent: 'a sample', sent_on: '2027-03-09' },
    plans: true,
  },
  'request.expect': {
    payload: (installation) => ({ ...at(installation, 'request', association), expectedOn: '2027-05-03' }),
    leaves: (installation) => row(installation, 'request', association),
    expected: { expected_on: '2027-05-03' },
    plans: true,
  },
  'request.remind': {
    payload: (installation) => at(installation, 'request', association),
    leaves: (installation) => row(installation, 'request', association),
    expected: { reminded_on: '2027-03-09' },
  },
  'request.answer': {
    payload: (installation) => ({
      ...at(installation, 'request', association),
      outcome: 'conditions',
      conditions: 'no mirror glass',
      answeredOn: '2027-03-09',
    }),
    leaves: (installation) => row(installation, 'request', association),
    expected: { outcome: 'conditions', conditions: 'no mirror glass' },
    plans: true,
  },
  'request.ask-client': {
    before: ask,
    payload: { id, version: 1, ...sending },
    leaves: (installation) => ({
      ...row(installation, 'message', third),
      asked: row(installation, 'request', id)?.sent_on,
    }),
    expected: { state: 'queued', share_link: link, asked: '2027-03-09' },
    plans: true,
  },
  'request.reply': {
    before: (installation) => {
      ask(installation);
      must(installation, 'request.ask-client', { id, version: 1, ...sending });
    },
    who: client,
    payload: { id, name: 'Averill', outcome: 'granted' },
    leaves: (installation) => row(installation, 'request', id),
    expected: { outcome: 'granted', answered_by: 'Averill' },
    plans: true,
  },
  'request.reopen': {
    before: (installation) =>
      must(installation, 'request.answer', {
        ...at(installation, 'request', association),
        outcome: 'granted',
        answeredOn: '2027-03-09',
      }),
    payload: (installation) => at(installation, 'request', association),
    leaves: (installation) => row(installation, 'request', association),
    expected: { outcome: null, answered_on: null },
    plans: true,
  },
  'delivery.add': {
    payload: delivery,
    leaves: (installation) => ({
      ...row(installation, 'delivery', id),
      on: row(installation, 'selection', worktop)?.delivery,
    }),
    expected: { state: 'planned', on: id },
  },
  'delivery.change': {
    before: (installation) => must(installation, 'delivery.add', delivery),
    payload: { id, version: 1, day: '2027-04-06', selections: [tiles] },
    leaves: (installation) => [
      row(installation, 'selection', worktop)?.delivery,
      row(installation, 'selection', tiles)?.delivery,
      row(installation, 'delivery', id)?.day,
    ],
    expected: [null, id, '2027-04-06'],
  },
  'delivery.came': {
    before: (installation) => must(installation, 'delivery.add', delivery),
    payload: { id, version: 1, day: '2027-03-09' },
    leaves: (installation) => row(installation, 'selection', worktop),
    expected: { state: 'on site', came_on: '2027-03-09', kept_at: 'Boot room' },
    plans: true,
  },
  'delivery.drop': {
    before: (installation) => must(installation, 'delivery.add', delivery),
    payload: { id, version: 1 },
    leaves: (installation) => [
      row(installation, 'delivery', id)?.state,
      row(installation, 'selection', worktop)?.delivery,
    ],
    expected: ['dropped', null],
  },
  'spare.add': {
    payload: { ...spare, selection: valve },
    leaves: (installation) => row(installation, 'spare', id),
    expected: { kind: 'spare parts', state: 'kept', kept_at: 'boiler cupboard' },
  },
  'spare.settle': {
    before: (installation) => must(installation, 'spare.add', spare),
    payload: { id, version: 1, state: 'gone' },
    leaves: (installation) => row(installation, 'spare', id),
    expected: { state: 'gone' },
  },
  'salvage.settle': {
    payload: (installation) => ({ ...at(installation, 'finding', demoId('signal', 'finding', '0')), kept: 'back' }),
    leaves: (installation) => row(installation, 'finding', demoId('signal', 'finding', '0')),
    expected: { kept: 'back', place: 'boat store, on battens' },
  },
};

import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { demoId } from '../../demo/seed';
import type { Given } from './first-visit-commands';
import { must, newId } from './installations';

const [id, other] = [newId(), newId()];
const dairy = demoId('dairy');
const damage = demoId('dairy', 'finding', '0');
const line = demoId('dairy', 'scope', '1');
const back = demoId('dairy', 'area', 'back');
const row = (installation: Installation, table: string, key: string) =>
  queryOne<Record<string, unknown>>(installation.db, `SELECT * FROM ${table} WHERE id = @key`, { key });
const version = (installation: Installation, table: string, key: string): number =>
  Number(row(installation, table, key)?.version);
const allowance = (installation: Installation): string =>
  queryOne<{ id: string }>(installation.db, `SELECT id FROM finding WHERE kind = 'allowance' AND job = @dairy`, {
    dairy,
  })?.id ?? '';
const choice = (installation: Installation): string =>
  queryOne<{ id: string }>(installation.db, 'SELECT id FROM selection WHERE job = @dairy ORDER BY rowid', { dairy })
    ?.id ?? '';

/** Every command about money, with what it leaves. */
export const MONEY: Record<string, Given> = {
  'firm.set-money': {
    payload: { currency: 'JPY', markup: 0.1, taxRate: 0.08, taxShown: 'apart' },
    leaves: ({ db }) => queryOne(db, 'SELECT currency, markup, tax_rate, tax_shown FROM firm'),
    expected: { currency: 'JPY', markup: 0.1, tax_rate: 0.08, tax_shown: 'apart' },
  },
  'rate.set-hour': {
    payload: { trade: 'paint', perHour: 4100 },
    leaves: ({ db }) => queryOne(db, `SELECT per_hour FROM hour_rate WHERE trade = 'paint'`),
    expected: { per_hour: 4100 },
  },
  'job.set-money': {
    payload: { job: dairy, taxRate: 0.05, pricesShown: 'line' },
    leaves: (installation) => row(installation, 'job', dairy),
    expected: { markup: null, tax_rate: 0.05, prices_shown: 'line' },
  },
  'scope.price': {
    payload: (installation: Installation) => ({
      job: dairy,
      lines: [
        { id: line, version: version(installation, 'scope_item', line), way: 'parts', unitPrice: 2000, hours: 0.5 },
      ],
    }),
    leaves: (installation) => row(installation, 'scope_item', line),
    expected: { price_way: 'parts', unit_price: 2000, hours: 0.5 },
  },
  'payments.set': {
    payload: {
      job: dairy,
      steps: [
        { id, text: 'deposit', share: { kind: 'percent', percent: 30 }, due: { kind: 'agreed' } },
        { id: other, text: 'painted', share: { kind: 'rest' }, due: { kind: 'step', area: back, phase: 'face-paint' } },
      ],
    },
    leaves: ({ db }) =>
      queryAll(
        db,
        'SELECT text, percent, amount, due, due_phase FROM payment_step WHERE job = @dairy ORDER BY position',
        {
          dairy,
        },
      ),
    expected: [
      { text: 'deposit', percent: 30, amount: null, due: 'agreed', due_phase: null },
      { text: 'painted', percent: null, amount: null, due: 'step', due_phase: 'face-paint' },
    ],
  },
  'payment.add': {
    payload: { id, job: dairy, day: '2027-03-01', amount: 120_000, note: 'deposit' },
    leaves: (installation) => row(installation, 'payment', id),
    expected: { amount: 120_000, note: 'deposit', day: '2027-03-01' },
  },
  'spending.add': {
    payload: {
      id,
      job: dairy,
      area: back,
      day: '2027-03-01',
      kind: 'work',
      text: 'hours of the painters',
      amount: 9900,
    },
    leaves: (installation) => row(installation, 'spending', id),
    expected: { area: back, kind: 'work', amount: 9900, selection: null },
  },
  'selection.allow': {
    payload: (installation: Installation) => ({
      id: choice(installation),
      version: version(installation, 'selection', choice(installation)),
      allowance: allowance(installation),
    }),
    leaves: (installation) => [
      row(installation, 'selection', choice(installation))?.allowance === allowance(installation),
    ],
    expected: [true],
  },
  'assembly.set': {
    payload: {
      id,
      area: demoId('dairy', 'area', 'back'),
      assembly: 'repaint-face',
      answers: { face: 30 },
      prices: { 'Outside paint, cans of 5 L': 4400 },
    },
    leaves: ({ db }) => [
      queryAll(db, 'SELECT verb, quantity, price_way FROM scope_item WHERE assembly = @id ORDER BY rowid', { id }),
      queryAll(db, 'SELECT product, unit_price FROM calculation WHERE assembly = @id ORDER BY rowid', { id }),
    ],
    expected: [
      [
        { verb: 'prepare', quantity: 30, price_way: 'parts' },
        { verb: 'paint', quantity: 60, price_way: 'parts' },
      ],
      [
        { product: 'Primer, cans of 5 L', unit_price: null },
        { product: 'Outside paint, cans of 5 L', unit_price: 4400 },
      ],
    ],
    plans: true,
  },
  'assembly.write': {
    payload: {
      key: 'repaint-face',
      base: 'repaint-face',
      title: 'Our painting',
      says: 'Wash and paint',
      lines: [
        { key: 'paint', verb: 'paint', subject: 'the face', of: ['face', 2], unit: 'm²', trade: 'paint', hours: 0.2 },
      ],
      goods: [{ what: 'Our paint', line: 'paint', of: ['face', 2], unit: 'm²', waste: 0, pack: 40 }],
    },
    leaves: ({ db }) => queryAll(db, 'SELECT key, title FROM own_assembly'),
    expected: [{ key: 'repaint-face', title: 'Our painting' }],
  },
  'assembly.drop-own': {
    before: (installation) =>
      must(installation, 'assembly.write', {
        key: 'ours',
        base: 'repaint-face',
        title: 'Ours',
        says: 'Ours',
        lines: [
          { key: 'paint', verb: 'paint', subject: 'the face', of: ['face'], unit: 'm²', trade: 'paint', hours: 1 },
        ],
      }),
    payload: { key: 'ours' },
    leaves: ({ db }) => queryAll(db, 'SELECT key FROM own_assembly'),
    expected: [],
  },
  'assembly.remove': {
    before: (installation) =>
      must(installation, 'assembly.set', {
        id,
        area: demoId('dairy', 'area', 'back'),
        assembly: 'open-strip',
        answers: { run: 6, high: 0.3 },
      }),
    payload: { id, version: 1 },
    leaves: ({ db }) => queryAll(db, 'SELECT state FROM extra_work WHERE assembly = @id', { id }),
    expected: [{ state: 'dropped' }, { state: 'dropped' }],
    plans: true,
  },
  'finding.measure': {
    payload: { id: damage, found: 5.5 },
    leaves: (installation) => row(installation, 'finding', damage),
    expected: { found: 5.5, found_by: 'Maren' },
  },
  'change.draft': {
    before: (installation) => must(installation, 'finding.measure', { id: damage, found: 5.5 }),
    payload: { id, of: 'finding', from: damage },
    leaves: ({ db }) =>
      queryAll(
        db,
        `SELECT kind, quantity, unit, unit_price, finding = @damage AS held
          FROM change_line
          JOIN change_order ON change_order.id = change_order
          WHERE change_order = @id`,
        { id, damage },
      ),
    expected: [{ kind: 'addition', quantity: 2.5, unit: 'm', unit_price: 14_800, held: 1 }],
  },
  'change.drop': {
    before: (installation) => {
      must(installation, 'finding.measure', { id: damage, found: 5.5 });
      must(installation, 'change.draft', { id, of: 'finding', from: damage });
    },
    payload: { id, version: 1 },
    leaves: (installation) => row(installation, 'change_order', id),
    expected: { state: 'declined', answered_at: null },
  },
};

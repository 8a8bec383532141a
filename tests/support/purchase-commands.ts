import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { demoId } from '../../demo/seed';
import type { Given } from './first-visit-commands';
import { must, newId } from './installations';

const [id, first, second, other] = [newId(), newId(), newId(), newId()];
const dairy = demoId('dairy');

/** The windows of the lane face: chosen and not ordered. */
const chosenAt = (installation: Installation): string =>
  queryOne<{ id: string }>(
    installation.db,
    `SELECT id FROM selection WHERE job = @job AND state IN ('chosen', 'approved') AND choice <> '' ORDER BY rowid`,
    { job: dairy },
  )?.id ?? '';

/** An order of the windows and of something written in. */
export const order = (installation: Installation) => ({
  id,
  job: dairy,
  supplier: 'Fathom Timber',
  deliverOn: '2027-04-01',
  place: demoId('dairy', 'area', 'front'),
  contact: 'Maren, 555 0141',
  deposit: 40_000,
  lines: [
    {
      id: first,
      selection: chosenAt(installation),
      code: 'W-32',
      text: 'Workshop windows',
      quantity: 4,
      unit: 'windows',
      unitPrice: 62_000,
    },
    {
      id: second,
      text: 'Fixing straps',
      quantity: 45,
      unit: 'straps',
      perPack: 20,
      unitPrice: 900,
      pricedBy: 'pack' as const,
      instead: 'Frame anchors',
    },
  ],
});
export const LINES = { first, second };

const write = (installation: Installation): void => void must(installation, 'purchase-order.add', order(installation));
const sendOut = (installation: Installation): void => {
  write(installation);
  must(installation, 'purchase-order.send', { id, version: 1, day: '2027-03-09' });
};
const state = ({ db }: Installation) =>
  queryOne<{ state: string; version: number }>(db, 'SELECT state, version FROM purchase_order WHERE id = @id', { id });

/** Every command about purchase orders, with what it leaves. */
export const PURCHASES: Record<string, Given> = {
  'purchase-order.add': {
    payload: order,
    leaves: ({ db }) => [
      queryOne(db, 'SELECT number, state, deliver_on, deposit FROM purchase_order WHERE id = @id', { id }),
      queryAll(
        db,
        'SELECT code, quantity, per_pack, unit_price, instead FROM purchase_line WHERE purchase_order = @id ORDER BY position',
        { id },
      ),
    ],
    expected: [
      { number: 2, state: 'draft', deliver_on: '2027-04-01', deposit: 40_000 },
      [
        { code: 'W-32', quantity: 4, per_pack: null, unit_price: 62_000, instead: '' },
        { code: '', quantity: 45, per_pack: 20, unit_price: 900, instead: 'Frame anchors' },
      ],
    ],
  },
  'purchase-order.change': {
    before: write,
    payload: (installation: Installation) => {
      const { job: _, lines, ...terms } = order(installation);
      return { ...terms, version: 1, carriage: 2500, lines: lines.slice(0, 1) };
    },
    leaves: ({ db }) =>
      queryOne(
        db,
        `SELECT carriage, (SELECT count(*) FROM purchase_line WHERE purchase_order = @id) AS lines
          FROM purchase_order
          WHERE id = @id`,
        { id },
      ),
    expected: { carriage: 2500, lines: 1 },
  },
  'purchase-order.send': {
    before: write,
    payload: { id, version: 1, day: '2027-03-09' },
    leaves: ({ db }) => [
      queryOne(
        db,
        `SELECT selection.state, ordered_on, order_number, quantity, day, place_note
          FROM selection
          JOIN delivery ON delivery.id = selection.delivery
          WHERE order_number <> '' AND selection.job = @dairy`,
        { dairy },
      ),
      queryOne(db, 'SELECT state, sent_on FROM purchase_order WHERE id = @id', { id }),
    ],
    expected: [
      {
        state: 'ordered',
        ordered_on: '2027-03-09',
        order_number: 'PO 2',
        quantity: 4,
        day: '2027-04-01',
        place_note: '',
      },
      { state: 'sent', sent_on: '2027-03-09' },
    ],
    plans: true,
  },
  'purchase-order.cancel': {
    before: sendOut,
    payload: { id, version: 2 },
    leaves: (installation) => [
      state(installation)?.state,
      queryAll(installation.db, `SELECT 1 FROM selection WHERE order_number = 'PO 2'`),
    ],
    expected: ['cancelled', []],
    plans: true,
  },
  'purchase-order.end': {
    before: sendOut,
    payload: { id, version: 2 },
    leaves: (installation) => [
      state(installation)?.state,
      queryAll(installation.db, `SELECT 1 FROM selection WHERE order_number = 'PO 2'`),
    ],
    expected: ['ended', []],
    plans: true,
  },
  'purchase-order.move': {
    before: sendOut,
    payload: {
      id,
      kind: 'came',
      day: '2027-03-09',
      lines: [
        { line: first, quantity: 3 },
        { line: second, quantity: 60 },
      ],
    },
    leaves: ({ db }) => [
      queryAll(db, `SELECT state, quantity FROM selection WHERE order_number = 'PO 2' ORDER BY rowid`),
      queryAll(db, 'SELECT kind, quantity FROM purchase_movement WHERE job = @dairy', { dairy }),
    ],
    expected: [
      [
        { state: 'on site', quantity: 3 },
        { state: 'ordered', quantity: 1 },
      ],
      [{ kind: 'came', quantity: 60 }],
    ],
    plans: true,
  },
  'purchase-order.bill': {
    before: sendOut,
    payload: {
      id: other,
      purchaseOrder: id,
      kind: 'bill',
      number: 'R-7',
      day: '2027-03-09',
      lines: [{ line: first, quantity: 4, amount: 248_000 }, { line: second }],
      other: 3000,
    },
    leaves: ({ db }) => [
      queryOne(db, 'SELECT number, other FROM purchase_bill WHERE id = @other', { other }),
      queryAll(db, 'SELECT quantity, amount FROM purchase_bill_line WHERE bill = @other', { other }),
    ],
    expected: [{ number: 'R-7', other: 3000 }, [{ quantity: 4, amount: 248_000 }]],
  },
  'purchase-line.substitute': {
    before: sendOut,
    payload: {
      line: first,
      code: 'W-34',
      text: 'Windows with two panes',
      unitPrice: 58_000,
      accepts: 'client',
      name: 'Sela',
      reason: 'three panes take twelve weeks',
    },
    leaves: ({ db }) => [
      queryOne(db, 'SELECT code, text, unit_price, replaces FROM purchase_line WHERE id = @first', { first }),
      queryOne(db, `SELECT choice, ordered_as FROM selection WHERE order_number = 'PO 2'`),
      queryOne(db, `SELECT reason FROM decision WHERE subject LIKE 'Windows with two panes%'`),
    ],
    expected: [
      { code: 'W-34', text: 'Windows with two panes', unit_price: 58_000, replaces: 'Workshop windows, W-32' },
      { choice: 'Windows with two panes', ordered_as: 'Windows with two panes, W-34' },
      { reason: 'Sela accepts it: three panes take twelve weeks' },
    ],
    plans: true,
  },
};

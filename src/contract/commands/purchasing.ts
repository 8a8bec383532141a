import { array, object, string } from 'yup';
import { BILL_KIND_KEYS } from '@/core/purchasing/bills';
import { PRICED_BY_KEYS } from '@/core/purchasing/order-line';
import { DECIDER_KEYS } from '@/core/selections/states';
import { command, EVERYBODY, OFFICE } from '../command';
import * as field from '../fields';

const orderLine = () =>
  object({
    id: field.id(),
    selection: field.id().notRequired().nonNullable(),
    /** The kept result that it is of, and which of the things it buys. */
    calculation: field.id().notRequired().nonNullable(),
    purchase: field
      .optionalWhole('which of its things', 0, 200)
      .when('calculation', ([calculation], schema) =>
        calculation === undefined ? schema : schema.required('which of its things is missing'),
      ),
    code: field.optionalLine('the code', 40).default(''),
    text: field.line('what it is'),
    unit: field.line('the unit', 20),
    quantity: field.amount('how many or how much', 100_000).required('how many or how much is missing'),
    /** How much of the unit is in a pack, where it comes in packs. */
    perPack: field.amount('how much is in a pack', 100_000),
    unitPrice: field.money('the price'),
    pricedBy: field
      .oneOf('what the price is for', PRICED_BY_KEYS)
      .default('one')
      .when('perPack', ([perPack], schema) =>
        perPack === undefined
          ? schema.test('packs', 'say how much is in a pack, or price one', (by) => by !== 'pack')
          : schema,
      ),
    instead: field.optionalLine('what may be sent instead').default(''),
  }).noUnknown();

const orderFields = {
  supplier: field.line('the supplier', 80),
  deliverOn: field.optionalDay('the day it is wanted'),
  half: string<'morning' | 'afternoon'>().oneOf(
    ['morning', 'afternoon'],
    'in the morning, in the afternoon or all day',
  ),
  place: field.id().notRequired().nonNullable(),
  placeNote: field.optionalLine('where there', 120).default(''),
  contact: field.optionalLine('who takes it in', 120).default(''),
  deposit: field.money('the deposit').moreThan(0, 'leave the deposit empty where there is none'),
  carriage: field.money('the carriage').moreThan(0, 'leave the carriage empty where there is none'),
  note: field.optionalText('the note', 600).default(''),
  lines: array(orderLine())
    .required('an order says what is to come')
    .min(1, 'an order says what is to come: at least one line')
    .max(120, 'at most 120 lines in one order'),
};
const about = { id: field.id(), version: field.version() };

export const addPurchaseOrder = command(
  'purchase-order.add',
  OFFICE,
  'job',
  object({ id: field.id(), job: field.id(), ...orderFields }).noUnknown(),
);
/** A draft is written anew. */
export const changePurchaseOrder = command(
  'purchase-order.change',
  OFFICE,
  'job',
  object({ ...about, ...orderFields }).noUnknown(),
);
/** It went out: the chosen things in it are ordered, and come together on the day that was asked for. */
export const sendPurchaseOrder = command(
  'purchase-order.send',
  OFFICE,
  'plan',
  object({
    ...about,
    day: field.day('the day it went out'),
    despite: field.optionalLine('why it goes out all the same').default(''),
  }).noUnknown(),
);
/** Nothing of it is to come: a draft nobody wants, or an order that the supplier lets go. */
export const cancelPurchaseOrder = command('purchase-order.cancel', OFFICE, 'plan', object(about).noUnknown());
/** What has not come will not come any more. */
export const endPurchaseOrder = command('purchase-order.end', OFFICE, 'plan', object(about).noUnknown());

/** What came of an order, or went back to the supplier. */
export const movePurchases = command(
  'purchase-order.move',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    kind: field.oneOf('what happened', ['came', 'went back'] as const),
    day: field.day('the day'),
    note: field.optionalText('the note', 300).default(''),
    lines: array(
      object({
        line: field.id(),
        quantity: field.amount('how many or how much', 100_000),
      }).noUnknown(),
    )
      .required('what it was is missing')
      .max(120)
      .test('some', 'say of at least one line how much', (lines) =>
        lines.some(({ quantity }) => quantity !== undefined),
      ),
  }).noUnknown(),
);

/** The supplier offers something else, and somebody accepts it in its place. */
export const substitutePurchase = command(
  'purchase-line.substitute',
  OFFICE,
  'plan',
  object({
    line: field.id(),
    code: field.optionalLine('the code', 40).default(''),
    text: field.line('what comes instead'),
    unitPrice: field.money('the price'),
    accepts: field.oneOf('who accepts it', DECIDER_KEYS),
    name: field.optionalLine('their name', 80).default(''),
    reason: field.text('why', 300),
  }).noUnknown(),
);

export const billPurchases = command(
  'purchase-order.bill',
  OFFICE,
  'job',
  object({
    id: field.id(),
    purchaseOrder: field.id(),
    kind: field.oneOf('what it is', BILL_KIND_KEYS),
    number: field
      .optionalLine('its number', 40)
      .default('')
      .when('kind', ([kind], schema) => (kind === 'deposit' ? schema : schema.required('the number on it is missing'))),
    day: field.day('the day on it'),
    lines: array(
      object({
        line: field.id(),
        quantity: field.amount('how many or how much', 100_000),
        amount: field
          .money('what it says for that')
          .when('quantity', ([quantity], schema) =>
            quantity === undefined ? schema : schema.required('what it says for that is missing'),
          ),
      }).noUnknown(),
    )
      .default([])
      .max(120),
    other: field
      .money('the sum')
      .default(0)
      .when('kind', ([kind], schema) => (kind === 'deposit' ? schema.moreThan(0, 'what was paid is missing') : schema)),
    lessDeposit: field.money('the deposit it takes off').default(0),
  })
    .noUnknown()
    .test('some', function ({ kind, lines, other }) {
      return (
        kind === 'deposit' ||
        other > 0 ||
        lines.some(({ quantity }) => quantity !== undefined) ||
        this.createError({ path: 'number', message: 'say what it is for: a line, or a sum of no line' })
      );
    }),
);

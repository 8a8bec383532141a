import { array, boolean, number, object } from 'yup';
import { command, OFFICE } from '../command';
import * as field from '../fields';

const changeLine = () =>
  object({
    id: field.id(),
    area: field.id('the area'),
    verb: field.line('what happens', 30),
    subject: field.line('to what'),
    unit: field.line('the unit', 20),
    quantity: number()
      .typeError('the quantity must be a number')
      .required('the quantity is missing')
      .notOneOf([0], 'a quantity is not 0')
      .min(-100_000, 'such a quantity cannot be meant')
      .max(100_000, 'such a quantity cannot be meant'),
    /** Left out while nobody has priced it. */
    unitPrice: field.money('the price of one'),
    trade: field
      .trade()
      .notRequired()
      .nonNullable()
      .when('halfDays', ([halfDays], schema) =>
        halfDays > 0 ? schema.required('work that takes days is somebody’s: choose the trade') : schema,
      ),
    halfDays: field.whole('half-days', 0, 400).default(0),
    after: field.phase().notRequired().nonNullable(),
    /** Money alone: no work, and no line of scope. */
    priceOnly: boolean().default(false),
  }).noUnknown();
const drop = () => object({ area: field.id('the area'), phase: field.phase() }).noUnknown();

const changeFields = {
  kind: field.oneOf('the kind of change', ['addition', 'omission'] as const),
  title: field.line('what changes', 120),
  why: field.optionalText('why', 300).default(''),
  lines: array(changeLine())
    .required('a change is priced by lines')
    .min(1, 'a change is priced by at least one line')
    .max(60),
  /** The job's where they are left out. */
  markup: field.markup(),
  taxRate: field.taxRate(),
  drops: array(drop()).default([]).max(60),
  omits: array(field.id()).default([]).max(60),
};

/** What a change can come from: an assumption that was wrong, damage or an allowance held against it, a surprise. */
const SOURCES = ['assumption', 'finding', 'observation'] as const;
export type ChangeSource = (typeof SOURCES)[number];
/** Those that say themselves what the change is, what it costs and how long it takes. */
const DRAFT_SOURCES = ['assumption', 'finding'] as const;
export type DraftSource = (typeof DRAFT_SOURCES)[number];

export const addChange = command(
  'change.add',
  OFFICE,
  'job',
  object({
    id: field.id(),
    job: field.id(),
    ...changeFields,
    from: object({ of: field.oneOf('what it comes from', SOURCES), id: field.id() })
      .noUnknown()
      .default(undefined)
      .optional(),
  }).noUnknown(),
);
/** A draft in one step: its lines, price and days are what was written down of it before. */
export const draftChange = command(
  'change.draft',
  OFFICE,
  'job',
  object({ id: field.id(), of: field.oneOf('what it comes from', DRAFT_SOURCES), from: field.id() }).noUnknown(),
);
export const editChange = command(
  'change.edit',
  OFFICE,
  'job',
  object({ id: field.id(), version: field.version(), ...changeFields }).noUnknown(),
);
export const sendChange = command(
  'change.send',
  OFFICE,
  'job',
  object({ id: field.id(), version: field.version(), ...field.sending() }).noUnknown(),
);
export const withdrawChange = command(
  'change.withdraw',
  OFFICE,
  'job',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);
/** A draft, or one that was declined, that nobody wants any more. */
export const dropChange = command(
  'change.drop',
  OFFICE,
  'job',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);
export const answerChange = command(
  'change.answer',
  ['link'],
  'plan',
  object({
    id: field.id(),
    verdict: field.oneOf('the answer', ['approved', 'declined'] as const),
    name: field.line('your name', 80),
    words: field.optionalText('your words', 300).default(''),
  }).noUnknown(),
);

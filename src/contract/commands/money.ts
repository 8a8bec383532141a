import { array, number, object, string } from 'yup';
import { PRICE_WAY_KEYS, type PriceWay } from '@/core/money/line-price';
import { SPENDING_KINDS } from '@/core/money/spending';
import { TAX_SHOWN, type TaxShown } from '@/core/money/price';
import { CURRENCY_CODES } from '@/core/units/money';
import { command, OFFICE, OWNER } from '../command';
import * as field from '../fields';

const TAX_SHOWN_KEYS = Object.keys(TAX_SHOWN) as TaxShown[];

/** In which money the firm counts, what it adds to what things cost it, and how its clients read prices. */
export const setMoney = command(
  'firm.set-money',
  OWNER,
  'firm',
  object({
    currency: string()
      .required('the currency is missing')
      .oneOf([...CURRENCY_CODES], 'the currency must be one of the list'),
    markup: field.markup().required('overhead and profit is missing; 0 where there is none'),
    taxRate: field.taxRate().required('the tax is missing; 0 where there is none'),
    taxShown: field.oneOf('how clients read prices', TAX_SHOWN_KEYS),
    /** What it costs that a crew comes once more; null where nobody has said. */
    tripCost: field.money('what a trip costs').nullable().default(null),
  }).noUnknown(),
);

/** What an hour of a trade costs the firm; without one there is no rate any more. */
export const setHourRate = command(
  'rate.set-hour',
  OFFICE,
  'firm',
  object({
    trade: field.trade(),
    perHour: field.money('what an hour costs').moreThan(0, 'an hour costs more than 0').nullable().default(null),
  }).noUnknown(),
);

const PRICES_SHOWN = ['line', 'area', 'total'] as const;
export type PricesShown = (typeof PRICES_SHOWN)[number];

/** How the prices of one job are made and shown; what is left out is the firm's. */
export const setJobMoney = command(
  'job.set-money',
  OFFICE,
  'job',
  object({
    job: field.id(),
    markup: field.markup().nullable().default(null),
    taxRate: field.taxRate().nullable().default(null),
    pricesShown: field.oneOf('what the statement shows', PRICES_SHOWN),
    /** What a calendar day after the promise costs, and a day on which the site runs; null where nobody has said. */
    lateCost: field.money('what a day late costs').nullable().default(null),
    siteCost: field.money('what a day of site costs').nullable().default(null),
  }).noUnknown(),
);

/** Prices of lines of scope, each with the version it was written on. */
export const priceScope = command(
  'scope.price',
  OFFICE,
  'job',
  object({
    job: field.id(),
    lines: array(
      object({
        id: field.id(),
        version: field.version(),
        /** Null takes its price away. */
        way: string<PriceWay>()
          .transform((way: PriceWay | '' | null) => (way === '' ? null : way))
          .nullable()
          .default(null)
          .test('way', 'say how it is priced', (way) => way === null || PRICE_WAY_KEYS.includes(way)),
        unitPrice: field
          .money('the price')
          .nullable()
          .default(null)
          .when('way', ([way], schema) =>
            way === 'unit' || way === 'sum' ? schema.required('the price is missing') : schema,
          ),
        hours: number()
          .typeError('the hours must be a number')
          .min(0, 'the hours are not under 0')
          .max(10_000, 'so many hours cannot be meant')
          .nullable()
          .default(null)
          .when(['way', 'unitPrice'], ([way, unitPrice], schema) =>
            way === 'parts' && unitPrice === null
              ? schema.test('parts', 'give the hours, the material, or both', (hours) => hours !== null)
              : schema,
          ),
      }).noUnknown(),
    )
      .required('the lines are missing')
      .min(1, 'at least one line')
      .max(400, 'at most 400 lines at once'),
  }).noUnknown(),
);

const share = () =>
  object({
    kind: field.oneOf('what part it is', ['percent', 'sum', 'rest'] as const),
    percent: number()
      .typeError('the per cent must be a number')
      .moreThan(0, 'a part is more than 0 %')
      .max(100, 'a part is at most 100 %')
      .when('kind', ([kind], schema) =>
        kind === 'percent' ? schema.required('how many per cent is missing') : schema,
      ),
    amount: field
      .money('the sum')
      .moreThan(0, 'the sum is more than 0')
      .when('kind', ([kind], schema) => (kind === 'sum' ? schema.required('the sum is missing') : schema)),
  }).noUnknown();
const due = () =>
  object({
    kind: field.oneOf('when it is due', ['agreed', 'begun', 'step', 'finished', 'day'] as const),
    area: field
      .id('the area')
      .notRequired()
      .nonNullable()
      .when('kind', ([kind], schema) => (kind === 'step' ? schema.required('the area is missing') : schema)),
    phase: field
      .phase()
      .notRequired()
      .nonNullable()
      .when('kind', ([kind], schema) => (kind === 'step' ? schema.required('the step is missing') : schema)),
    day: field
      .optionalDay('the day')
      .when('kind', ([kind], schema) => (kind === 'day' ? schema.required('the day is missing') : schema)),
  }).noUnknown();

/** The parts in which the price is paid: all of them at once, since they make up the whole. */
export const setPayments = command(
  'payments.set',
  OFFICE,
  'job',
  object({
    job: field.id(),
    steps: array(
      object({ id: field.id(), text: field.line('what it is for', 120), share: share(), due: due() }).noUnknown(),
    )
      .default([])
      .max(20, 'at most twenty steps'),
  }).noUnknown(),
);

export const addPayment = command(
  'payment.add',
  OFFICE,
  'job',
  object({
    id: field.id(),
    job: field.id(),
    day: field.day('the day'),
    amount: field.money('what was paid').required('what was paid is missing').moreThan(0, 'what was paid is over 0'),
    note: field.optionalLine('the note', 120).default(''),
  }).noUnknown(),
);

export const addSpending = command(
  'spending.add',
  OFFICE,
  'job',
  object({
    id: field.id(),
    job: field.id(),
    area: field.id().notRequired().nonNullable(),
    day: field.day('the day'),
    kind: field.oneOf('what it was for', SPENDING_KINDS),
    text: field.line('what it was', 120),
    amount: field.money('what was spent').required('what was spent is missing').moreThan(0, 'what was spent is over 0'),
    /** The ordered goods that it pays for. */
    selection: field.id().notRequired().nonNullable(),
  }).noUnknown(),
);

/** What a selection is held against: an allowance of the contract, or none. */
export const allowSelection = command(
  'selection.allow',
  OFFICE,
  'job',
  object({ id: field.id(), version: field.version(), allowance: field.id().nullable().default(null) }).noUnknown(),
);

import { array, boolean, number, object, string } from 'yup';
import { BUFFER_DAYS, CHECK_DAYS, DECIDE_DAYS } from '@/core/selections/order-by';
import { OUTCOMES, PARTY_KEYS, REQUEST_KIND_KEYS } from '@/core/selections/requests';
import { DECIDER_KEYS, SELECTION_STATES } from '@/core/selections/states';
import { SELECTION_VERDICTS } from '@/core/walks/observation';
import { command, EVERYBODY, OFFICE } from '../command';
import * as field from '../fields';

const price = () => field.money('the price of one').nullable().default(null);

/** A range of days, the shorter first. */
const range = (what: string, low: string) => ({
  low: field.whole(`${what} at best`, 0, 730),
  high: field.whole(`${what} at worst`, 0, 730).test('right-way-round', '', function (high) {
    const least = (this.parent as Record<string, unknown>)[low];
    return (
      typeof least !== 'number' ||
      typeof high !== 'number' ||
      least <= high ||
      this.createError({ message: `the range is the wrong way round: ${least} to ${high} days; the longer one here` })
    );
  }),
});
const lead = range('the lead time', 'leadLow');
const takes = range('the time they take', 'takesLow');

const facts = {
  choice: field.optionalLine('the choice').default(''),
  code: field.optionalLine('the code', 40).default(''),
  colour: field.optionalLine('the colour', 60).default(''),
  finish: field.optionalLine('the finish', 60).default(''),
  quantity: field.amount('how many or how much', 100_000),
  unit: field
    .optionalLine('the unit', 20)
    .default('')
    .when('quantity', ([quantity], schema) =>
      quantity === undefined
        ? schema
        : schema.test('unit', 'a quantity needs its unit, like m² or pieces', (text) => Boolean(text)),
    ),
  /** Its quantity follows this kept result. */
  calculation: field.id().notRequired().nonNullable(),
  unitPrice: field.money('the price of one'),
  supplier: field.optionalLine('the supplier', 80).default(''),
  leadLow: lead.low,
  leadHigh: lead.high,
  decides: field.oneOf('who decides', DECIDER_KEYS).default('client'),
  approves: field.optionalLine('who approves', 80).default(''),
  picture: field.picture(),
  checkDays: field.whole('the days to unpack and look', 0, 60).default(CHECK_DAYS),
  acclimatiseDays: field.whole('the days to get used to the room', 0, 60).default(0),
  bufferDays: field.whole('the days in hand', 0, 365).default(BUFFER_DAYS),
  thinkDays: field.whole('the days to decide', 0, 365).default(DECIDE_DAYS),
  note: field.optionalText('the note', 300).default(''),
  /** Said when a code that is built otherwise than its kind was asked about. */
  codeMeant: boolean().default(false),
};
const what = { area: field.id('the area'), phase: field.phase(), category: field.line('the category', 60) };

export const addSelection = command(
  'selection.add',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    job: field.id(),
    ...what,
    ...facts,
    state: field.oneOf('the state', SELECTION_STATES).default('open'),
    expectedOn: field.optionalDay('the day of delivery'),
  }).noUnknown(),
);
export const changeSelection = command(
  'selection.change',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    phase: field.phase(),
    category: what.category,
    ...facts,
  }).noUnknown(),
);
/** A list that was read: the lines that could be, all or none. */
export const importSelections = command(
  'selections.import',
  EVERYBODY,
  'plan',
  object({
    job: field.id(),
    lines: array(object({ id: field.id(), ...what, ...facts }).noUnknown())
      .required('the lines are missing')
      .min(1, 'at least one line')
      .max(1000, 'at most 1000 lines at once'),
  }).noUnknown(),
);

const step = {
  id: field.id(),
  version: field.version(),
  day: field.day('the day'),
  note: field.optionalText('the note', 300).default(''),
};
export const stepSelection = command(
  'selection.step',
  EVERYBODY,
  'plan',
  object({
    ...step,
    to: field.oneOf('the state', SELECTION_STATES),
    place: field.optionalLine('where it is kept', 80).default(''),
  }).noUnknown(),
);
export const orderSelection = command(
  'selection.order',
  EVERYBODY,
  'plan',
  object({
    ...step,
    quantity: field.amount('how many or how much', 100_000).required('an order needs a quantity'),
    unit: field.line('the unit', 20),
    orderNumber: field.optionalLine('the order’s number', 40).default(''),
    expectedOn: field.optionalDay('the promised day'),
    /** Why it goes out although an approval is not there. */
    despite: field.optionalLine('the reason', 200).default(''),
  }).noUnknown(),
);
export const expectSelection = command(
  'selection.expect',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    expectedOn: field.day('the day it comes'),
    note: field.optionalText('why', 300).default(''),
  }).noUnknown(),
);

const alternative = object({
  id: field.id(),
  choice: field.line('the choice'),
  code: field.optionalLine('the code', 40).default(''),
  colour: field.optionalLine('the colour', 60).default(''),
  finish: field.optionalLine('the finish', 60).default(''),
  supplier: field.optionalLine('the supplier', 80).default(''),
  unitPrice: price(),
  leadLow: lead.low,
  leadHigh: lead.high,
  upkeep: field.optionalLine('the upkeep', 200).default(''),
  look: field.optionalLine('the look', 200).default(''),
  picture: field.picture().nullable().default(null),
}).noUnknown();
export const keepAlternatives = command(
  'selection.alternatives',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    version: field.version(),
    alternatives: array(alternative).required('the alternatives are missing').max(8, 'at most eight side by side'),
  }).noUnknown(),
);
export const chooseAlternative = command(
  'selection.choose',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    alternative: field.id('your choice'),
    reason: field.text('the reason', 300),
  }).noUnknown(),
);

/** The client takes one of the alternatives on their page. */
export const pickAlternative = command(
  'selection.pick',
  ['link'],
  'plan',
  object({
    id: field.id(),
    alternative: field.id('your choice'),
    name: field.line('your name', 80),
    words: field.optionalText('your words', 300).default(''),
  }).noUnknown(),
);

/** Looked at without a walk: by whoever unpacks it. */
export const checkSelection = command(
  'selection.check',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    verdict: field.oneOf('how it was found', SELECTION_VERDICTS),
    quantity: field.amount('how many', 100_000),
    text: field.optionalText('the text', 600).default(''),
    picture: field.picture(),
  }).noUnknown(),
);
/** Whether the work waits for what was ordered again, or it is fitted on a return trip. */
export const fitLater = command(
  'selection.fit-later',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    returnTrip: boolean().required('say whether the work waits'),
  }).noUnknown(),
);

const supplierFields = {
  name: field.line('the supplier’s name', 80),
  email: field.email('the supplier’s address').default(''),
  phone: field.phone(),
  note: field.optionalText('the note', 300).default(''),
  desk: boolean().default(false),
};
export const addSupplier = command(
  'supplier.add',
  OFFICE,
  'firm',
  object({ id: field.id(), ...supplierFields }).noUnknown(),
);
export const changeSupplier = command(
  'supplier.change',
  OFFICE,
  'firm',
  object({ id: field.id(), version: field.version(), ...supplierFields }).noUnknown(),
);
export const closeSupplier = command(
  'supplier.close',
  OFFICE,
  'plan',
  object({
    supplier: field.id(),
    firstDay: field.day('the first day'),
    lastDay: field
      .day('the last day')
      .test(
        'order',
        'the last day must not be before the first',
        (last, context) => last >= (context.parent as { firstDay: string }).firstDay,
      ),
    why: field.optionalLine('why', 80).default(''),
  }).noUnknown(),
);
export const reopenSupplier = command(
  'supplier.reopen',
  OFFICE,
  'plan',
  object({ supplier: field.id(), firstDay: field.day('the first day') }).noUnknown(),
);
export const readPrices = command(
  'supplier.prices',
  OFFICE,
  'plan',
  object({
    supplier: field.id(),
    lines: array(
      object({
        code: field.line('the code', 40),
        name: field.optionalLine('the name', 120).default(''),
        unit: field.optionalLine('the unit', 20).default(''),
        unitPrice: field.money('the price'),
        leadLow: lead.low,
        leadHigh: lead.high,
      }).noUnknown(),
    )
      .required('the lines are missing')
      .min(1, 'at least one line')
      .max(5000, 'at most 5000 lines at once'),
  }).noUnknown(),
);

export const SUPPLIER_SAYS = ['confirms', 'in making', 'slips', 'ships', 'ships part', 'cannot'] as const;
export type SupplierSays = (typeof SUPPLIER_SAYS)[number];
const needsDay = (says: readonly string[]) =>
  says.includes('confirms') || says.includes('slips') || says.includes('ships part');
export const supplierSays = command(
  'supplier.say',
  [...EVERYBODY, 'desk'],
  'plan',
  object({
    selection: field.id(),
    says: field.oneOf('what they say', SUPPLIER_SAYS),
    text: field.optionalText('their words', 300).default(''),
    day: field
      .optionalDay('the day')
      .when('says', ([says]: string[], schema) =>
        needsDay([says ?? ''])
          ? schema.required(
              says === 'ships part' ? 'on which day the rest comes is missing' : 'on which day it comes is missing',
            )
          : schema,
      ),
    /** How many are in the part that was sent. */
    quantity: field
      .amount('how many', 100_000)
      .when('says', ([says], schema) =>
        says === 'ships part' ? schema.required('how many come now is missing') : schema,
      ),
  }).noUnknown(),
);
/** Has the simulated desk say now what it would say next. */
export const hearSupplier = command('supplier.hear', EVERYBODY, 'plan', object({ selection: field.id() }).noUnknown());

const wait = object({
  selection: field.id().notRequired().nonNullable(),
  area: field.id().notRequired().nonNullable(),
  phase: field.phase().notRequired().nonNullable(),
})
  .noUnknown()
  .test(
    'one',
    'an order, or a step of the work in an area',
    (value) =>
      (value.selection === undefined) !== (value.area === undefined) &&
      (value.area === undefined) === (value.phase === undefined),
  );
const requestFields = {
  kind: field.oneOf('what is asked for', REQUEST_KIND_KEYS),
  party: field.oneOf('of whom', PARTY_KEYS),
  who: field.optionalLine('their name', 80).default(''),
  subject: field.line('what it is about', 200),
  takesLow: takes.low,
  takesHigh: takes.high,
  after: field.id().notRequired().nonNullable(),
  waits: array(wait).default([]).max(40),
};
export const addRequest = command(
  'request.add',
  EVERYBODY,
  'plan',
  object({ id: field.id(), job: field.id(), ...requestFields }).noUnknown(),
);
export const changeRequest = command(
  'request.change',
  EVERYBODY,
  'plan',
  object({ id: field.id(), version: field.version(), ...requestFields }).noUnknown(),
);
const aboutRequest = { id: field.id(), version: field.version() };
export const sendRequest = command(
  'request.send',
  EVERYBODY,
  'plan',
  object({
    ...aboutRequest,
    sentOn: field.day('the day it was sent'),
    sent: field.text('what was sent', 300),
    expectedOn: field.optionalDay('the day they named'),
  }).noUnknown(),
);
export const expectRequest = command(
  'request.expect',
  EVERYBODY,
  'plan',
  object({ ...aboutRequest, expectedOn: field.day('the day they named') }).noUnknown(),
);
export const remindRequest = command('request.remind', EVERYBODY, 'job', object(aboutRequest).noUnknown());
const answer = {
  outcome: field.oneOf('the answer', OUTCOMES),
  conditions: field
    .optionalLine('the conditions', 600)
    .default('')
    .when('outcome', ([outcome], schema) =>
      outcome === 'conditions'
        ? schema.test('said', 'the conditions are missing', (text) => text.trim() !== '')
        : schema,
    ),
};
export const answerRequest = command(
  'request.answer',
  EVERYBODY,
  'plan',
  object({
    ...aboutRequest,
    answeredOn: field.day('the day of the answer'),
    answeredBy: field.optionalLine('who answered', 80).default(''),
    ...answer,
  }).noUnknown(),
);
/** The client asks for it on their link and answers there. */
export const askClient = command(
  'request.ask-client',
  EVERYBODY,
  'plan',
  object({ ...aboutRequest, ...field.sending() }).noUnknown(),
);
/** An engineer, an office or an association is sent a page of this one question, with its pictures and drawings. */
export const askParty = command(
  'request.ask-party',
  EVERYBODY,
  'plan',
  object({ ...aboutRequest, ...field.sending() }).noUnknown(),
);
export const replyRequest = command(
  'request.reply',
  ['link'],
  'plan',
  object({ id: field.id(), name: field.line('your name', 80), ...answer }).noUnknown(),
);
export const reopenRequest = command('request.reopen', EVERYBODY, 'plan', object(aboutRequest).noUnknown());

const deliveryFields = {
  day: field.day('the day'),
  half: string<'morning' | 'afternoon'>().oneOf(
    ['morning', 'afternoon'],
    'in the morning, in the afternoon or all day',
  ),
  place: field.id().notRequired().nonNullable(),
  placeNote: field.optionalLine('where there', 120).default(''),
  protection: field.optionalLine('what is protected', 120).default(''),
  floorArea: number()
    .typeError('the floor it takes must be an area')
    .moreThan(0, 'the floor it takes must be over 0')
    .max(1000, 'over 1000 m² cannot be meant'),
  heaviest: field.amount('the heaviest piece', 20_000),
  people: field.optionalWhole('the people there', 1, 50),
  carry: field.optionalLine('how it is carried', 120).default(''),
  selections: array(field.id()).required('what comes is missing').min(1, 'say what comes').max(60),
};
export const addDelivery = command(
  'delivery.add',
  EVERYBODY,
  'job',
  object({ id: field.id(), job: field.id(), ...deliveryFields }).noUnknown(),
);
export const changeDelivery = command(
  'delivery.change',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), ...deliveryFields }).noUnknown(),
);
export const receiveDelivery = command(
  'delivery.came',
  EVERYBODY,
  'plan',
  object({ id: field.id(), version: field.version(), day: field.day('the day it came') }).noUnknown(),
);
export const dropDelivery = command(
  'delivery.drop',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);

export const SPARE_KINDS = ['touch-up kit', 'spare parts', 'surplus', 'wrong part'] as const;
export type SpareKind = (typeof SPARE_KINDS)[number];
export const addSpare = command(
  'spare.add',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    job: field.id(),
    selection: field.id().notRequired().nonNullable(),
    kind: field.oneOf('the kind', SPARE_KINDS),
    what: field.line('what it is', 120),
    quantity: field.amount('how many', 100_000),
    unit: field.optionalLine('the unit', 20).default(''),
    place: field.id().notRequired().nonNullable(),
    keptAt: field.line('where it is kept', 120),
  }).noUnknown(),
);
const SPARE_STATES = ['kept', 'gone'] as const;
export const settleSpare = command(
  'spare.settle',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), state: field.oneOf('the state', SPARE_STATES) }).noUnknown(),
);
const SALVAGE_STATES = ['kept', 'back', 'gone'] as const;
export const keepSalvage = command(
  'salvage.settle',
  EVERYBODY,
  'job',
  object({
    /** A finding, or a line of scope that protects something or takes it down. */
    of: field.oneOf('what it is', ['finding', 'scope'] as const).default('finding'),
    id: field.id(),
    version: field.version(),
    kept: field.oneOf('where it is now', SALVAGE_STATES),
    place: field.optionalLine('where it is kept').default(''),
  }).noUnknown(),
);

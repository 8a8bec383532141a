import { number, string, type StringSchema } from 'yup';
import { isDay } from '@/core/units/day';
import { isPhase, type Phase } from '@/core/sequence/phases';
import { isCounted } from '@/core/units/units';
import { isZone } from '@/core/units/zone';
import { isTrade, type Trade } from '@/core/sequence/trades';

/** The kinds of field that commands are made of; each message says what would be right. */

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;

/** @param what how a person calls what is chosen, where it is chosen from a list */
export const id = (what = 'an id') => string().required(`${what} is missing`).matches(UUID, 'not an id of ours');
/** An id, or nothing where an empty field means nobody. */
export const optionalId = () =>
  string().test('id', 'not an id of ours', (text) => text === undefined || text === '' || UUID.test(text));
/** A level of the job, or `outside`, which is on none. */
export const levelOrOutside = () =>
  string().test('level', 'not a level of ours', (text) => text === undefined || text === 'outside' || UUID.test(text));
/** Signs that are not seen: control characters, and those that turn the direction of what follows. */
const UNSEEN = /[\p{Cc}\u2028-\u202e\u2066-\u2069]/u;
/** The same where lines may break. */
const UNSEEN_IN_TEXT = /[^\P{Cc}\n\r\t]|[\u2028-\u202e\u2066-\u2069]/u;

const seen = (schema: StringSchema, what: string, unseen: RegExp) =>
  schema.test(
    'seen',
    unseen === UNSEEN
      ? `${what} is one line, without signs that nobody sees; type it anew`
      : `${what} has signs in it that nobody sees; type it anew`,
    (text) => text === undefined || !unseen.test(text),
  );
const some = (what: string, max: number) =>
  string()
    .required(`${what} is missing`)
    .max(max, `${what} has more than ${max} characters`)
    .test('not-blank', `${what} is missing`, (text) => text.trim() !== '');

/** One line: a name, a title. */
export const line = (what: string, max = 200) => seen(some(what, max), what, UNSEEN) as ReturnType<typeof some>;
export const optionalLine = (what: string, max = 200) =>
  seen(string().max(max, `${what} has more than ${max} characters`), what, UNSEEN);
/** Words that may go over several lines. */
export const text = (what: string, max: number) =>
  seen(some(what, max), what, UNSEEN_IN_TEXT) as ReturnType<typeof some>;
export const optionalText = (what: string, max: number) =>
  seen(string().max(max, `${what} has more than ${max} characters`), what, UNSEEN_IN_TEXT);
export const day = (what: string) =>
  string().required(`${what} is missing`).test('day', `${what} must be a day that exists, like 2027-03-09`, isDay);
export const optionalDay = (what: string) =>
  string().test(
    'day',
    `${what} must be a day that exists, like 2027-03-09`,
    (text) => text === undefined || isDay(text),
  );
/** An hour of the day as a clock says it. */
export const optionalHour = (what: string) =>
  string().matches(/^([01]\d|2[0-3]):[0-5]\d$/, {
    message: `${what} must be a time of the day, like 07:30`,
    excludeEmptyString: true,
  });
export const optionalZone = () =>
  string()
    .max(60)
    .test(
      'zone',
      'the time zone must be one that exists, like Europe/London',
      (text) => text === undefined || isZone(text),
    );
/** The hash that a picture was kept under. */
export const picture = () => string().matches(/^[0-9a-f]{64}$/, 'not a picture of ours');
const EMAIL = /^[^\s@]+@[^\s@]+\.[^\s@]+$/;
export const email = (what: string) =>
  string()
    .max(200)
    .matches(EMAIL, {
      message: `${what} must be an address like name@example.net`,
      excludeEmptyString: true,
    });
const NUMBER = /^\+?[\d ()/.-]{3,}$/;
/** Where a message goes: an e-mail, or the number of a telephone that takes texts. */
export const address = () =>
  string()
    .required('the address is missing')
    .max(200)
    .test(
      'reached',
      'the address must be an e-mail like name@example.net, or a telephone number',
      (text) => EMAIL.test(text) || (text.length <= 40 && NUMBER.test(text)),
    );
/** As it is dialled: figures, a plus in front, spaces, brackets and dashes; empty where there is none. */
export const phone = () =>
  string()
    .max(40, 'a telephone number has at most 40 signs')
    .matches(NUMBER, {
      message: 'a telephone number has figures, like +44 20 7946 0011',
      excludeEmptyString: true,
    })
    .default('');
export const whole = (what: string, least: number, most: number) =>
  number()
    .typeError(`${what} must be a number`)
    .required(`${what} is missing`)
    .integer(`${what} must be a whole number`)
    .min(least, `${what} is at least ${least}`)
    .max(most, `${what} is at most ${most}`);
export const amount = (what: string, most: number) =>
  number()
    .typeError(`${what} must be a number`)
    .moreThan(0, `${what} must be over 0`)
    .max(most, `${what} over ${most} cannot be meant`)
    .test('whole', `${what}: pieces are counted whole`, (value, context) => {
      const { unit } = context.parent as { unit?: unknown };
      return value === undefined || Number.isInteger(value) || typeof unit !== 'string' || !isCounted(unit);
    });
export const optionalWhole = (what: string, least: number, most: number) =>
  number()
    .typeError(`${what} must be a number`)
    .integer(`${what} must be a whole number`)
    .min(least, `${what} is at least ${least}`)
    .max(most, `${what} is at most ${most}`);
/** Minor units, not under 0. */
export const money = (what: string) =>
  number()
    .typeError(`${what} must be a sum like 1240.50`)
    .integer(`${what} has at most two decimals`)
    .min(0, `${what} is not under 0`)
    .max(1e11, `${what}: such a sum cannot be meant`);
/** Overhead and profit, a fraction of what things cost. */
export const markup = () =>
  number()
    .typeError('overhead must be a number')
    .min(0, 'overhead is not under 0')
    .max(5, 'over 500 % cannot be meant');
/** A fraction of the price. */
export const taxRate = () =>
  number().typeError('the tax must be a number').min(0, 'the tax is not under 0').max(1, 'over 100 % cannot be meant');
export const version = () => whole('version', 1, 1_000_000);
export const oneOf = <Value extends string>(what: string, values: readonly Value[]) =>
  string<Value>()
    .required(`${what} is missing`)
    .oneOf([...values], `${what} must be one of: ${values.join(', ')}`);
export const phase = () =>
  string<Phase>()
    .required('the phase is missing')
    .test(
      'phase',
      'this phase is not in the list of phases',
      (text?: string) => text === undefined || isPhase(text),
    ) as StringSchema<Phase>;
export const trade = () =>
  string<Trade>()
    .required('the trade is missing')
    .test(
      'trade',
      'this trade is not in the list of trades',
      (text?: string) => text === undefined || isTrade(text),
    ) as StringSchema<Trade>;
/** `2026-03-09T16:20:00.000Z`. */
export const optionalInstant = () =>
  string()
    .matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/, 'must be an instant in UTC, like 2027-03-09T16:20:00.000Z')
    .test('exists', 'must be a time that exists', (text) => text === undefined || !Number.isNaN(Date.parse(text)));
export const instant = () => optionalInstant().required('the time is missing');
/** A message to a client with a link of their own: its ids, to whom, and until when the page opens. */
export const sending = () => ({
  updateId: id(),
  messageId: id(),
  linkId: id(),
  name: line('whom it is for', 80),
  address: address(),
  expiresOn: day('the last day of the link'),
});

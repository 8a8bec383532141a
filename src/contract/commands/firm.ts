import { array, boolean, number, object, string } from 'yup';
import { DATE_LANGUAGES } from '@/core/units/date-languages';
import { CURRENCY_CODES } from '@/core/units/money';
import { command, OFFICE, OWNER } from '../command';
import * as field from '../fields';

export const foundFirm = command(
  'firm.found',
  ['founder'],
  'firm',
  object({
    name: field.line('the firm’s name'),
    town: field.optionalLine('the town').default(''),
    zone: field.optionalZone(),
    currency: string()
      .default('')
      .oneOf(['', ...CURRENCY_CODES], 'the currency must be one of the list'),
    personId: field.id(),
    ownerName: field.line('your name'),
    email: field.email('your e-mail').required('your e-mail is missing'),
    password: string().required('a password is missing').min(10, 'a password has at least 10 characters').max(200),
    /** Printed where the house was started: whoever has the machine founds the firm, not whoever comes first. */
    code: field.optionalLine('the code', 20),
  }).noUnknown(),
  ['password', 'code'],
);

/**
 * What goes out without anybody pressing: what moved at an hour of the day, what concerns today or tomorrow at once, a
 * word to subs who have not answered for some days, and to clients some days before a decision is due.
 */
export const setNewsRules = command(
  'firm.set-news-rules',
  OWNER,
  'firm',
  object({
    tellHour: field.optionalWhole('the hour', 6, 20),
    tellSoon: boolean().default(false),
    remindSubDays: field.optionalWhole('the days without an answer', 1, 14),
    remindClientDays: field.optionalWhole('the days before it is due', 1, 21),
  }).noUnknown(),
);

/** Months after which something is let go; without one it is kept as long as the firm is. */
export const setRetention = command(
  'firm.set-retention',
  OWNER,
  'firm',
  object({
    recordings: field.optionalWhole('the months', 1, 240),
    origins: field.optionalWhole('the months', 1, 240),
    neighbours: field.optionalWhole('the months', 1, 240),
  }).noUnknown(),
);

/** The machine's clock is right again, whatever was recorded while it was not. */
export const trustClock = command('clock.trust', OWNER, 'firm', object({}).noUnknown());

/** By whose days the firm works: what is today, morning and afternoon follows. */
export const setZone = command(
  'firm.set-zone',
  OWNER,
  'plan',
  object({ zone: field.optionalZone().required('the time zone is missing') }).noUnknown(),
);

/** How the firm writes days and hours on screens, in letters and on papers. */
export const setDates = command(
  'firm.set-dates',
  OWNER,
  'firm',
  object({
    dates: field.oneOf('the language of dates', DATE_LANGUAGES),
    clockHours: number()
      .oneOf([12, 24] as const, 'a clock counts 12 or 24 hours')
      .required('the hours of the clock are missing'),
  }).noUnknown(),
);

const subFields = {
  /** Trades they do besides the one they are listed under. */
  also: array(field.trade()).default([]).max(30),
  name: field.line('the name'),
  crews: field.whole('the number of crews', 1, 50),
  leadName: field.optionalLine('the lead’s name').default(''),
  email: field.email('the address').default(''),
  phone: field.phone(),
};
export const addSub = command(
  'sub.add',
  OFFICE,
  'plan',
  object({ id: field.id(), trade: field.trade(), ...subFields }).noUnknown(),
);
export const changeSub = command(
  'sub.change',
  OFFICE,
  'plan',
  object({ id: field.id(), version: field.version(), ...subFields }).noUnknown(),
);

export const subAway = command(
  'sub.away',
  OFFICE,
  'plan',
  object({
    sub: field.id(),
    firstDay: field.day('the first day away'),
    lastDay: field
      .day('the last day away')
      .test(
        'order',
        'the last day away must not be before the first',
        (last, context) => last >= (context.parent as { firstDay: string }).firstDay,
      ),
  }).noUnknown(),
);
export const subBack = command(
  'sub.back',
  OFFICE,
  'plan',
  object({ sub: field.id(), firstDay: field.day('the first day away') }).noUnknown(),
);
export const addHoliday = command(
  'holiday.add',
  OFFICE,
  'plan',
  object({ day: field.day('the day'), name: field.line('the name') }).noUnknown(),
);

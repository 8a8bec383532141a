import { array, object, string } from 'yup';
import { command, OFFICE, OWNER, ROLES } from '../command';
import * as field from '../fields';

export const foundFirm = command(
  'firm.found',
  ['founder'],
  'firm',
  object({
    name: field.line('the firm’s name'),
    town: field.optionalLine('the town').default(''),
    zone: field.optionalZone(),
    personId: field.id(),
    ownerName: field.line('your name'),
    email: field.email('your address').required('your address is missing'),
    password: string().required('a password is missing').min(10, 'a password has at least 10 characters').max(200),
  }).noUnknown(),
  ['password'],
);

export const addPerson = command(
  'person.add',
  OWNER,
  'firm',
  object({
    id: field.id(),
    name: field.line('the name'),
    role: field.oneOf('the role', ROLES),
    email: field.email('the address'),
    phone: field.phone(),
    password: string().min(10, 'a password has at least 10 characters').max(200),
  }).noUnknown(),
  ['password'],
);

/** Under which number somebody of the firm is called: those who are written to read the contractor’s. */
export const setPhone = command(
  'person.set-phone',
  OWNER,
  'firm',
  object({ id: field.id('who it is'), phone: field.phone() }).noUnknown(),
);

/** By whose days the firm works: what is today, morning and afternoon follows. */
export const setZone = command(
  'firm.set-zone',
  OWNER,
  'plan',
  object({ zone: field.optionalZone().required('the time zone is missing') }).noUnknown(),
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

import { array, boolean, object } from 'yup';
import { ACCOUNT_ROLES, command, OWNER } from '../command';
import * as field from '../fields';

const personFields = {
  name: field.line('the name', 80),
  role: field.oneOf('the role', ACCOUNT_ROLES),
  /** Whose work somebody of a sub sees. */
  sub: field.id('the sub').notRequired().nonNullable(),
  email: field.email('the address'),
  phone: field.phone(),
};
export const addPerson = command('person.add', OWNER, 'firm', object({ id: field.id(), ...personFields }).noUnknown());
export const changePerson = command(
  'person.change',
  OWNER,
  'firm',
  object({ id: field.id(), version: field.version(), ...personFields }).noUnknown(),
);

/** Which jobs somebody who leads sites sees, and whether they see what things cost. */
export const setSees = command(
  'person.set-sees',
  OWNER,
  'firm',
  object({
    id: field.id('who it is'),
    version: field.version(),
    jobs: array(field.id('the job')).default([]).max(500, 'at most five hundred jobs'),
    prices: boolean().default(false),
  }).noUnknown(),
);

/** Under which number somebody of the firm is called: those who are written to read the contractor’s. */
export const setPhone = command(
  'person.set-phone',
  OWNER,
  'firm',
  object({ id: field.id('who it is'), phone: field.phone() }).noUnknown(),
);

/** A way in for somebody who has no password yet or has lost theirs: once, within some days. */
export const invitePerson = command(
  'person.invite',
  OWNER,
  'firm',
  object({ id: field.id(), person: field.id('who it is') }).noUnknown(),
);

const ofPerson = () => object({ id: field.id('who it is') }).noUnknown();
/** Not let in for a while, and let in again; what they recorded stays theirs. */
export const suspendPerson = command('person.suspend', OWNER, 'firm', ofPerson());
export const returnPerson = command('person.return', OWNER, 'firm', ofPerson());
/** Left: nobody comes in as them any more; the name stays in what they recorded. */
export const closePerson = command('person.close', OWNER, 'firm', ofPerson());
/** A lost telephone: signed out wherever they were signed in. */
export const signOutPerson = command('person.sign-out', OWNER, 'firm', ofPerson());

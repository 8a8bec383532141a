import { array, number, object } from 'yup';
import { command, OFFICE, OWNER } from '../command';
import * as field from '../fields';

/** A licence of a sub, or of the firm's own people where no sub is named; anew where it is known. */
export const setLicence = command(
  'licence.set',
  OFFICE,
  'firm',
  object({
    id: field.id(),
    /** 0 where it is new. */
    version: number().integer().min(0).default(0),
    sub: field.optionalId(),
    trade: field.trade(),
    holder: field.line('whose it is', 80),
    number: field.optionalLine('its number', 40).default(''),
    expiresOn: field.optionalDay('the last day on which it holds'),
  }).noUnknown(),
);
export const removeLicence = command('licence.remove', OFFICE, 'firm', object({ id: field.id() }).noUnknown());

/** Trades in which only people with a licence may work here. */
export const setLicensedTrades = command(
  'firm.set-licensed-trades',
  OWNER,
  'firm',
  object({ trades: array(field.trade()).default([]).max(30) }).noUnknown(),
);

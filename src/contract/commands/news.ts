import { array, object } from 'yup';
import { command, EVERYBODY, OFFICE } from '../command';
import * as field from '../fields';

const words = { title: field.line('the title', 120), body: field.line('the text', 20_000) };
export const editUpdate = command(
  'update.edit',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), ...words }).noUnknown(),
);
export const dropUpdate = command(
  'update.drop',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);
export const sendUpdate = command(
  'update.send',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    version: field.version(),
    ...words,
    expiresOn: field.day('the last day of the link'),
    recipients: array(
      object({
        messageId: field.id(),
        linkId: field.id(),
        name: field.line('the recipient’s name', 80),
        address: field.email('the address').required('the address is missing'),
      }).noUnknown(),
    )
      .required()
      .min(1, 'name at least one recipient')
      .max(40),
  }).noUnknown(),
);

const AUDIENCES = ['client', 'crew', 'sub'] as const;
export type Audience = (typeof AUDIENCES)[number];
export const makeLink = command(
  'share.make',
  OFFICE,
  'firm',
  object({
    id: field.id(),
    audience: field.oneOf('who it is for', AUDIENCES),
    job: field.id().notRequired().nonNullable(),
    sub: field.id().notRequired().nonNullable(),
    recipient: field.line('the recipient’s name', 80),
    expiresOn: field.day('the last day of the link'),
  }).noUnknown(),
);
export const revokeLink = command('share.revoke', EVERYBODY, 'firm', object({ id: field.id() }).noUnknown());
/** Somebody passed it on themselves: by their own e-mail, or in a text with its link. */
export const passOnMessage = command('message.pass-on', EVERYBODY, 'job', object({ id: field.id() }).noUnknown());
export const retryMessage = command('message.retry', EVERYBODY, 'job', object({ id: field.id() }).noUnknown());
export const acknowledge = command(
  'message.acknowledge',
  ['link'],
  'job',
  object({ name: field.line('your name', 80) }).noUnknown(),
);

import { array, object } from 'yup';
import { command, EVERYBODY, OFFICE } from '../command';
import * as field from '../fields';

/** Who reads a job's news: what they are told is composed when it is looked at. */
export const READERS = ['client', 'crew', 'neighbour'] as const;
export type Reader = (typeof READERS)[number];

const draft = () => ({ job: field.id(), audience: field.oneOf('who reads it', READERS) });
/** The key of a line: what it is about, such as `end` or `done:AREA`. */
const lineKey = () => field.text('the line', 1_000);

/**
 * Words of one's own in a draft: in place of a line, or as a line of one's own (`own:…`); empty words leave the line out.
 */
export const writeLine = command(
  'draft.write',
  EVERYBODY,
  'job',
  object({
    ...draft(),
    line: lineKey(),
    words: field.optionalText('the words', 4_000).default(''),
    /** What the line said when they were written. */
    was: field.optionalText('the line', 4_000).default(''),
  }).noUnknown(),
);
/** A line is again as it is composed. */
export const unwriteLine = command(
  'draft.unwrite',
  EVERYBODY,
  'job',
  object({ ...draft(), line: lineKey() }).noUnknown(),
);

export const sendUpdate = command(
  'update.send',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    ...draft(),
    title: field.line('the title', 120),
    /** The text as it was read: where it would be another now, nothing goes out. */
    body: field.text('the text', 200_000),
    expiresOn: field.day('the last day of the link'),
    recipients: array(
      object({
        messageId: field.id(),
        linkId: field.id(),
        name: field.line('the recipient’s name', 80),
        address: field.address(),
      }).noUnknown(),
    )
      .required()
      .min(1, 'name at least one recipient')
      .max(40),
  }).noUnknown(),
);

/** Whose page may be made by hand; one of a question or a visit comes with it. */
const MADE = ['client', 'crew', 'sub', 'neighbour'] as const;
export type Audience = (typeof MADE)[number] | 'party';
export const makeLink = command(
  'share.make',
  OFFICE,
  'firm',
  object({
    id: field.id(),
    audience: field.oneOf('who it is for', MADE),
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
/** A message that did not arrive goes to the right address, which whoever it is for is reached at from now on. */
export const readdressMessage = command(
  'message.readdress',
  EVERYBODY,
  'firm',
  object({ id: field.id(), address: field.address() }).noUnknown(),
);
export const acknowledge = command(
  'message.acknowledge',
  ['link'],
  'job',
  object({ name: field.line('your name', 80) }).noUnknown(),
);

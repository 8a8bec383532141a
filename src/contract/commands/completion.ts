import { array, number, object } from 'yup';
import { LEFT_ITEM_KEYS } from '@/core/walks/housekeeping';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

/** The state in which a site is left: every line is said, well or not. */
export const closeDownSite = command(
  'site.close-down',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    job: field.id(),
    walk: field.id().notRequired().nonNullable(),
    items: array(
      object({
        item: field.oneOf('what was looked at', LEFT_ITEM_KEYS),
        state: field.oneOf('how it is', ['well', 'not well'] as const),
        text: field.optionalLine('what is not OK', 200).default(''),
      }).noUnknown(),
    )
      .required('what was looked at is missing')
      .min(1, 'look at one thing at least')
      .max(LEFT_ITEM_KEYS.length),
    bin: number()
      .typeError('how full the bin is must be a number')
      .min(0, 'a bin is at least empty')
      .max(1, 'a bin is at most full'),
    note: field.optionalText('the note', 300).default(''),
  }).noUnknown(),
);

/** Ticked on the run list, so that nobody drives twice. No version: the first tick counts, wherever it was made. */
export const purchaseShortage = command(
  'shortage.purchase',
  EVERYBODY,
  'job',
  object({ about: field.id() }).noUnknown(),
);
export const unpurchaseShortage = command(
  'shortage.unpurchase',
  EVERYBODY,
  'job',
  object({ about: field.id() }).noUnknown(),
);

export const LEFT_KINDS = { code: 'code', key: 'key', kit: 'kit', manual: 'manual', other: 'other' } as const;
export type LeftKind = keyof typeof LEFT_KINDS;
export const handOver = command(
  'client.hand-over',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    job: field.id(),
    area: field.id().notRequired().nonNullable(),
    kind: field.oneOf('the kind', Object.keys(LEFT_KINDS) as LeftKind[]),
    text: field.text('what it is', 300),
  }).noUnknown(),
);

/** The client's own list at the end, on their page. */
export const askItem = command(
  'client.ask',
  ['link'],
  'job',
  object({
    id: field.id(),
    area: field.id().notRequired().nonNullable(),
    text: field.text('what is to be put right', 300),
    name: field.line('your name', 80),
  }).noUnknown(),
);
/** It becomes a leftover of a walk. */
export const takeUpItem = command(
  'client.take-up',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    observation: field.id(),
    walk: field.id(),
    area: field.id('the area'),
    trade: field.trade(),
  }).noUnknown(),
);
export const answerItem = command(
  'client.answer',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), answer: field.text('the answer', 300) }).noUnknown(),
);

const acceptance = {
  id: field.id(),
  area: field.id('the area'),
  name: field.line('the name', 80),
  words: field.optionalText('the words', 300).default(''),
};
/** Somebody of the firm, with the client beside them. */
export const signOff = command('area.sign-off', EVERYBODY, 'firm', object(acceptance).noUnknown());
/** The client, on their own page. */
export const acceptArea = command('area.accept', ['link'], 'firm', object(acceptance).noUnknown());

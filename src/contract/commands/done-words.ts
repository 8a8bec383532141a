import { object } from 'yup';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

/** A sub says on their page that a piece of their work is done; it counts once somebody of the firm takes it. */
export const sayDone = command(
  'done.say',
  ['link'],
  'job',
  object({
    id: field.id(),
    task: field.line('the piece of work', 160),
    name: field.line('your name', 80),
    note: field.optionalText('what is to be said of it', 300).default(''),
    picture: field.picture(),
    /** Taken from the same spot as the picture they were shown. */
    standpoint: field.optionalId(),
  }).noUnknown(),
);
/** It is done: a record like any, with their picture. */
export const takeDone = command(
  'done.take',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    walk: field.id(),
    progress: field.id(),
    shown: field.id(),
  }).noUnknown(),
);
/** It is not: what is missing is answered on their page. */
export const refuseDone = command(
  'done.refuse',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), answer: field.text('what is missing', 300) }).noUnknown(),
);

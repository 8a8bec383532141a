import { object } from 'yup';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

/** Somebody who lives beside a job, or what is known of them anew. */
export const setNeighbour = command(
  'neighbour.set',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    job: field.id(),
    name: field.line('their name, or the house', 80),
    email: field.email('their e-mail').default(''),
    phone: field.phone(),
    /** What of theirs is needed, and for which piece of work. */
    needed: field.optionalLine('what is needed of theirs', 80).default(''),
    neededFor: field.optionalLine('the piece of work', 160).default(''),
    note: field.optionalText('what is to be minded', 300).default(''),
  }).noUnknown(),
);
export const removeNeighbour = command('neighbour.remove', EVERYBODY, 'job', object({ id: field.id() }).noUnknown());

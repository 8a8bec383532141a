import { object } from 'yup';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

/** A Saturday, Sunday or holiday is worked at a job all the same. */
export const addWorkedDay = command(
  'worked-day.add',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    job: field.id('the job'),
    day: field.day('the day off'),
    words: field.optionalText('who agreed to it', 200).default(''),
  }).noUnknown(),
);
export const dropWorkedDay = command('worked-day.drop', EVERYBODY, 'plan', object({ id: field.id() }).noUnknown());

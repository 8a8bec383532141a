import { object } from 'yup';
import { HOUSEHOLD_NEED_KEYS } from '@/core/sites/household-needs';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

/** Something stands in for what the household is without. */
export const addProvision = command(
  'provision.add',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    job: field.id('the job'),
    need: field.oneOf('what it stands in for', HOUSEHOLD_NEED_KEYS),
    words: field.line('what it is and where', 120),
    fromDay: field.day('the first day'),
    untilDay: field
      .optionalDay('the last day')
      .test(
        'order',
        'the last day must not be before the first',
        (last, context) => !last || last >= (context.parent as { fromDay: string }).fromDay,
      ),
    dayCost: field.money('what a day of it costs').nullable().default(null),
  }).noUnknown(),
);
export const dropProvision = command('provision.drop', EVERYBODY, 'job', object({ id: field.id() }).noUnknown());

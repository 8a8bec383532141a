import { array, boolean, number, object, string } from 'yup';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

/** A time in which the household or the neighbours want quiet: loud work, or all work, keeps off it. */
export const addQuiet = command(
  'quiet.add',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    job: field.id(),
    /** The whole job where none is named. */
    area: field.id().notRequired().nonNullable(),
    covers: field.oneOf('what is quiet', ['loud', 'all'] as const),
    half: string<'' | '0' | '1'>().oneOf(['', '0', '1'], 'the morning, the afternoon or all day').default(''),
    weekdays: array(number().required().integer().min(0).max(6)).default([]).max(7),
    firstDay: field.day('the first day'),
    lastDay: field
      .optionalDay('the last day')
      .test(
        'order',
        'the last day must not be before the first',
        (last, context) => !last || last >= (context.parent as { firstDay: string }).firstDay,
      ),
    words: field.text('what was asked, and by whom', 200),
    /** The household’s note that it comes from. */
    observation: field.id().notRequired().nonNullable(),
    /** It is meant, though nothing could be worked at all. */
    meant: boolean().default(false),
  }).noUnknown(),
);
export const dropQuiet = command('quiet.drop', EVERYBODY, 'plan', object({ id: field.id() }).noUnknown());

import { array, object } from 'yup';
import { command, EVERYBODY, OFFICE, ROLES } from '../command';
import * as field from '../fields';

const halfDay = () => ({
  task: field.line('the piece of work', 160),
  day: field.day('the day'),
  half: field.whole('the half of the day', 0, 1),
});

/**
 * Says the days of visits, as the plan has them, to whoever comes: with a message to each who has an address, and to
 * clients whose job ends on another day. Who has none was told by telephone.
 */
export const tellVisits = command(
  'visit.tell',
  EVERYBODY,
  'firm',
  object({
    visits: array(object(halfDay()).noUnknown()).default([]).max(600),
    subs: array(object({ sub: field.id('the sub'), ...field.sending() }).noUnknown())
      .default([])
      .max(60),
    ends: array(object({ job: field.id('the job'), day: field.day('the last day') }).noUnknown())
      .default([])
      .max(60),
    clients: array(object({ job: field.id('the job'), ...field.sending() }).noUnknown())
      .default([])
      .max(60),
  })
    .noUnknown()
    .test('somebody', 'name at least one visit or one end', ({ visits, ends }) => visits.length + ends.length > 0),
);

/** What whoever comes said to the day of a visit; who says another day says no to this one. */
const ANSWERS = ['yes', 'no', 'another day'] as const;
export const answerVisits = command(
  'visit.answer',
  [...ROLES, 'link'],
  'plan',
  object({
    visits: array(object(halfDay()).noUnknown())
      .required('the visits are missing')
      .min(1, 'name at least one visit')
      .max(200),
    answer: field.oneOf('the answer', ANSWERS),
    by: field.line('who said it', 80),
    note: field.optionalText('what they said', 300).default(''),
    /** The day on which they could, with its half. */
    wishDay: field.optionalDay('the day on which you could'),
    wishHalf: field.optionalWhole('the half of the day', 0, 1).default(0),
  })
    .noUnknown()
    .test('wish', function needsDay({ answer, wishDay }) {
      return answer === 'another day' && !wishDay
        ? this.createError({ path: 'wishDay', message: 'say on which day you could' })
        : true;
    }),
);

const visits = () =>
  array(field.line('the piece of work', 160))
    .required('the visits are missing')
    .min(1, 'name at least one visit')
    .max(200);

/** Visits of which nobody was told may come sooner than they stand, into the next two weeks too. */
export const freeVisits = command(
  'visit.free',
  EVERYBODY,
  'plan',
  object({
    tasks: visits(),
  }).noUnknown(),
);

/** Visits go to another sub of that trade. */
export const giveVisits = command(
  'visit.give',
  OFFICE,
  'plan',
  object({
    tasks: visits(),
    sub: field.id('the sub'),
  }).noUnknown(),
);

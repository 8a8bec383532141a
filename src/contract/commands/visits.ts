import { array, boolean, object } from 'yup';
import { command, EVERYBODY, OFFICE, ROLES } from '../command';
import * as field from '../fields';

const halfDay = () => ({
  task: field.line('the piece of work', 160),
  day: field.day('the day'),
  half: field.whole('the half of the day', 0, 1),
});

/**
 * Says the days of visits, as the plan has them, to whoever comes: with a message to each who has an address, and to
 * clients whose job ends on another day, to offices whose visit cannot be kept and to neighbours of whose days some
 * moved. Who has none was told by telephone.
 */
export const tellVisits = command(
  'visit.tell',
  [...EVERYBODY, 'desk'],
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
    /** Visits of offices that the plan cannot keep, or keeps after all. */
    offices: array(object({ inspection: field.id('the visit'), off: boolean().required() }).noUnknown())
      .default([])
      .max(60),
    officeLetters: array(object({ inspection: field.id('the visit'), ...field.sending() }).noUnknown())
      .default([])
      .max(60),
    /** Jobs whose neighbours were told of days that moved. */
    near: array(object({ job: field.id('the job') }).noUnknown())
      .default([])
      .max(60),
    neighbours: array(object({ neighbour: field.id('the neighbour'), ...field.sending() }).noUnknown())
      .default([])
      .max(200),
    /** Told by the rule of the hour; the next time is tomorrow. */
    byHour: boolean().default(false),
  })
    .noUnknown()
    .test(
      'somebody',
      'name at least one visit or one end',
      ({ visits, ends, offices, near }) => visits.length + ends.length + offices.length + near.length > 0,
    ),
);

/** A word to nobody: what one is told is put in. */
export const NOBODY_TOLD = {
  ...{ visits: [], subs: [], ends: [], clients: [], offices: [], officeLetters: [], near: [], neighbours: [] },
  byHour: false,
};

/** Asks subs once more who have not answered: each visit once for each time they were asked. */
export const remindVisits = command(
  'visit.remind',
  [...EVERYBODY, 'desk'],
  'firm',
  object({
    subs: array(object({ sub: field.id('the sub'), ...field.sending() }).noUnknown())
      .required()
      .min(1, 'name at least one sub')
      .max(60),
  }).noUnknown(),
);
/** Tells a client once more what is theirs to decide, some days before it is due. */
export const remindDecisions = command(
  'decision.remind',
  ['desk'],
  'job',
  object({
    job: field.id('the job'),
    /** What of, by its key in their news, with its words. */
    decisions: array(object({ key: field.line('what it is', 80), text: field.text('its words', 400) }).noUnknown())
      .required()
      .min(1)
      .max(60),
    ...field.sending(),
  }).noUnknown(),
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

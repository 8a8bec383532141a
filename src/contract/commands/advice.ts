import { array, object } from 'yup';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

/** What an answer to a slip may be made of: changes that the plan follows, each as it is made by hand. */
const ANSWER_STEPS = [
  'method.choose',
  'step.split',
  'visit.give',
  'selection.choose',
  'selection.fit-later',
  'link.add',
  'pin.drop',
  'step.time',
  'visit.free',
  'worked-day.add',
  'provision.add',
  'supplier.say',
  'inspection.cancel',
  'inspection.book',
] as const;
export type AnswerStep = (typeof ANSWER_STEPS)[number];

/**
 * Takes an answer to something that slipped: all of its changes at once, which one undo takes back. Each of them is for
 * whoever may make it by hand.
 */
export const takeAnswer = command(
  'answer.take',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    job: field.id('the job'),
    selection: field.id('what comes late').notRequired().nonNullable(),
    task: field.optionalLine('the piece of work', 160),
    title: field.line('the answer', 160),
    steps: array(
      object({
        type: field.oneOf('the change', ANSWER_STEPS),
        payload: object().required('the change is empty'),
      }).noUnknown(),
    )
      .default([])
      .max(20, 'at most twenty changes in one answer'),
    /** What it was said to bring: the last day by it, and had nobody acted. */
    ends: field.day('the last day'),
    wouldEnd: field.day('the last day by waiting'),
  })
    .noUnknown()
    .test(
      'one',
      'say what slipped: a thing that comes late, or a piece of work',
      ({ selection, task }) => (selection === undefined) !== (task === undefined),
    ),
);

import { object } from 'yup';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

/** Asked on a page that somebody was given: it lands with the contractor, and is answered beside it. */
export const askQuestion = command(
  'question.ask',
  ['link'],
  'job',
  object({
    id: field.id(),
    job: field.id('the job'),
    name: field.line('your name', 80),
    text: field.text('your question', 1_000),
  }).noUnknown(),
);
/** The answer stands on their page; where they are reached by mail, it goes there too. */
export const answerQuestion = command(
  'question.answer',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    version: field.version(),
    answer: field.text('the answer', 2_000),
    updateId: field.id(),
    messageId: field.id(),
  }).noUnknown(),
);

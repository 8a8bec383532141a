import { answer } from '../problem';
import { remainingWork } from '../walks/remaining-work';
import { amount, fraction, give, main, rowsOf } from './ask';
import { calculator } from './calculator';

export const remainingWorkCalculator = calculator({
  name: 'remaining-work',
  title: 'Work still to do',
  group: 'money',
  answers: 'How many half-days are left, from the plan and from what walks saw.',
  asks: {
    duration: amount('planned half-days', 'half-days', { most: 1000 }),
    done: fraction('done so far'),
    observed: rowsOf(
      'between walks',
      { gain: fraction('done between them'), halfDays: amount('worked half-days', 'half-days', { most: 1000 }) },
      { least: 0 },
    ),
  },
  gives: { halfDays: give('count', 'half-days left', main) },
  formula:
    'ceil((1 − done) / rate), rate = (2 · planned + n · observed) / (2 + n), n the last intervals, at most 4; 0 ' +
    'when done',
  source: 'The planned rate weighs as much as two intervals, so that one good day does not decide.',
  example: { duration: 10, done: 0.4, observed: [{ gain: 0.2, halfDays: 4 }] },
  compute: ({ duration, done, observed }) => answer({ halfDays: remainingWork(duration, done, observed) }),
});

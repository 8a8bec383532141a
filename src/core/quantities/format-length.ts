import { formatLength } from '../units/length';
import { answer } from '../problem';
import { choice, count, give, length, main, optional } from './ask';
import { calculator } from './calculator';
import { SYSTEMS } from './parse-length';

/** How a length is written on the job: to the nearest sixteenth, or in whole millimetres. */
export const formatLengthCalculator = calculator({
  name: 'format-length',
  title: 'Write a length',
  group: 'lengths',
  answers: 'How a length is written in the other system.',
  asks: {
    mm: length('length', { zero: true }),
    system: choice('write it in', SYSTEMS),
    denominator: optional(count('smallest part of an inch', { hint: '16 for sixteenths', most: 128 })),
  },
  gives: { text: give('text', 'written', main) },
  formula: 'nearest 1/16 inch, half up, carried into inches and feet; metric to the whole millimetre, half up',
  source: 'The international inch is 25.4 mm exactly.',
  example: { mm: 2248, system: 'imperial', denominator: 16 },
  compute: ({ mm, system, denominator = 16 }) => answer({ text: formatLength(mm, system, denominator) }),
});

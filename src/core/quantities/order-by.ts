import { answer } from '../problem';
import { orderBy } from '../selections/order-by';
import { count, day, give, main } from './ask';
import { calculator } from './calculator';

export const orderByCalculator = calculator({
  name: 'order-by',
  title: 'Order by',
  group: 'money',
  answers: 'By when something must be ordered to be there in time.',
  asks: {
    needBy: day('needed on'),
    leadDays: count('lead time in days', { zero: true, most: 1000 }),
    bufferDays: count('days kept in hand', { zero: true, most: 365 }),
  },
  gives: { orderBy: give('day', 'order by', main) },
  formula: 'needed − lead − kept in hand, in calendar days, then back to a weekday',
  source: 'Offices read no orders on Saturdays.',
  example: { needBy: '2027-06-14', leadDays: 45, bufferDays: 3 },
  compute: ({ needBy, leadDays, bufferDays }) => answer({ orderBy: orderBy(needBy, leadDays, bufferDays) }),
});

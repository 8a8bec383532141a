import { answer } from '../problem';
import { addDays, backToWeekday } from '../units/day';
import { floor } from '../units/rounding';
import { amount, count, day, fraction, give, main } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

export const binSwap = calculator({
  name: 'bin-swap',
  title: 'Bin: when to swap',
  group: 'ground',
  answers: 'By when the next bin must be called.',
  asks: {
    binVolume: amount('the bin holds', 'm³', { most: 100 }),
    filled: fraction('filled so far'),
    perDay: amount('goes in a day', 'm³', { most: 500, hint: 'loose' }),
    today: day('as of'),
    noticeDays: count('days’ notice', { zero: true, most: 60 }),
  },
  gives: {
    daysLeft: give('count', 'days of room'),
    fullOn: give('day', 'full on', main),
    callBy: give('day', 'call by', main),
  },
  formula: 'days = floor(room left / a day’s rubble); call = full − notice, back to a weekday, and never after today',
  source: 'Arithmetic; a bin over its rim is not taken.',
  example: { binVolume: 6, filled: 0.35, perDay: 1.1, today: '2027-03-09', noticeDays: 2 },
  compute: ({ binVolume, filled, perDay, today, noticeDays }) => {
    const daysLeft = floor((binVolume * (1 - filled)) / perDay);
    const fullOn = addDays(today, Math.min(daysLeft, 3650));
    const call = backToWeekday(addDays(fullOn, -noticeDays));
    return answer({ daysLeft, fullOn, callBy: call < today ? today : call });
  },
});

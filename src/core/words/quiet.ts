import type { Quiet } from '../sequence/quiet';
import { formatDay, type Day } from '../units/day';
import { listed } from './count';
import { phrase, type Phrase } from './phrase';

const WEEKDAYS = ['Sundays', 'Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays'] as const;

/** `Nothing loud in the morning until Fri 12 Mar`, with where it is where it is not the whole job. */
export function sayQuiet(quiet: Quiet, area: string | null, today: Day): Phrase {
  const { covers, half, weekdays, firstDay, lastDay } = quiet;
  return phrase(
    [
      covers === 'loud' ? 'Nothing loud' : 'No work',
      area === null ? '' : `in ${area}`,
      half === null ? '' : half === 0 ? 'in the morning' : 'in the afternoon',
      weekdays.length > 0 ? `on ${listed(weekdays.map((day) => WEEKDAYS[day] ?? ''))}` : '',
      firstDay > today ? `from ${formatDay(firstDay, today)}` : '',
      lastDay === null ? '' : `until ${formatDay(lastDay, today)}`,
    ]
      .filter(Boolean)
      .join(' '),
  );
}

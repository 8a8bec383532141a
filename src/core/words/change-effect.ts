import { daysBetween, formatDay, type Day } from '../units/day';

/** What a change does to the finish, for client and contractor alike. */
export function sayChangeEffect({ before, after }: { before: Day | null; after: Day | null }, today: Day): string {
  if (!before || !after) return 'There is no plan to say what it does to the finish.';
  const days = daysBetween(before, after);
  if (days === 0) return `The work ends on ${formatDay(after, today)}, as before.`;
  return (
    `The work ends on ${formatDay(after, today)} instead of ${formatDay(before, today)}, ${Math.abs(days)} ` +
    `${Math.abs(days) === 1 ? 'day' : 'days'} ${days > 0 ? 'later' : 'earlier'}.`
  );
}

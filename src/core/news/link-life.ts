import { addDays, type Day } from '../units/day';

/** A link is for a job, not for ever: who needs it longer is sent another one. */
export const LONGEST_LINK_DAYS = 366;

/** A link opens for so many days at least, and so many after the job is over. */
const LINK_DAYS = { least: 60, after: 30 };

/** Until when a link of a job opens, unless somebody says otherwise. @param ends when the job is to be over, as far as is known */
export function linkUntil(today: Day, ends: readonly (Day | null)[]): Day {
  const wanted = [
    addDays(today, LINK_DAYS.least),
    ...ends.flatMap((day) => (day ? [addDays(day, LINK_DAYS.after)] : [])),
  ];
  const latest = addDays(today, LONGEST_LINK_DAYS);
  const [furthest = today] = wanted.sort().reverse();
  return furthest > latest ? latest : furthest;
}

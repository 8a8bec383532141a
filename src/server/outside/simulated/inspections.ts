import { addDays, weekday, type Day } from '@/core/units/day';
import { isWorkday, workdaysAfter } from '../../schedule/days';

/** An inspection office as far as booking goes. */
export interface OfficeTerms {
  weekdays: readonly number[];
  noticeDays: number;
  visitsADay: number;
}

/** How far ahead the desk looks. */
const AHEAD = 200;

/**
 * The simulated desk of an inspection office: after its notice it gives the first of its days that still has a visit
 * free, mornings first. It answers at once; a real office answers by telephone and is typed in the same way.
 * @param taken how many visits a day has already
 * @returns undefined where no day within a good half-year is free
 */
export function offerVisit(
  office: OfficeTerms,
  asked: { on: Day; wished?: Day },
  taken: (day: Day) => number,
  holidays: ReadonlySet<Day>,
): { day: Day; half: 0 | 1 } | undefined {
  const notice = workdaysAfter(asked.on, office.noticeDays, holidays);
  let day = asked.wished !== undefined && asked.wished > notice ? asked.wished : notice;
  for (let tried = 0; tried < AHEAD; tried++, day = addDays(day, 1)) {
    if (!office.weekdays.includes(weekday(day)) || !isWorkday(day, holidays)) continue;
    const visits = taken(day);
    if (visits < office.visitsADay) return { day, half: visits < Math.ceil(office.visitsADay / 2) ? 0 : 1 };
  }
  return undefined;
}

import { addDays, weekday } from '@/core/units/day';
import { isWorkday, workdaysAfter } from '../../../core/units/workday';
import type { InspectionOffices } from '../ports';

/** How far ahead the desk looks. */
const AHEAD = 200;

/**
 * The simulated desk of inspection offices: after its notice an office gives the first of its days that still has a
 * visit free, mornings first. It answers at once; a real office answers by telephone and is typed in the same way.
 */
export const simulatedOffices: InspectionOffices = {
  offer: (office, asked, taken, holidays) => {
    const notice = workdaysAfter(asked.on, office.noticeDays, holidays);
    const first = asked.wished ?? asked.notBefore;
    let day = first !== undefined && first > notice ? first : notice;
    for (let tried = 0; tried < AHEAD; tried++, day = addDays(day, 1)) {
      if (!office.weekdays.includes(weekday(day)) || !isWorkday(day, holidays)) continue;
      const visits = taken(day);
      if (visits < office.visitsADay) return { day, half: visits < Math.ceil(office.visitsADay / 2) ? 0 : 1 };
    }
    return undefined;
  },
};

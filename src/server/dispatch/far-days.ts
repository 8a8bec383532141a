import { addDays, formatDate, isDay, type Day } from '@/core/units/day';
import { unprocessable } from '../refusal';

/** Nothing on a site is planned, promised or awaited for a day further away: the year is mistyped. */
const FARTHEST_DAYS = 5 * 365;

/** Refuses a command that would put a day years away into the plan, beside its field. @param path of what is looked at */
export function refuseFarDays(value: unknown, today: Day, path = ''): void {
  if (typeof value === 'string') {
    if (isDay(value) && value > addDays(today, FARTHEST_DAYS))
      throw unprocessable(
        'day-far',
        `${formatDate(value)} is more than five years away; check the year.`,
        path || undefined,
      );
  } else if (Array.isArray(value)) value.forEach((item, at) => refuseFarDays(item, today, `${path}[${at}]`));
  else if (typeof value === 'object' && value !== null)
    for (const [key, item] of Object.entries(value)) refuseFarDays(item, today, path ? `${path}.${key}` : key);
}

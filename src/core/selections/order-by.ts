import { addDays, backToWeekday, type Day } from '../units/day';

/**
 * The last day on which to order so that a thing is on site when needed: calendar days back, then back to a weekday.
 * @param leadDays the longest the supplier names; @param bufferDays checking and getting used to the room
 */
export function orderBy(needBy: Day, leadDays: number, bufferDays: number): Day {
  return backToWeekday(addDays(needBy, -(leadDays + bufferDays)));
}

/** Days a client has to think before the order must go out. */
export const DECIDE_DAYS = 7;
/** Days between delivery and use: unpacking, checking, sending back. */
export const BUFFER_DAYS = 3;
export const decideBy = (order: Day): Day => backToWeekday(addDays(order, -DECIDE_DAYS));

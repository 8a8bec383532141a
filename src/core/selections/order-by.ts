import { addDays, backToWeekday, daysBetween, isWeekend, type Day } from '../units/day';

/** Days on which a supplier neither makes nor sends anything, both ends included. */
export interface Closure {
  firstDay: Day;
  lastDay: Day;
}

/** Days somebody has to think before the order must go out, where nothing else is said. */
export const DECIDE_DAYS = 7;
/** Days kept for unpacking and looking, where nothing else is said. */
export const CHECK_DAYS = 1;
/** Days in hand for a lorry that breaks down or a piece that goes back, where nothing else is said. */
export const BUFFER_DAYS = 2;

const EPOCH: Day = '2000-01-01';

/** Whether a day, as a number, is one of a supplier's closed ones. */
function closedOn(closures: readonly Closure[]): (day: number) => boolean {
  const spans = closures.map(
    ({ firstDay, lastDay }) => [daysBetween(EPOCH, firstDay), daysBetween(EPOCH, lastDay)] as const,
  );
  return (day) => spans.some(([first, last]) => day >= first && day <= last);
}

const dayOf = (number: number): Day => addDays(EPOCH, number);
const isOff = (number: number): boolean => isWeekend(dayOf(number));

/**
 * The last day on which to order so that a thing is on site when needed: calendar days back, those of a closure not
 * counted, then back to a weekday on which the supplier reads its letters.
 * @param leadDays the longest the supplier names; @param bufferDays kept in hand
 */
export function orderBy(needBy: Day, leadDays: number, bufferDays: number, closures: readonly Closure[] = []): Day {
  if (closures.length === 0) return backToWeekday(addDays(needBy, -(leadDays + bufferDays)));
  const closed = closedOn(closures);
  let day = daysBetween(EPOCH, needBy) - bufferDays;
  for (let left = leadDays; left > 0;) if (!closed(--day)) left--;
  while (closed(day) || isOff(day)) day--;
  return dayOf(day);
}

/** The day on which what is ordered on a day is there: the other way round than `orderBy`, without days in hand. */
export function arrival(ordered: Day, leadDays: number, closures: readonly Closure[] = []): Day {
  if (closures.length === 0) return addDays(ordered, leadDays);
  const closed = closedOn(closures);
  let day = daysBetween(EPOCH, ordered);
  for (let left = leadDays; left > 0; day++) if (!closed(day)) left--;
  return dayOf(day);
}

/** The first day from this one on which a supplier takes an order: a weekday that is not one of its closed ones. */
export function orderDay(from: Day, closures: readonly Closure[] = []): Day {
  const closed = closedOn(closures);
  let day = daysBetween(EPOCH, from);
  while (closed(day) || isOff(day)) day++;
  return dayOf(day);
}

/** The last day to choose: whoever decides and whoever approves have theirs before the order. */
export const decideBy = (order: Day, approvalDays: number = DECIDE_DAYS): Day =>
  backToWeekday(addDays(order, -approvalDays));

export interface DateTerms {
  /** The day on which the work that uses it would start if it were there. */
  workStart: Day;
  /** Unpacking and looking. */
  checkDays: number;
  /** Getting used to the room: boards, doors. */
  acclimatiseDays: number;
  leadLow: number;
  leadHigh: number;
  bufferDays: number;
  closures: readonly Closure[];
  /** Days of thinking and of every approval that is still to come. */
  approvalDays: number;
}

export interface SelectionDates {
  needBy: Day;
  orderBy: Day;
  /** Ordered after this, not even the shortest lead time brings it in time. */
  orderLatest: Day;
  decideBy: Day;
}

/** By when something is needed, ordered and decided, back from the work that uses it; deliveries come on weekdays. */
export function selectionDates({
  workStart,
  checkDays,
  acclimatiseDays,
  leadLow,
  leadHigh,
  bufferDays,
  closures,
  approvalDays,
}: DateTerms): SelectionDates {
  const needBy = backToWeekday(addDays(workStart, -(checkDays + acclimatiseDays)));
  const order = orderBy(needBy, leadHigh, bufferDays, closures);
  return {
    needBy,
    orderBy: order,
    orderLatest: orderBy(needBy, leadLow, 0, closures),
    decideBy: decideBy(order, approvalDays),
  };
}

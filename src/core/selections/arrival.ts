import { addDays, daysBetween, formatDay, type Day } from '../units/day';
import { arrival, orderDay, type Closure } from './order-by';
import { isComing, isHere, type SelectionState } from './states';

/** What must be known of a selection to say when it can be used. */
export interface Ordered {
  category: string;
  state: SelectionState;
  leadHigh: number;
  checkDays: number;
  acclimatiseDays: number;
  orderedOn: Day | null;
  /** The day it comes, as last promised; and as first promised, with why they differ. */
  expectedOn: Day | null;
  promisedOn: Day | null;
  slip: string;
  cameOn: Day | null;
}

/** An approval, answer or drawing that its order waits for, and when it can be counted on. */
export interface OpenRequest {
  /** `the association (lantern glazing)`. */
  label: string;
  expected: Day;
}

export interface Coming {
  /** The day it is on site. */
  there: Day;
  /** The first day on which it can be used. */
  usable: Day;
  /** Whole sentence part that says why. */
  because: string;
  /** Nobody has promised that day. */
  open: boolean;
}

/** When a selection can be used by all that is known today, and why; null where it can be used now. */
export function arrivalOf(
  item: Ordered,
  closures: readonly Closure[],
  requests: readonly OpenRequest[],
  today: Day,
): Coming | null {
  const name = item.category.toLowerCase();
  const usable = (there: Day): Day => addDays(there, item.checkDays + item.acclimatiseDays);
  const lies = item.acclimatiseDays > 0 ? `, with ${days(item.acclimatiseDays)} in the room before use` : '';
  if (isHere(item.state)) {
    const day = item.cameOn && item.acclimatiseDays > 0 ? usable(item.cameOn) : today;
    return item.cameOn && day > today
      ? {
          there: item.cameOn,
          usable: day,
          because: `${name} came ${formatDay(item.cameOn, today)}${lies}`,
          open: false,
        }
      : null;
  }
  const tell = (there: Day, because: string, open: boolean): Coming => ({
    there,
    usable: usable(there),
    because: `${because}${lies}`,
    open,
  });
  if (isComing(item.state)) {
    const due = item.expectedOn ?? arrival(item.orderedOn ?? today, item.leadHigh, closures);
    const later =
      item.promisedOn && item.expectedOn && item.expectedOn > item.promisedOn
        ? `, ${days(daysBetween(item.promisedOn, item.expectedOn))} later than ` +
          `promised${item.slip ? `: ${item.slip}` : ''}`
        : '';
    if (due < today)
      return tell(
        addDays(today, 1),
        `the delivery of ${name} was expected ${formatDay(due, today)} and is not here${later}`,
        true,
      );
    if (item.expectedOn)
      return tell(due, `the delivery of ${name} is expected ${formatDay(due, today)}${later}`, false);
    return tell(
      due,
      `nobody has confirmed the delivery of ${name}; it takes up to ${days(item.leadHigh)} from the order, so ` +
        formatDay(due, today),
      true,
    );
  }
  const last = [...requests].sort((a, b) => (a.expected < b.expected ? 1 : -1))[0];
  const order = orderDay(last && last.expected > today ? last.expected : today, closures);
  const there = arrival(order, item.leadHigh, closures);
  const waits = last ? ` and waits for ${last.label}, expected ${formatDay(last.expected, today)}` : '';
  return tell(
    there,
    `the order of ${name} is not out${waits}; the delivery takes up to ${days(item.leadHigh)}, so ` +
      `${formatDay(there, today)} at the earliest`,
    true,
  );
}

const days = (count: number): string => (count === 1 ? '1 day' : `${count} days`);

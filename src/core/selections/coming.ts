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
export function comingOf(item: Ordered, closures: readonly Closure[], requests: readonly OpenRequest[], today: Day): Coming | null {
  const name = item.category.toLowerCase();
  const usable = (there: Day): Day => addDays(there, item.checkDays + item.acclimatiseDays);
  const lies = item.acclimatiseDays > 0 ? `, and ${item.acclimatiseDays === 1 ? 'lies a day' : `lie ${item.acclimatiseDays} days`} in the room before they are used` : '';
  if (isHere(item.state)) {
    const day = item.cameOn && item.acclimatiseDays > 0 ? usable(item.cameOn) : today;
    return item.cameOn && day > today ? { there: item.cameOn, usable: day, because: `${name} came ${formatDay(item.cameOn, today)}${lies}`, open: false } : null;
  }
  const tell = (there: Day, because: string, open: boolean): Coming => ({ there, usable: usable(there), because: `${because}${lies}`, open });
  if (isComing(item.state) || item.expectedOn) {
    const due = item.expectedOn ?? arrival(item.orderedOn ?? today, item.leadHigh, closures);
    const later = item.promisedOn && item.expectedOn && item.expectedOn > item.promisedOn ? `, ${days(daysBetween(item.promisedOn, item.expectedOn))} later than promised${item.slip ? `: ${item.slip}` : ''}` : '';
    if (due < today) return tell(addDays(today, 1), `${name} were to arrive ${formatDay(due, today)} and are not here${later}`, true);
    if (item.expectedOn) return tell(due, `${name} arrive ${formatDay(due, today)}${later}`, false);
    return tell(due, `${name} are ordered, nobody has confirmed a day and they take up to ${days(item.leadHigh)}, so ${formatDay(due, today)}`, true);
  }
  const last = [...requests].sort((a, b) => (a.expected < b.expected ? 1 : -1))[0];
  const order = orderDay(last && last.expected > today ? last.expected : today, closures);
  const there = arrival(order, item.leadHigh, closures);
  const waits = last ? `; the order waits for ${last.label}, expected ${formatDay(last.expected, today)}` : '';
  return tell(there, `${name} take ${days(item.leadHigh)} and are not ordered${waits}, so ${formatDay(there, today)} at the earliest`, true);
}

const days = (count: number): string => (count === 1 ? '1 day' : `${count} days`);

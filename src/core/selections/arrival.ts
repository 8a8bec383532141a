import { addDays, daysBetween, type Day } from '../units/day';
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

/** Why it can be used when it can, as far as that is known. Days of rest in the room before use are told beside. */
export type ArrivalWhy = (
  | { kind: 'came'; day: Day }
  /** The day passed on which it was due. */
  | { kind: 'overdue'; due: Day; later?: Later }
  | { kind: 'expected'; due: Day; later?: Later }
  /** Ordered, and nobody has confirmed a day; it takes up to so many days. */
  | { kind: 'unconfirmed'; days: number; due: Day }
  | { kind: 'not-ordered'; days: number; there: Day; waitsFor?: OpenRequest }
) & { rest?: number };

/** By how many days it comes later than was promised first, and why, in the supplier's words. */
interface Later {
  days: number;
  why: string;
}

export interface Coming {
  /** The day it is on site. */
  there: Day;
  /** The first day on which it can be used. */
  usable: Day;
  why: ArrivalWhy;
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
  const usable = (there: Day): Day => addDays(there, item.checkDays + item.acclimatiseDays);
  const tell = (there: Day, why: ArrivalWhy, open: boolean): Coming => ({
    there,
    usable: usable(there),
    why: item.acclimatiseDays > 0 ? { ...why, rest: item.acclimatiseDays } : why,
    open,
  });
  if (isHere(item.state)) {
    const rests = item.cameOn !== null && item.acclimatiseDays > 0 && usable(item.cameOn) > today;
    return rests && item.cameOn ? tell(item.cameOn, { kind: 'came', day: item.cameOn }, false) : null;
  }
  if (isComing(item.state)) {
    const due = item.expectedOn ?? arrival(item.orderedOn ?? today, item.leadHigh, closures);
    const later = laterThanPromised(item);
    if (due < today) return tell(addDays(today, 1), { kind: 'overdue', due, ...later }, true);
    return item.expectedOn
      ? tell(due, { kind: 'expected', due, ...later }, false)
      : tell(due, { kind: 'unconfirmed', days: item.leadHigh, due }, true);
  }
  const last = [...requests].sort((a, b) => (a.expected < b.expected ? 1 : -1))[0];
  const order = orderDay(last && last.expected > today ? last.expected : today, closures);
  const there = arrival(order, item.leadHigh, closures);
  return tell(there, { kind: 'not-ordered', days: item.leadHigh, there, ...(last ? { waitsFor: last } : {}) }, true);
}

const laterThanPromised = ({ promisedOn, expectedOn, slip }: Ordered): { later?: Later } =>
  promisedOn && expectedOn && expectedOn > promisedOn
    ? { later: { days: daysBetween(promisedOn, expectedOn), why: slip } }
    : {};

import { addDays, type Day } from '../units/day';
import type { SelectionDates } from './order-by';
import { isComing, isHere, type SelectionState } from './states';

/** How far ahead a date counts as near: the horizon of the first page. */
export const NEAR_DAYS = 14;

/** The next date of something chosen, and how near it is. */
export interface Due {
  what: 'decide' | 'order' | 'arrive' | 'settled';
  day: Day | null;
  /** Passed, or promised for after it is needed. */
  late: boolean;
  near: boolean;
}

/** What must happen next to a selection and by when. @param dates null where the plan has no work that uses it */
export function dueOf(
  selection: { state: SelectionState; expectedOn: Day | null },
  dates: SelectionDates | null,
  today: Day,
): Due {
  const { state, expectedOn } = selection;
  if (isHere(state)) return { what: 'settled', day: null, late: false, near: false };
  const coming = isComing(state);
  const what = coming ? 'arrive' : state === 'open' ? 'decide' : 'order';
  const day = (coming ? (expectedOn ?? dates?.needBy) : state === 'open' ? dates?.decideBy : dates?.orderBy) ?? null;
  const late = day !== null && (day < today || (coming && dates !== null && day > dates.needBy));
  return { what, day, late, near: day !== null && day <= addDays(today, NEAR_DAYS) };
}

/** Whether it belongs on the first page: late, or within the horizon. */
export const isDue = (due: Due): boolean => due.what !== 'settled' && due.day !== null && (due.late || due.near);

import { boardBy, boardLookIn, boardWeeks, type BoardBy, type BoardWeeks } from '@/contract/board-look';
import { addDays, daysBetween, firstOfMonth, mondayOf, monthsBetween, type Day } from '@/core/units/day';

export interface BoardOptions {
  by: BoardBy;
  weeks: BoardWeeks;
  /** So many weeks later; months where it is the month. */
  shift: number;
  /** A piece of work that is to be on the board and open. */
  task?: string;
  /** One crew alone. */
  crew?: string;
}

/** What the address asks for, else what was chosen last; anything that is none of the ways is the usual board. */
export function boardOptions(asked: Record<string, string | string[] | undefined>, cookie?: string): BoardOptions {
  const shift = Number(asked['shift'] ?? 0);
  const [task, crew] = [asked['task'], asked['crew']];
  const chosen = boardLookIn(cookie);
  return {
    by: boardBy(asked['by']) ?? chosen.by ?? 'trade',
    weeks: boardWeeks(asked['weeks']) ?? chosen.weeks ?? 2,
    ...(typeof crew === 'string' && crew !== '' ? { crew } : {}),
    shift: Number.isInteger(shift) && Math.abs(shift) <= 200 ? shift : 0,
    ...(typeof task === 'string' ? { task } : {}),
  };
}

/** The days that are looked at: so many weeks from where the work is, or its month in whole weeks. */
export function daysShown(opens: Day, weeks: BoardWeeks, shift: number): { first: Day; weeks: number } {
  if (weeks !== 'month') return { first: addDays(opens, 7 * shift), weeks };
  const month = firstOfMonth(opens, shift);
  const first = mondayOf(month);
  return { first, weeks: Math.ceil(daysBetween(first, firstOfMonth(month, 1)) / 7) };
}

/** How far one has to go on, in weeks or months, so that a day is among those shown. */
export const shiftTo = (opens: Day, weeks: BoardWeeks, day: Day): number =>
  weeks === 'month' ? monthsBetween(opens, day) : Math.floor(daysBetween(opens, day) / 7);

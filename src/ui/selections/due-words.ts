import type { Due } from '@/core/selections/due';
import { formatDay, type Day } from '@/core/units/day';

const NEXT = { decide: 'decide by', order: 'order by', arrive: 'comes', settled: '' } as const;

/** `order by Tue 9 Mar`, `comes Fri 12 Mar`; where the day has passed, `order at once`. */
export function dueWords(due: Due, today: Day): string {
  if (due.what === 'settled') return '';
  if (due.day === null) return `${NEXT[due.what]}: not planned`;
  if (due.day < today)
    return due.what === 'arrive' ? `was to come ${formatDay(due.day, today)}` : `${due.what} at once`;
  return `${NEXT[due.what]} ${formatDay(due.day, today)}`;
}

/** When it should have been, where that has passed. */
export const missedWords = (due: Due, today: Day): string =>
  due.day !== null && due.day < today && due.what !== 'arrive' && due.what !== 'settled'
    ? `should have been ${due.what === 'decide' ? 'decided' : 'ordered'} by ${formatDay(due.day, today)}`
    : '';

export const dueTone = (due: Due): string => (due.late ? 'bad' : due.near ? 'soon' : '');

/** A day by which something is needed; one that has passed is needed now. */
export const byWords = (day: Day, today: Day): string => (day < today ? 'at once' : `by ${formatDay(day, today)}`);

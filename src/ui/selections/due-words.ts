import type { Due } from '@/core/selections/due';
import { formatDay, type Day } from '@/core/units/day';

const NEXT = { decide: 'decide by', order: 'order by', arrive: 'comes', settled: '' } as const;

/** `order by Tue 9 Mar`, `comes Fri 12 Mar`, `decide by: not planned`. */
export const dueWords = (due: Due, today: Day): string => (due.what === 'settled' ? '' : `${NEXT[due.what]}${due.day ? ` ${formatDay(due.day, today)}` : ': not planned'}`);

export const dueTone = (due: Due): string => (due.late ? 'bad' : due.near ? 'soon' : '');

import { daysBetween, type Day } from '@/core/units/day';

/**
 * The one seam to the clock. `AFTERMIST_TODAY` fixes the day (demo, tests, screenshots): the time of day stays real,
 * so that things still happen one after the other.
 */
export interface Clock {
  now: () => Date;
  /** Days that a fixed today lies after the real one; browsers make their times by it. */
  shiftDays?: number;
}

const localDay = (date: Date): Day =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;

export function makeClock(fixedToday: string | undefined): Clock {
  if (!fixedToday) return { now: () => new Date() };
  // Settled at the start: a day that passes while it runs passes in the fixed calendar too.
  const shiftDays = daysBetween(localDay(new Date()), fixedToday);
  return {
    shiftDays,
    now: () => {
      const shifted = new Date();
      shifted.setDate(shifted.getDate() + shiftDays);
      return shifted;
    },
  };
}

export const today = (clock: Clock): Day => localDay(clock.now());
export const dayOf = (instant: string): Day => localDay(new Date(instant));
/** 0 before noon where the office is, 1 after. */
export const halfOf = (instant: string): 0 | 1 => (new Date(instant).getHours() < 12 ? 0 : 1);

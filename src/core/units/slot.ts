import { addDays, daysBetween, formatDay, type Day } from './day';

/**
 * A half-day counted from a plan's origin: `2·d + h`, d days since the origin, h 0 morning, 1 afternoon.
 * Negative before the origin.
 */
export type Slot = number;

export const slotOf = (origin: Day, day: Day, half: 0 | 1 = 0): Slot => 2 * daysBetween(origin, day) + half;
export const dayOfSlot = (origin: Day, slot: Slot): Day => addDays(origin, Math.floor(slot / 2));
export const isAfternoon = (slot: Slot): boolean => slot - 2 * Math.floor(slot / 2) === 1;

/** `Wed 10 Mar, afternoon`: the half-day in which something starts. */
export function formatSlot(origin: Day, slot: Slot): string {
  return `${formatDay(dayOfSlot(origin, slot), origin)}, ${isAfternoon(slot) ? 'afternoon' : 'morning'}`;
}

/** The day on which something ends whose last half-day is the one before `finish`. */
export const lastDay = (origin: Day, finish: Slot): Day => dayOfSlot(origin, finish - 1);

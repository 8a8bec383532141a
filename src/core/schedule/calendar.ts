import { daysBetween, isWeekendDay, weekday, type Day } from '../units/day';
import type { Slot } from '../units/slot';

/**
 * The worked slots of somebody or something within a horizon, and for every slot how many came before it:
 * both as typed arrays, so that moving along worked time costs no search.
 */
export interface Calendar {
  /** Worked slots, ascending. */
  worked: Int32Array;
  /** `before[s]`: how many worked slots are earlier than s; has horizon + 1 entries. */
  before: Int32Array;
}

export function makeCalendar(horizon: Slot, isWorked: (slot: Slot) => boolean): Calendar {
  const before = new Int32Array(horizon + 1);
  const worked = new Int32Array(horizon);
  let count = 0;
  for (let slot = 0; slot < horizon; slot++) {
    before[slot] = count;
    if (isWorked(slot)) worked[count++] = slot;
  }
  before[horizon] = count;
  return { worked: worked.slice(0, count), before };
}

/** How many worked slots are earlier than `slot`, clamped to the horizon. */
export function countBefore(calendar: Calendar, slot: Slot): number {
  const { before } = calendar;
  return before[Math.max(0, Math.min(slot, before.length - 1))] ?? 0;
}

/** The moment at which `lag` worked slots have passed since `event`; the event itself for 0. */
export function afterWork(calendar: Calendar, event: Slot, lag: number): Slot {
  if (lag === 0) return event;
  const last = calendar.worked[countBefore(calendar, event) + lag - 1];
  return last === undefined ? calendar.before.length : last + 1;
}

/** The latest event from which `lag` worked slots have passed by `slot`. */
export function beforeWork(calendar: Calendar, slot: Slot, lag: number): Slot {
  if (lag === 0) return slot;
  return calendar.worked[countBefore(calendar, slot) - lag] ?? 0;
}

/**
 * Whether a slot counted from a day is worked by the firm: weekdays that are no holiday. Asked for thousands of slots,
 * so no date is made.
 */
export function weekdaysFrom(first: Day, holidays: ReadonlySet<Day>): (slot: Slot) => boolean {
  const start = weekday(first);
  const free = new Set([...holidays].map((day) => daysBetween(first, day)));
  return (slot) => {
    const day = Math.floor(slot / 2);
    return !isWeekendDay((((start + day) % 7) + 7) % 7) && !free.has(day);
  };
}

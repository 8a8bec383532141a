import { causeKey, type Cause } from './cause';
import { countBefore, makeCalendar, weekdaysFrom, type Calendar } from './calendar';
import type { Day } from '../units/day';
import { slotOf, type Slot } from '../units/slot';

/** What a plan was when it was kept. */
export interface Baseline {
  origin: Day;
  tasks: { id: string; label: string; start: Slot; finish: Slot; duration: number }[];
}

export interface Slipped {
  task: string;
  label: string;
  /** Worked half-days by which it ends later than kept; less than 0 earlier. */
  halves: number;
  state: 'waiting' | 'under-way' | 'done' | 'gone';
}

/** Worked half-days counted from a day that may lie before the plan's origin. */
export const workedDaysFrom = (first: Day, days: number, holidays: ReadonlySet<Day>): Calendar =>
  makeCalendar(2 * days, weekdaysFrom(first, holidays));

/**
 * How much later or earlier each piece of work ends than when the baseline was kept, in worked half-days. What is done
 * ended when a walk saw it; what is no longer planned is told as gone.
 * @param now work by id: where it ends now, in slots of `origin`
 */
export function slipOf(
  baseline: Baseline,
  origin: Day,
  now: ReadonlyMap<string, { label: string; finish: Slot; state: 'waiting' | 'under-way' | 'done' }>,
  holidays: ReadonlySet<Day>,
): Slipped[] {
  const first = baseline.origin;
  const shift = slotOf(first, origin);
  const far = Math.max(
    ...baseline.tasks.map((task) => task.finish),
    ...[...now.values()].map((task) => task.finish + shift),
    2,
  );
  const calendar = workedDaysFrom(first, Math.ceil(far / 2) + 2, holidays);
  return baseline.tasks.map((task) => {
    const is = now.get(task.id);
    if (!is) return { task: task.id, label: task.label, halves: 0, state: 'gone' as const };
    return {
      task: task.id,
      label: is.label,
      halves: countBefore(calendar, is.finish + shift) - countBefore(calendar, task.finish),
      state: is.state,
    };
  });
}

/** What moved something, with the worked half-days that it moved it by, all plans of it together. */
export interface MovedBy {
  causes: Cause[];
  halves: number;
}

/** Causes by what they moved, the largest first; those that took back what others did are less than 0. */
export function sumByCause(moves: readonly MovedBy[]): MovedBy[] {
  const sums = new Map<string, MovedBy>();
  for (const { causes, halves } of moves) {
    const key = causeKey(causes);
    const known = sums.get(key);
    if (known) known.halves += halves;
    else sums.set(key, { causes, halves });
  }
  return [...sums.values()]
    .filter(({ halves }) => halves !== 0)
    .sort((a, b) => Math.abs(b.halves) - Math.abs(a.halves) || (causeKey(a.causes) < causeKey(b.causes) ? -1 : 1));
}

/**
 * Half-days of work that lie before each of these days, as a share of all: what was planned, or what was done, over
 * time.
 */
export function shareByDay(
  work: readonly { day: Day; halfDays: number }[],
  days: readonly Day[],
  whole: number,
): number[] {
  return days.map((day) =>
    whole === 0 ? 0 : work.reduce((sum, entry) => sum + (entry.day <= day ? entry.halfDays : 0), 0) / whole,
  );
}

/** Work of each trade in half-days a week against what its crews can do. */
export function loadByWeek(
  tasks: readonly { trade: string; slots: readonly Slot[]; crews: number }[],
  weeks: readonly { from: Slot; to: Slot }[],
): Map<string, number[]> {
  const loads = new Map<string, number[]>();
  for (const task of tasks) {
    const load = loads.get(task.trade) ?? weeks.map(() => 0);
    loads.set(task.trade, load);
    for (const slot of task.slots) {
      const week = weeks.findIndex(({ from, to }) => slot >= from && slot < to);
      if (week >= 0) load[week] = (load[week] ?? 0) + task.crews;
    }
  }
  return loads;
}

import { addDays, daysBetween, isWeekend, type Day } from '../units/day';

/** In what state a site is left; each line is looked at and said. */
export const LEFT_ITEMS = {
  clean: 'swept, ways out free',
  edges: 'edges and holes guarded',
  barriers: 'barriers and signs stand',
  dust: 'dust doors shut, filter fan runs or is off as agreed',
  covers: 'floors and what is finished are covered',
  'live-ends': 'live ends capped and safe',
  weather: 'windows shut, covers tied',
  keys: 'locked, keys where they belong',
} as const;
export type LeftItem = keyof typeof LEFT_ITEMS;
export const LEFT_ITEM_KEYS = Object.keys(LEFT_ITEMS) as LeftItem[];

/** How often the state is recorded: two methods, chosen by job. */
export const LEFT_RHYTHMS = { evening: 'every evening', week: 'once a week' } as const;
export type LeftRhythm = keyof typeof LEFT_RHYTHMS;

/** Whether the state has to be recorded today. @param last the day it was last recorded, null for never */
export function isDueToLeave(rhythm: LeftRhythm, last: Day | null, today: Day): boolean {
  if (isWeekend(today)) return false;
  return last === null || daysBetween(last, today) >= (rhythm === 'evening' ? 1 : 7);
}

export interface BinLevel {
  day: Day;
  /** 0…1 full. */
  level: number;
}

/**
 * The day on which the bin should be swapped: the last workday before it is full, by how it filled since it was last
 * empty.
 * @param levels readings in the order seen
 * @returns null where nothing can be said: no reading, or none that rises; today where it is full
 */
export function binSwapDay(levels: readonly BinLevel[], today: Day): Day | null {
  const last = levels.at(-1);
  if (!last) return null;
  if (last.level >= 0.95) return today;
  // A level that falls is a bin that was swapped: what was before it does not count.
  let from = levels.length - 1;
  while (from > 0 && (levels[from - 1]?.level ?? 0) <= (levels[from]?.level ?? 0)) from -= 1;
  const first = levels[from];
  if (!first || first.day === last.day || last.level <= first.level) return null;
  const rate = (last.level - first.level) / daysBetween(first.day, last.day);
  let day = addDays(last.day, Math.floor((1 - last.level) / rate));
  while (isWeekend(day)) day = addDays(day, -1);
  return day < today ? today : day;
}

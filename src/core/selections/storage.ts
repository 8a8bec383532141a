import { addDays, onToWeekday, type Day } from '../units/day';

/** Work that takes a room, from its first to its last day. */
export interface RoomWork {
  label: string;
  firstDay: Day;
  lastDay: Day;
}

export interface StorageTerms {
  /** The day on which it comes. */
  day: Day;
  /** The day on which it is used; null where the plan has none. */
  useDay: Day | null;
  /** Work in the room that is to hold it, all of it that is not done. */
  work: readonly RoomWork[];
  /** Floor of the room in m²; null where it is not drawn. */
  floor: number | null;
  /** Floor that this delivery takes, and what stands there already, in m². */
  takes: number | null;
  taken: number;
}

export interface StorageCheck {
  /** Work in the room while the thing would stand there, in order. */
  inTheWay: RoomWork[];
  /** The first day, not before its coming, from which nobody works there until it is used; null where there is none. */
  freeFrom: Day | null;
  /** Floor that is left for things, in m²; null where it is not known. */
  left: number | null;
  fits: boolean;
}

/** Half of a room stays free: people work and walk in it. */
export const STORED_PART = 0.5;

/** Whether a room can hold what comes until it is used: nobody works in it meanwhile, and half its floor stays free. */
export function storageCheck({ day, useDay, work, floor, takes, taken }: StorageTerms): StorageCheck {
  // On the day of use whoever uses it may be in the room.
  const until = useDay ?? '9999-12-31';
  const before = work
    .filter((roomWork) => roomWork.firstDay < until)
    .sort((a, b) => (a.firstDay < b.firstDay ? -1 : 1));
  const inTheWay = before.filter((roomWork) => roomWork.lastDay >= day);
  const lastOut = before
    .map((roomWork) => roomWork.lastDay)
    .sort()
    .at(-1);
  const free = lastOut === undefined || lastOut < day ? day : onToWeekday(addDays(lastOut, 1));
  const freeFrom = free <= until ? free : null;
  const left = floor === null ? null : floor * STORED_PART - taken;
  return {
    inTheWay,
    freeFrom,
    left,
    fits: inTheWay.length === 0 && (left === null || takes === null || takes <= left),
  };
}

/**
 * What one person carries close to the body, by usual manual-handling guidance; local rules and a risk assessment
 * decide.
 */
export const ONE_PERSON_KG = 25;
/** How many people a piece of that weight takes, before a machine is thought of. */
export const peopleFor = (kg: number): number => Math.ceil(kg / ONE_PERSON_KG);

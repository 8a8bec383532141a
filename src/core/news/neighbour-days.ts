import { phaseFacts } from '../sequence/phases';
import { addDays, formatDay, mondayOf, type Day } from '../units/day';
import { listed } from '../words/count';
import type { NextWork } from './news';

/** A day that a neighbour hears of: it is loud, or something of theirs is needed. */
interface NeighbourDay {
  day: Day;
  about: 'loud' | { needed: string };
}

/** What of somebody's is needed, for which work, on which days. */
export interface NeededOf {
  /** The neighbour's id, and their name. */
  id: string;
  name: string;
  /** `their fence`. */
  what: string;
  work: string;
  from: Day;
  until: Day;
}

/** The days that neighbours were told of, and the last day that it reached to. */
export interface NeighbourDays {
  until: Day;
  days: NeighbourDay[];
}

/** How far ahead is told of at the least, to the end of that week. */
const AHEAD_DAYS = 10;
/** The first day of which nothing is told yet. */
export const toldUntil = (today: Day): Day => addDays(mondayOf(addDays(today, AHEAD_DAYS)), 7);

/** The days of the next two weeks that a neighbour hears of. @param next who comes, as far as is told */
export function neighbourDays(next: readonly NextWork[], needed: readonly NeededOf[], today: Day): NeighbourDays {
  const end = toldUntil(today);
  const loud = new Set(
    next.flatMap(({ phase, day, until }) => (phase !== null && phaseFacts(phase).loud ? daysOf(day, until, end) : [])),
  );
  return {
    until: addDays(end, -1),
    days: [
      ...[...loud].sort().map((day) => ({ day, about: 'loud' as const })),
      ...needed.flatMap(({ id, from, until }) =>
        until >= today
          ? daysOf(from < today ? today : from, until, end).map((day) => ({ day, about: { needed: id } }))
          : [],
      ),
    ],
  };
}

/** The days from one to another, both with it, before an end. */
function daysOf(from: Day, until: Day, end: Day): Day[] {
  const days: Day[] = [];
  for (let day = from; day <= until && day < end; day = addDays(day, 1)) days.push(day);
  return days;
}

/** What is otherwise than neighbours were told, of the days that both reach: days that are no more, and new ones. */
export interface DaysMoved {
  gone: NeighbourDay[];
  come: NeighbourDay[];
}

export function movedDays(told: NeighbourDays, now: NeighbourDays, today: Day): DaysMoved {
  const until = told.until < now.until ? told.until : now.until;
  const reached = ({ days }: NeighbourDays) => days.filter(({ day }) => day >= today && day <= until);
  const key = ({ day, about }: NeighbourDay): string => `${day} ${about === 'loud' ? about : about.needed}`;
  const without = (some: readonly NeighbourDay[], others: readonly NeighbourDay[]): NeighbourDay[] => {
    const known = new Set(others.map(key));
    return some.filter((day) => !known.has(key(day)));
  };
  return { gone: without(reached(told), reached(now)), come: without(reached(now), reached(told)) };
}

/** The changes as sentences, one for the noise and one for each of whom something is needed. */
export function sayMovedDays(moved: DaysMoved, needed: readonly NeededOf[], today: Day): string[] {
  const on = (days: readonly NeighbourDay[], about: NeighbourDay['about']): string =>
    listed(
      stretches(days.flatMap((one) => (isSame(one.about, about) ? [one.day] : []))).map(([from, until]) =>
        saySpan(from, until, today),
      ),
    );
  const line = (what: string, about: NeighbourDay['about']): string[] => {
    const [no, now] = [on(moved.gone, about), on(moved.come, about)];
    const parts = [no && `no longer on ${no}`, now && `now on ${now}`].filter(Boolean);
    return parts.length > 0 ? [`${what}: ${parts.join('; ')}.`] : [];
  };
  const known = new Set(needed.map(({ id }) => id));
  const others = [...moved.gone, ...moved.come].some(({ about }) => about !== 'loud' && !known.has(about.needed));
  return [
    ...line('Loud work', 'loud'),
    ...needed.flatMap(({ id, name, what }) => line(`${name}, where ${what} is needed`, { needed: id })),
    ...(others ? ['What was needed of a neighbour is not needed any more.'] : []),
  ];
}

const isSame = (one: NeighbourDay['about'], other: NeighbourDay['about']): boolean =>
  one === 'loud' || other === 'loud' ? one === other : one.needed === other.needed;

/** Days that hang together. @param days in their order */
function stretches(days: readonly Day[]): [Day, Day][] {
  const found: [Day, Day][] = [];
  for (const day of days) {
    const last = found.at(-1);
    if (last && day === addDays(last[1], 1)) last[1] = day;
    else found.push([day, day]);
  }
  return found;
}

/** `Tue 9 Mar`, or `Tue 9 Mar to Thu 11 Mar`. */
export const saySpan = (from: Day, until: Day, today: Day): string =>
  from === until ? formatDay(from, today) : `${formatDay(from, today)} to ${formatDay(until, today)}`;

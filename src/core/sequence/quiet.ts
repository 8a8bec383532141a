import type { AreaId } from '../ids';
import { addDays, weekday, type Day } from '../units/day';

/** A time in which somebody who lives there or beside it wants quiet. */
export interface Quiet {
  /** The whole job where no area is named. */
  area: AreaId | null;
  /** Nothing loud, or nothing at all. */
  covers: 'loud' | 'all';
  /** 0 the morning, 1 the afternoon; both where neither is named. */
  half: 0 | 1 | null;
  /** From 0 Sunday; every day where none is named. */
  weekdays: readonly number[];
  firstDay: Day;
  /** For good where none is named. */
  lastDay: Day | null;
}

/** Whether it is quiet then for work of an area. */
export const isQuiet = (quiet: Quiet, day: Day, half: 0 | 1): boolean =>
  day >= quiet.firstDay &&
  (quiet.lastDay === null || day <= quiet.lastDay) &&
  (quiet.half === null || quiet.half === half) &&
  (quiet.weekdays.length === 0 || quiet.weekdays.includes(weekday(day)));

/** The quiet times that a piece of work has to keep: of its job or its area, those for all work and, where it is loud, for loud. */
export const quietFor = <One extends Quiet>(all: readonly One[], area: AreaId, loud: boolean): One[] =>
  all.filter((quiet) => (quiet.area === null || quiet.area === area) && (quiet.covers === 'all' || loud));

const DAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'] as const;
const NUMBERS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];

/** The hour that a word or a figure means; undefined where it is none. */
function hourOf(word: string): number | undefined {
  const known = NUMBERS.indexOf(word) + 1;
  const hour = known > 0 ? known : Number(word);
  if (word === 'noon') return 12;
  return Number.isInteger(hour) && hour >= 1 && hour <= 23 ? hour : undefined;
}

/**
 * What a note of the household asks for, where it is a time of quiet: `nothing loud before eleven until Friday`. Half-days are
 * what the plan knows: of a morning that is quiet until eleven too little is left, and so it is with an afternoon.
 * @param said the day on which it was said; a weekday is the next one from there, itself among them
 * @returns undefined where it is no time of quiet, or not clear when: then somebody says it
 */
export function quietFrom(text: string, said: Day): Omit<Quiet, 'area'> | undefined {
  const words = text.toLowerCase().replaceAll(/[,.;:!]/g, ' ');
  if (!/\b(?:nothing|no|not) (?:too )?(?:loud|noisy|noise|hammering|drilling|sawing)|\bquiet\b/.test(words))
    return undefined;
  const before = /\bbefore (\w+)/.exec(words)?.[1];
  const after = /\bafter (\w+)/.exec(words)?.[1];
  const [from, to] = [before ? hourOf(before) : undefined, after ? hourOf(after) : undefined];
  const half =
    /\bmornings?\b/.test(words) || from !== undefined
      ? (0 as const)
      : /\bafternoons?\b/.test(words) || to !== undefined
        ? (1 as const)
        : undefined;
  const until = /\b(?:until|till|through|to) (?:the end of )?(\w+)/.exec(words)?.[1];
  const day = DAYS.indexOf(until as (typeof DAYS)[number]);
  if (half === undefined && day < 0) return undefined;
  return {
    ...{ covers: 'loud', half: half ?? null, weekdays: [], firstDay: said },
    lastDay: day < 0 ? null : addDays(said, (day - weekday(said) + 7) % 7),
  };
}

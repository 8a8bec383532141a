import { deviceCookie } from './device-look';

/** How a board is looked at. */
export const BOARD_BY = ['trade', 'person', 'room'] as const;
export type BoardBy = (typeof BOARD_BY)[number];
/** How much of it is seen at once: so many weeks, or the month. */
export const BOARD_WEEKS = [2, 3, 'month', 6, 12] as const;
export type BoardWeeks = (typeof BOARD_WEEKS)[number];

/** What somebody chose last on a device: a board that is come back to is looked at alike. */
export const BOARD_COOKIE = 'aftermist-board';
export const boardCookie = (by: BoardBy, weeks: BoardWeeks): string => deviceCookie(BOARD_COOKIE, by, weeks);

/** What a cookie says; nothing where it says none of the ways. */
export function boardLookIn(cookie: string | undefined): { by: BoardBy | undefined; weeks: BoardWeeks | undefined } {
  const [by, weeks] = (cookie ?? '').split('.');
  return { by: boardBy(by), weeks: boardWeeks(weeks) };
}

/** What an address names, where it is one of the ways. */
export const boardBy = (named: unknown): BoardBy | undefined => BOARD_BY.find((by) => by === named);
export const boardWeeks = (named: unknown): BoardWeeks | undefined =>
  BOARD_WEEKS.find((weeks) => String(weeks) === named);

/** How a board is looked at. */
export const BOARD_BY = ['trade', 'person', 'room'] as const;
export type BoardBy = (typeof BOARD_BY)[number];
/** How much of it is seen at once: so many weeks, or the month. */
export const BOARD_WEEKS = [2, 3, 'month', 6, 12] as const;
export type BoardWeeks = (typeof BOARD_WEEKS)[number];

/** What somebody chose last on a device: a board that is come back to is looked at alike. */
export const BOARD_COOKIE = 'aftermist-board';
const YEAR_S = 31_536_000;

export const boardCookie = (by: BoardBy, weeks: BoardWeeks): string =>
  `${BOARD_COOKIE}=${by}.${weeks}; path=/; max-age=${YEAR_S}; samesite=lax`;

/** What an address or a cookie names, where it is one of the ways. */
export const boardBy = (named: unknown): BoardBy | undefined => BOARD_BY.find((by) => by === named);
export const boardWeeks = (named: unknown): BoardWeeks | undefined =>
  BOARD_WEEKS.find((weeks) => String(weeks) === named);

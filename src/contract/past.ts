const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/;

/** The instant that a page is asked to begin before; the newest where the address names none. */
export const beforeIn = (asked: Record<string, string | string[] | undefined>): string | undefined => {
  const { before } = asked;
  return typeof before === 'string' && INSTANT.test(before) ? before : undefined;
};

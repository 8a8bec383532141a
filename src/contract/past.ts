/** A place in what was: an instant and, since several things may be of one instant, which of them. */
export interface PastPlace {
  at: string;
  id: string;
}

const PLACE = /^(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z)~([0-9a-f-]{36})$/;

/** The place that a page is asked to begin before; undefined, for the newest, where the address names none. */
export function beforeIn(asked: Record<string, string | string[] | undefined>): PastPlace | undefined {
  const { before } = asked;
  const [, at, id] = (typeof before === 'string' && PLACE.exec(before)) || [];
  return at !== undefined && id !== undefined ? { at, id } : undefined;
}

/** The place as an address names it. */
export const placeWords = ({ at, id }: PastPlace): string => `${at}~${id}`;

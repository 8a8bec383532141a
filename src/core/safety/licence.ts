import type { Trade } from '../sequence/trades';
import type { Day } from '../units/day';

/** Who may do work of a trade, until when. */
export interface Licence {
  trade: Trade;
  holder: string;
  number: string;
  /** The last day on which it holds; null where it does not run out. */
  expiresOn: Day | null;
}

/** What is known of a licence that a piece of work needs. */
export type LicenceStanding =
  | { kind: 'none' }
  | { kind: 'over'; holder: string; expiresOn: Day }
  | { kind: 'held'; holder: string; number: string; expiresOn: Day | null };

/**
 * Which licence somebody has for a trade on the last day of their work: of several the one that holds longest. It says
 * what is on record, not that somebody may: that is for the authority that gave it.
 * @param until the last day of the work
 */
export function licenceOn(trade: Trade, until: Day, theirs: readonly Licence[]): LicenceStanding {
  const [best] = theirs
    .filter((licence) => licence.trade === trade)
    .sort((a, b) => (lastDay(a) < lastDay(b) ? 1 : lastDay(a) > lastDay(b) ? -1 : 0));
  if (!best) return { kind: 'none' };
  const { holder, number, expiresOn } = best;
  return expiresOn !== null && expiresOn < until
    ? { kind: 'over', holder, expiresOn }
    : { kind: 'held', holder, number, expiresOn };
}

const NEVER = '9999-12-31';
const lastDay = ({ expiresOn }: Licence): Day => expiresOn ?? NEVER;

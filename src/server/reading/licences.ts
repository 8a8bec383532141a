import type { Trade } from '@/core/sequence/trades';
import { licenceOn, type Licence, type LicenceStanding } from '@/core/safety/licence';
import { groupBy } from '@/core/group-by';
import { crewOf, type CrewKey } from '@/core/sequence/crews';
import type { Day } from '@/core/units/day';
import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import { ofFirm, type FirmReading } from './reading';

/** Licences of subs and of the firm's own people, those that end first before others. */
export const licenceRows = ofFirm(({ db }) =>
  queryAll<Rows['licence']>(db, 'SELECT * FROM licence ORDER BY expires_on IS NULL, expires_on, trade, id'),
);

/** Trades in which only people with a licence may work here. */
export const licensedTrades = ofFirm(
  ({ db }): ReadonlySet<Trade> =>
    new Set(queryAll<Rows['licensed_trade']>(db, 'SELECT trade FROM licensed_trade').map(({ trade }) => trade)),
);

const byHolder = ofFirm((firm) => groupBy(licenceRows(firm), ({ sub }) => sub ?? ''));

/** The licences of whoever comes: a sub's, or the firm's own. */
const licencesOf = (firm: FirmReading, crew: CrewKey): Licence[] =>
  (byHolder(firm).get(crewOf(crew).of === 'own' ? '' : crew) ?? []).map(({ trade, holder, number, expires_on }) => ({
    ...{ trade, holder, number },
    expiresOn: expires_on,
  }));

/**
 * The licence that a piece of work needs by its last day; null where its trade needs none here, or nobody comes.
 * @param until the last day of the work
 */
export const licenceFor = (
  firm: FirmReading,
  { trade, crew }: { trade: Trade; crew: CrewKey | null },
  until: Day,
): LicenceStanding | null =>
  crew !== null && licensedTrades(firm).has(trade) ? licenceOn(trade, until, licencesOf(firm, crew)) : null;

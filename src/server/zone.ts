import type { ServerClock } from '@/contract/views/job';
import { dayIn, type Zone } from '@/core/units/zone';
import type { Day } from '@/core/units/day';
import type { Clock } from './clock';
import { queryOne } from './database/query';
import type { Connection } from './database/open';
import { readZone } from './environment.mjs';

/** The zone by whose days the firm works: its own setting, else the machine's. */
export const zoneOf = (db: Connection): Zone =>
  queryOne<{ zone: Zone | null }>(db, 'SELECT zone FROM firm')?.zone ?? readZone(process.env);

/** What browsers make and show times by. */
export const clockFor = ({ db, clock }: { db: Connection; clock: Clock }): ServerClock => ({
  zone: zoneOf(db),
  shiftMs: clock.shiftMs,
});

/** What a page says days and times by. */
export interface FirmTime {
  zone: Zone;
  today: Day;
}

export function firmTime({ db, clock }: { db: Connection; clock: Clock }): FirmTime {
  const zone = zoneOf(db);
  return { zone, today: dayIn(zone, clock.now()) };
}

/** The firm's day now. */
export const today = (installation: { db: Connection; clock: Clock }): Day => firmTime(installation).today;

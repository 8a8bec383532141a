import { forwardClock, makeClock, type Clock } from './clock';
import { execute, queryOne } from './database/query';
import type { Connection } from './database/open';
import { readNow } from './environment.mjs';

/** When the newest record was kept, of those since somebody put the clock right. */
function latestRecord(db: Connection): Date | undefined {
  const row = queryOne<{ applied_at: string }>(
    db,
    `SELECT applied_at
      FROM command_log
      WHERE seq > coalesce((SELECT after_seq FROM trusted_clock), 0)
      ORDER BY seq DESC
      LIMIT 1`,
  );
  return row && new Date(row.applied_at);
}

/** The clock of a house: the one that was set, else the machine's as far as it is believed. */
export const houseClock = (db: Connection, setTo = readNow(process.env), machine?: () => Date): Clock =>
  setTo ? makeClock(setTo) : forwardClock(() => latestRecord(db), machine);

/** From the next record on the machine's clock is believed again, whatever was recorded while it was wrong. */
export function trustClock(db: Connection, at: string): void {
  execute(
    db,
    `INSERT INTO trusted_clock (id, after_seq, at)
      VALUES (1, (SELECT coalesce(max(seq), 0) + 1 FROM command_log), @at)
      ON CONFLICT (id) DO UPDATE SET after_seq = excluded.after_seq, at = excluded.at`,
    { at },
  );
}

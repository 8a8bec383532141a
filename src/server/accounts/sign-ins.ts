import { addDays } from '@/core/units/day';
import { execute, insert, queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { Refusal } from '../refusal';
import type { From } from './sessions';

/** What happens at the door is kept for so long. */
const KEPT_DAYS = 90;

export type Outcome = Rows['sign_in']['outcome'];

/** Writes down who came in or tried, and forgets what is old. */
export function noteSignIn(
  db: Connection,
  { email, person, ...from }: From & { email: string; person: string | null },
  outcome: Outcome,
  now: string,
): void {
  insert(db, 'sign_in', { at: now, email: email.slice(0, 200), person, ...from, outcome });
  execute(db, 'DELETE FROM sign_in WHERE at < @before', { before: addDays(now.slice(0, 10), -KEPT_DAYS) });
}

/** That somebody tried to come in under one of these names is forgotten. */
export const forgetSignIns = (db: Connection, names: readonly string[]): void =>
  void execute(db, 'DELETE FROM sign_in WHERE lower(email) IN (SELECT value FROM json_each(@names))', {
    names: JSON.stringify(names.map((name) => name.trim().toLowerCase())),
  });

/** The newest of them. */
export const newestSignIns = (db: Connection, most: number): Rows['sign_in'][] =>
  queryAll<Rows['sign_in']>(db, 'SELECT * FROM sign_in ORDER BY id DESC LIMIT @most', { most });

/** Wrong tries that are counted, how many are free, and how long the wait after them grows to. */
const COUNTED_MS = 60 * 60_000;
const FREE = { email: 5, source: 20 };
const FIRST_WAIT_MS = 2_000;
const LONGEST_WAIT_MS = 15 * 60_000;

/**
 * Refuses one more try while somebody guesses: after a few wrong ones each waits twice as long as the one before, for an
 * address and for wherever they come from. Who came in with the address begins anew.
 */
export function needPatience(db: Connection, { email, source }: { email: string; source: string }, now: string): void {
  const wait = Math.max(waitOf(db, 'email', email, now), waitOf(db, 'source', source, now));
  if (wait <= 0) return;
  const seconds = Math.ceil(wait / 1000);
  throw new Refusal(
    429,
    {
      code: 'too-many-tries',
      message: `That was wrong several times. Try again in ${seconds < 90 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`}.`,
      field: 'password',
    },
    seconds,
  );
}

function waitOf(db: Connection, of: 'email' | 'source', value: string, now: string): number {
  const since = new Date(Date.parse(now) - COUNTED_MS).toISOString();
  const wrong = queryOne<{ count: number; last: string | null }>(
    db,
    `SELECT count(*) AS count, max(at) AS last
      FROM sign_in
      WHERE ${of} = @value AND at > @since AND outcome IN ('wrong', 'wrong code', 'closed')
        AND id > coalesce((SELECT max(id) FROM sign_in WHERE ${of} = @value AND outcome IN ('in', 'new password')), 0)`,
    { value, since },
  );
  const over = (wrong?.count ?? 0) - FREE[of];
  if (over < 0 || !wrong?.last) return 0;
  const wait = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** over);
  return Date.parse(wrong.last) + wait - Date.parse(now);
}

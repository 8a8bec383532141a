import { randomBytes } from 'node:crypto';
import type { AccountRole } from '@/contract/command';
import { addDays } from '@/core/units/day';
import { uuid } from '../database/id';
import { execute, insert, queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import type { Installation } from '../installation';
import { noteIfPossible } from '../storage-fault';
import { hashOf } from '../tokens';

/** Days without a visit after which a browser has to sign in anew, and those after which it has to in any case. */
const IDLE_DAYS = 14;
export const MOST_DAYS = 90;
/** So long nobody looks at the clock again: seeing somebody is a write. */
const SEEN_EVERY_MS = 5 * 60_000;

/** Whoever is signed in, of the firm or of a sub, and in which session. */
export interface Account {
  id: string;
  name: string;
  role: AccountRole;
  session: string;
}

/** From where and with what somebody comes. */
export interface From {
  device: string;
  source: string;
}

/** A browser in which a person is signed in from now on. @returns the secret that it keeps */
export function openSession(db: Connection, person: string, { device, source }: From, now: string): string {
  const token = randomBytes(32).toString('base64url');
  insert(db, 'session', {
    ...{ id: uuid(), person, token_hash: hashOf(token), device, source },
    ...{ made_at: now, seen_at: now },
  });
  return token;
}

/** Who is signed in with a secret, and which session it is; undefined where it is none any more. */
export function sessionOf(db: Connection, token: string, now: string): Account | undefined {
  const row = queryOne<Account & { made_at: string; seen_at: string }>(
    db,
    `SELECT person.id, person.name, person.role, session.id AS session, made_at, seen_at
      FROM session JOIN person ON person.id = session.person
      WHERE token_hash = @hash AND person.state = 'active'`,
    { hash: hashOf(token) },
  );
  if (!row) return undefined;
  const { made_at, seen_at, ...person } = row;
  if (seen_at < daysBefore(now, IDLE_DAYS) || made_at < daysBefore(now, MOST_DAYS)) return undefined;
  if (Date.parse(now) - Date.parse(seen_at) > SEEN_EVERY_MS) noteSeen(db, person.session, now);
  return person;
}

/** Where nothing can be written just now it is noted another time: who they are is known all the same. */
const noteSeen = (db: Connection, id: string, now: string): void =>
  noteIfPossible(() => execute(db, 'UPDATE session SET seen_at = @now WHERE id = @id', { now, id }));

const daysBefore = (now: string, days: number): string => addDays(now.slice(0, 10), -days) + now.slice(10);

/** Sessions of a person, the one seen last first. */
export const sessionsOf = (db: Connection, person: string): Rows['session'][] =>
  queryAll<Rows['session']>(db, 'SELECT * FROM session WHERE person = @person ORDER BY seen_at DESC, id', { person });

/** @returns whether it was theirs and is over now */
export const endSession = (db: Connection, person: string, id: string): boolean =>
  execute(db, 'DELETE FROM session WHERE id = @id AND person = @person', { id, person }) > 0;

/** Ends everything a person is signed in with, but for one where it is named. @returns how many */
export const endSessions = (db: Connection, person: string, but = ''): number =>
  execute(db, 'DELETE FROM session WHERE person = @person AND id <> @but', { person, but });

/** Those of everybody that are open now. */
export const liveSessions = ({ db, clock }: Pick<Installation, 'db' | 'clock'>): Rows['session'][] => {
  const now = clock.now().toISOString();
  return queryAll<Rows['session']>(db, 'SELECT * FROM session WHERE seen_at >= @idle AND made_at >= @old', {
    idle: daysBefore(now, IDLE_DAYS),
    old: daysBefore(now, MOST_DAYS),
  });
};

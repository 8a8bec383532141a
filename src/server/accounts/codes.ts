import { randomBytes, timingSafeEqual } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import { execute, insert, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { hashOf } from '../tokens';

/** One-time codes that a telephone shows, by RFC 6238: six digits, a new one every half minute. */
const PERIOD_S = 30;
/** A telephone's clock may be half a minute off. */
const WINDOW = 1;
const RECOVERY_CODES = 8;

const codesOf = (secret: string, account = ''): TOTP =>
  new TOTP({ issuer: 'Aftermist', label: account, secret: Secret.fromBase32(secret), digits: 6, period: PERIOD_S });

const factorOf = (db: Connection, person: string): Rows['second_factor'] | undefined =>
  queryOne<Rows['second_factor']>(db, 'SELECT * FROM second_factor WHERE person = @person', { person });

export const asksForCode = (db: Connection, person: string): boolean => Boolean(factorOf(db, person)?.confirmed_at);

/** A new secret that counts once a first code of it was right. @returns it, and the address that telephones read */
export function beginCodes(db: Connection, person: string, account: string): { secret: string; address: string } {
  const secret = new Secret({ size: 20 }).base32;
  endCodes(db, person);
  insert(db, 'second_factor', { person, secret });
  return { secret, address: codesOf(secret, account).toString() };
}

/** @returns the codes for the day on which the telephone is gone; undefined where the first code was wrong */
export function confirmCodes(db: Connection, person: string, code: string, now: string): string[] | undefined {
  const factor = factorOf(db, person);
  if (!factor || factor.confirmed_at || !takeCode(db, factor, code, now)) return undefined;
  const recovery = Array.from({ length: RECOVERY_CODES }, () => randomBytes(6).toString('hex'));
  execute(db, 'UPDATE second_factor SET confirmed_at = @now, recovery = @recovery WHERE person = @person', {
    ...{ person, now, recovery: JSON.stringify(recovery.map(hashOf)) },
  });
  return recovery;
}

export const endCodes = (db: Connection, person: string): void =>
  void execute(db, 'DELETE FROM second_factor WHERE person = @person', { person });

/** Whether a code is right now, once; a code for the day without a telephone counts once too. */
export function isCode(db: Connection, person: string, code: string, now: string): boolean {
  const factor = factorOf(db, person);
  return factor !== undefined && (takeCode(db, factor, code, now) || takeRecovery(db, factor, code));
}

function takeCode(
  db: Connection,
  { person, secret, last_step }: Rows['second_factor'],
  code: string,
  now: string,
): boolean {
  const timestamp = Date.parse(now);
  const delta = codesOf(secret).validate({ token: code.replace(/\s/g, ''), timestamp, window: WINDOW });
  if (delta === null) return false;
  const step = Math.floor(timestamp / 1000 / PERIOD_S) + delta;
  if (step <= last_step) return false;
  execute(db, 'UPDATE second_factor SET last_step = @step WHERE person = @person', { person, step });
  return true;
}

function takeRecovery(db: Connection, { person, recovery }: Rows['second_factor'], code: string): boolean {
  const hashes = JSON.parse(recovery) as string[];
  const given = Buffer.from(hashOf(code.replace(/[\s-]/g, '').toLowerCase()));
  const left = hashes.filter((hash) => !timingSafeEqual(Buffer.from(hash), given));
  if (left.length === hashes.length) return false;
  execute(db, 'UPDATE second_factor SET recovery = @left WHERE person = @person', {
    person,
    left: JSON.stringify(left),
  });
  return true;
}

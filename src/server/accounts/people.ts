import { hashSync } from '@node-rs/argon2';
import { execute, insert, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { unprocessable } from '../refusal';
import { endCodes } from './codes';
import { closeInvitations } from './invitations';
import { hashPassword, needHardPassword } from './passwords';
import { endSessions } from './sessions';

interface NewPerson {
  id: string;
  name: string;
  role: Rows['person']['role'];
  /** Whose work they see, where they are of a sub. */
  sub?: string | undefined;
  email?: string | undefined;
  phone?: string | undefined;
  /** The owner who founds the firm chooses it at once; everybody else by their invitation. */
  password?: string | undefined;
}

export function addPerson(db: Connection, { id, name, role, sub, email, phone, password }: NewPerson): void {
  if (password !== undefined) needHardPassword(password, [name, email ?? '']);
  insert(db, 'person', {
    ...{ id, name, role, sub: sub ?? null, email: email?.toLowerCase() || null, phone: phone ?? '' },
    password_hash: password === undefined ? null : hashSync(password),
  });
}

/** They see these jobs and no other from now on. */
export function setSees(
  db: Connection,
  person: string,
  { jobs, prices }: { jobs: readonly string[]; prices: boolean },
): void {
  execute(db, 'UPDATE person SET sees_prices = @prices, version = version + 1 WHERE id = @person', {
    person,
    prices: prices ? 1 : 0,
  });
  execute(db, 'DELETE FROM person_job WHERE person = @person', { person });
  for (const job of new Set(jobs)) insert(db, 'person_job', { person, job });
}

/** Whether somebody who runs the firm is still let in without them. */
export function needOwnerBesides(db: Connection, id: string): void {
  const other = queryOne(
    db,
    `SELECT 1 FROM person WHERE role = 'contractor' AND state = 'active' AND password_hash IS NOT NULL AND id <> @id`,
    { id },
  );
  const isOwner = queryOne(db, `SELECT 1 FROM person WHERE id = @id AND role = 'contractor'`, { id });
  if (isOwner && !other)
    throw unprocessable('last-owner', 'Nobody could run the firm then: make another one its contractor first.', 'id');
}

/** Nobody comes in as them any more, from anywhere. */
export function shutOut(db: Connection, id: string, state: 'suspended' | 'closed'): void {
  execute(db, 'UPDATE person SET state = @state, version = version + 1 WHERE id = @id', { id, state });
  endSessions(db, id);
  closeInvitations(db, id);
}

/** A password of their own, worked out beside everything else; refused where it is easily guessed. @returns its hash */
export async function newPasswordHash(
  db: Connection,
  { name, email }: Pick<Rows['person'], 'name' | 'email'>,
  password: string,
): Promise<string> {
  const firm = queryOne<{ name: string }>(db, 'SELECT name FROM firm')?.name ?? '';
  needHardPassword(password, [name, email ?? '', firm]);
  return await hashPassword(password);
}

/** The password counts from now on; whoever was signed in as them is out, but for one browser where it is named. */
export function keepPassword(db: Connection, id: string, hash: string, but = ''): void {
  execute(db, 'UPDATE person SET password_hash = @hash, version = version + 1 WHERE id = @id', { id, hash });
  endSessions(db, id, but);
}

/** Nothing is left by which somebody came in, nor from where. */
export function forgetAccount(db: Connection, person: string): void {
  endSessions(db, person);
  endCodes(db, person);
  execute(db, 'DELETE FROM invitation WHERE person = @person', { person });
  execute(db, 'DELETE FROM sign_in WHERE person = @person', { person });
  execute(db, 'UPDATE person SET password_hash = NULL, email = NULL, version = version + 1 WHERE id = @person', {
    person,
  });
}

/** The link by which somebody of a sub answers. */
export const keepOwnLink = (db: Connection, person: string, link: string): void =>
  void execute(db, 'UPDATE person SET own_link = @link WHERE id = @person', { person, link });

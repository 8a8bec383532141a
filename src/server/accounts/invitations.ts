import { addDays } from '@/core/units/day';
import { execute, insert, queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import type { Installation } from '../installation';
import { hashOf, tokenOf } from '../tokens';

/** Days in which an invitation is to be used. */
const OPEN_DAYS = 7;

/** What the secret of an invitation is made from. */
const invitationLink = (id: string): string => `invitation ${id}`;

export const invitationToken = (installation: Pick<Installation, 'secret'>, id: string): string =>
  tokenOf(installation, invitationLink(id));

/** A way in for a person who is to choose a password; the one before it opens nothing any more. */
export function invite(
  installation: Pick<Installation, 'secret' | 'db'>,
  { id, person }: { id: string; person: string },
  now: string,
): void {
  closeInvitations(installation.db, person);
  insert(installation.db, 'invitation', {
    ...{ id, person, token_hash: hashOf(invitationToken(installation, id)) },
    ...{ made_at: now, expires_at: addDays(now.slice(0, 10), OPEN_DAYS) + now.slice(10) },
  });
}

export const closeInvitations = (db: Connection, person: string): void =>
  void execute(db, 'DELETE FROM invitation WHERE person = @person AND used_at IS NULL', { person });

/** Whose invitation it is that opens now; undefined where it was used, is over, or its person is not let in. */
export const invitationOf = (
  db: Connection,
  token: string,
  now: string,
): (Pick<Rows['person'], 'id' | 'name' | 'email'> & { invitation: string }) | undefined =>
  queryOne(
    db,
    `SELECT person.id, person.name, person.email, invitation.id AS invitation
      FROM invitation JOIN person ON person.id = invitation.person
      WHERE invitation.token_hash = @hash AND used_at IS NULL AND expires_at > @now AND person.state = 'active'`,
    { hash: hashOf(token), now },
  );

export const useInvitation = (db: Connection, id: string, now: string): void =>
  void execute(db, 'UPDATE invitation SET used_at = @now WHERE id = @id', { id, now });

/** Those of everybody that open now. */
export const openInvitations = ({ db, clock }: Pick<Installation, 'db' | 'clock'>): Rows['invitation'][] =>
  queryAll<Rows['invitation']>(db, 'SELECT * FROM invitation WHERE used_at IS NULL AND expires_at > @now', {
    now: clock.now().toISOString(),
  });

/** Those that nobody has used open nothing any more. */
export const dropInvitations = (db: Connection): void =>
  void execute(db, 'DELETE FROM invitation WHERE used_at IS NULL');

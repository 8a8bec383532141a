import { toDataURL } from 'qrcode';
import { queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import type { Installation } from '../installation';
import { notFound, Refusal, unprocessable } from '../refusal';
import { asksForCode, beginCodes, confirmCodes, endCodes } from './codes';
import { invitationOf, useInvitation } from './invitations';
import { isPassword } from './passwords';
import { keepPassword, newPasswordHash } from './people';
import type { From } from './sessions';
import { needPatience, noteSignIn } from './sign-ins';

/** What somebody does about their own account, with nobody else's word. */

type Account = Pick<Rows['person'], 'id' | 'name' | 'email' | 'password_hash'>;

function accountOf({ db }: Installation, id: string): Account {
  const row = queryOne<Account>(db, 'SELECT id, name, email, password_hash FROM person WHERE id = @id', { id });
  if (!row) throw notFound('person');
  return row;
}

const at = ({ clock }: Installation): string => clock.now().toISOString();

/** Refuses whoever does not know the password of the account they are in; who guesses has to wait. */
async function needOwnPassword(
  installation: Installation,
  account: Account,
  password: string,
  from: From,
  field: string,
) {
  const { db } = installation;
  const email = account.email ?? account.id;
  needPatience(db, { email, source: from.source }, at(installation));
  if (await isPassword(account.password_hash, password)) return;
  noteSignIn(db, { email, person: account.id, ...from }, 'wrong', at(installation));
  throw new Refusal(401, { code: 'wrong-password', message: 'That is not your password.', field });
}

/** Another password; every other browser is signed out. */
export async function changePassword(
  installation: Installation,
  { id, session = '' }: { id: string; session?: string | undefined },
  { old, password }: { old: string; password: string },
  from: From,
): Promise<void> {
  const account = accountOf(installation, id);
  await needOwnPassword(installation, account, old, from, 'old');
  keepPassword(installation.db, id, await newPasswordHash(installation.db, account, password), session);
  noteSignIn(installation.db, { email: account.email ?? '', person: id, ...from }, 'new password', at(installation));
}

/** A password by an invitation, which opens once. @returns whose it is */
export async function join(installation: Installation, token: string, password: string, from: From): Promise<string> {
  const { db } = installation;
  const invited = invitationOf(db, token, at(installation));
  if (!invited) throw closed();
  const hash = await newPasswordHash(db, invited, password);
  // While it was worked out somebody else may have used the same invitation, or it was taken back.
  const known = invitationOf(db, token, at(installation));
  if (!known) throw closed();
  useInvitation(db, known.invitation, at(installation));
  keepPassword(db, known.id, hash);
  noteSignIn(db, { email: known.email ?? '', person: known.id, ...from }, 'new password', at(installation));
  return known.id;
}

const closed = (): Refusal =>
  new Refusal(404, {
    code: 'invitation-over',
    message: 'This invitation was used or is over. Ask for a new one.',
    field: 'password',
  });

/** A secret for a telephone, as it is typed and as it is read by a camera. */
export async function newCodes(
  installation: Installation,
  { id }: { id: string },
): Promise<{ secret: string; picture: string }> {
  if (asksForCode(installation.db, id))
    throw unprocessable('codes-already', 'Codes are asked for already. Stop asking for them first.');
  const { name, email } = accountOf(installation, id);
  const { secret, address } = beginCodes(installation.db, id, email ?? name);
  return { secret, picture: await toDataURL(address, { margin: 1, width: 240 }) };
}

/** @returns codes for the day on which the telephone is gone */
export function firstCode(installation: Installation, { id }: { id: string }, code: string): string[] {
  const recovery = confirmCodes(installation.db, id, code, at(installation));
  if (!recovery)
    throw unprocessable('wrong-code', 'That is not the code of this moment. Wait for the next one.', 'code');
  return recovery;
}

/** No code is asked for any more; the password has to be right. */
export async function dropCodes(installation: Installation, { id }: { id: string }, password: string): Promise<void> {
  const account = accountOf(installation, id);
  if (!(await isPassword(account.password_hash, password)))
    throw new Refusal(401, { code: 'wrong-password', message: 'That is not your password.', field: 'password' });
  endCodes(installation.db, id);
}

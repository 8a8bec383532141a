import { queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import type { Installation } from '../installation';
import { Refusal } from '../refusal';
import { asksForCode, isCode } from './codes';
import { isPassword } from './passwords';
import { openSession, type From } from './sessions';
import { needPatience, noteSignIn, type Outcome } from './sign-ins';

/** What somebody gives to come in; the code where their account asks for one. */
interface Proof {
  email: string;
  password: string;
  code?: string | undefined;
}

/**
 * Lets somebody in, or says why not; every try is written down, and one after many wrong ones has to wait.
 * @returns the person and the secret that their browser keeps
 */
export async function signIn(
  installation: Installation,
  { email: given, password, code }: Proof,
  from: From,
): Promise<{ person: string; token: string }> {
  const { db } = installation;
  const email = given.trim().toLowerCase();
  const at = (): string => installation.clock.now().toISOString();
  needPatience(db, { email, source: from.source }, at());
  const row = queryOne<Pick<Rows['person'], 'id' | 'password_hash' | 'state'>>(
    db,
    'SELECT id, password_hash, state FROM person WHERE email = @email',
    { email },
  );
  const isRight = await isPassword(row?.password_hash, password);
  const person = isRight && row ? row.id : null;
  const note = (outcome: Outcome): void => noteSignIn(db, { email, person, ...from }, outcome, at());
  if (person === null || row === undefined) {
    note('wrong');
    throw wrong('wrong-password', 'E-mail and password do not belong together.', 'password');
  }
  if (row.state !== 'active') {
    note('closed');
    throw wrong('not-let-in', 'This account is closed. Ask the contractor of the firm.', 'email');
  }
  if (asksForCode(db, person)) {
    if (!code) throw wrong('code-needed', 'Now the code that your telephone shows.', 'code');
    if (!isCode(db, person, code, at())) {
      note('wrong code');
      throw wrong('wrong-code', 'That is not the code of this moment. Wait for the next one.', 'code');
    }
  }
  const token = openSession(db, person, from, at());
  note('in');
  return { person, token };
}

const wrong = (code: string, message: string, field: string): Refusal => new Refusal(401, { code, message, field });

import { cookies, headers } from 'next/headers';
import { routes } from '@/contract/routes';
import type { PersonView } from '@/contract/views/job';
import { endSession, MOST_DAYS, openSession, sessionOf, type Account } from '../accounts/sessions';
import { queryOne } from '../database/query';
import type { Actor } from '../door/actor';
import { installation } from '../open-installation';
import { readyOwnPage } from '../public/own';
import { notFound, Refusal } from '../refusal';
import { fromOf } from './from';

const isSecure = (): boolean => process.env.AFTERMIST_SECURE === '1';
/** Bound to the host where it travels encrypted; over plain HTTP on the firm's own network browsers take no such name. */
const cookieName = (): string => (isSecure() ? '__Host-aftermist' : 'aftermist');
const DAY_S = 86_400;

const now = (): string => installation().clock.now().toISOString();

/** Somebody of the firm, and which session it is. */
type SignedIn = PersonView & { session: string };

/** Which account is signed in on the browser that asks, by its own cookie. */
async function accountHere(): Promise<Account | undefined> {
  const token = (await cookies()).get(cookieName())?.value;
  return token ? sessionOf(installation().db, token, now()) : undefined;
}

/** Who of the firm is signed in on the browser that asks; nobody is by the demo alone. */
export const sessionHere = async (): Promise<SignedIn | undefined> => ofFirm(await accountHere());

/** Who of a sub is: everything of the firm is closed to them, as to nobody, but for their own page. */
export async function subHere(): Promise<Account | undefined> {
  const account = await accountHere();
  return account?.role === 'sub' ? account : undefined;
}

function ofFirm(account: Account | undefined): SignedIn | undefined {
  if (!account || account.role === 'sub') return undefined;
  const { role, ...person } = account;
  return { ...person, role };
}

/** Who is signed in. The demo signs every visitor in as its contractor, but for who is there as a sub. */
export async function signedIn(): Promise<(PersonView & { session?: string }) | undefined> {
  const account = await accountHere();
  if (account || !installation().demo) return ofFirm(account);
  return queryOne<PersonView>(
    installation().db,
    `SELECT id, name, role FROM person WHERE role = 'contractor' AND state = 'active' ORDER BY rowid`,
  );
}

/** Refuses whoever has no session. */
export async function needSession(): Promise<PersonView & { session?: string }> {
  const known = await signedIn();
  if (!known) throw new Refusal(401, { code: 'not-signed-in', message: 'Sign in first.' });
  return known;
}

/** Switches person without a password: only in the demo, where all people are invented. */
export async function become(id: string): Promise<void> {
  const { db, demo } = installation();
  if (!demo) throw new Refusal(403, { code: 'not-the-demo', message: 'People are switched only in the demo.' });
  if (!queryOne(db, `SELECT 1 FROM person WHERE id = @id AND state = 'active'`, { id }))
    throw notFound('person', 'person');
  await letIn(id);
}

export async function whoAsks(): Promise<Actor> {
  const known = await signedIn();
  if (!known) return { kind: 'founder' };
  const { id, name, role } = known;
  return { kind: 'person', id, name, role };
}

/** Signs a person in on the browser that asks. */
export async function letIn(id: string): Promise<void> {
  readyOwnPage(installation(), id);
  await keepToken(openSession(installation().db, id, await fromRequest(), now()));
}

/** The secret of a session, kept by the browser alone: no script reads it, no other site sends it. */
export async function keepToken(token: string): Promise<void> {
  (await cookies()).set(cookieName(), token, {
    ...{ httpOnly: true, sameSite: 'lax', secure: isSecure(), path: routes.today() },
    maxAge: MOST_DAYS * DAY_S,
  });
}

export async function signOut(): Promise<void> {
  const known = await accountHere();
  if (known) endSession(installation().db, known.id, known.session);
  (await cookies()).delete({ name: cookieName(), path: routes.today(), secure: isSecure() });
}

/** From where and with what the request of now comes. */
export const fromRequest = async (): Promise<ReturnType<typeof fromOf>> => fromOf(await headers());

export const isFounded = (): boolean => queryOne(installation().db, 'SELECT 1 FROM firm') !== undefined;

import { routes } from '@/contract/routes';
import { verifySync } from '@node-rs/argon2';
import { getIronSession, type SessionOptions } from 'iron-session';
import { cookies } from 'next/headers';
import type { PersonView } from '@/contract/views/job';
import { queryOne } from '../database/query';
import { notFound, Refusal } from '../refusal';
import { installation } from '../open-installation';
import type { Actor } from '../door/actor';

interface Session {
  person?: string;
}

const options = (): SessionOptions => ({
  password: installation().secret,
  cookieName: 'aftermist',
  // Served over plain HTTP on the firm's own machine as well as behind a proxy with a certificate.
  cookieOptions: {
    httpOnly: true,
    sameSite: 'lax',
    secure: process.env.AFTERMIST_SECURE === '1',
    path: routes.today(),
  },
});

const session = async (): Promise<Awaited<ReturnType<typeof getIronSession<Session>>>> =>
  getIronSession<Session>(await cookies(), options());

const person = (id: string): PersonView | undefined =>
  queryOne<PersonView>(installation().db, 'SELECT id, name, role FROM person WHERE id = @id', { id });

/** Who is signed in. The demo signs every visitor in as its contractor. */
export async function signedIn(): Promise<PersonView | undefined> {
  const { person: id } = await session();
  const known = id ? person(id) : undefined;
  if (known || !installation().demo) return known;
  return queryOne<PersonView>(
    installation().db,
    `SELECT id, name, role FROM person WHERE role = 'contractor' ORDER BY rowid`,
  );
}

/** Refuses whoever has no session. */
export async function needSession(): Promise<PersonView> {
  const known = await signedIn();
  if (!known) throw new Refusal(401, { code: 'not-signed-in', message: 'Sign in first.' });
  return known;
}

/** Switches person without a password: only in the demo, where all people are invented. */
export async function become(id: string): Promise<void> {
  if (!installation().demo)
    throw new Refusal(403, { code: 'not-the-demo', message: 'People are switched only in the demo.' });
  if (!person(id)) throw notFound('person', 'person');
  await signIn(id);
}

export async function whoAsks(): Promise<Actor> {
  const known = await signedIn();
  return known ? { kind: 'person', ...known } : { kind: 'founder' };
}

export async function signIn(id: string): Promise<void> {
  const current = await session();
  current.person = id;
  await current.save();
}

export async function signOut(): Promise<void> {
  (await session()).destroy();
}

/** A hash of nothing anybody knows: checking it takes as long as a real one, so that timing tells no names. */
const NOBODY = '$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRzb21lc2FsdA$Yc0vHk6ZkqQJ6CV6Nk4yP0R6m7rGZ1M1l4C2kYxw1pE';

/** @returns the person's id, undefined where address and password do not belong together */
export function checkPassword(email: string, password: string): string | undefined {
  const row = queryOne<{ id: string; password_hash: string | null }>(
    installation().db,
    'SELECT id, password_hash FROM person WHERE email = @email',
    { email: email.trim().toLowerCase() },
  );
  const right = verifySync(row?.password_hash ?? NOBODY, password);
  return right && row?.password_hash ? row.id : undefined;
}

export const isFounded = (): boolean => queryOne(installation().db, 'SELECT 1 FROM firm') !== undefined;

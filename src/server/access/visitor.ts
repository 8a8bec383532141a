import { routes } from '@/contract/routes';
import { notFound, redirect } from 'next/navigation';
import type { PersonView } from '@/contract/views/job';
import { Refusal } from '../refusal';
import { installation } from '../open-installation';
import type { Installation } from '../installation';
import { sharing } from '../reading/kept';
import { inThread, type Terms as ThreadTermsOf } from '../threads/in-thread';
import type { Tasks } from '../threads/tasks';
import { isFounded, signedIn } from './session';

/** Who looks at a page; sends everybody else to where they can come in. */
export async function visitor(): Promise<PersonView> {
  if (!isFounded()) redirect(routes.welcome());
  return (await signedIn()) ?? redirect(routes.signIn());
}

/** What a page shows, read of one moment; an id that is not ours is a page that does not exist. */
export async function shown<View>(
  query: (installation: Installation, person: PersonView) => View,
): Promise<{ person: PersonView; view: View }> {
  const person = await visitor();
  const read = installation();
  try {
    return { person, view: read.db.transaction(() => query(sharing(read), person))() };
  } catch (error) {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  }
}

/** The same for what takes long to be worked out: in a thread, so that nobody else waits for it. */
export async function shownFromThread<Name extends keyof Tasks>(
  name: Name,
  ...terms: ThreadTermsOf<Name>
): Promise<{ person: PersonView; view: Awaited<ReturnType<Tasks[Name]>> }> {
  const person = await visitor();
  try {
    return { person, view: await inThread(installation(), { name }, ...terms) };
  } catch (error) {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  }
}

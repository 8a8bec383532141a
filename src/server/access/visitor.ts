import { publicRoutes, routes } from '@/contract/routes';
import { notFound, redirect } from 'next/navigation';
import type { PersonView } from '@/contract/views/job';
import { Refusal } from '../refusal';
import { isMet, type Need } from '../rights/need';
import { needAllSeen, seesOf, type Sees } from '../rights/sees';
import { installation } from '../open-installation';
import type { Installation } from '../installation';
import { sharing } from '../reading/kept';
import { inThread, type Terms as ThreadTermsOf } from '../threads/in-thread';
import type { Tasks } from '../threads/tasks';
import { OWN } from '../public/own';
import { isFounded, signedIn, subHere } from './session';

/** Who looks at a page; sends everybody else to where they can come in. */
export async function visitor(need: Need): Promise<PersonView> {
  if (!isFounded()) redirect(routes.welcome());
  const person = (await signedIn()) ?? redirect((await subHere()) ? publicRoutes.page(OWN) : routes.signIn());
  if (!isMet(need, person, seesOf(installation().db, person))) notFound();
  return person;
}

/** The house as somebody sees it. */
const asSeenBy = (person: PersonView): Installation & { sees: Sees } => {
  const house = installation();
  return { ...house, sees: seesOf(house.db, person) };
};

/**
 * What a page shows, read of one moment; an id that is not ours is a page that does not exist.
 * @param need who may look at it at all: for everybody else it does not exist either
 */
export async function shown<View>(
  need: Need,
  query: (installation: Installation, person: PersonView) => View,
): Promise<{ person: PersonView; view: View }> {
  const person = await visitor(need);
  const read = asSeenBy(person);
  try {
    return { person, view: read.db.transaction(() => query(sharing(read), person))() };
  } catch (error) {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  }
}

/** The same for what takes long to be worked out: in a thread, so that nobody else waits for it. */
export async function shownFromThread<Name extends keyof Tasks>(
  need: Need,
  name: Name,
  ...terms: ThreadTermsOf<Name>
): Promise<{ person: PersonView; view: Awaited<ReturnType<Tasks[Name]>> }> {
  const person = await visitor(need);
  const { db, sees } = asSeenBy(person);
  try {
    // Placed on the whole firm, of a job that is theirs.
    needAllSeen(db, sees, terms);
    return { person, view: await inThread(installation(), { name }, ...terms) };
  } catch (error) {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  }
}

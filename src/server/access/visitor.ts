import { routes } from '@/contract/routes';
import { notFound, redirect } from 'next/navigation';
import type { PersonView } from '@/contract/views/job';
import { Refusal } from '../dispatch/refusal';
import { isFounded, signedIn } from './session';

/** Who looks at a page; sends everybody else to where they can come in. */
export async function visitor(): Promise<PersonView> {
  if (!isFounded()) redirect(routes.welcome());
  return (await signedIn()) ?? redirect(routes.signIn());
}

/** What a query answers for a page; an id that is not ours is a page that does not exist. */
export async function shown<View>(query: () => View): Promise<{ person: PersonView; view: View }> {
  const person = await visitor();
  try {
    return { person, view: query() };
  } catch (error) {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  }
}

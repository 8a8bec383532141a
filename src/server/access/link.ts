import { installation } from '../open-installation';
import { openLink, type OpenLink } from '../public/links';
import { OWN, ownLink } from '../public/own';
import { subHere } from './session';

/** The link that a page outside is asked for with: by its secret, or by a sub’s own sign-in. */
export async function linkOf(token: string): Promise<OpenLink | undefined> {
  if (token !== OWN) return openLink(installation(), token);
  const account = await subHere();
  return account && ownLink(installation(), account.id);
}

import { LONGEST_LINK_DAYS } from '@/core/news/link-life';
import { addDays } from '@/core/units/day';
import { keepOwnLink } from '../accounts/people';
import { uuid } from '../database/id';
import { queryOne } from '../database/query';
import type { Installation } from '../installation';
import { addLink } from '../news/links';
import { today } from '../zone';
import type { OpenLink } from './links';

/** How the page of whoever is signed in as a sub is asked for. */
export const OWN = 'own';

/**
 * Makes the link by which somebody of a sub answers on their own page, where they have none: what they say is theirs as what
 * comes by any link. It opens by their session alone.
 */
export function readyOwnPage(installation: Installation, person: string): void {
  const { db, clock } = installation;
  const account = queryOne<{ name: string; sub: string | null }>(
    db,
    'SELECT name, sub FROM person WHERE id = @person',
    { person },
  );
  if (!account?.sub || ownLink(installation, person)) return;
  const [id, sub, recipient] = [uuid(), account.sub, account.name];
  const expiresOn = addDays(today(installation), LONGEST_LINK_DAYS);
  db.transaction(() => {
    addLink({ db, installation, now: clock.now().toISOString() }, { id, audience: 'sub', sub, recipient, expiresOn });
    keepOwnLink(db, person, id);
  }).immediate();
}

/** The link of somebody's own page: it lives as long as they may come in, unless it was revoked. */
export const ownLink = ({ db }: Installation, person: string): OpenLink | undefined =>
  queryOne<OpenLink>(
    db,
    `SELECT share_link.*
      FROM person
      JOIN share_link ON share_link.id = person.own_link
      WHERE person.id = @person AND person.state = 'active' AND revoked_at IS NULL AND share_link.sub = person.sub`,
    { person },
  );

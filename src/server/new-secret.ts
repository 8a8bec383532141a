import { dropInvitations } from './accounts/invitations';
import type { Connection } from './database/open';
import { newLinkTokens } from './news/links';
import { newFeedTokens } from './schedule/plan-commands';
import { keepSecret, writeSecret } from './secret';

/** A new secret for a house, and every link and calendar made anew from it. @returns how many */
export function newSecret(db: Connection, folder: string): number {
  const secret = writeSecret(folder);
  return db.transaction(() => {
    keepSecret(db, secret);
    // Whoever waits for an invitation is invited again.
    dropInvitations(db);
    return newLinkTokens(db, secret) + newFeedTokens(db, secret);
  })();
}

import type { Audience } from '@/contract/commands/news';
import { hashOf, tokenOf } from '../tokens';
import { today } from '../zone';
import { execute, insert, orNull } from '../database/query';
import type { Connection } from '../database/open';
import type { CommandContext } from '../door/handler';
import { unprocessable } from '../refusal';

/** A link of somebody's own; only what its secret comes to is kept. */
export function addLink(
  context: CommandContext,
  link: {
    id: string;
    audience: Audience;
    job?: string | undefined;
    sub?: string | undefined;
    recipient: string;
    expiresOn: string;
  },
): void {
  if (link.expiresOn < today(context.installation))
    throw unprocessable('expired', 'The last day of the link is in the past; choose today or later.', 'expiresOn');
  insert(context.db, 'share_link', {
    id: link.id,
    job: orNull(link.job),
    sub: orNull(link.sub),
    audience: link.audience,
    recipient: link.recipient,
    token_hash: hashOf(tokenOf(context.installation, link.id)),
    made_at: context.now,
    expires_on: link.expiresOn,
  });
}

export const revokeLink = (db: Connection, id: string, now: string): void =>
  void execute(db, 'UPDATE share_link SET revoked_at = @now WHERE id = @id', { id, now });

export const countOpened = (db: Connection, id: string, now: string): void =>
  void execute(db, 'UPDATE share_link SET opened = opened + 1, opened_at = @now WHERE id = @id', { id, now });

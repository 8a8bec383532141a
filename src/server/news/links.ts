import { LONGEST_LINK_DAYS } from '@/core/news/link-life';
import { addDays, formatDay } from '@/core/units/day';
import type { Audience } from '@/contract/commands/news';
import { hashOf, tokenOf } from '../tokens';
import { today } from '../zone';
import { execute, insert, orNull, queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { CommandContext } from '../door/handler';
import { unprocessable } from '../refusal';

/** A link of somebody's own; only what its secret comes to is kept. */
export function addLink(
  context: Pick<CommandContext, 'db' | 'installation' | 'now'>,
  link: {
    id: string;
    audience: Audience;
    job?: string | undefined;
    sub?: string | undefined;
    request?: string | undefined;
    inspection?: string | undefined;
    recipient: string;
    expiresOn: string;
  },
): void {
  if (link.expiresOn < today(context.installation))
    throw unprocessable('expired', 'The last day of the link is in the past; choose today or later.', 'expiresOn');
  const last = addDays(today(context.installation), LONGEST_LINK_DAYS);
  if (link.expiresOn > last)
    throw unprocessable('too-long', `A link opens for a year at most: until ${formatDay(last)} by now.`, 'expiresOn');
  insert(context.db, 'share_link', {
    id: link.id,
    job: orNull(link.job),
    sub: orNull(link.sub),
    request: orNull(link.request),
    inspection: orNull(link.inspection),
    audience: link.audience,
    recipient: link.recipient,
    token_hash: hashOf(tokenOf(context.installation, link.id)),
    made_at: context.now,
    expires_on: link.expiresOn,
  });
}

export const revokeLink = (db: Connection, id: string, now: string): void =>
  void execute(db, 'UPDATE share_link SET revoked_at = @now WHERE id = @id', { id, now });

/** From where somebody outside answered. */
export function noteAnswer(
  db: Connection,
  link: string,
  {
    command,
    type,
    at,
    ...from
  }: { command: string; type: string; at: string; source: string; device: string; person: string | null },
): void {
  insert(db, 'link_answer', { command, share_link: link, type, at, ...from });
}

/** From where somebody answered is forgotten; that they did stays. */
export const forgetOriginsOf = (db: Connection, recipients: readonly string[]): void =>
  void execute(
    db,
    `UPDATE link_answer SET source = '', device = '' WHERE share_link IN (
      SELECT id FROM share_link WHERE lower(recipient) IN (SELECT value FROM json_each(@recipients)))`,
    { recipients: JSON.stringify(recipients.map((name) => name.trim().toLowerCase())) },
  );

/** The same of everybody who answered before an instant. @returns how many */
export const forgetOriginsBefore = (db: Connection, before: string): number =>
  execute(db, `UPDATE link_answer SET source = '', device = '' WHERE at < @before AND source <> ''`, { before });

/** Whoever looks again within so many minutes is still at the same opening. */
const SAME_OPENING_MINUTES = 10;

export const countOpened = (db: Connection, id: string, now: string): void =>
  void execute(
    db,
    `UPDATE share_link SET opened = opened + 1, opened_at = @now
      WHERE id = @id AND (opened_at IS NULL OR opened_at > @now OR opened_at < @before)`,
    { id, now, before: new Date(Date.parse(now) - SAME_OPENING_MINUTES * 60_000).toISOString() },
  );

/** Every link made anew from another secret. @returns how many */
export function newLinkTokens(db: Connection, secret: string): number {
  const links = queryAll<{ id: string }>(db, 'SELECT id FROM share_link');
  for (const { id } of links)
    execute(db, 'UPDATE share_link SET token_hash = @hash WHERE id = @id', {
      id,
      hash: hashOf(tokenOf({ secret }, id)),
    });
  return links.length;
}

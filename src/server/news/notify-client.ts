import type { Audience } from '@/contract/commands/news';
import { hashOf, tokenOf } from '../tokens';
import { today } from '../zone';
import { insert, orNull } from '../database/query';
import type { CommandContext } from '../door/handler';
import { Refusal, unprocessable } from '../refusal';

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

export interface Sending {
  updateId: string;
  messageId: string;
  linkId: string;
  name: string;
  address: string;
  expiresOn: string;
}

/** Sends the client of a job a message with a link of their own: news that is not about a walk. */
export function notifyClient(
  context: CommandContext,
  job: string,
  words: { title: string; body: string },
  to: Sending,
): void {
  addLink(context, { id: to.linkId, audience: 'client', job, recipient: to.name, expiresOn: to.expiresOn });
  insert(context.db, 'job_update', {
    id: to.updateId,
    job,
    walk: null,
    audience: 'client',
    ...words,
    made_at: context.now,
    state: 'sent',
    sent_at: context.now,
  });
  insert(context.db, 'message', {
    id: to.messageId,
    job_update: to.updateId,
    share_link: to.linkId,
    recipient: to.name,
    address: to.address,
    state: 'queued',
    queued_at: context.now,
  });
  context.installation.news.emit('queued');
}

/** The job whose client holds the link that this came by; a client answers for their own job only. */
export function needClientOf(context: CommandContext, job: string): void {
  if (context.who.kind !== 'link' || context.who.audience !== 'client' || context.who.job !== job)
    throw new Refusal(403, { code: 'not-allowed', message: 'Only the client of this job can answer this.' });
}

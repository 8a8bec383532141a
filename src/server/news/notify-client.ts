import { insert } from '../database/query';
import type { CommandContext } from '../door/handler';
import { Refusal } from '../refusal';
import { addLink } from './links';
import { addSent } from './updates';

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
  addSent(context.db, { id: to.updateId, job, audience: 'client', ...words }, context.now);
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

import { uuid } from '../database/id';
import { queryOne } from '../database/query';
import type { CommandContext } from '../door/handler';
import { readFirm } from '../reading/reading';
import { writerOf } from '../reading/firm';
import { Refusal } from '../refusal';
import { addLink } from './links';
import { addMessage } from './messages';
import { addSent } from './updates';

export interface Sending {
  updateId: string;
  messageId: string;
  linkId: string;
  name: string;
  address: string;
  expiresOn: string;
}

interface Words {
  title: string;
  body: string;
}

/** Sends the client of a job a message with a link of their own: news that is not about a walk. */
export const notifyClient = (context: CommandContext, job: string, words: Words, to: Sending): void =>
  notify(context, { audience: 'client', job }, job, words, to);

/** Sends a sub a message with a link to their own page. @param job the first of the jobs it is about */
export const notifySub = (context: CommandContext, sub: string, job: string, words: Words, to: Sending): void =>
  notify(context, { audience: 'sub', sub }, job, words, to);

/** Sends a neighbour a message with a link to their page. */
export const notifyNeighbour = (context: CommandContext, job: string, words: Words, to: Sending): void =>
  notify(context, { audience: 'neighbour', job }, job, words, to);

/** Sends an engineer, an office or an association a message with a link to a page of one question, or of one visit. */
export const notifyParty = (
  context: CommandContext,
  job: string,
  of: { request: string } | { inspection: string },
  words: Words,
  to: Sending,
): void => notify(context, { audience: 'party', job, ...of }, job, words, to);

type Whose =
  | { audience: 'client' | 'neighbour'; job: string }
  | { audience: 'sub'; sub: string }
  | { audience: 'party'; job: string; request?: string; inspection?: string };

function notify(context: CommandContext, whose: Whose, job: string, words: Words, to: Sending): void {
  addLink(context, { id: to.linkId, ...whose, recipient: to.name, expiresOn: to.expiresOn });
  const audience = whose.audience === 'sub' ? 'crew' : whose.audience;
  addSent(context.db, { id: to.updateId, job, audience, ...words }, context.now);
  addMessage(context, {
    ...{ id: to.messageId, job_update: to.updateId, share_link: to.linkId },
    ...{ recipient: to.name, address: to.address },
  });
}

/**
 * Writes to the client of a job what was just answered in their name, at the address that the firm has of them: whoever
 * answered without being asked to is found out. It goes nowhere where the firm has no address.
 */
export function confirmToClient(
  context: CommandContext,
  job: string,
  { name, what }: { name: string; what: string },
): void {
  if (context.who.kind !== 'link') return;
  const client = queryOne<{ client: string; client_email: string }>(
    context.db,
    'SELECT client, client_email FROM job WHERE id = @job',
    { job },
  );
  if (!client?.client_email) return;
  const { name: writer, phone } = writerOf(readFirm(context.installation));
  const [update, message] = [uuid(), uuid()];
  const call = phone ? `${writer}, ${phone}` : writer;
  addSent(
    context.db,
    {
      ...{ id: update, job, audience: 'client', title: `We have your answer: ${what}` },
      body: `${name} answered on your page: ${what}.\n\nIf this was not you, or not what you meant, call ${call} before we go by it.`,
    },
    context.now,
  );
  addMessage(context, {
    ...{ id: message, job_update: update, share_link: context.who.id },
    ...{ recipient: client.client || name, address: client.client_email },
  });
}

/** A question is answered by whoever was sent the link of it. */
export function needAskedOf(context: CommandContext, request: string): void {
  if (context.who.kind !== 'link' || context.who.request !== request)
    throw new Refusal(403, { code: 'not-allowed', message: 'Only whoever was asked this can answer it.' });
}

/** The job whose client holds the link that this came by; a client answers for their own job only. */
export function needClientOf(context: CommandContext, job: string): void {
  if (context.who.kind !== 'link' || context.who.audience !== 'client' || context.who.job !== job)
    throw new Refusal(403, { code: 'not-allowed', message: 'Only the client of this job can answer this.' });
}

import { daysNamed, isOwnLine, textChanges } from '@/core/news/own-words';
import { counted } from '@/core/words/count';
import { execute } from '../database/query';
import { handlers, prepared, requireRow, type CommandContext } from '../door/handler';
import type { Prepared } from '../door/prepared';
import { isChangedSince } from '../reading/log';
import { messageOfLink } from '../reading/updates';
import { Refusal, unprocessable } from '../refusal';
import { clientGoesBy } from './end-day';
import { addLink, revokeLink } from './links';
import { addMessage, sendAgain } from './messages';
import { addSent, readerTold, unwriteLine, writeLine } from './updates';
import { today } from '../zone';

/** What is sent has to be what was read: where it would be another now, what differs is told and nothing goes out. */
function needAsRead(context: CommandContext, job: string, body: string): Prepared['update.send'] {
  const now = prepared(context, 'update.send');
  if (isChangedSince(context.db, now.asOf, job) || now.text !== body) {
    const { gone, come } = textChanges(body, now.text);
    const [was, is] = [gone[0], come[0]];
    throw unprocessable(
      'changed-since',
      was === undefined && is === undefined
        ? 'Something was recorded just now. Read it once more, then send it.'
        : `This has changed since you read it${was ? `: “${was}” is no longer so` : ''}` +
            `${is ? `${was ? '; now' : ': new is'} “${is}”` : ''}. Read it once more, then send it.`,
      'body',
    );
  }
  if (now.unsettled > 0)
    throw unprocessable(
      'not-settled',
      `${counted(now.unsettled, 'line')} you wrote ${now.unsettled === 1 ? 'is' : 'are'} no longer sure. Settle ` +
        `${now.unsettled === 1 ? 'it' : 'them'} first: keep, write anew or leave out.`,
      'body',
    );
  return now;
}

export const updateHandlers = handlers({
  'draft.write': (context, { job, audience, line, words, was }) => {
    requireRow(context, 'job', job, 'job');
    if (words.trim() === '' && was === '') throw unprocessable('no-words', 'Write a line, or leave it.', 'words');
    if (!isOwnLine(line) && was === '') throw unprocessable('no-line', 'That line is not there any more.', 'line');
    const days = daysNamed(words, prepared(context, 'draft.write'), today(context.installation));
    writeLine(context.db, {
      ...{ job, audience, line, words: words.trim(), was },
      days: JSON.stringify(days),
      written_at: context.now,
    });
    context.logFor(job);
  },
  'draft.unwrite': (context, { job, audience, line }) => {
    requireRow(context, 'job', job, 'job');
    if (!unwriteLine(context.db, { job, audience, line }))
      throw unprocessable('not-written', 'Nothing of yours stands there.', 'line');
    context.logFor(job);
  },
  'update.send': (context, { id, job, audience, title, body, expiresOn, recipients }) => {
    requireRow(context, 'job', job, 'job');
    const { record, steps, days } = needAsRead(context, job, body);
    addSent(context.db, { id, job, audience, title, body }, context.now);
    readerTold(context.db, { job, audience, at: context.now, record, steps: JSON.stringify(steps), days });
    if (audience === 'client') clientGoesBy(context, job);
    for (const { messageId, linkId, name, address } of recipients) {
      addLink(context, { id: linkId, audience, job, recipient: name, expiresOn });
      addMessage(context, { id: messageId, job_update: id, share_link: linkId, recipient: name, address });
    }
    context.logFor(job);
  },
  'share.make': (context, link) => {
    if (link.audience === 'sub') requireRow(context, 'sub', link.sub ?? '', 'sub');
    else requireRow(context, 'job', link.job ?? '', 'job');
    addLink(context, link.audience === 'sub' ? { ...link, job: undefined } : { ...link, sub: undefined });
    if (link.job) context.logFor(link.job);
  },
  'share.revoke': (context, { id }) => {
    const link = requireRow(context, 'share_link', id);
    if (link.revoked_at) throw unprocessable('revoked-already', 'This link is revoked already.', 'id');
    revokeLink(context.db, id, context.now);
    if (link.job) context.logFor(link.job);
  },
  'message.pass-on': (context, { id }) => {
    const message = requireRow(context, 'message', id);
    if (message.state === 'delivered') throw unprocessable('sent-already', 'This was sent already.', 'id');
    execute(context.db, `UPDATE message SET state = 'delivered', settled_at = @now, failure = NULL WHERE id = @id`, {
      id,
      now: context.now,
    });
    context.logFor(requireRow(context, 'job_update', message.job_update).job);
  },
  'message.retry': (context, { id }) => {
    const message = requireRow(context, 'message', id);
    sendAgain(context, message);
    context.logFor(requireRow(context, 'job_update', message.job_update).job);
  },
  'message.acknowledge': (context, { name }) => {
    if (context.who.kind !== 'link')
      throw new Refusal(403, { code: 'not-allowed', message: 'Only the holder of a link can acknowledge it.' });
    const message = messageOfLink(context.db, context.who.id);
    if (!message)
      throw unprocessable('nothing-sent', 'Nothing was sent with this link, so there is nothing to acknowledge.');
    execute(
      context.db,
      `UPDATE message
        SET acknowledged_at = coalesce(acknowledged_at, @now), acknowledged_by = coalesce(acknowledged_by, @name)
        WHERE id = @id`,
      { id: message.id, now: context.now, name },
    );
    context.logFor(requireRow(context, 'job_update', message.job_update).job);
  },
});

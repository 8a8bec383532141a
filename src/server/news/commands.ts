import { insert, queryOne, execute } from '../database/query';
import { handlers, requireRow, requireVersion, type CommandContext } from '../door/handler';
import { Refusal, unprocessable } from '../refusal';
import { clientGoesBy } from './end-day';
import { addLink, revokeLink } from './links';
import { changeDraft, sendDraft } from './updates';
import type { Rows } from '../database/rows';

type UpdateRow = Pick<Rows['job_update'], 'id' | 'job' | 'audience' | 'state' | 'version'>;

function needDraft(context: CommandContext, id: string, version: number): UpdateRow {
  const row = requireVersion(context, 'job_update', id, version);
  if (row.state !== 'draft')
    throw unprocessable(
      'not-a-draft',
      row.state === 'sent'
        ? 'This was sent already; what people have read stays as it was.'
        : 'This draft was dropped.',
      'id',
    );
  return row;
}

export const updateHandlers = handlers({
  'update.edit': (context, { id, version, title, body }) => {
    const { job } = needDraft(context, id, version);
    changeDraft(context.db, id, { title, body });
    context.logFor(job);
  },
  'update.drop': (context, { id, version }) => {
    const { job } = needDraft(context, id, version);
    changeDraft(context.db, id, { state: 'dropped' });
    context.logFor(job);
  },
  'update.send': (context, { id, version, title, body, expiresOn, recipients }) => {
    const draft = needDraft(context, id, version);
    sendDraft(context.db, id, { title, body, sent_at: context.now });
    if (draft.audience === 'client') clientGoesBy(context, draft.job);
    for (const { messageId, linkId, name, address } of recipients) {
      addLink(context, { id: linkId, audience: draft.audience, job: draft.job, recipient: name, expiresOn });
      insert(context.db, 'message', {
        id: messageId,
        job_update: id,
        share_link: linkId,
        recipient: name,
        address,
        state: 'queued',
        queued_at: context.now,
      });
    }
    context.logFor(draft.job);
    context.installation.news.emit('queued');
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
    if (message.state !== 'failed')
      throw unprocessable('not-failed', 'Only a message that failed is sent again.', 'id');
    execute(
      context.db,
      `UPDATE message
        SET state = 'queued', queued_at = @now, settled_at = NULL, failure = NULL
        WHERE id = @id`,
      { id, now: context.now },
    );
    context.logFor(requireRow(context, 'job_update', message.job_update).job);
    context.installation.news.emit('queued');
  },
  'message.acknowledge': (context, { name }) => {
    if (context.who.kind !== 'link')
      throw new Refusal(403, { code: 'not-allowed', message: 'Only the holder of a link can acknowledge it.' });
    const message = queryOne<{ id: string; job_update: string }>(
      context.db,
      'SELECT id, job_update FROM message WHERE share_link = @link',
      { link: context.who.id },
    );
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

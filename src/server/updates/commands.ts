import {
  acknowledge,
  dropUpdate,
  editUpdate,
  makeLink,
  restoreUpdate,
  retryMessage,
  revokeLink,
  sendUpdate,
} from '@/contract/commands/updates';
import { insert, one, run } from '../database/query';
import { handler, need, needVersion, type Handler, type Visit } from '../door/handler';
import { Refusal, unfit } from '../door/refusal';
import { addLink } from './tell-client';

interface UpdateRow {
  id: string;
  job: string;
  audience: 'client' | 'crew';
  state: 'draft' | 'sent' | 'dropped';
  version: number;
}

function needDraft(visit: Visit, id: string, version: number): UpdateRow {
  const row = needVersion<UpdateRow>(visit, 'job_update', id, version);
  if (row.state !== 'draft')
    throw unfit(
      'not-a-draft',
      row.state === 'sent'
        ? 'This was sent already; what people have read stays as it was.'
        : 'This draft was dropped.',
      'id',
    );
  return row;
}

export const updateHandlers: Handler[] = [
  handler(editUpdate, (visit, { id, version, title, body }) => {
    const { job } = needDraft(visit, id, version);
    run(visit.db, 'UPDATE job_update SET title = @title, body = @body, version = version + 1 WHERE id = @id', {
      id,
      title,
      body,
    });
    visit.touches(job);
  }),
  handler(dropUpdate, (visit, { id, version }) => {
    const { job } = needDraft(visit, id, version);
    run(visit.db, `UPDATE job_update SET state = 'dropped', version = version + 1 WHERE id = @id`, { id });
    visit.touches(job);
  }),
  handler(restoreUpdate, (visit, { id, version }) => {
    const row = needVersion<UpdateRow>(visit, 'job_update', id, version);
    if (row.state !== 'dropped') throw unfit('not-dropped', 'Only a draft that was dropped is taken up again.', 'id');
    run(visit.db, `UPDATE job_update SET state = 'draft', version = version + 1 WHERE id = @id`, { id });
    visit.touches(row.job);
  }),
  handler(sendUpdate, (visit, { id, version, title, body, expiresOn, recipients }) => {
    const draft = needDraft(visit, id, version);
    run(
      visit.db,
      `UPDATE job_update
        SET title = @title, body = @body, state = 'sent', sent_at = @now, version = version + 1
        WHERE id = @id`,
      { id, title, body, now: visit.now },
    );
    for (const { messageId, linkId, name, address } of recipients) {
      addLink(visit, { id: linkId, audience: draft.audience, job: draft.job, recipient: name, expiresOn });
      insert(visit.db, 'message', {
        id: messageId,
        job_update: id,
        share_link: linkId,
        recipient: name,
        address,
        state: 'queued',
        queued_at: visit.now,
      });
    }
    visit.touches(draft.job);
    visit.house.news.emit('queued');
  }),
  handler(makeLink, (visit, link) => {
    if (link.audience === 'sub') need(visit, 'sub', link.sub ?? '', 'sub');
    else need(visit, 'job', link.job ?? '', 'job');
    addLink(visit, link.audience === 'sub' ? { ...link, job: undefined } : { ...link, sub: undefined });
    if (link.job) visit.touches(link.job);
  }),
  handler(revokeLink, (visit, { id }) => {
    const link = need<{ job: string | null; revoked_at: string | null }>(visit, 'share_link', id);
    if (link.revoked_at) throw unfit('revoked-already', 'This link is revoked already.', 'id');
    run(visit.db, 'UPDATE share_link SET revoked_at = @now WHERE id = @id', { id, now: visit.now });
    if (link.job) visit.touches(link.job);
  }),
  handler(retryMessage, (visit, { id }) => {
    const message = need<{ state: string; job_update: string }>(visit, 'message', id);
    if (message.state !== 'failed') throw unfit('not-failed', 'Only a message that failed is sent again.', 'id');
    run(
      visit.db,
      `UPDATE message
        SET state = 'queued', queued_at = @now, settled_at = NULL, failure = NULL
        WHERE id = @id`,
      { id, now: visit.now },
    );
    visit.touches(need<UpdateRow>(visit, 'job_update', message.job_update).job);
    visit.house.news.emit('queued');
  }),
  handler(acknowledge, (visit, { name }) => {
    if (visit.who.kind !== 'link')
      throw new Refusal(403, { code: 'not-allowed', message: 'Only the holder of a link can acknowledge it.' });
    const message = one<{ id: string; job_update: string }>(
      visit.db,
      'SELECT id, job_update FROM message WHERE share_link = @link',
      { link: visit.who.id },
    );
    if (!message) throw unfit('nothing-sent', 'Nothing was sent with this link, so there is nothing to acknowledge.');
    run(
      visit.db,
      `UPDATE message
        SET acknowledged_at = coalesce(acknowledged_at, @now), acknowledged_by = coalesce(acknowledged_by, @name)
        WHERE id = @id`,
      { id: message.id, now: visit.now, name },
    );
    visit.touches(need<UpdateRow>(visit, 'job_update', message.job_update).job);
  }),
];

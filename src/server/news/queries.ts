import type { LinkView, MessageView, NewsView } from '@/contract/views/news';
import { groupBy } from '@/core/group-by';
import type { Day } from '@/core/units/day';
import { pathOf } from '../access/tokens';
import { firmTime, type FirmTime } from '../zone';
import { queryAll } from '../database/query';
import type { Installation } from '../installation';
import { readPlan } from '../schedule/read-plan';
import { jobHead, requireJob } from '../sites/queries';
import { whenSeen } from '../words';
import type { Rows } from '../database/rows';

type LinkRow = Pick<Rows['share_link'], 'id' | 'audience' | 'recipient' | 'expires_on' | 'revoked_at' | 'opened'>;

interface MessageRow extends Omit<MessageView, 'acknowledged' | 'linkId'> {
  job_update: string;
  share_link: string;
  acknowledged_at: string | null;
  acknowledged_by: string | null;
}

export const linkState = (link: { revoked_at: string | null; expires_on: Day }, now: Day): LinkView['state'] =>
  link.revoked_at ? 'revoked' : link.expires_on < now ? 'expired' : 'open';

export function newsView(installation: Installation, job: string): NewsView {
  const { db } = installation;
  const time = firmTime(installation);
  const now = time.today;
  const row = requireJob(db, job);
  const messages = groupBy(
    queryAll<MessageRow>(
      db,
      `SELECT message.*
        FROM message
        JOIN job_update ON job_update.id = message.job_update
        WHERE job_update.job = @job
        ORDER BY queued_at`,
      { job },
    ),
    (message) => message.job_update,
  );
  const updates = queryAll<{
    id: string;
    version: number;
    audience: 'client' | 'crew';
    title: string;
    body: string;
    state: 'draft' | 'sent' | 'dropped';
    made_at: string;
    sent_at: string | null;
  }>(
    db,
    `SELECT *
      FROM job_update
      WHERE job = @job AND state <> 'dropped'
      ORDER BY coalesce(sent_at, made_at) DESC, audience`,
    { job },
  );
  const crews = new Set(
    (readPlan(db, { job })?.tasks ?? []).filter((task) => task.state !== 'done').map((task) => task.crew),
  );
  const subs = queryAll<{ id: string; name: string; email: string; lead_name: string }>(
    db,
    'SELECT id, name, email, lead_name FROM sub ORDER BY name',
  ).filter((sub) => crews.has(sub.id));
  return {
    job: jobHead(installation, job),
    today: now,
    updates: updates.map(({ made_at, sent_at, ...update }) => ({
      ...update,
      when: sent_at ? `sent ${whenSeen(sent_at, time)}` : `drafted ${whenSeen(made_at, time)}`,
      messages: (messages.get(update.id) ?? []).map((message) => messageView(message, time)),
    })),
    links: queryAll<LinkRow>(
      db,
      `SELECT *
        FROM share_link
        WHERE job = @job OR (audience = 'sub' AND sub IN (SELECT value FROM json_each(@subs)))
        ORDER BY made_at DESC`,
      { job, subs: JSON.stringify(subs.map((sub) => sub.id)) },
    ).map((link) => ({
      id: link.id,
      audience: link.audience,
      recipient: link.recipient,
      path: pathOf(installation, link.id),
      expiresOn: link.expires_on,
      state: linkState(link, now),
      opened: link.opened,
    })),
    suggested: {
      client: row.client_email ? [{ name: row.client || 'Client', address: row.client_email }] : [],
      crew: subs
        .filter((sub) => sub.email)
        .map((sub) => ({ name: sub.lead_name ? `${sub.lead_name}, ${sub.name}` : sub.name, address: sub.email })),
    },
    subs: subs.map(({ id, name }) => ({ id, name })),
  };
}

function messageView(
  { job_update: _, share_link, acknowledged_at, acknowledged_by, id, recipient, address, state, failure }: MessageRow,
  time: FirmTime,
): MessageView {
  return {
    id,
    recipient,
    address,
    state,
    failure,
    linkId: share_link,
    acknowledged: acknowledged_at ? `${acknowledged_by ?? ''}, ${whenSeen(acknowledged_at, time)}` : null,
  };
}

import type { PastPlace } from '@/contract/past';
import type { Path } from '@/contract/routes';
import type { LinkView, MessageView, NewsView } from '@/contract/views/news';
import { groupBy } from '@/core/group-by';
import type { Day } from '@/core/units/day';
import type { Rows } from '../database/rows';
import { jobHead } from './job-head';
import { subRows } from '../reading/firm';
import { jobRow } from '../reading/job';
import { planOf } from '../reading/plan';
import type { FirmReading, JobReading } from '../reading/reading';
import { pastShown } from '../reading/past';
import { draftUpdates, linkRows, messagesOf, newestSent } from '../reading/updates';
import { whenSeen } from '../words';

/** How much of a job's news is on its page at once, and how many links that open nothing any more. */
const SHOWN = { updates: 10, links: { open: 12, closed: 6 } };
/** Where somebody wants to see all links that open. */
const ALL_LINKS = { open: 2_000, closed: 100 };

export const linkState = (link: { revoked_at: string | null; expires_on: Day }, now: Day): LinkView['state'] =>
  link.revoked_at ? 'revoked' : link.expires_on < now ? 'expired' : 'open';

/**
 * What was told and is to be told of a job, the newest first.
 * @param pathOf the address of a link
 * @param terms `before` a place in the past: what was sent before it; `allLinks` however many there are
 */
export function newsView(
  job: JobReading,
  pathOf: (link: string) => Path,
  { before, allLinks = false }: { before?: PastPlace | undefined; allLinks?: boolean } = {},
): NewsView {
  const { firm } = job;
  const row = jobRow(job);
  const sent = newestSent(job, SHOWN.updates + 1, before);
  const oldest = sent[SHOWN.updates - 1];
  const shown = [...draftUpdates(job), ...sent.slice(0, SHOWN.updates)];
  const messages = groupBy(
    messagesOf(
      firm,
      shown.map(({ id }) => id),
    ),
    (message) => message.job_update,
  );
  const crews = new Set((planOf(job)?.tasks ?? []).filter((task) => task.state !== 'done').map((task) => task.crew));
  const subs = subRows(firm).filter((sub) => crews.has(sub.id));
  const most = allLinks ? ALL_LINKS : SHOWN.links;
  const links = linkRows(
    job,
    subs.map((sub) => sub.id),
    most,
  );
  return {
    job: jobHead(job),
    today: firm.today,
    updates: shown.map(({ id, version, audience, title, body, state, made_at, sent_at }) => ({
      id,
      version,
      audience,
      title,
      body,
      state,
      when: sent_at ? `sent ${whenSeen(sent_at, firm)}` : `drafted ${whenSeen(made_at, firm)}`,
      messages: (messages.get(id) ?? []).map((message) => messageView(message, firm)),
    })),
    past: pastShown(before, oldest && sent.length > SHOWN.updates ? { at: oldest.sent_at ?? '', id: oldest.id } : null),
    links: links.map((link) => ({
      id: link.id,
      audience: link.audience,
      recipient: link.recipient,
      path: pathOf(link.id),
      expiresOn: link.expires_on,
      state: linkState(link, firm.today),
      opened: link.opened,
    })),
    moreLinks: !allLinks && links.filter((link) => linkState(link, firm.today) === 'open').length >= most.open,
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
  { share_link, acknowledged_at, acknowledged_by, id, recipient, address, state, failure }: Rows['message'],
  firm: FirmReading,
): MessageView {
  return {
    id,
    recipient,
    address,
    state,
    failure,
    linkId: share_link,
    acknowledged: acknowledged_at ? `${acknowledged_by ?? ''}, ${whenSeen(acknowledged_at, firm)}` : null,
  };
}

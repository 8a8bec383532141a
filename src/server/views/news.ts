import type { PastPlace } from '@/contract/past';
import { READERS, type Reader } from '@/contract/commands/news';
import type { DraftView, MessageView, NewsView } from '@/contract/views/news';
import { groupBy } from '@/core/group-by';
import { phaseFacts } from '@/core/sequence/phases';
import { formatDay } from '@/core/units/day';
import { dayIn } from '@/core/units/zone';
import { sayWork } from '@/core/words/work';
import type { Rows } from '../database/rows';
import { subRows } from '../reading/firm';
import { areaNames, jobRow } from '../reading/job';
import { pastShown } from '../reading/past';
import { planOf, tasksOf } from '../reading/plan';
import type { FirmReading, JobReading } from '../reading/reading';
import {
  failedMessages,
  answersBy,
  showingsOf,
  linkRows,
  linkState,
  messagesOf,
  neighbourRows,
  newestSent,
  openDoneWords,
  openQuestions,
  toldOf,
  waitingReaders,
} from '../reading/updates';
import { whenSeen } from '../words';
import { composeDraft } from './draft';
import { jobHead } from './job-head';
import { movedView } from './moved';

/** How much of a job's news is on its page at once, and how many links that open nothing any more. */
/** Answers told of one link, and looked through for all that are shown. */
const ANSWERS_SHOWN = 3;
const ANSWERS_READ = 200;
const SHOWN = { updates: 10, links: { open: 12, closed: 6 } };
/** Where somebody wants to see all links that open. */
const ALL_LINKS = { open: 2_000, closed: 100 };

/**
 * What was told and is to be told of a job, the newest first.
 * @param terms `before` a place in the past: what was sent before it; `allLinks` however many there are; `to` whose draft
 */
export function newsView(
  job: JobReading,
  {
    before,
    allLinks = false,
    to,
  }: { before?: PastPlace | undefined; allLinks?: boolean; to?: string | undefined } = {},
): NewsView {
  const { firm } = job;
  const row = jobRow(job);
  const sent = newestSent(job, SHOWN.updates + 1, before);
  const oldest = sent[SHOWN.updates - 1];
  const shown = sent.slice(0, SHOWN.updates);
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
  const answers = groupBy(
    answersBy(
      firm,
      links.map(({ id }) => id),
      ANSWERS_READ,
    ),
    ({ share_link: link }) => link,
  );
  const showings = groupBy(
    showingsOf(
      firm,
      links.map(({ id }) => id),
      ANSWERS_READ,
    ),
    ({ share_link: link }) => link,
  );
  const waiting = waitingReaders(job);
  const neighbours = neighbourRows(job);
  const readers = READERS.filter((audience) => audience !== 'neighbour' || neighbours.length > 0);
  const reader = readers.find((audience) => audience === to) ?? waiting[0] ?? 'client';
  return {
    job: jobHead(job),
    today: firm.today,
    readers: readers.map((audience) => ({
      audience,
      who: audience === 'client' ? row.client || 'The client' : WHO[audience],
      waits: waiting.includes(audience),
      told: toldWords(job, audience),
    })),
    draft: draftView(job, reader),
    questions: openQuestions(job).map(({ id, version, name, audience, text, asked_at }) => ({
      ...{ id, version, name, audience, text },
      when: whenSeen(asked_at, firm),
    })),
    doneWords: doneWordsOf(job),
    neighbours: neighbours.map(({ id, name, email, phone, note, needed, needed_for }) => ({
      ...{ id, name, email, phone, note, needed, neededFor: needed_for ?? '' },
      forWork: sayTask(job, needed_for),
    })),
    works: [...tasksOf(job).values()].flatMap(({ id, state, crew, work }) =>
      state === 'done' || crew === null ? [] : [{ task: id, label: sayWork(work) }],
    ),
    moved: movedView(firm, job.id),
    updates: shown.map(({ id, audience, title, body, sent_at }) => ({
      id,
      audience,
      title,
      body,
      when: sent_at ? whenSeen(sent_at, firm) : '',
      messages: (messages.get(id) ?? []).map((message) => messageView(message, firm)),
    })),
    failed: failedMessages(job).map((message) => ({ ...messageView(message, firm), title: message.title })),
    past: pastShown(before, oldest && sent.length > SHOWN.updates ? { at: oldest.sent_at ?? '', id: oldest.id } : null),
    links: links.map((link) => ({
      id: link.id,
      audience: link.audience,
      recipient: link.recipient,
      own: link.own === 1,
      expiresOn: link.expires_on,
      state: linkState(link, firm.today),
      opened: link.opened,
      shown: (showings.get(link.id) ?? [])
        .slice(0, ANSWERS_SHOWN)
        .map(({ id, at, person_name }) => ({ key: id, who: person_name, when: whenSeen(at, firm) })),
      answers: (answers.get(link.id) ?? []).slice(0, ANSWERS_SHOWN).map((answer) => ({
        key: answer.command,
        when: whenSeen(answer.at, firm),
        from: `${answer.device}, ${answer.source}`,
        insider: answer.person_name,
      })),
    })),
    moreLinks: !allLinks && links.filter((link) => linkState(link, firm.today) === 'open').length >= most.open,
    suggested: {
      client: row.client_email ? [{ name: row.client || 'Client', address: row.client_email }] : [],
      crew: subs
        .filter((sub) => sub.email)
        .map((sub) => ({ name: sub.lead_name ? `${sub.lead_name}, ${sub.name}` : sub.name, address: sub.email })),
      neighbour: neighbours.flatMap(({ name, email }) => (email ? [{ name, address: email }] : [])),
    },
    subs: subs.map(({ id, name }) => ({ id, name })),
  };
}

/** What subs say is done, by the names people know. */
export const doneWordsOf = (job: JobReading): NewsView['doneWords'] =>
  openDoneWords(job).map(({ id, version, name, area, phase, note, picture, said_at }) => ({
    ...{ id, version, name, note, picture, when: whenSeen(said_at, job.firm) },
    what: `${areaNames(job).get(area) ?? ''} · ${phaseFacts(phase).label}`,
  }));

/** The name of a piece of work; empty where it is in no plan. */
function sayTask(job: JobReading, id: string | null): string {
  const task = tasksOf(job).get(id ?? '');
  return task ? sayWork(task.work) : '';
}

const WHO = { crew: 'The crew', neighbour: 'The neighbours' } as const;

/** When they were written to last. */
function toldWords(job: JobReading, audience: Reader): string {
  const told = toldOf(job, audience);
  return told ? `told ${whenSeen(told.at, job.firm)}` : 'not written to yet';
}

function draftView(job: JobReading, audience: Reader): DraftView {
  const { firm } = job;
  const { draft, parts, text, unsettled } = composeDraft(job, audience);
  const told = toldOf(job, audience);
  return {
    audience,
    title: draft.title,
    since: told ? `everything since ${formatDay(dayIn(firm.zone, told.at), firm.today)}` : 'the first news of this job',
    parts,
    text,
    unsettled,
  };
}

function messageView(
  {
    share_link,
    acknowledged_at,
    acknowledged_by,
    id,
    recipient,
    address,
    state,
    failure,
    next_try_at,
  }: Rows['message'],
  firm: FirmReading,
): MessageView {
  return {
    ...{ id, recipient, address, state, failure },
    again: state === 'queued' && next_try_at ? whenSeen(next_try_at, firm) : null,
    linkId: share_link,
    acknowledged: acknowledged_at ? `${acknowledged_by ?? ''}, ${whenSeen(acknowledged_at, firm)}` : null,
  };
}

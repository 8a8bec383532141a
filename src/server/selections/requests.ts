import type { InferType } from 'yup';
import {
  addRequest,
  answerRequest,
  askClient,
  changeRequest,
  expectRequest,
  remindRequest,
  reopenRequest,
  replyRequest,
  sendRequest,
} from '@/contract/commands/selections';
import { isGiven, PARTIES, ringOf, type Outcome } from '@/core/selections/requests';
import { formatDay, type Day } from '@/core/units/day';
import { sentence } from '@/core/words';
import { today } from '../zone';
import { insert, one, orNull, run, update, type Values } from '../database/query';
import { handler, need, needAreaOf, needStep, needVersion, type Handler, type Visit } from '../door/handler';
import { notFound, unfit } from '../door/refusal';
import { needClientOf, tellClient } from '../updates/tell-client';
import { needPast } from './days';
import { requestOf, requestRows, requestsOf, waitRows, type RequestRow } from './rows';
import { note } from './trail';
import { requestLabel } from './waits';

type Fields = Omit<InferType<typeof addRequest.schema>, 'id' | 'job'>;

/** What a selection's order still waits for, in words; undefined where it may go out. */
export function ungranted(visit: Visit, selection: string): string | undefined {
  const { job } = need<{ job: string }>(visit, 'selection', selection);
  const requests = requestsOf(requestRows(visit.db, job));
  const open = waitRows(visit.db, job).flatMap((wait) => {
    const request = wait.selection === selection ? requests.get(wait.request) : undefined;
    return request && !isGiven(request) ? [requestLabel(request)] : [];
  });
  return open.length > 0 ? open.join(' and ') : undefined;
}

function keep(
  visit: Visit,
  id: string,
  job: string,
  { waits, after, ...fields }: Fields,
  write: (row: Values) => void,
): void {
  const all = requestsOf(requestRows(visit.db, job));
  if (after) {
    if (!all.has(after)) throw notFound('request in this job', 'after');
    const ring = after === id ? [id] : ringOf(id, after, all);
    if (ring)
      throw unfit(
        'waits-for-itself',
        'It would wait for itself: ' +
          `${[...ring, id].map((one_) => all.get(one_)?.subject ?? fields.subject).join(', which waits for ')}.`,
        'after',
      );
  }
  for (const [at, wait] of waits.entries()) {
    if (
      wait.selection &&
      need<{ job: string }>(visit, 'selection', wait.selection, `waits.${at}.selection`).job !== job
    )
      throw notFound('selection in this job', `waits.${at}.selection`);
    if (wait.area && wait.phase) {
      needAreaOf(visit, job, wait.area, `waits.${at}.area`);
      needStep(visit, wait.area, wait.phase, `waits.${at}.phase`);
    }
  }
  write({
    kind: fields.kind,
    party: fields.party,
    who: fields.who,
    subject: fields.subject,
    takes_low: fields.takesLow,
    takes_high: fields.takesHigh,
    after: orNull(after),
  });
  run(visit.db, 'DELETE FROM request_wait WHERE request = @id', { id });
  for (const wait of waits)
    insert(visit.db, 'request_wait', {
      request: id,
      selection: orNull(wait.selection),
      area: orNull(wait.area),
      phase: orNull(wait.phase),
    });
}

function needRequest(visit: Visit, id: string, version: number): RequestRow {
  const row = needVersion<RequestRow & { removed: 0 | 1 }>(visit, 'request', id, version);
  if (row.removed) throw notFound('request');
  return row;
}

const about = (row: RequestRow): { job: string; request: string } => ({ job: row.job, request: row.id });

/** Nobody is asked about what is not there yet. */
function needFormer(visit: Visit, row: RequestRow): void {
  const former = row.after
    ? one<RequestRow>(visit.db, 'SELECT * FROM request WHERE id = @id AND removed = 0', { id: row.after })
    : undefined;
  if (former && !isGiven(requestOf(former)))
    throw unfit(
      'waits-for-another',
      `It waits for ${requestLabel(requestOf(former))}; send it when that is there.`,
      'sent',
    );
}

const SENT: Values = { answered_on: null, answered_by: '', outcome: null, conditions: '', reminded_on: null };

function settle(
  visit: Visit,
  row: RequestRow,
  outcome: Outcome,
  conditions: string,
  answeredOn: Day,
  answeredBy: string,
): void {
  update(visit.db, 'request', row.id, { outcome, conditions, answered_on: answeredOn, answered_by: answeredBy });
  const words = {
    granted: row.kind === 'approval' ? 'granted' : 'here',
    conditions: `granted with conditions: ${conditions}`,
    refused: row.kind === 'approval' ? 'refused' : 'not what was asked for',
  }[outcome];
  note(
    visit,
    about(row),
    `${words}${outcome !== 'conditions' && conditions ? `: ${conditions}` : ''}${answeredBy ? `, by ${answeredBy}` : ''} ` +
      `on ${formatDay(answeredOn)}`,
  );
  visit.mark(row.job, `${row.subject}: ${outcome === 'refused' ? 'refused' : 'answered'} by ${PARTIES[row.party]}`);
}

export const requestHandlers: Handler[] = [
  handler(addRequest, (visit, { id, job, ...fields }) => {
    need(visit, 'job', job, 'job');
    keep(visit, id, job, fields, (row) => insert(visit.db, 'request', { id, job, ...row }));
    note(visit, { job, request: id }, 'written down');
    visit.mark(job, `${fields.subject} is asked for`);
  }),
  handler(changeRequest, (visit, { id, version, ...fields }) => {
    const { job } = needRequest(visit, id, version);
    keep(visit, id, job, fields, (row) => update(visit.db, 'request', id, row));
    visit.mark(job, `${fields.subject} changed`);
  }),
  handler(sendRequest, (visit, { id, version, sentOn, sent, expectedOn }) => {
    const row = needRequest(visit, id, version);
    needFormer(visit, row);
    needPast(visit, sentOn, 'sentOn');
    if (expectedOn !== undefined && expectedOn < sentOn)
      throw unfit('wrong-way-round', 'They cannot answer before they were asked; give a later day.', 'expectedOn');
    update(visit.db, 'request', id, { sent, sent_on: sentOn, expected_on: orNull(expectedOn), ...SENT });
    note(visit, about(row), `${row.outcome === 'refused' ? 'sent again' : 'sent'} on ${formatDay(sentOn)}: ${sent}`);
    visit.mark(row.job, `${row.subject} was sent to ${PARTIES[row.party]}`);
  }),
  handler(expectRequest, (visit, { id, version, expectedOn }) => {
    const row = needRequest(visit, id, version);
    if (!row.sent_on) throw unfit('not-sent', 'Nobody was asked yet.', 'expectedOn');
    if (expectedOn < row.sent_on)
      throw unfit('wrong-way-round', 'They cannot answer before they were asked; give a later day.', 'expectedOn');
    update(visit.db, 'request', id, { expected_on: expectedOn });
    note(visit, about(row), `they name ${formatDay(expectedOn)}`);
    visit.mark(row.job, `${row.subject} is expected on another day`);
  }),
  handler(remindRequest, (visit, { id, version }) => {
    const row = needRequest(visit, id, version);
    if (!row.sent_on || row.outcome)
      throw unfit('not-waiting', row.outcome ? 'They have answered.' : 'Nobody was asked yet.', 'id');
    update(visit.db, 'request', id, { reminded_on: today(visit.house) });
    note(visit, about(row), 'reminded');
    visit.touches(row.job);
  }),
  handler(answerRequest, (visit, { id, version, outcome, conditions, answeredOn, answeredBy }) => {
    const row = needRequest(visit, id, version);
    needPast(visit, answeredOn, 'answeredOn');
    if (row.sent_on && answeredOn < row.sent_on)
      throw unfit('wrong-way-round', `It was sent on ${formatDay(row.sent_on)}; the answer came later.`, 'answeredOn');
    settle(visit, row, outcome, conditions, answeredOn, answeredBy);
  }),
  handler(askClient, (visit, { id, version, ...to }) => {
    const row = needRequest(visit, id, version);
    if (row.party !== 'client')
      throw unfit('not-the-client', `This is asked of ${PARTIES[row.party]}; only the client has a page here.`, 'id');
    needFormer(visit, row);
    const now = today(visit.house);
    update(visit.db, 'request', id, { sent: 'asked on their page', sent_on: now, expected_on: null, ...SENT });
    note(visit, about(row), `asked of ${to.name} on their page`);
    tellClient(
      visit,
      row.job,
      {
        title: `We need your word: ${row.subject}`,
        body:
          `${sentence(row.subject)} Please answer on your ` +
          `page${row.takes_high > 0 ? ` within ${row.takes_high} days` : ''}: what waits for it cannot be ordered ` +
          'or built before.',
      },
      to,
    );
    visit.mark(row.job, `${row.subject} was sent to the client`);
  }),
  handler(replyRequest, (visit, { id, name, outcome, conditions }) => {
    const row = need<RequestRow>(visit, 'request', id);
    needClientOf(visit, row.job);
    if (row.party !== 'client' || !row.sent_on || row.outcome)
      throw unfit('not-asked', row.outcome ? 'This is answered already.' : 'This was not asked.', 'id');
    settle(visit, row, outcome, conditions, today(visit.house), name);
  }),
  handler(reopenRequest, (visit, { id, version }) => {
    const row = needRequest(visit, id, version);
    if (!row.outcome) throw unfit('open-already', 'This is open.', 'id');
    update(visit.db, 'request', id, SENT);
    note(visit, about(row), 'the answer was taken back');
    visit.mark(row.job, `${row.subject} is open again`);
  }),
];

import type { InferType } from 'yup';
import { addRequest } from '@/contract/commands/selections';
import { isGiven, PARTIES, ringOf, type Outcome } from '@/core/selections/requests';
import { formatDay, type Day } from '@/core/units/day';
import { sentence } from '@/core/words/letters';
import { today } from '../zone';
import { insert, queryOne, orNull, execute, update, type NewRow } from '../database/query';
import type { Connection } from '../database/open';
import {
  handlers,
  requireRow,
  requireAreaOf,
  requireStep,
  requireVersion,
  type CommandContext,
  type PlanContext,
} from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { needAskedOf, needClientOf, notifyClient, notifyParty } from '../news/notify';
import { requestCause } from './causes';
import { requirePastDay } from './days';
import { readJob } from '../reading/reading';
import { requestOf, requestsOf, waitRows, type RequestRow } from '../reading/selections';
import { addHistory } from './history';
import { requestLabel } from '@/core/selections/requests';

type Fields = Omit<InferType<typeof addRequest.schema>, 'id' | 'job'>;

/** What a selection's order still waits for, in words; undefined where it may go out. */
export function ungranted(context: CommandContext, selection: string): string | undefined {
  const { job } = requireRow(context, 'selection', selection);
  const state = readJob(context.installation, job);
  const requests = requestsOf(state);
  const open = waitRows(state).flatMap((wait) => {
    const request = wait.selection === selection ? requests.get(wait.request) : undefined;
    return request && !isGiven(request) ? [requestLabel(request)] : [];
  });
  return open.length > 0 ? open.join(' and ') : undefined;
}

function keep(
  context: CommandContext,
  id: string,
  job: string,
  { waits, after, ...fields }: Fields,
  write: (row: Omit<NewRow<'request'>, 'id' | 'job'>) => void,
): void {
  const all = requestsOf(readJob(context.installation, job));
  if (after) {
    if (!all.has(after)) throw notFound('request in this job', 'after');
    const ring = after === id ? [id] : ringOf(id, after, all);
    if (ring)
      throw unprocessable(
        'waits-for-itself',
        'It would wait for itself: ' +
          `${[...ring, id].map((entry) => all.get(entry)?.subject ?? fields.subject).join(', which waits for ')}.`,
        'after',
      );
  }
  for (const [at, wait] of waits.entries()) {
    if (wait.selection && requireRow(context, 'selection', wait.selection, `waits.${at}.selection`).job !== job)
      throw notFound('selection in this job', `waits.${at}.selection`);
    if (wait.area && wait.phase) {
      requireAreaOf(context, job, wait.area, `waits.${at}.area`);
      requireStep(context, wait.area, wait.phase, `waits.${at}.phase`);
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
  execute(context.db, 'DELETE FROM request_wait WHERE request = @id', { id });
  for (const wait of waits)
    insert(context.db, 'request_wait', {
      request: id,
      selection: orNull(wait.selection),
      area: orNull(wait.area),
      phase: orNull(wait.phase),
    });
}

function needRequest(context: CommandContext, id: string, version: number): RequestRow {
  const row = requireVersion(context, 'request', id, version);
  if (row.removed) throw notFound('request');
  return row;
}

const about = (row: RequestRow): { job: string; request: string } => ({ job: row.job, request: row.id });

/** Nobody is asked about what is not there yet. */
function needFormer(context: CommandContext, row: RequestRow): void {
  const former = row.after
    ? queryOne<RequestRow>(context.db, 'SELECT * FROM request WHERE id = @id AND removed = 0', { id: row.after })
    : undefined;
  if (former && !isGiven(requestOf(former)))
    throw unprocessable(
      'waits-for-another',
      `It waits for ${requestLabel(requestOf(former))}; send it when that is there.`,
      'sent',
    );
}

/** What somebody outside is asked, with where it is answered. */
const askingWords = (row: RequestRow): string =>
  `${sentence(row.subject)} Pictures, measures and drawings are on the page below; please answer there` +
  `${row.takes_high > 0 ? `, within ${row.takes_high} days if you can` : ''}. What waits for it cannot be ordered or built before.`;

const SENT = { answered_on: null, answered_by: '', outcome: null, conditions: '', reminded_on: null };

function settle(
  context: PlanContext,
  row: RequestRow,
  outcome: Outcome,
  conditions: string,
  answeredOn: Day,
  answeredBy: string,
): void {
  update(context.db, 'request', row.id, { outcome, conditions, answered_on: answeredOn, answered_by: answeredBy });
  const words = {
    granted: row.kind === 'approval' ? 'granted' : 'here',
    conditions: `granted with conditions: ${conditions}`,
    refused: row.kind === 'approval' ? 'refused' : 'not what was asked for',
  }[outcome];
  addHistory(
    context,
    about(row),
    `${words}${outcome !== 'conditions' && conditions ? `: ${conditions}` : ''}${answeredBy ? `, by ${answeredBy}` : ''} ` +
      `on ${formatDay(answeredOn)}`,
  );
  context.replan(row.job, requestCause(row, outcome === 'refused' ? 'refused' : 'answered'));
}

export const writeRequest = (db: Connection, request: NewRow<'request'>): void => insert(db, 'request', request);

export const requestHandlers = handlers({
  'request.add': (context, { id, job, ...fields }) => {
    requireRow(context, 'job', job, 'job');
    keep(context, id, job, fields, (row) => writeRequest(context.db, { id, job, ...row }));
    addHistory(context, { job, request: id }, 'written down');
    context.replan(job, requestCause({ id, ...fields }, 'added'));
  },
  'request.change': (context, { id, version, ...fields }) => {
    const { job } = needRequest(context, id, version);
    keep(context, id, job, fields, (row) => update(context.db, 'request', id, row));
    context.replan(job, requestCause({ id, ...fields }, 'changed'));
  },
  'request.send': (context, { id, version, sentOn, sent, expectedOn }) => {
    const row = needRequest(context, id, version);
    needFormer(context, row);
    requirePastDay(context, sentOn, 'sentOn');
    if (expectedOn !== undefined && expectedOn < sentOn)
      throw unprocessable(
        'wrong-way-round',
        'They cannot answer before they were asked; give a later day.',
        'expectedOn',
      );
    update(context.db, 'request', id, { sent, sent_on: sentOn, expected_on: orNull(expectedOn), ...SENT });
    addHistory(
      context,
      about(row),
      `${row.outcome === 'refused' ? 'sent again' : 'sent'} on ${formatDay(sentOn)}: ${sent}`,
    );
    context.replan(row.job, requestCause(row, 'sent'));
  },
  'request.expect': (context, { id, version, expectedOn }) => {
    const row = needRequest(context, id, version);
    if (!row.sent_on) throw unprocessable('not-sent', 'Nobody was asked yet.', 'expectedOn');
    if (expectedOn < row.sent_on)
      throw unprocessable(
        'wrong-way-round',
        'They cannot answer before they were asked; give a later day.',
        'expectedOn',
      );
    update(context.db, 'request', id, { expected_on: expectedOn });
    addHistory(context, about(row), `they name ${formatDay(expectedOn)}`);
    context.replan(row.job, requestCause(row, 'expected'));
  },
  'request.remind': (context, { id, version }) => {
    const row = needRequest(context, id, version);
    if (!row.sent_on || row.outcome)
      throw unprocessable('not-waiting', row.outcome ? 'They have answered.' : 'Nobody was asked yet.', 'id');
    update(context.db, 'request', id, { reminded_on: today(context.installation) });
    addHistory(context, about(row), 'reminded');
    context.logFor(row.job);
  },
  'request.answer': (context, { id, version, outcome, conditions, answeredOn, answeredBy }) => {
    const row = needRequest(context, id, version);
    requirePastDay(context, answeredOn, 'answeredOn');
    if (row.sent_on && answeredOn < row.sent_on)
      throw unprocessable(
        'wrong-way-round',
        `It was sent on ${formatDay(row.sent_on)}; the answer came later.`,
        'answeredOn',
      );
    settle(context, row, outcome, conditions, answeredOn, answeredBy);
  },
  'request.ask-client': (context, { id, version, ...to }) => {
    const row = needRequest(context, id, version);
    if (row.party !== 'client')
      throw unprocessable(
        'not-the-client',
        `This is asked of ${PARTIES[row.party]}; only the client has a page here.`,
        'id',
      );
    needFormer(context, row);
    const now = today(context.installation);
    update(context.db, 'request', id, { sent: 'asked on their page', sent_on: now, expected_on: null, ...SENT });
    addHistory(context, about(row), `asked of ${to.name} on their page`);
    notifyClient(
      context,
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
    context.replan(row.job, requestCause(row, 'sent'));
  },
  'request.ask-party': (context, { id, version, ...to }) => {
    const row = needRequest(context, id, version);
    if (row.party === 'client' || row.party === 'us')
      throw unprocessable(
        'not-outside',
        row.party === 'us' ? 'This is yours to settle.' : 'The client is asked on their own page.',
        'id',
      );
    needFormer(context, row);
    const { name: job } = requireRow(context, 'job', row.job);
    addHistory(context, about(row), `asked of ${to.name} on a page of their own`);
    notifyParty(context, row.job, { request: id }, { title: `${job}: ${row.subject}`, body: askingWords(row) }, to);
    // Who was asked by another way before is given the page of it: since when, and by when, stays as it was.
    if (row.sent_on && !row.outcome) return context.planStays(row.job);
    update(context.db, 'request', id, {
      ...{ sent: 'asked on a page of their own', sent_on: today(context.installation), expected_on: null },
      ...SENT,
    });
    context.replan(row.job, requestCause(row, 'sent'));
  },
  'request.reply': (context, { id, name, outcome, conditions }) => {
    const row = requireRow(context, 'request', id);
    if (row.party === 'client') needClientOf(context, row.job);
    else needAskedOf(context, id);
    if (!row.sent_on || row.outcome)
      throw unprocessable('not-asked', row.outcome ? 'This is answered already.' : 'This was not asked.', 'id');
    settle(context, row, outcome, conditions, today(context.installation), name);
  },
  'request.reopen': (context, { id, version }) => {
    const row = needRequest(context, id, version);
    if (!row.outcome) throw unprocessable('open-already', 'This is open.', 'id');
    update(context.db, 'request', id, SENT);
    addHistory(context, about(row), 'the answer was taken back');
    context.replan(row.job, requestCause(row, 'reopened'));
  },
});

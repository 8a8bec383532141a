import type { JobState } from '@/core/sites/area';
import { insert, queryOne, orNull, update } from '../database/query';
import { handlers, requireRow, requireAreaOf, requireVersion, type CommandContext, personOf } from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { confirmToClient, needClientOf } from '../news/notify';
import { walker } from './commands';
import { writePurchase, writeRecord } from './write';
import type { Rows } from '../database/rows';

function needShort(context: CommandContext, about: string): { job: string } {
  const row = requireRow(context, 'observation', about, 'about');
  if (row.kind !== 'short')
    throw unprocessable('not-short', 'Only material that is needed stands on the run list.', 'about');
  return row;
}

function accept(
  context: CommandContext,
  { id, area, name, words }: { id: string; area: string; name: string; words: string },
  byClient: 0 | 1,
): void {
  const { job, name: areaName } = requireRow(context, 'area', area, 'area');
  if (byClient) {
    needClientOf(context, job);
    needCompletion(context, job);
  }
  const there = queryOne<{ name: string }>(context.db, 'SELECT name FROM sign_off WHERE area = @area AND removed = 0', {
    area,
  });
  if (there) throw unprocessable('accepted-already', `${there.name} has accepted this room already.`, 'area');
  insert(context.db, 'sign_off', { id, job, area, name, words, at: context.at, by_client: byClient });
  if (byClient) confirmToClient(context, job, { name, what: `${areaName}: accepted` });
  context.logFor(job);
}

/** The states of a job in which rooms are accepted. */
const AT_ITS_END: readonly JobState[] = ['completing', 'closed'];

/** Clients look at rooms and say what is left once the job comes to its end; until then they ask on their page. */
function needCompletion(context: CommandContext, job: string): void {
  if (!AT_ITS_END.includes(requireRow(context, 'job', job, 'job').state))
    throw unprocessable('not-completing', 'The job is not at its end yet: ask on this page until then.', 'area');
}

type ItemRow = Pick<Rows['client_item'], 'job' | 'state' | 'text' | 'version'>;

function needAsked(context: CommandContext, id: string, version: number): ItemRow {
  const row = requireVersion(context, 'client_item', id, version);
  if (row.state !== 'asked') throw unprocessable('answered-already', `This was ${row.state} already.`, 'id');
  return row;
}

export const completionHandlers = handlers({
  'site.close-down': (context, { id, job, walk, items, bin, note }) => {
    requireRow(context, 'job', job, 'job');
    if (walk && requireRow(context, 'walk', walk, 'walk').job !== job) throw notFound('walk of this job', 'walk');
    const vague = items.findIndex((item) => item.state === 'not well' && item.text.trim() === '');
    if (vague !== -1)
      throw unprocessable('not-said', 'Say what is not OK, so that somebody can put it right.', `items[${vague}].text`);
    insert(context.db, 'site_close_down', {
      id,
      job,
      walk: orNull(walk),
      person: walker(context),
      at: context.at,
      items: JSON.stringify(items),
      bin: orNull(bin),
      note,
    });
    context.logFor(job);
  },
  'shortage.purchase': (context, { about }) => {
    const { job } = needShort(context, about);
    writePurchase(context.db, about, { at: context.at, person: personOf(context) });
    context.logFor(job);
  },
  'shortage.unpurchase': (context, { about }) => {
    const { job } = needShort(context, about);
    writePurchase(context.db, about, null);
    context.logFor(job);
  },
  'client.hand-over': (context, { id, job, area, kind, text }) => {
    requireRow(context, 'job', job, 'job');
    if (area) requireAreaOf(context, job, area);
    insert(context.db, 'handed_over', { id, job, area: orNull(area), kind, text, at: context.at });
    context.logFor(job);
  },
  'client.ask': (context, { id, area, text, name }) => {
    const job = context.who.kind === 'link' ? context.who.job : null;
    if (!job) throw unprocessable('no-job', 'This link belongs to no job.', 'id');
    needClientOf(context, job);
    needCompletion(context, job);
    if (area) requireAreaOf(context, job, area);
    insert(context.db, 'client_item', { id, job, area: orNull(area), text, name, at: context.now, state: 'asked' });
    context.logFor(job);
  },
  'client.take-up': (context, { id, version, observation, walk, area, trade }) => {
    const row = needAsked(context, id, version);
    if (requireRow(context, 'walk', walk, 'walk').job !== row.job) throw notFound('walk of this job', 'walk');
    requireAreaOf(context, row.job, area);
    writeRecord(context.db, {
      id: observation,
      walk,
      job: row.job,
      area,
      person: walker(context),
      at: context.at,
      kind: 'remaining',
      text: row.text,
      trade,
    });
    update(context.db, 'client_item', id, { state: 'taken up', observation, area });
    context.replan(row.job, { kind: 'client-item', area, text: row.text });
  },
  'client.answer': (context, { id, version, answer }) => {
    const row = needAsked(context, id, version);
    update(context.db, 'client_item', id, { state: 'answered', answer });
    context.logFor(row.job);
  },
  'area.sign-off': (context, payload) => accept(context, payload, 0),
  'area.accept': (context, payload) => accept(context, payload, 1),
});

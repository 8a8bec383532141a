import {
  acceptArea,
  answerItem,
  askItem,
  buyShort,
  leaveSite,
  leaveWithClient,
  signOff,
  takeUpItem,
  unbuyShort,
} from '@/contract/commands/completion';
import { insert, one, orNull, run, update } from '../database/query';
import { handler, need, needAreaOf, needVersion, type Handler, type Visit } from '../door/handler';
import { notFound, unfit } from '../door/refusal';
import { personOf } from '../scope/decisions';
import { needClientOf } from '../updates/tell-client';
import { walker } from './commands';

function needShort(visit: Visit, about: string): { job: string } {
  const row = need<{ job: string; kind: string }>(visit, 'observation', about, 'about');
  if (row.kind !== 'short') throw unfit('not-short', 'Only what is short of stands on the run list.', 'about');
  return row;
}

function accept(
  visit: Visit,
  { id, area, name, words }: { id: string; area: string; name: string; words: string },
  byClient: 0 | 1,
): void {
  const { job } = need<{ job: string }>(visit, 'area', area, 'area');
  if (byClient) needClientOf(visit, job);
  const there = one<{ name: string }>(visit.db, 'SELECT name FROM sign_off WHERE area = @area AND removed = 0', {
    area,
  });
  if (there) throw unfit('accepted-already', `${there.name} has accepted this room already.`, 'area');
  insert(visit.db, 'sign_off', { id, job, area, name, words, at: visit.at, by_client: byClient });
  visit.touches(job);
}

interface ItemRow {
  job: string;
  state: string;
  text: string;
  version: number;
}

function needAsked(visit: Visit, id: string, version: number): ItemRow {
  const row = needVersion<ItemRow>(visit, 'client_item', id, version);
  if (row.state !== 'asked') throw unfit('answered-already', `This was ${row.state} already.`, 'id');
  return row;
}

export const completionHandlers: Handler[] = [
  handler(leaveSite, (visit, { id, job, walk, items, bin, note }) => {
    need(visit, 'job', job, 'job');
    if (walk && need<{ job: string }>(visit, 'walk', walk, 'walk').job !== job)
      throw notFound('walk of this job', 'walk');
    const vague = items.findIndex((item) => item.state === 'not well' && item.text.trim() === '');
    if (vague !== -1)
      throw unfit('not-said', 'Say what is not well, so that somebody can put it right.', `items[${vague}].text`);
    insert(visit.db, 'site_left', {
      id,
      job,
      walk: orNull(walk),
      person: walker(visit),
      at: visit.at,
      items: JSON.stringify(items),
      bin: orNull(bin),
      note,
    });
    visit.touches(job);
  }),
  handler(buyShort, (visit, { about }) => {
    const { job } = needShort(visit, about);
    run(visit.db, 'INSERT OR IGNORE INTO bought (observation, at, person) VALUES (@about, @at, @person)', {
      about,
      at: visit.at,
      person: personOf(visit),
    });
    visit.touches(job);
  }),
  handler(unbuyShort, (visit, { about }) => {
    const { job } = needShort(visit, about);
    run(visit.db, 'DELETE FROM bought WHERE observation = @about', { about });
    visit.touches(job);
  }),
  handler(leaveWithClient, (visit, { id, job, area, kind, text }) => {
    need(visit, 'job', job, 'job');
    if (area) needAreaOf(visit, job, area);
    insert(visit.db, 'left_with_client', { id, job, area: orNull(area), kind, text, at: visit.at });
    visit.touches(job);
  }),
  handler(askItem, (visit, { id, area, text, name }) => {
    const job = visit.who.kind === 'link' ? visit.who.job : null;
    if (!job) throw unfit('no-job', 'This link belongs to no job.', 'id');
    needClientOf(visit, job);
    if (area) needAreaOf(visit, job, area);
    insert(visit.db, 'client_item', { id, job, area: orNull(area), text, name, at: visit.now, state: 'asked' });
    visit.touches(job);
  }),
  handler(takeUpItem, (visit, { id, version, observation, walk, area, trade }) => {
    const row = needAsked(visit, id, version);
    if (need<{ job: string }>(visit, 'walk', walk, 'walk').job !== row.job) throw notFound('walk of this job', 'walk');
    needAreaOf(visit, row.job, area);
    insert(visit.db, 'observation', {
      id: observation,
      walk,
      job: row.job,
      area,
      person: walker(visit),
      at: visit.at,
      kind: 'remaining',
      text: row.text,
      trade,
    });
    update(visit.db, 'client_item', id, { state: 'taken up', observation, area });
    visit.mark(row.job, 'a line of the client’s list was taken up');
  }),
  handler(answerItem, (visit, { id, version, answer }) => {
    const row = needAsked(visit, id, version);
    update(visit.db, 'client_item', id, { state: 'answered', answer });
    visit.touches(row.job);
  }),
  handler(signOff, (visit, payload) => accept(visit, payload, 0)),
  handler(acceptArea, (visit, payload) => accept(visit, payload, 1)),
];

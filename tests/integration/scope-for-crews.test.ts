import { describe, expect, it } from 'vitest';
import type { CrewShared } from '@/contract/views/news';
import { onOrderRows } from '@/server/reading/selections';
import { visitRows } from '@/server/reading/sequence';
import { readFirm, readJob, readOpenJobs } from '@/server/reading/reading';
import { queryAll, queryOne } from '@/server/database/query';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { openLink, sharesPicture } from '@/server/public/links';
import { sharedView } from '@/server/public/shared';
import { tokenOf } from '@/server/tokens';
import { unlikeRecords } from '@/server/walks/rebuild';
import { stateWords } from '@/core/selections/states';
import { statementGaps } from '@/server/views/compose-statement';
import { deliveriesView } from '@/server/views/deliveries';
import { selectionsOf } from '@/server/views/selection';
import { firmView } from '@/server/views/firm';
import { roomView } from '@/server/views/room';
import { findable } from '@/server/views/find';
import { optionsView, scopeView } from '@/server/views/scope';
import { walkPack } from '@/server/views/pack';
import { wallsView } from '@/server/views/walls';
import { renewOnce } from '@/server/plan/renew';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, giveRaw, must, newId, signalHouse, walkSeeing } from '../support/installations';

const dairy = demoId('dairy');
const workshop = areaOf('workshop', 'dairy');
const front = areaOf('front', 'dairy');
const valve = demoId('dairy', 'finding', '7');

type Link = Extract<Actor, { kind: 'link' }>;
function linkFor(installation: Installation, terms: { audience: 'crew' | 'sub'; job?: string; sub?: string }): Link {
  const id = newId();
  must(installation, 'share.make', { id, recipient: 'Wren', expiresOn: '2027-04-30', ...terms });
  return { kind: 'link', id, audience: terms.audience, job: terms.job ?? null, sub: terms.sub ?? null };
}
const open = (installation: Installation, { id }: Link) => openLink(installation, tokenOf(installation, id))!;
const pageOf = (installation: Installation, link: Link): CrewShared =>
  sharedView(installation, open(installation, link)) as CrewShared;
const choiceOn = (page: CrewShared) =>
  page.rooms.flatMap(({ brief }) => brief.choices).find(({ subject }) => subject === 'the stop valve');
const codeOf = (installation: Installation, type: string, payload: object, who?: Actor): string => {
  const answer = giveRaw(installation, type, payload, who);
  return answer.status === 'refused' ? answer.problem.code : answer.status;
};
const versionOf = (installation: Installation, table: 'area' | 'job' | 'finding' | 'option_set', id: string): number =>
  queryOne<{ version: number }>(installation.db, `SELECT version FROM ${table} WHERE id = @id`, { id })!.version;

describe('what was agreed', () => {
  it('stands on the crew’s page, on the walk and at the walls: what stays live, what is not theirs, what to protect', () => {
    const installation = demoHouse();
    const line = { job: dairy, area: workshop, dependsOn: '', place: '' };
    const terms = { stance: 'out' as const, verb: 'touch', subject: 'the old bench' };
    must(installation, 'scope.add', { id: newId(), ...line, ...terms });
    must(installation, 'scope.add', {
      ...line,
      ...{ id: newId(), stance: 'protect', verb: 'protect', subject: 'the yard door', place: 'felt' },
    });
    const room = pageOf(installation, linkFor(installation, { audience: 'crew', job: dairy })).rooms.find(
      ({ area }) => area === workshop,
    );
    expect(room?.brief.parts.out).toMatchObject([{ text: 'the old bench' }]);
    expect(room?.brief.parts.protect).toMatchObject([{ text: 'protect the yard door', note: 'with felt' }]);
    expect(room?.brief.parts.live.map(({ text }) => text).join()).toContain('an old gas pipe under the window');
    const job = readJob(installation, dairy);
    expect(wallsView(job, workshop).brief).toEqual(room?.brief);
    expect(roomView(job, workshop).brief).toEqual(room?.brief);
    const walk = newId();
    must(installation, 'walk.start', { id: walk, job: dairy, kind: 'progress' });
    expect(walkPack(installation, walk).areas.find(({ id }) => id === workshop)?.brief).toEqual(room?.brief);
  });

  it('is a sub’s own work only, with no price on it', () => {
    const installation = demoHouse();
    const page = pageOf(installation, linkFor(installation, { audience: 'sub', sub: demoId('sub', 'wiring') }));
    expect(page.rooms.length).toBeGreaterThan(0);
    const trades = new Map(
      queryAll<{ id: string; trade: string | null }>(installation.db, 'SELECT id, trade FROM scope_item').map((row) => [
        row.id,
        row.trade,
      ]),
    );
    for (const { brief } of page.rooms)
      for (const { id } of brief.parts.work) expect([null, 'wiring']).toContain(trades.get(id) ?? null);
    expect(JSON.stringify(page)).not.toMatch(/unitPrice|markup|14800|148\.00/);
  });
});

describe('a choice left to the site', () => {
  it('is made by the crew on the spot and stays made, wherever it is read', () => {
    const installation = demoHouse();
    const link = linkFor(installation, { audience: 'crew', job: dairy });
    expect(choiceOn(pageOf(installation, link))?.answer).toBe('');
    const answer = { id: valve, answer: 'beside the yard door', name: 'Wren' };
    expect(codeOf(installation, 'finding.answer', answer, link)).toBe('applied');
    expect(choiceOn(pageOf(installation, link))).toMatchObject({ answer: 'beside the yard door', by: 'Wren' });
    const texts = scopeView(readJob(installation, dairy)).areas.flatMap(({ findings }) =>
      findings.map(({ text }) => text),
    );
    expect(texts).toContain('the stop valve: beside the yard door (decided by Wren)');
  });

  it('is nobody’s who does not work there, and says what is missing', () => {
    const installation = demoHouse();
    const elsewhere = linkFor(installation, { audience: 'crew', job: signalHouse });
    const here = linkFor(installation, { audience: 'crew', job: dairy });
    const answer = { id: valve, answer: 'left', name: 'Wren' };
    expect(codeOf(installation, 'finding.answer', answer, elsewhere)).toBe('unknown-id');
    expect(codeOf(installation, 'finding.answer', { ...answer, name: ' ' }, here)).toBe('no-name');
    expect(codeOf(installation, 'finding.answer', { ...answer, answer: '' }, here)).toBe('no-answer');
    expect(codeOf(installation, 'finding.answer', { ...answer, id: demoId('dairy', 'finding', '0') })).toBe(
      'not-a-choice',
    );
  });
});

describe('a finding', () => {
  it('is changed where it stands (D11), and shows its picture to those who work there and to nobody else', () => {
    const installation = demoHouse();
    const hash = queryOne<{ hash: string }>(installation.db, 'SELECT hash FROM picture')!.hash;
    const id = demoId('dairy', 'finding', '5');
    must(installation, 'finding.change', {
      ...{ id, version: versionOf(installation, 'finding', id), area: workshop, kind: 'service' },
      ...{ subject: 'an old gas pipe', live: false, need: 'yellow tape', picture: hash },
    });
    const here = linkFor(installation, { audience: 'crew', job: dairy });
    const room = pageOf(installation, here).rooms.find(({ area }) => area === workshop);
    expect(room?.brief.parts.live).toMatchObject([
      { text: 'an old gas pipe: dead, comes out once proved so, marked yellow tape', picture: hash },
    ]);
    const elsewhere = linkFor(installation, { audience: 'crew', job: signalHouse });
    expect(sharesPicture(installation, open(installation, here), hash)).toBe(true);
    expect(sharesPicture(installation, open(installation, elsewhere), hash)).toBe(false);
  });
});

describe('a choice between options', () => {
  it('rewrites the lines it decides, says what they were, and gives them back', () => {
    const installation = demoHouse();
    const set = demoId('dairy', 'options', '0');
    const lines = () =>
      scopeView(readJob(installation, dairy))
        .areas.find(({ id }) => id === front)!
        .lines.filter(({ trade, stance }) => trade === 'roofing' || stance === 'in')
        .map(({ verb, subject, quantity, was }) => ({ text: `${verb} ${subject} ${quantity ?? ''}`, was }));
    const before = lines();
    expect(optionsView(readJob(installation, dairy)).sets[0]?.lines).toHaveLength(1);
    const choose = (key: string): void =>
      void must(installation, 'options.choose', {
        ...{ id: set, version: versionOf(installation, 'option_set', set), key },
        ...{ reason: 'the client wants it so', decisionId: newId() },
      });
    choose('strip');
    expect(lines()).toEqual([
      { text: 'strip the boards 46', was: 'strip boards of the lane face, 46 m²' },
      { text: 'clad the face with new boards 46', was: null },
    ]);
    choose('overlay');
    expect(lines()).toEqual([{ text: 'overlay the boards 46', was: 'strip boards of the lane face, 46 m²' }]);
    must(installation, 'options.unchoose', { id: set, version: versionOf(installation, 'option_set', set) });
    expect(lines()).toEqual(before);
  });

  it('names the line of an option that cannot be read', () => {
    const installation = demoHouse();
    const option = { key: 'a', name: 'A', cost: 1, lifeYears: 1, leadDays: 0, lines: ['strip 1,250 m', 'paint'] };
    const answer = giveRaw(installation, 'options.add', {
      ...{ id: newId(), job: dairy, area: front, phase: 'strip', subject: 'which' },
      options: [option, { ...option, key: 'b' }],
    });
    expect(answer).toMatchObject({
      status: 'refused',
      problem: { field: expect.stringMatching(/options\[\d\]\.lines/) },
    });
  });
});

describe('an area', () => {
  const change = (installation: Installation, id: string, over: object): string =>
    codeOf(installation, 'area.change', {
      ...{ id, version: versionOf(installation, 'area', id), name: 'Study', works: ['redecorate'], size: 1 },
      ...over,
    });

  it('has a name of its own in its job, and can be another kind on another level', () => {
    const installation = demoHouse();
    const level = queryOne<{ id: string }>(
      installation.db,
      'SELECT id FROM level WHERE job = @job ORDER BY height DESC',
      { job: signalHouse },
    )!.id;
    expect(change(installation, areaOf('study'), { name: ' KITCHEN ' })).toBe('name-taken');
    expect(change(installation, areaOf('study'), { kind: 'wet', level })).toBe('applied');
    expect(queryOne(installation.db, 'SELECT kind, level FROM area WHERE id = @id', { id: areaOf('study') })).toEqual({
      kind: 'wet',
      level,
    });
    expect(change(installation, areaOf('study'), { level: 'outside' })).toBe('applied');
    expect(change(installation, areaOf('study'), { works: ['reclad'] })).toBe('work-elsewhere');
  });

  it('that became part of another takes all its records along, and those that come late', () => {
    const installation = demoHouse();
    walkSeeing(installation, { kind: 'remaining', area: areaOf('children'), text: 'sand the sill', trade: 'paint' });
    const count = (area: string): number =>
      queryOne<{ count: number }>(installation.db, 'SELECT count(*) AS count FROM observation WHERE area = @area', {
        area,
      })!.count;
    const [from, into] = [areaOf('children'), areaOf('main')];
    const both = count(from) + count(into);
    expect(count(from)).toBeGreaterThan(0);
    must(installation, 'area.merge', { from, version: versionOf(installation, 'area', from), into });
    expect(count(into)).toBe(both);
    expect(unlikeRecords(installation.db)).toEqual([]);
    const room = roomView(readJob(installation, signalHouse), into);
    expect(room.open.map(({ text }) => text)).toContain('sand the sill');
    expect(room.called).toContain('Children’s room');
    walkSeeing(installation, { kind: 'note', area: from, text: 'said without a signal' });
    expect(count(into)).toBe(both + 1);
    renewOnce(installation);
    expect(queryOne(installation.db, 'SELECT 1 FROM plan_problem')).toBeUndefined();
  });

  it('of which something was recorded is not removed, and it is said what', () => {
    const installation = demoHouse();
    const id = areaOf('guest');
    const answer = giveRaw(installation, 'area.remove', { id, version: versionOf(installation, 'area', id) });
    expect(answer).toMatchObject({
      problem: { code: 'recorded-there', title: expect.stringMatching(/record of walks.*Merge it into another area/) },
    });
  });
});

describe('a job that was set up by mistake', () => {
  it('is shown nowhere and planned nowhere, and comes back with all it had', () => {
    const installation = demoHouse();
    const link = linkFor(installation, { audience: 'crew', job: signalHouse });
    const before = queryAll(installation.db, 'SELECT * FROM area WHERE job = @job', { job: signalHouse });
    const visitsAt = (): number =>
      visitRows(readFirm(installation), '2000-01-01').filter(({ job }) => job === signalHouse).length;
    const ordersOf = (): number => onOrderRows(installation.db).filter(({ job }) => job === signalHouse).length;
    const [visits, orders] = [visitsAt(), ordersOf()];
    expect(Math.min(visits, orders)).toBeGreaterThan(0);
    must(installation, 'job.remove', { id: signalHouse, version: versionOf(installation, 'job', signalHouse) });
    renewOnce(installation);
    expect(readFirm(installation).jobs).not.toContain(signalHouse);
    expect(readOpenJobs(installation).jobs).not.toContain(signalHouse);
    expect(findable(readOpenJobs(installation)).some(({ path }) => path.includes(signalHouse))).toBe(false);
    expect([visitsAt(), ordersOf()]).toEqual([0, 0]);
    expect(openLink(installation, tokenOf(installation, link.id))).toBeUndefined();
    expect(() => scopeView(readJob(installation, signalHouse))).toThrow();
    expect(firmView(installation, { role: 'contractor' }).removed).toEqual([
      { id: signalHouse, name: expect.any(String) },
    ]);
    must(installation, 'job.restore', { id: signalHouse });
    expect(queryAll(installation.db, 'SELECT * FROM area WHERE job = @job', { job: signalHouse })).toEqual(before);
    expect([visitsAt(), ordersOf()]).toEqual([visits, orders]);
    expect(open(installation, link).job).toBe(signalHouse);
    expect(readFirm(installation).jobs).toContain(signalHouse);
  });
});

describe('what was entered without being right', () => {
  it('is said before it is sent: no client, no address, a line whose measure is gone (D24)', () => {
    const installation = demoHouse();
    const { version, ...row } = queryOne<Record<string, string> & { version: number }>(
      installation.db,
      'SELECT version, name, units, state, start_day AS startDay FROM job WHERE id = @dairy',
      { dairy },
    )!;
    must(installation, 'job.change', { ...row, id: dairy, version, client: '', address: '' } as never);
    const gaps = (): string =>
      statementGaps(readJob(installation, dairy))
        .map(({ text }) => text)
        .join('\n');
    expect(gaps()).toMatch(/Who the client is: their name is missing/);
    expect(gaps()).toMatch(/Where it is: the address is missing/);
    must(installation, 'scope.add', {
      ...{ id: newId(), job: dairy, area: areaOf('roof', 'dairy'), stance: 'in', verb: 'cover', subject: 'the roof' },
      ...{ measure: 'faceNet', dependsOn: '', place: '' },
    });
    expect(gaps()).toMatch(/Slate roof: cover the roof: what it followed is no longer drawn/);
  });

  it('is no half of a piece (D24), and no wrong goods without a word on what came (D13)', () => {
    const installation = demoHouse();
    const line = {
      job: dairy,
      area: workshop,
      stance: 'in',
      verb: 'fit',
      subject: 'outlets',
      dependsOn: '',
      place: '',
    };
    const answer = giveRaw(installation, 'scope.add', { ...line, id: newId(), quantity: 1.5, unit: 'pieces' });
    expect(answer).toMatchObject({ problem: { field: 'quantity', title: expect.stringMatching(/counted whole/) } });
    expect(codeOf(installation, 'scope.add', { ...line, id: newId(), quantity: 1.5, unit: 'm' })).toBe('applied');
    const { id, version } = queryOne<{ id: string; version: number }>(
      installation.db,
      "SELECT id, version FROM selection WHERE state IN ('ordered', 'confirmed', 'shipped') AND removed = 0",
    )!;
    expect(codeOf(installation, 'selection.check', { id, version, verdict: 'wrong' })).toBe('not-said');
    must(installation, 'selection.check', { id, version, verdict: 'wrong', text: 'white, not sage' });
    const item = selectionsOf(readJob(installation, jobOf(installation, id))).find((one) => one.id === id)!;
    expect([item.state, stateWords(item)]).toEqual(['checked', 'came wrong']);
    const { storage } = deliveriesView(readJob(installation, jobOf(installation, id)));
    const there = storage.flatMap(({ things }) => things).filter((thing) => thing.href?.includes(id));
    expect(there.map(({ text }) => text)).toEqual(['goes back']);
  });
});

const jobOf = (installation: Installation, selection: string): string =>
  queryOne<{ job: string }>(installation.db, 'SELECT job FROM selection WHERE id = @selection', { selection })!.job;

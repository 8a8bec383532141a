import { readFirm, readJob } from '@/server/reading/reading';
import { pathOf } from '@/server/tokens';
import { describe, expect, it } from 'vitest';
import { queryAll } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { readPlan } from '@/server/reading/plan';
import { selectionsOf } from '@/server/views/selection';
import { roomsView } from '@/server/views/rooms';
import { roomView } from '@/server/views/room';
import { composeDraft } from '@/server/views/draft';
import { emptyOutbox } from '@/server/news/outbox';
import { newsView } from '@/server/views/news';
import { walkPack } from '@/server/views/pack';
import { reviewView } from '@/server/views/review';
import { checkPlan } from '@/core/schedule/check';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, emptyHouse, give, giveRaw, must, newId, signalHouse } from '../support/installations';
import { asRead, recipient } from '../support/sending';
import { reasonSaid, workSaid } from '../support/said';

const startWalk = (installation: Installation): string => {
  const id = newId();
  must(installation, 'walk.start', { id, job: signalHouse, kind: 'progress' });
  return id;
};
const record = (installation: Installation, walk: string, seen: object, at = '2027-03-09T10:00:00.000Z'): string => {
  const id = newId();
  const answer = give(installation, 'observation.record', {
    observation: { id, walk, area: areaOf('guest'), ...seen },
  });
  if (answer.status === 'refused') throw new Error(`${at} ${JSON.stringify(answer.problem)}`);
  return id;
};
const renew = (installation: Installation): void => void renewOnce(installation);
const guest = (installation: Installation) => roomView(readJob(installation, signalHouse), areaOf('guest'));

describe('a walk', () => {
  it('moves the section, the plan and the drafts', () => {
    const installation = demoHouse();
    const before = roomsView(readJob(installation, signalHouse));
    const walk = startWalk(installation);
    record(installation, walk, { kind: 'progress', phase: 'wiring-rough', fraction: 1 });
    const sweep = record(installation, walk, {
      kind: 'remaining',
      text: 'chase for the bell wire',
      trade: 'wiring',
      quantity: 3,
      unit: 'm',
    });
    record(installation, walk, {
      kind: 'selection-check',
      selection: demoId('signal', 'selection', 'guest', 'Inside doors'),
      verdict: 'wrong',
      text: 'oak, not birch',
    });
    must(installation, 'walk.finish', { id: walk });
    renew(installation);

    const rooms = roomsView(readJob(installation, signalHouse));
    expect(rooms.done).toBeGreaterThan(before.done);
    expect(guest(installation).steps.find((step) => step.phase === 'wiring-rough')).toMatchObject({
      fraction: 1,
      seen: 'Tue 9 Mar',
    });
    expect(guest(installation).open.map((item) => item.text)).toContain('3 m chase for the bell wire');
    const task = readPlan(installation.db)?.tasks.find((planned) => planned.id === `item:${sweep}`);
    expect(task).toMatchObject({ trade: 'wiring', job: signalHouse });
    expect(
      selectionsOf(readJob(installation, signalHouse)).find((item) => item.category === 'Inside doors')?.found,
    ).toEqual({
      verdict: 'wrong',
      text: 'ordered as Flush, birch, 2\' 8", but came as oak, not birch',
    });

    const review = reviewView(readJob(installation, signalHouse), walk, () => readFirm(installation));
    expect(review.gain).toBeGreaterThan(0);
    expect(review.areas.find((area) => area.name === 'Guest suite')?.lines.map((line) => line.text)).toEqual([
      'wires 30 % → done',
      'to do: 3 m chase for the bell wire · wiring',
      'Inside doors: wrong (oak, not birch)',
    ]);
    expect(review.readers).toEqual(['client', 'crew']);
    const client = composeDraft(readJob(installation, signalHouse), 'client').text;
    expect(client).toContain('inside the walls');
    expect(client).not.toMatch(/rough|close-in|barrier/);
  });

  it('counts a withdrawn record as if it had not been, and a late one in its right place', () => {
    const installation = demoHouse();
    const walk = startWalk(installation);
    const wrong = record(installation, walk, { kind: 'progress', phase: 'wiring-rough', fraction: 0.9 });
    expect(
      walkPack(installation, walk)
        .areas.find((area) => area.id === areaOf('guest'))
        ?.steps.find((step) => step.phase === 'wiring-rough')?.fraction,
    ).toBe(0.9);
    record(installation, walk, { kind: 'withdrawal', about: wrong });
    expect(
      walkPack(installation, walk)
        .areas.find((area) => area.id === areaOf('guest'))
        ?.steps.find((step) => step.phase === 'wiring-rough')?.fraction,
    ).toBe(0.3);
    must(installation, 'walk.finish', { id: walk });
    renew(installation);
    const version = readPlan(installation.db)?.version;
    record(installation, walk, { kind: 'remaining', text: 'came late', trade: 'wiring' });
    renew(installation);
    expect(readPlan(installation.db)?.version).toBe((version ?? 0) + 1);
    // A second phone finishing it changes nothing and is not told off.
    expect(give(installation, 'walk.finish', { id: walk })).toMatchObject({ status: 'applied' });
    expect(installation.db.prepare('SELECT count(*) AS count FROM plan_mark').get()).toEqual({ count: 0 });
  });

  it('leaves nothing to be planned twice, and marks survive a stop in between', () => {
    const installation = demoHouse();
    const walk = startWalk(installation);
    record(installation, walk, { kind: 'progress', phase: 'wiring-rough', fraction: 0.5 });
    must(installation, 'walk.finish', { id: walk });
    expect(queryAll(installation.db, 'SELECT * FROM plan_mark')).toHaveLength(1);
    renew(installation);
    expect(queryAll(installation.db, 'SELECT * FROM plan_mark')).toHaveLength(0);
    expect(renewOnce(installation)).toBeUndefined();
    expect(queryAll(installation.db, 'SELECT * FROM walk_plan WHERE walk = @walk', { walk })).toHaveLength(1);
  });
});

describe('sending', () => {
  it('hands a message over once, tells of failures and lets it be tried again', async () => {
    const installation = demoHouse();
    const recipients = [
      recipient('Averill', 'averill@watchsteps.example'),
      recipient('Nobody', 'nobody@nowhere.invalid'),
    ];
    const payload = asRead(installation, { recipients });
    must(installation, 'update.send', payload);
    expect(give(installation, 'update.send', { ...payload, id: newId() })).toMatchObject({
      status: 'refused',
      problem: { code: 'changed-since' },
    });
    expect(await emptyOutbox(installation)).toBe(2);
    expect(await emptyOutbox(installation)).toBe(0);
    const sent = newsView(readJob(installation, signalHouse)).updates.find((update) => update.id === payload.id);
    expect(sent).toMatchObject({ body: payload.body });
    expect(sent?.messages.find((message) => message.recipient === 'Nobody')).toMatchObject({
      state: 'failed',
      failure: 'There is no such address.',
    });
    must(installation, 'message.retry', { id: recipients[1]!.messageId });
    expect(await emptyOutbox(installation)).toBe(1);
    expect(
      JSON.stringify([
        queryAll(installation.db, 'SELECT * FROM message'),
        queryAll(installation.db, 'SELECT * FROM share_link'),
        queryAll(installation.db, 'SELECT * FROM command_log'),
      ]),
    ).not.toContain(pathOf(installation, newsView(readJob(installation, signalHouse)).links[0]?.id ?? '').slice(3));
  });

  it('refuses to send to nobody or to no address', () => {
    const installation = demoHouse();
    const payload = asRead(installation);
    expect(giveRaw(installation, 'update.send', { ...payload, recipients: [] })).toMatchObject({
      status: 'refused',
      problem: { title: 'name at least one recipient' },
    });
    expect(
      giveRaw(installation, 'update.send', {
        ...payload,
        recipients: [{ messageId: newId(), linkId: newId(), name: 'A', address: 'a' }],
      }),
    ).toMatchObject({ status: 'refused', problem: { field: 'recipients[0].address' } });
  });
});

describe('a job made from nothing', () => {
  it('has a plan that obeys itself as soon as its areas are set out', () => {
    const installation = emptyHouse();
    const [owner, job, level] = [newId(), newId(), newId()];
    must(
      installation,
      'firm.found',
      { name: 'Firm', personId: owner, ownerName: 'Owner', email: 'o@firm.example', password: 'long enough for it' },
      { kind: 'founder' },
    );
    must(installation, 'job.open', {
      id: job,
      name: 'One kitchen',
      units: 'metric',
      startDay: '2027-03-15',
      promiseDay: '2027-05-01',
    });
    expect(roomsView(readJob(installation, job))).toMatchObject({ done: 0, finish: null, levels: [] });
    must(installation, 'areas.add', {
      job,
      levels: [{ id: level, name: 'Ground floor', height: 0 }],
      areas: [
        { id: newId(), level, name: 'Kitchen', kind: 'room', works: ['kitchen'] },
        { id: newId(), level, name: 'Hall', kind: 'room', works: ['none'] },
      ],
    });
    renew(installation);
    const plan = readPlan(installation.db);
    expect(plan && checkPlan(plan)).toEqual([]);
    expect(plan?.tasks.every((task) => reasonSaid(task).length > 0)).toBe(true);
    expect(workSaid(plan?.tasks.find((task) => task.phase === 'protect'))).toBe('Kitchen · protect');
    expect(roomsView(readJob(installation, job)).finish).toMatch(/^2027-0[3-6]/);
  });
});

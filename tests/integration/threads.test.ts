import { join } from 'node:path';
import { describe, expect, it, onTestFinished } from 'vitest';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { startPlanner } from '@/server/plan/planner';
import { currentVersion } from '@/server/reading/plan';
import { emptyOutbox, startOutbox } from '@/server/news/outbox';
import { demoId } from '../../demo/seed';
import { openDatabase } from '@/server/database/open';
import { databaseFile } from '@/server/installation';
import { dispatchSoon } from '@/server/dispatch/dispatch-soon';
import { preview } from '@/server/dispatch/preview';
import { makePdf } from '@/server/papers/pdf';
import { readFirm, readJob } from '@/server/reading/reading';
import { planInput } from '@/server/plan/plan-input';
import { renewOnce } from '@/server/plan/renew';
import { optionsView } from '@/server/views/scope';
import { roomsView } from '@/server/views/rooms';
import { dispatchLarge, isLarge } from '@/server/threads/dispatch-large';
import { endThreads, inThread } from '@/server/threads/in-thread';
import { serve } from '@/server/serving';
import { GIVEN } from '../support/given';
import { asRead, recipient } from '../support/sending';
import { areaOf, command, demoHouse, MAREN, must, newId, raw, root, signalHouse } from '../support/installations';

const bundle = join(root, '.built', 'planner.mjs');

function planner(installation: Installation): void {
  const { stop } = startPlanner(installation, bundle);
  onTestFinished(stop);
}

function queued(installation: Installation, ...addresses: string[]): string[] {
  const recipients = addresses.map((address) => recipient('A', address));
  must(installation, 'update.send', asRead(installation, { recipients }));
  return recipients.map(({ messageId }) => messageId);
}
const stateOf = (installation: Installation, id: string) =>
  queryOne<{ state: string; tries: number; failure: string | null }>(
    installation.db,
    'SELECT state, tries, failure FROM message WHERE id = @id',
    { id },
  );

describe('the words of dates', () => {
  it('are those of the firm in a thread too, from its next answer on', async () => {
    const installation = demoHouse();
    onTestFinished(() => endThreads(installation));
    const walked = async (): Promise<string> =>
      (await inThread(installation, { name: 'review' }, signalHouse, demoId('signal', 'walk', '1'))).walk.when;
    expect(await walked()).toMatch(/^\w{3} \d+ (Feb|Mar)$/);
    must(installation, 'firm.set-dates', { dates: 'en-US', clockHours: 12 });
    expect(await walked()).toMatch(/^\w{3} (Feb|Mar) \d+$/);
  });
});

describe('a large command', () => {
  it('is carried out in a thread, once, and is heard of here', async () => {
    const installation = demoHouse();
    onTestFinished(() => endThreads(installation));
    const one = (GIVEN['selections.import']!.payload as { lines: object[] }).lines[0];
    const lines = (): object[] =>
      Array.from({ length: 900 }, (_, at) => ({ ...one, id: newId(), category: `Tile ${at}` }));
    const list = raw('selections.import', { job: signalHouse, lines: lines() });
    expect(isLarge(list)).toBe(true);
    expect(isLarge(command('hold.release', { id: newId(), version: 1 }))).toBe(false);
    const heard: string[] = [];
    for (const event of ['log', 'marked']) installation.news.on(event, () => heard.push(event));
    const written = () => queryOne<{ n: number }>(installation.db, 'SELECT total_changes() AS n')?.n;
    const before = written();
    expect(await dispatchLarge(installation, MAREN, list)).toMatchObject({ status: 'applied' });
    // Nothing of it went through the connection on which requests are answered.
    expect(written()).toBe(before);
    expect(heard).toEqual(['log', 'marked']);
    expect(queryAll(installation.db, `SELECT 1 FROM selection WHERE category LIKE 'Tile %'`)).toHaveLength(900);
    expect(await dispatchLarge(installation, MAREN, list)).toMatchObject({ status: 'repeated' });
    expect(heard).toHaveLength(2);
  });
});

describe('the planner’s thread', () => {
  it('plans what is marked while others go on, tells the screens, and sees what the walk did', async () => {
    const installation = demoHouse();
    planner(installation);
    const before = currentVersion(installation.db);
    const heard: number[] = [];
    installation.news.on('log', (seq: number) => heard.push(seq));
    const walk = newId();
    must(installation, 'walk.start', { id: walk, job: signalHouse, kind: 'progress' });
    must(installation, 'observation.record', {
      observation: { id: newId(), walk, area: areaOf('guest'), kind: 'progress', phase: 'wiring-rough', fraction: 1 },
    });
    must(installation, 'walk.finish', { id: walk });
    await expect.poll(() => currentVersion(installation.db), { timeout: 20_000 }).toBe((before ?? 0) + 1);
    await expect.poll(() => heard.length, { timeout: 5_000 }).toBe(4);
    expect(
      queryOne(installation.db, 'SELECT type, who FROM command_log WHERE seq = @seq', { seq: Math.max(...heard) }),
    ).toEqual({
      type: 'plan.renewed',
      who: 'planner',
    });
    expect(queryAll(installation.db, 'SELECT walk FROM walk_plan WHERE walk = @walk', { walk })).toEqual([{ walk }]);
  });

  it('does at its start what a stop left behind, and many marks at once', async () => {
    const installation = demoHouse();
    const before = currentVersion(installation.db) ?? 0;
    for (const number of ['0', '1', '2'])
      must(installation, 'hold.release', { id: demoId('signal', 'hold', number), version: 1 });
    expect(queryAll(installation.db, 'SELECT 1 FROM plan_mark')).toHaveLength(3);
    planner(installation);
    await expect.poll(() => queryAll(installation.db, 'SELECT 1 FROM plan_mark').length, { timeout: 20_000 }).toBe(0);
    expect(currentVersion(installation.db)).toBe(before + 1);
  });
});

describe('the outbox', () => {
  it('goes out by itself, and what a stop left behind goes out at the next start', async () => {
    const installation = demoHouse({ messages: { by: 'play', deliver: () => ({ state: 'delivered' }) } });
    const [early] = queued(installation, 'averill@watchsteps.example');
    startOutbox(installation, 10);
    await expect.poll(() => stateOf(installation, early ?? '')?.state, { timeout: 5_000 }).toBe('delivered');
    const [late] = queued(installation, 'averill@watchsteps.example');
    await expect.poll(() => stateOf(installation, late ?? '')?.state, { timeout: 5_000 }).toBe('delivered');
  });

  it('hands every message over once, with its own link in it and no other', async () => {
    const handed: { id: string; text: string }[] = [];
    const installation = demoHouse({
      messages: { by: 'play', deliver: ({ id, text }) => (handed.push({ id, text }), { state: 'delivered' }) },
    });
    const ids = queued(installation, 'a@a.example', 'b@b.example', 'c@c.example');
    expect(await emptyOutbox(installation)).toBe(3);
    expect(await emptyOutbox(installation)).toBe(0);
    expect(handed.map(({ id }) => id).sort()).toEqual([...ids].sort());
    const links = handed.map(({ text }) => /\/s\/\S+/.exec(text)?.[0]);
    expect(new Set(links).size).toBe(3);
  });
});

describe('what takes long', () => {
  const open = (): Installation => {
    const installation = demoHouse();
    onTestFinished(() => endThreads(installation));
    return installation;
  };

  it('is refused where requests are answered', () => {
    const thread = globalThis as typeof globalThis & { aftermistServes?: boolean };
    const installation = demoHouse();
    serve();
    onTestFinished(() => {
      delete thread.aftermistServes;
    });
    const input = command('pin.drop', { task: 'none' });
    expect(() => planInput(readFirm(installation))).toThrow(/in a thread/);
    expect(() => preview(installation, MAREN, input)).toThrow(/in a thread/);
    expect(() => makePdf(root, { title: '', subtitle: '', foot: '', content: [] })).toThrow(/in a thread/);
    // A page that needs no plan made is answered there as ever.
    expect(() => roomsView(readJob(installation, signalHouse))).not.toThrow();
  });

  it('answers from a thread as it would here, and refuses in the same words', async () => {
    const installation = open();
    const firm = readFirm(installation);
    expect(await inThread(installation, { name: 'options' }, signalHouse)).toEqual(optionsView(firm.job(signalHouse)));
    const away = command('sub.away', {
      sub: demoId('sub', 'tile'),
      firstDay: '2027-05-03',
      lastDay: '2027-05-14',
    });
    expect(await inThread(installation, { name: 'preview' }, MAREN, away)).toEqual(preview(installation, MAREN, away));
    await expect(inThread(installation, { name: 'pull' }, 'none')).rejects.toMatchObject({
      status: 404,
      problem: { field: 'task' },
    });
    const paper = await inThread(installation, { name: 'job paper' }, signalHouse, 'materials.pdf', {});
    expect(Buffer.from(paper.body).subarray(0, 5).toString()).toBe('%PDF-');
  });

  it('leaves this thread to others meanwhile, and stops when nobody waits for it', async () => {
    const installation = open();
    let turns = 0;
    const timer = setInterval(() => turns++, 5);
    onTestFinished(() => clearInterval(timer));
    await inThread(installation, { name: 'job paper' }, signalHouse, 'room-sheets.pdf', {});
    // A paper takes its second; were it set here, no timer would have had its turn.
    expect(turns).toBeGreaterThan(20);
    const gone = new AbortController();
    const stopped = inThread(
      installation,
      { name: 'job paper', signal: gone.signal },
      signalHouse,
      'room-sheets.pdf',
      {},
    );
    const behind = inThread(
      installation,
      { name: 'job paper', signal: gone.signal },
      signalHouse,
      'room-sheets.pdf',
      {},
    );
    const other = inThread(installation, { name: 'plan document' });
    gone.abort();
    await expect(stopped).rejects.toThrow(/Nobody waits/);
    await expect(behind).rejects.toThrow(/Nobody waits/);
    expect(JSON.parse(await other)).toMatchObject({ origin: '2027-03-09' });
  });
});

describe('a write lock that somebody else holds', () => {
  it('is waited for while others are served, and said where it takes long', async () => {
    const installation = demoHouse();
    const other = openDatabase(databaseFile(installation.folder), join(root, 'migrations'));
    onTestFinished(() => void other.close());
    const note = command('supplier.add', { id: newId(), name: 'Late', email: 'l@late.example' });
    other.exec('BEGIN IMMEDIATE');
    let turns = 0;
    const timer = setInterval(() => turns++, 5);
    onTestFinished(() => clearInterval(timer));
    setTimeout(() => other.exec('COMMIT'), 400);
    expect(await dispatchSoon(installation, MAREN, note)).toMatchObject({ status: 'applied' });
    expect(turns).toBeGreaterThan(5);
    other.exec('BEGIN IMMEDIATE');
    expect(
      await dispatchSoon(installation, MAREN, command('supplier.add', { id: newId(), name: 'Later', email: '' })),
    ).toMatchObject({
      status: 'refused',
      httpStatus: 503,
      problem: { code: 'busy', title: expect.stringContaining('try again') as string },
    });
    other.exec('ROLLBACK');
  }, 15_000);
});

describe('a plan that is being made', () => {
  it('takes up what is marked meanwhile, and holds nobody up', () => {
    const installation = demoHouse();
    const { db } = installation;
    const mark = (cause: string): void =>
      void db.prepare('INSERT INTO plan_mark (job, walk, cause) VALUES (?, NULL, ?)').run(signalHouse, cause);
    mark('first');
    let asked = 0;
    // Asked between schedules: the moment at which a plan is made and no transaction is open.
    const seq = renewOnce(installation, {
      schedules: 3,
      stop: () => {
        expect(db.inTransaction).toBe(false);
        if (asked++ === 0) mark('second');
        return false;
      },
    });
    expect(asked).toBeGreaterThan(3);
    expect(queryOne(db, 'SELECT cause FROM plan ORDER BY version DESC')).toEqual({
      cause: JSON.stringify(['first', 'second'].map((text) => ({ kind: 'told', text }))),
    });
    expect(queryOne(db, 'SELECT 1 FROM plan_mark')).toBeUndefined();
    expect(queryOne(db, 'SELECT type FROM command_log WHERE seq = @seq', { seq: seq ?? 0 })).toEqual({
      type: 'plan.renewed',
    });
    // Where something new comes each time, the plan is kept all the same and the newest waits for the next.
    mark('third');
    renewOnce(installation, { schedules: 1, stop: () => (mark('again'), false) });
    expect(queryOne<{ count: number }>(db, 'SELECT count(*) AS count FROM plan_mark')?.count).toBeGreaterThan(0);
  });
});

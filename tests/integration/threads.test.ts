import { join } from 'node:path';
import { describe, expect, it, onTestFinished } from 'vitest';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { startPlanner } from '@/server/schedule/planner';
import { currentVersion } from '@/server/reading/plan';
import { emptyOutbox, startOutbox } from '@/server/news/outbox';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, must, newId, root, signalHouse } from '../support/installations';

const bundle = join(root, '.built', 'planner.mjs');

function planner(installation: Installation): void {
  const { stop } = startPlanner(installation, bundle);
  onTestFinished(stop);
}

function queued(installation: Installation, ...addresses: string[]): string[] {
  const draft = queryOne<{ id: string; version: number }>(
    installation.db,
    `SELECT id, version FROM job_update WHERE job = @job AND state = 'draft'`,
    { job: signalHouse },
  );
  const recipients = addresses.map((address) => ({ messageId: newId(), linkId: newId(), name: 'A', address }));
  must(installation, 'update.send', {
    id: draft!.id,
    version: draft!.version,
    title: 'T',
    body: 'B',
    expiresOn: '2027-04-01',
    recipients,
  });
  return recipients.map((recipient) => recipient.messageId);
}
const stateOf = (installation: Installation, id: string) =>
  queryOne<{ state: string; tries: number; failure: string | null }>(
    installation.db,
    'SELECT state, tries, failure FROM message WHERE id = @id',
    { id },
  );

describe('the planner’s thread', () => {
  it('plans what is marked while others go on, tells the screens, and drafts what waited for it', async () => {
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
    expect(
      queryAll(installation.db, 'SELECT audience FROM job_update WHERE walk = @walk ORDER BY audience', { walk }),
    ).toEqual([{ audience: 'client' }, { audience: 'crew' }]);
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
    const installation = demoHouse({ messages: { deliver: () => ({}) } });
    const [early] = queued(installation, 'averill@watchsteps.example');
    startOutbox(installation, 10);
    await expect.poll(() => stateOf(installation, early ?? '')?.state, { timeout: 5_000 }).toBe('delivered');
    const [late] = queued(installation, 'averill@watchsteps.example');
    await expect.poll(() => stateOf(installation, late ?? '')?.state, { timeout: 5_000 }).toBe('delivered');
  });

  it('hands every message over once, with its own link in it and no other', () => {
    const handed: { id: string; text: string }[] = [];
    const installation = demoHouse({ messages: { deliver: ({ id, text }) => (handed.push({ id, text }), {}) } });
    const ids = queued(installation, 'a@a.example', 'b@b.example', 'c@c.example');
    expect(emptyOutbox(installation)).toBe(3);
    expect(emptyOutbox(installation)).toBe(0);
    expect(handed.map(({ id }) => id).sort()).toEqual([...ids].sort());
    const links = handed.map(({ text }) => /\/s\/\S+/.exec(text)?.[0]);
    expect(new Set(links).size).toBe(3);
  });
});

import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { standingClock } from '@/server/clock';
import { execute, queryAll, queryOne } from '@/server/database/query';
import { readMail } from '@/server/environment.mjs';
import type { Installation } from '@/server/installation';
import { emptyOutbox, quietUntil, settleUnsure } from '@/server/news/outbox';
import { openInstallation } from '@/server/open-installation';
import { smtpGateway } from '@/server/outside/smtp';
import { openLink } from '@/server/public/links';
import { readFirm } from '@/server/reading/reading';
import { todayView } from '@/server/views/today';
import { demoFolder, must, newId, NOW, root, signalHouse, testClock } from '../support/installations';
import { mailServer } from '../support/mail-server';
import { messageGatewaySuite } from '../support/ports';
import { asRead, recipient } from '../support/sending';

const FROM = 'Harrow & Tern <news@harrow.example>';
const ADDRESS = 'http://127.0.0.1:3000';

let server: Awaited<ReturnType<typeof mailServer>>;
beforeAll(async () => {
  server = await mailServer();
});
afterAll(() => server.stop());

messageGatewaySuite('a mail server', () => smtpGateway({ server: server.url, from: FROM }), 10);

/** A firm of its own that sends by the mail server. */
function house(): Installation {
  const installation = openInstallation({
    ...{ folder: demoFolder(), root, clock: testClock() },
    outside: { messages: smtpGateway({ server: server.url, from: FROM }) },
  });
  installation.address = ADDRESS;
  return installation;
}

const stateOf = (installation: Installation, id: string) =>
  queryOne<{ state: string; tries: number; next_try_at: string | null; failure: string | null; address: string }>(
    installation.db,
    'SELECT state, tries, next_try_at, failure, address FROM message WHERE id = @id',
    { id },
  );

const later = (installation: Installation, minutes: number): void => {
  installation.clock = standingClock(new Date(installation.clock.now().getTime() + minutes * 60_000));
};

describe('news by mail', () => {
  it('comes as it was read, in the firm’s name, with a link of its own that opens', async () => {
    const installation = house();
    const to = recipient('Zoë Averill', 'averill@watchsteps.example');
    const letter = asRead(installation, { title: 'Signal House: 3 m² of oak', recipients: [to] });
    must(installation, 'update.send', letter);
    server.mails.length = 0;
    expect(await emptyOutbox(installation)).toBe(1);
    const [mail] = server.mails;
    expect(mail).toMatchObject({ to: ['averill@watchsteps.example'], subject: 'Signal House: 3 m² of oak' });
    expect(mail?.headers).toMatch(/^From: "?Harrow & Tern"? <news@harrow\.example>$/m);
    expect(mail?.text.trim().startsWith(letter.body)).toBe(true);
    const [, token = ''] = new RegExp(`${ADDRESS}/s/(\\S+)`).exec(mail?.text ?? '') ?? [];
    expect(openLink(installation, token)).toMatchObject({ id: to.linkId, job: signalHouse });
    // Taken by the server is not yet come.
    expect(stateOf(installation, to.messageId)).toMatchObject({ state: 'sent', failure: null });
    installation.db.close();
  });

  it('that was taken when the server stopped is said to be unsure, and does not go out a second time', async () => {
    const installation = house();
    const to = recipient('A', 'a@watchsteps.example');
    must(installation, 'update.send', asRead(installation, { title: 'News', recipients: [to] }));
    execute(installation.db, 'UPDATE message SET claimed_at = queued_at WHERE id = @id', { id: to.messageId });
    server.mails.length = 0;
    // Another hand has it, or had it: this one leaves it alone.
    await emptyOutbox(installation);
    expect(server.mails).toEqual([]);
    expect(settleUnsure(installation)).toBe(1);
    expect(stateOf(installation, to.messageId)).toMatchObject({
      state: 'failed',
      failure: expect.stringContaining('may have arrived') as string,
    });
    expect(settleUnsure(installation)).toBe(0);
    must(installation, 'message.retry', { id: to.messageId });
    expect(await emptyOutbox(installation)).toBe(1);
    expect(server.mails.length).toBe(1);
    installation.db.close();
  });

  it('is tried again after growing waits while the server is busy, and goes out once', async () => {
    const installation = house();
    const to = recipient('A', 'a@a.example');
    must(installation, 'update.send', asRead(installation, { recipients: [to] }));
    server.mails.length = 0;
    server.busy.now = true;
    const waits: number[] = [];
    for (let tried = 0; tried < 3; tried += 1) {
      expect(await emptyOutbox(installation)).toBe(1);
      const { next_try_at: next = null, state, failure } = stateOf(installation, to.messageId) ?? {};
      expect({ state, failure }).toEqual({ state: 'queued', failure: expect.stringContaining('busy') as unknown });
      waits.push(Math.round((Date.parse(next ?? '') - installation.clock.now().getTime()) / 60_000));
      expect(await emptyOutbox(installation)).toBe(0);
      later(installation, (waits.at(-1) ?? 0) + 1);
    }
    server.busy.now = false;
    expect(waits).toEqual([1, 5, 30]);
    expect(await emptyOutbox(installation)).toBe(1);
    expect(server.mails).toHaveLength(1);
    expect(stateOf(installation, to.messageId)).toMatchObject({ state: 'sent', tries: 4, failure: null });
    installation.db.close();
  });

  it('that a server refuses is said today, and goes to the right address, which is kept', async () => {
    const installation = house();
    installation.db.prepare(`UPDATE job SET client_email = 'gran@nowhere.invalid' WHERE id = ?`).run(signalHouse);
    const to = recipient('Gran', 'gran@nowhere.invalid');
    must(installation, 'update.send', asRead(installation, { recipients: [to] }));
    expect(await emptyOutbox(installation)).toBe(1);
    expect(stateOf(installation, to.messageId)).toMatchObject({
      state: 'failed',
      failure: expect.stringContaining('no such mailbox') as unknown,
    });
    expect(todayView(readFirm(installation)).failed).toMatchObject([{ job: signalHouse, to: ['Gran'] }]);
    server.mails.length = 0;
    must(installation, 'message.readdress', { id: to.messageId, address: 'gran@watchsteps.example' });
    expect(await emptyOutbox(installation)).toBe(1);
    expect(server.mails).toMatchObject([{ to: ['gran@watchsteps.example'] }]);
    expect(queryOne(installation.db, 'SELECT client_email FROM job WHERE id = @signalHouse', { signalHouse })).toEqual({
      client_email: 'gran@watchsteps.example',
    });
    expect(todayView(readFirm(installation)).failed).toEqual([]);
    installation.db.close();
  });

  it('to a neighbour is put right for that neighbour alone', async () => {
    const installation = house();
    const [four, six] = [newId(), newId()];
    for (const [id, email] of [
      [four, 'four@quay.invalid'],
      [six, 'six@quay.example'],
    ] as const)
      must(installation, 'neighbour.set', { id, job: signalHouse, name: email, email });
    const to = recipient('Number 4', 'four@quay.invalid');
    must(installation, 'update.send', asRead(installation, { audience: 'neighbour', recipients: [to] }));
    await emptyOutbox(installation);
    must(installation, 'message.readdress', { id: to.messageId, address: 'four@quay.example' });
    expect(queryAll(installation.db, 'SELECT email FROM neighbour ORDER BY email')).toEqual([
      { email: 'four@quay.example' },
      { email: 'six@quay.example' },
    ]);
    installation.db.close();
  });

  it('waits for the morning at night, and says when it gives up', async () => {
    const installation = house();
    const to = recipient('A', 'a@a.example');
    must(installation, 'update.send', asRead(installation, { recipients: [to] }));
    installation.clock = standingClock(new Date(`${NOW.slice(0, 10)}T22:30:00.000Z`));
    expect(quietUntil(installation)?.toISOString()).toBe('2027-03-10T06:00:00.000Z');
    expect(await emptyOutbox(installation)).toBe(0);
    expect(stateOf(installation, to.messageId)?.next_try_at).toBe('2027-03-10T06:00:00.000Z');
    installation.clock = standingClock(new Date('2027-03-10T06:00:00.000Z'));
    expect(quietUntil(installation)).toBeUndefined();
    server.busy.now = true;
    for (let tried = 0; tried < 6; tried += 1) {
      expect(await emptyOutbox(installation)).toBe(1);
      installation.clock = standingClock(new Date(Date.parse(`2027-03-${11 + tried}T08:00:00.000Z`)));
    }
    server.busy.now = false;
    expect(stateOf(installation, to.messageId)).toMatchObject({ state: 'failed', tries: 6 });
    expect(await emptyOutbox(installation)).toBe(0);
    installation.db.close();
  });

  it('goes nowhere by itself without a mail server', async () => {
    const installation = openInstallation({ folder: demoFolder(), root, clock: testClock() });
    const to = recipient('A', 'a@a.example');
    must(installation, 'update.send', asRead(installation, { recipients: [to] }));
    expect(await emptyOutbox(installation)).toBe(0);
    expect(stateOf(installation, to.messageId)).toMatchObject({ state: 'queued', tries: 0 });
    installation.db.close();
  });

  it.each([
    [{}, undefined],
    [{ AFTERMIST_SMTP: 'mail.example' }, /AFTERMIST_SMTP is no mail server; write it like/],
    [{ AFTERMIST_SMTP: 'http://mail.example' }, /is no mail server/],
    [{ AFTERMIST_SMTP: 'smtp://mail.example' }, /AFTERMIST_MAIL_FROM=news@firm\.example/],
    [{ AFTERMIST_SMTP: 'smtp://mail.example', AFTERMIST_MAIL_FROM: 'a@b\nBcc: c@d' }, /AFTERMIST_MAIL_FROM/],
    [{ AFTERMIST_SMTP: 'smtp://mail.example', AFTERMIST_MAIL_FROM: 'a@b' }, /AFTERMIST_ADDRESS=https/],
    [
      { AFTERMIST_SMTP: 'smtp://mail.example', AFTERMIST_MAIL_FROM: 'a@b', AFTERMIST_ADDRESS: 'firm' },
      /AFTERMIST_ADDRESS/,
    ],
  ] as [Record<string, string>, RegExp | undefined][])('knows of %o what is missing', (env, told) => {
    if (told) expect(() => readMail(env)).toThrow(told);
    else expect(readMail(env)).toBeUndefined();
  });
});

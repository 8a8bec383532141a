import { Secret, TOTP } from 'otpauth';
import { describe, expect, it } from 'vitest';
import { addDays } from '@/core/units/day';
import { beginCodes, confirmCodes } from '@/server/accounts/codes';
import { invitationToken } from '@/server/accounts/invitations';
import { changePassword, dropCodes, join } from '@/server/accounts/own-account';
import { needHardPassword } from '@/server/accounts/passwords';
import { endSession, endSessions, liveSessions, openSession, sessionOf, sessionsOf } from '@/server/accounts/sessions';
import { signIn } from '@/server/accounts/sign-in';
import { newestSignIns } from '@/server/accounts/sign-ins';
import { standingClock } from '@/server/clock';
import { queryAll } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { feedFile } from '@/server/public/feeds';
import { feedLink, tokenOf } from '@/server/tokens';
import { firmView } from '@/server/views/firm';
import { demoId } from '../../demo/seed';
import { demoHouse, give, must, newId, NOW } from '../support/installations';

const FROM = { device: 'Chrome on Android', source: '192.168.1.20' };
const MAREN = { email: 'maren@harrowtern.example', password: 'mist over the harbour' };
const maren = demoId('person', 'maren');
const tobin = demoId('person', 'tobin');
const CHOSEN = 'kettle drum nine herons';

/** The clock of a house stands so many seconds after noon of the day of the tests. */
function later(installation: Installation, seconds: number): string {
  const at = new Date(Date.parse(NOW) + seconds * 1000);
  installation.clock = standingClock(at);
  return at.toISOString();
}
const codeOf = (refused: Promise<unknown>): Promise<string> =>
  refused.then(
    () => 'taken',
    (error: unknown) => (error as { problem?: { code: string } }).problem?.code ?? String(error),
  );
/** Tobin is invited and has chosen a password. */
async function joined(installation: Installation): Promise<void> {
  const id = newId();
  must(installation, 'person.invite', { id, person: tobin });
  await join(installation, invitationToken(installation, id), CHOSEN, FROM);
}
const tobinSignsIn = (installation: Installation, code?: string) =>
  signIn(installation, { email: ' Tobin@Harrowtern.example ', password: CHOSEN, code }, FROM);

describe('a session', () => {
  it('is known by its secret alone, which the file does not hold, until it is ended', async () => {
    const installation = demoHouse();
    const { person, token } = await signIn(installation, MAREN, FROM);
    expect(person).toBe(maren);
    expect(sessionOf(installation.db, token, NOW)).toMatchObject({ id: maren, role: 'contractor' });
    expect(sessionOf(installation.db, `${token}x`, NOW)).toBeUndefined();
    expect(JSON.stringify(queryAll(installation.db, 'SELECT * FROM session'))).not.toContain(token);
    const [one] = sessionsOf(installation.db, maren);
    expect(endSession(installation.db, tobin, one?.id ?? '')).toBe(false);
    expect(endSession(installation.db, maren, one?.id ?? '')).toBe(true);
    expect(sessionOf(installation.db, token, NOW)).toBeUndefined();
  });

  it('ends two weeks after it was seen last, and after ninety days in any case', () => {
    const { db } = demoHouse();
    const day = (days: number): string => addDays(NOW.slice(0, 10), days) + NOW.slice(10);
    const idle = openSession(db, maren, FROM, NOW);
    const used = openSession(db, maren, FROM, NOW);
    for (let days = 10; days <= 90; days += 10) expect(sessionOf(db, used, day(days)), String(days)).toBeDefined();
    expect(sessionOf(db, used, day(91))).toBeUndefined();
    expect(sessionOf(db, idle, day(15))).toBeUndefined();
  });

  it('of others ends with a new password, of one’s own elsewhere too, and of whoever is shut out', async () => {
    const installation = demoHouse();
    const { db } = installation;
    await joined(installation);
    const [here, there] = [(await tobinSignsIn(installation)).token, (await tobinSignsIn(installation)).token];
    const session = sessionOf(db, here, NOW)?.session;
    expect(
      await codeOf(changePassword(installation, { id: tobin, session }, { old: 'guess', password: CHOSEN }, FROM)),
    ).toBe('wrong-password');
    await changePassword(
      installation,
      { id: tobin, session },
      { old: CHOSEN, password: 'heron nine drum kettles' },
      FROM,
    );
    expect([sessionOf(db, here, NOW)?.id, sessionOf(db, there, NOW)]).toEqual([tobin, undefined]);
    const third = (
      await signIn(installation, { email: 'tobin@harrowtern.example', password: 'heron nine drum kettles' }, FROM)
    ).token;
    expect(endSessions(db, tobin, session)).toBe(1);
    expect(sessionOf(db, third, NOW)).toBeUndefined();
    must(installation, 'person.suspend', { id: tobin });
    expect(sessionOf(db, here, NOW)).toBeUndefined();
    expect(liveSessions(installation).filter(({ person }) => person === tobin)).toEqual([]);
  });
});

describe('an invitation', () => {
  it('gives a password once, within a week, and the one before it opens nothing any more', async () => {
    const installation = demoHouse();
    const [first, second] = [newId(), newId()];
    must(installation, 'person.invite', { id: first, person: tobin });
    must(installation, 'person.invite', { id: second, person: tobin });
    const use = (id: string) => codeOf(join(installation, invitationToken(installation, id), CHOSEN, FROM));
    expect(await use(first)).toBe('invitation-over');
    expect(await codeOf(join(installation, invitationToken(installation, second), 'tobinharrow', FROM))).toBe(
      'password-easy',
    );
    // Two who hold it press at once: one of them is in.
    expect((await Promise.all([use(second), use(second)])).sort()).toEqual(['invitation-over', 'taken']);
    expect(await codeOf(tobinSignsIn(installation))).toBe('taken');
    must(installation, 'person.invite', { id: newId(), person: tobin });
    const old = newId();
    must(installation, 'person.invite', { id: old, person: tobin });
    later(installation, 8 * 86_400);
    expect(await use(old)).toBe('invitation-over');
  });

  it('is shown to whoever runs the firm alone, and to nobody who is shut out', async () => {
    const installation = demoHouse();
    const id = newId();
    must(installation, 'person.invite', { id, person: tobin });
    const path = `/join/${invitationToken(installation, id)}`;
    const shown = (role: 'contractor' | 'office' | 'lead') =>
      firmView(installation, { role }).people.find((person) => person.id === tobin)?.invitation;
    expect([shown('contractor'), shown('office'), shown('lead')]).toEqual([path, null, null]);
    expect(firmView(installation, { role: 'office' }).door).toEqual([]);
    must(installation, 'person.close', { id: tobin });
    expect(await codeOf(join(installation, invitationToken(installation, id), CHOSEN, FROM))).toBe('invitation-over');
  });
});

describe('whoever guesses', () => {
  it('has to wait longer each time, by address and by where they come from; the right password begins anew', async () => {
    const installation = demoHouse();
    // A clock that stands: on a busy machine the guesses themselves take seconds.
    later(installation, 0);
    const guess = () => codeOf(signIn(installation, { ...MAREN, password: 'guessed' }, FROM));
    for (let tries = 0; tries < 5; tries++) expect(await guess()).toBe('wrong-password');
    expect(await guess()).toBe('too-many-tries');
    // Not even the right one, and not from elsewhere: who guesses has many machines.
    expect(await codeOf(signIn(installation, MAREN, { ...FROM, source: '10.0.0.9' }))).toBe('too-many-tries');
    later(installation, 3);
    expect(await guess()).toBe('wrong-password');
    later(installation, 6);
    expect(await guess()).toBe('too-many-tries');
    later(installation, 8);
    expect(await codeOf(signIn(installation, MAREN, FROM))).toBe('taken');
    expect(await guess()).toBe('wrong-password');
    expect(newestSignIns(installation.db, 3).map(({ outcome }) => outcome)).toEqual(['wrong', 'in', 'wrong']);
    const many = { ...FROM, source: '10.0.0.7' };
    for (let tries = 0; tries < 20; tries++)
      await codeOf(signIn(installation, { email: `n${tries}@firm.example`, password: 'x' }, many));
    expect(await codeOf(signIn(installation, { email: 'n99@firm.example', password: 'x' }, many))).toBe(
      'too-many-tries',
    );
  });

  it('finds no password of theirs on the lists of those who guess', () => {
    for (const easy of [
      '1234567890',
      'aaaaaaaaaa',
      '          ',
      'password123',
      'maren@harrowtern.example',
      'qwertyuiop12',
    ])
      expect(() => needHardPassword(easy, ['Maren', 'maren@harrowtern.example']), easy).toThrow(/easily guessed/);
    for (const hard of ['mist over the harbour', CHOSEN]) expect(() => needHardPassword(hard, ['Maren'])).not.toThrow();
  });
});

describe('a code besides the password', () => {
  it('is asked for once a first one was right, counts once, and is replaced by those that were written down', async () => {
    const installation = demoHouse();
    const { db } = installation;
    await joined(installation);
    const { secret } = beginCodes(db, tobin, 'tobin');
    expect(await codeOf(tobinSignsIn(installation))).toBe('taken');
    const codeAt = (seconds: number): string =>
      new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: Date.parse(NOW) + seconds * 1000 });
    expect(confirmCodes(db, tobin, '000000', NOW)).toBeUndefined();
    const recovery = confirmCodes(db, tobin, codeAt(0), NOW);
    expect(recovery).toHaveLength(8);
    expect(await codeOf(tobinSignsIn(installation))).toBe('code-needed');
    expect(await codeOf(tobinSignsIn(installation, codeAt(0)))).toBe('wrong-code');
    later(installation, 60);
    expect(await codeOf(tobinSignsIn(installation, codeAt(60)))).toBe('taken');
    expect(await codeOf(tobinSignsIn(installation, recovery?.[0]))).toBe('taken');
    expect(await codeOf(tobinSignsIn(installation, recovery?.[0]))).toBe('wrong-code');
    expect(await codeOf(dropCodes(installation, { id: tobin }, 'guessed'))).toBe('wrong-password');
    await dropCodes(installation, { id: tobin }, CHOSEN);
    expect(await codeOf(tobinSignsIn(installation))).toBe('taken');
  });
});

describe('the people of the firm', () => {
  it('are never without somebody who runs it, and have an address each', () => {
    const installation = demoHouse();
    const change = { id: maren, version: 1, name: 'Maren', role: 'office', email: MAREN.email, phone: '' } as const;
    expect(give(installation, 'person.close', { id: maren })).toMatchObject({ problem: { code: 'last-owner' } });
    expect(give(installation, 'person.suspend', { id: maren })).toMatchObject({ problem: { code: 'last-owner' } });
    const version =
      queryAll<{ version: number }>(installation.db, `SELECT version FROM person WHERE id = '${maren}'`)[0]?.version ??
      0;
    expect(give(installation, 'person.change', { ...change, version })).toMatchObject({
      problem: { code: 'last-owner' },
    });
    expect(give(installation, 'person.change', { ...change, id: tobin, version: 2 })).toMatchObject({
      problem: { code: 'address-taken', field: 'email' },
    });
  });

  it('who have left come in no more, and keep their name in what they recorded', async () => {
    const installation = demoHouse();
    const feed = newId();
    must(installation, 'feed.open', { id: feed, kind: 'person', target: tobin });
    const calendar = () => feedFile(installation, tokenOf(installation, feedLink(feed)));
    expect(calendar()).toBeDefined();
    await joined(installation);
    must(installation, 'person.close', { id: tobin });
    expect(calendar()).toBeUndefined();
    expect(await codeOf(tobinSignsIn(installation))).toBe('wrong-password');
    must(installation, 'person.return', { id: tobin });
    expect(await codeOf(tobinSignsIn(installation))).toBe('wrong-password');
    await joined(installation);
    must(installation, 'person.suspend', { id: tobin });
    expect(await codeOf(tobinSignsIn(installation))).toBe('not-let-in');
    expect(firmView(installation, { role: 'contractor' }).people.find(({ id }) => id === tobin)).toMatchObject({
      name: 'Tobin',
      state: 'suspended',
    });
  });
});

import { describe, expect, it } from 'vitest';
import { pathOf } from '@/server/tokens';
import { standingClock } from '@/server/clock';
import { execute, queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { isLookedAhead } from '@/server/access/from';
import { showLink } from '@/server/news/showings';
import { openLink, sharesPicture } from '@/server/public/links';
import { readJob } from '@/server/reading/reading';
import { newsView } from '@/server/views/news';
import { sharedView } from '@/server/public/shared';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, giveRaw, must, newId, signalHouse } from '../support/installations';

function linkFor(installation: Installation, over: object = {}): { id: string; token: string } {
  const id = newId();
  must(installation, 'share.make', {
    id,
    audience: 'client',
    job: signalHouse,
    recipient: 'Averill',
    expiresOn: '2027-03-09',
    ...over,
  });
  return { id, token: pathOf(installation, id).slice('/s/'.length) };
}
const open = (installation: Installation, token: string) =>
  openLink(installation, token) ??
  (() => {
    throw new Error('closed');
  })();
const pictureOf = (installation: Installation, job: string): string =>
  queryOne<{ picture: string }>(
    installation.db,
    `SELECT picture FROM observation WHERE job = @job AND kind = 'picture'`,
    { job },
  )?.picture ?? '';

describe('a share link', () => {
  it('opens its last day, and not the day after, nor once revoked, nor by guessing', () => {
    const installation = demoHouse();
    const { id, token } = linkFor(installation);
    expect(openLink(installation, token)?.id).toBe(id);
    expect(openLink(installation, `${token.slice(0, -1)}${token.endsWith('A') ? 'B' : 'A'}`)).toBeUndefined();
    expect(openLink(installation, id)).toBeUndefined();
    const real = installation.clock;
    installation.clock = standingClock(new Date('2027-03-10T08:00:00Z'));
    expect(openLink(installation, token)).toBeUndefined();
    installation.clock = real;
    must(installation, 'share.revoke', { id });
    expect(openLink(installation, token)).toBeUndefined();
  });

  it('of a job that is closed is its client’s alone', () => {
    const installation = demoHouse();
    const client = linkFor(installation).token;
    const others = (['crew', 'neighbour'] as const).map((audience) => linkFor(installation, { audience }).token);
    for (const token of [client, ...others]) expect(openLink(installation, token)).toBeDefined();
    execute(installation.db, `UPDATE job SET state = 'closed' WHERE id = @id`, { id: signalHouse });
    expect(openLink(installation, client)).toBeDefined();
    for (const token of others) expect(openLink(installation, token)).toBeUndefined();
  });

  it('of a client accepts no room and asks for no last thing before the job comes to its end', () => {
    const installation = demoHouse();
    const { id } = linkFor(installation);
    const who = { kind: 'link', id, audience: 'client', job: signalHouse, sub: null } as const;
    const area = areaOf('kitchen');
    for (const [type, payload] of [
      ['client.ask', { id: newId(), area, text: 'the latch sticks', name: 'Averill' }],
      ['area.accept', { id: newId(), area, name: 'Averill' }],
    ] as const)
      expect(giveRaw(installation, type, payload, who)).toMatchObject({ problem: { code: 'not-completing' } });
  });

  it('is stored as a hash only', () => {
    const installation = demoHouse();
    const { id, token } = linkFor(installation);
    const row = JSON.stringify(queryOne(installation.db, 'SELECT * FROM share_link WHERE id = @id', { id }));
    expect(row).not.toContain(token);
    expect(token.length).toBeGreaterThan(40);
  });

  it('shows a client that job alone, and its pictures alone', () => {
    const installation = demoHouse();
    const link = open(installation, linkFor(installation).token);
    const view = sharedView(installation, link);
    expect(view).toMatchObject({ audience: 'client', job: { name: 'Signal House' } });
    expect(JSON.stringify(view)).not.toMatch(/Tannery|Linden|Dairy|engineer has not answered/);
    expect(sharesPicture(installation, link, pictureOf(installation, signalHouse))).toBe(true);
    expect(sharesPicture(installation, link, pictureOf(installation, demoId('tannery')))).toBe(false);
  });

  it('shows a sub its own work over all jobs, and nobody else’s', () => {
    const installation = demoHouse();
    const view = sharedView(
      installation,
      open(
        installation,
        linkFor(installation, { audience: 'sub', job: undefined, sub: demoId('sub', 'wiring') }).token,
      ),
    );
    if (view.audience !== 'sub') throw new Error('a sub is a sub');
    const works = view.days.flatMap((day) => day.works);
    expect(works.length).toBeGreaterThan(0);
    expect(new Set(works.map((work) => work.crew))).toEqual(new Set(['Halyard Wiring']));
    expect(view.leftovers.every((left) => left.trade === 'Wiring')).toBe(true);
    expect(
      sharesPicture(
        installation,
        open(installation, linkFor(installation, { audience: 'crew' }).token),
        pictureOf(installation, signalHouse),
      ),
    ).toBe(false);
  });
});

describe('an opening', () => {
  it.each([
    [{ 'user-agent': 'Mozilla/5.0 (Windows NT 10.0) Chrome/140 Safari/537.36' }, false],
    [{ 'user-agent': 'Mozilla/5.0 (iPhone) Version/19 Mobile Safari/604.1' }, false],
    [{ 'user-agent': 'SomeMessenger LinkPreview/2.1' }, true],
    [{ 'user-agent': 'somebot/1.0 (+https://some.example)' }, true],
    [{ 'user-agent': 'Mozilla/5.0 Chrome/140', 'sec-purpose': 'prefetch;prerender' }, true],
  ])('with %j is one ahead of somebody: %s', (headers, ahead) =>
    expect(isLookedAhead(new Headers(headers))).toBe(ahead),
  );
});

describe('an answer in the client’s name', () => {
  it('is confirmed by letter to the address that the firm has, whoever gave it', () => {
    const installation = demoHouse();
    const { id } = linkFor(installation, { recipient: 'Somebody' });
    const selection = queryOne<{ id: string; alternatives: string; category: string }>(
      installation.db,
      `SELECT id, alternatives, category FROM selection
        WHERE job = @job AND state = 'open' AND decides = 'client' AND removed = 0 AND alternatives <> '[]'`,
      { job: signalHouse },
    )!;
    const [first] = JSON.parse(selection.alternatives) as { id: string; choice: string }[];
    const who = { kind: 'link', id, audience: 'client', job: signalHouse, sub: null } as const;
    must(
      installation,
      'selection.pick',
      { id: selection.id, alternative: first!.id, name: 'A. Nother', words: '' },
      who,
    );
    const letter = queryOne<{ address: string; title: string; body: string }>(
      installation.db,
      `SELECT address, title, body FROM message JOIN job_update ON job_update.id = message.job_update
        WHERE share_link = @id`,
      { id },
    );
    expect(letter).toMatchObject({
      address: 'averill@watchsteps.example',
      title: `We have your answer: ${selection.category}: ${first!.choice}`,
    });
    expect(letter?.body).toMatch(/^A\. Nother answered on your page.*\n\nIf this was not you.*call Maren, 0555 0100/);
  });
});

describe('the address of a link', () => {
  it('is shown to who asks for it, which is written down and told', () => {
    const installation = demoHouse();
    const { id, token } = linkFor(installation);
    const newest = () => newsView(readJob(installation, signalHouse)).links.find((link) => link.id === id);
    expect(newest()).toMatchObject({ shown: [] });
    expect(JSON.stringify(newest())).not.toContain(token);
    const tobin = demoId('person', 'tobin');
    expect(showLink(installation, tobin, id).path).toBe(`/s/${token}`);
    expect(newest()?.shown).toMatchObject([{ who: 'Tobin' }]);
    expect(queryOne(installation.db, 'SELECT type, who FROM command_log ORDER BY seq DESC')).toEqual({
      type: 'share.shown',
      who: `person:${tobin}`,
    });
    expect(JSON.stringify(queryAll(installation.db, 'SELECT * FROM command_log'))).not.toContain(token);
    const sees = { jobs: new Set([signalHouse]), prices: false };
    const subs = linkFor(installation, { audience: 'sub', job: undefined, sub: demoId('sub', 'wiring') }).id;
    expect(() => showLink({ ...installation, sees }, tobin, subs)).toThrow('no such link');
    expect(showLink({ ...installation, sees }, tobin, id).path).toBe(`/s/${token}`);
  });
});

import { describe, expect, it } from 'vitest';
import { pathOf } from '@/server/access/tokens';
import { standingClock } from '@/server/clock';
import { queryOne } from '@/server/database/query';
import type { House } from '@/server/house';
import { openLink, sharedView, sharesPicture } from '@/server/public/shared';
import { demoId } from '../../demo/seed';
import { demoHouse, must, newId, signalHouse } from '../support/houses';

function linkFor(house: House, over: object = {}): { id: string; token: string } {
  const id = newId();
  must(house, 'share.make', {
    id,
    audience: 'client',
    job: signalHouse,
    recipient: 'Averill',
    expiresOn: '2027-03-09',
    ...over,
  });
  return { id, token: pathOf(house, id).slice('/s/'.length) };
}
const open = (house: House, token: string) =>
  openLink(house, token) ??
  (() => {
    throw new Error('closed');
  })();
const pictureOf = (house: House, job: string): string =>
  queryOne<{ picture: string }>(house.db, `SELECT picture FROM observation WHERE job = @job AND kind = 'picture'`, { job })
    ?.picture ?? '';

describe('a share link', () => {
  it('opens its last day, and not the day after, nor once revoked, nor by guessing', () => {
    const house = demoHouse();
    const { id, token } = linkFor(house);
    expect(openLink(house, token)?.id).toBe(id);
    expect(openLink(house, `${token.slice(0, -1)}${token.endsWith('A') ? 'B' : 'A'}`)).toBeUndefined();
    expect(openLink(house, id)).toBeUndefined();
    const real = house.clock;
    house.clock = standingClock(new Date('2027-03-10T08:00:00Z'));
    expect(openLink(house, token)).toBeUndefined();
    house.clock = real;
    must(house, 'share.revoke', { id });
    expect(openLink(house, token)).toBeUndefined();
  });

  it('is stored as a hash only', () => {
    const house = demoHouse();
    const { id, token } = linkFor(house);
    const row = JSON.stringify(queryOne(house.db, 'SELECT * FROM share_link WHERE id = @id', { id }));
    expect(row).not.toContain(token);
    expect(token.length).toBeGreaterThan(40);
  });

  it('shows a client that job alone, and its pictures alone', () => {
    const house = demoHouse();
    const link = open(house, linkFor(house).token);
    const view = sharedView(house, link);
    expect(view).toMatchObject({ audience: 'client', job: { name: 'Signal House' } });
    expect(JSON.stringify(view)).not.toMatch(/Tannery|Linden|Dairy|engineer has not answered/);
    expect(sharesPicture(house, link, pictureOf(house, signalHouse))).toBe(true);
    expect(sharesPicture(house, link, pictureOf(house, demoId('tannery')))).toBe(false);
  });

  it('shows a sub its own work over all jobs, and nobody else’s', () => {
    const house = demoHouse();
    const view = sharedView(
      house,
      open(house, linkFor(house, { audience: 'sub', job: undefined, sub: demoId('sub', 'wiring') }).token),
    );
    if (view.audience === 'client') throw new Error('a sub is no client');
    const works = view.days.flatMap((day) => day.works);
    expect(works.length).toBeGreaterThan(0);
    expect(new Set(works.map((work) => work.crew))).toEqual(new Set(['Halyard Wiring']));
    expect(view.leftovers.every((left) => left.trade === 'Wiring')).toBe(true);
    expect(
      sharesPicture(house, open(house, linkFor(house, { audience: 'crew' }).token), pictureOf(house, signalHouse)),
    ).toBe(false);
  });
});

import { describe, expect, it } from 'vitest';
import { addDays } from '@/core/units/day';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { openLink, sharesPicture } from '@/server/public/links';
import { sharedView } from '@/server/public/shared';
import { readPlan } from '@/server/reading/plan';
import { readFirm, readJob } from '@/server/reading/reading';
import { pathOf } from '@/server/tokens';
import { callsOf } from '@/server/views/calls';
import { composeDraft } from '@/server/views/draft';
import { houseOf } from '@/server/views/house';
import { movedView } from '@/server/views/moved';
import { toldView } from '@/server/views/told';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, give, giveRaw, must, newId, signalHouse, TODAY } from '../support/installations';
import { asRead } from '../support/sending';

const visit = demoId('signal', 'inspection', 'study', 'rough-inspection');
const sending = (name: string, address: string) => ({
  ...{ updateId: newId(), messageId: newId(), linkId: newId() },
  ...{ name, address, expiresOn: '2027-12-31' },
});
const moved = (installation: Installation) => movedView(readFirm(installation));
const newest = (installation: Installation) =>
  queryOne<{ recipient: string; title: string; body: string }>(
    installation.db,
    'SELECT recipient, title, body FROM message JOIN job_update ON job_update.id = job_update ORDER BY message.rowid DESC',
  );
const sentTo = (installation: Installation): number =>
  queryOne<{ count: number }>(installation.db, 'SELECT count(*) AS count FROM message')?.count ?? 0;
const opened = (installation: Installation, link: string) => {
  const found = openLink(installation, pathOf(installation, link).replace('/s/', ''));
  if (!found) throw new Error('It does not open.');
  return found;
};

describe('an office whose visit the plan cannot keep', () => {
  const tellOffice = (installation: Installation, off: boolean) =>
    giveRaw(installation, 'visit.tell', {
      offices: [{ inspection: visit, off }],
      officeLetters: [{ inspection: visit, ...sending('Port Ellery building office', 'desk@office.example') }],
    });

  it('is told once that it is off, and once that it holds after all; of what is as it was they are told nothing', () => {
    const installation = demoHouse();
    expect(moved(installation).offices).toEqual([]);
    expect(tellOffice(installation, true)).toMatchObject({ status: 'refused', problem: { code: 'moved-since' } });
    const hold = newId();
    must(installation, 'hold.add', {
      ...{ id: hold, job: signalHouse, area: areaOf('study'), kind: 'engineer', label: 'engineer', text: 'a crack' },
      ...{ phase: 'rough-inspection', expectedOn: addDays(TODAY, 20) },
    });
    renewOnce(installation);
    const [off] = moved(installation).offices;
    expect(off).toMatchObject({ inspection: visit, off: true, office: 'Port Ellery building office' });
    expect(tellOffice(installation, true).status).toBe('applied');
    expect(newest(installation)?.title).toMatch(/^Signal House: rough inspections cannot be seen Thu 11 Mar/);
    expect(newest(installation)?.body).toContain('please do not come for it that day');
    expect(moved(installation).offices).toEqual([]);
    must(installation, 'hold.release', { id: hold, version: 1 });
    renewOnce(installation);
    const again = moved(installation).offices;
    if (again.length > 0) {
      expect(again).toMatchObject([{ inspection: visit, off: false }]);
      expect(tellOffice(installation, false).status).toBe('applied');
      expect(newest(installation)?.title).toMatch(/holds/);
    }
    expect(moved(installation).offices).toEqual([]);
  });
});

describe('neighbours', () => {
  const fence = newId();
  /** A piece of work outside that has not begun, with its day. */
  function outdoors(installation: Installation) {
    const plan = readPlan(installation.db);
    const task = plan?.tasks.find(
      ({ job, phase, state, start }) => job === signalHouse && phase === 'access' && state === 'waiting' && start > 0,
    );
    if (!plan || !task) throw new Error('Nothing is to be built outside.');
    return { task: task.id as string, day: addDays(plan.origin, Math.floor(task.start / 2)) };
  }
  const told = (installation: Installation): void => {
    must(
      installation,
      'update.send',
      asRead(installation, {
        ...{ id: newId(), audience: 'neighbour', expiresOn: '2027-06-01' },
        recipients: [{ messageId: newId(), linkId: newId(), name: 'Number 4', address: 'four@quay.example' }],
      }),
    );
  };

  it('hear on which days something of theirs is needed, and again only when these move', () => {
    const installation = demoHouse();
    const { task, day } = outdoors(installation);
    const number4 = { id: fence, job: signalHouse, name: 'Number 4', email: 'four@quay.example' };
    expect(give(installation, 'neighbour.set', { ...number4, needed: 'their fence' })).toMatchObject({
      status: 'refused',
      problem: { code: 'needed-of-what', field: 'neededFor' },
    });
    must(installation, 'neighbour.set', { ...number4, needed: 'their fence', neededFor: task });
    expect(composeDraft(readJob(installation, signalHouse), 'neighbour').text).toMatch(
      /What we need of you\n- Number 4: their fence, for the scaffold, \w{3} \d+ Mar/,
    );
    // Who was not written to yet reads it in the first letter.
    expect(moved(installation).neighbours).toEqual([]);
    told(installation);
    expect(moved(installation).neighbours).toEqual([]);
    const later = [4, 5, 6, 7].some(
      (days) =>
        give(installation, 'pin.set', { task, day: addDays(day, days), half: 0, reason: 'the lane is closed' })
          .status === 'applied',
    );
    expect(later).toBe(true);
    renewOnce(installation);
    const [street] = moved(installation).neighbours;
    expect(street?.lines.join(' ')).toMatch(/Number 4, where their fence is needed: no longer on \w{3} \d+ Mar/);
    const before = sentTo(installation);
    must(installation, 'visit.tell', {
      near: [{ job: signalHouse }],
      neighbours: [{ neighbour: fence, ...sending('Number 4', 'four@quay.example') }],
    });
    expect(sentTo(installation)).toBe(before + 1);
    expect(newest(installation)).toMatchObject({ recipient: 'Number 4' });
    expect(newest(installation)?.body).toContain(street?.lines[0]);
    expect(moved(installation).neighbours).toEqual([]);
    expect(giveRaw(installation, 'visit.tell', { near: [{ job: signalHouse }] })).toMatchObject({
      problem: { code: 'moved-since' },
    });
  });
});

describe('licences', () => {
  it('are asked for before they are needed, once of each, and not of trades that need none here', () => {
    const installation = demoHouse();
    const asked = (): string[] =>
      callsOf(readFirm(installation)).flatMap(({ key, text }) => (key.startsWith('licence') ? [text] : []));
    expect(asked()).toEqual([expect.stringMatching(/^Halyard Wiring, wiring: the licence of Petra runs out/)]);
    must(installation, 'firm.set-licensed-trades', { trades: ['wiring', 'paint'] });
    expect(asked()).toHaveLength(2);
    expect(asked().find((text) => text.startsWith('Two Buckets Paint'))).toMatch(/none of theirs is on record/);
    must(installation, 'licence.set', {
      ...{ id: newId(), sub: demoId('sub', 'wiring'), trade: 'wiring', holder: 'Petra', expiresOn: '2028-01-01' },
    });
    must(installation, 'firm.set-licensed-trades', { trades: ['wiring'] });
    expect(asked()).toEqual([]);
    expect(composeDraft(readJob(installation, signalHouse), 'crew').text).toMatch(
      /Licences needed\n- Halyard Wiring, wiring: licence of Petra, until Sat 1 Jan 2028/,
    );
  });
});

describe('who was told what', () => {
  it('is found by name over all jobs, page by page, with how far it came', () => {
    const installation = demoHouse();
    const all = toldView(installation, '');
    expect(all.messages.length).toBeGreaterThan(3);
    const [first] = all.messages;
    const part = first?.recipient.slice(0, 5).toUpperCase() ?? '';
    const named = ({ recipient, address }: { recipient: string; address: string }): boolean =>
      `${recipient}\n${address}`.toUpperCase().includes(part);
    expect(toldView(installation, part).messages).toEqual(all.messages.filter(named));
    expect(all.messages.every(named)).toBe(false);
    expect(toldView(installation, 'nobody of that name').messages).toEqual([]);
    expect(toldView(installation, '%').messages).toEqual([]);
  });
});

describe('what a client sees of the house', () => {
  it('is every room once, on its storey, with its part of the work', () => {
    const installation = demoHouse();
    const { storeys, outside } = houseOf(readJob(installation, signalHouse));
    const rooms = [...storeys.flatMap((storey) => storey.rooms), ...outside];
    const names = queryAll<{ name: string }>(installation.db, 'SELECT name FROM area WHERE job = @job', {
      job: signalHouse,
    }).map(({ name }) => name);
    expect(rooms.map(({ name }) => name).sort()).toEqual(names.sort());
    expect(rooms.every(({ share }) => share === null || (share >= 0 && share <= 1))).toBe(true);
    expect(rooms.some(({ share }) => share !== null && share > 0 && share < 1)).toBe(true);
  });
});

describe('“it is done” from the same spot', () => {
  it('shows a sub the picture of the room from its spot, and keeps theirs as the next from there', () => {
    const installation = demoHouse();
    const link = newId();
    const subs = queryAll<{ id: string }>(installation.db, 'SELECT id FROM sub ORDER BY name');
    const found = subs.flatMap(({ id: sub }) => {
      const made = newId();
      must(installation, 'share.make', {
        ...{ id: made, audience: 'sub', sub, recipient: 'Lead', expiresOn: '2027-06-01' },
      });
      const view = sharedView(installation, opened(installation, made));
      const begun = view.audience === 'sub' ? view.begun.find(({ spot }) => spot !== null) : undefined;
      return begun?.spot ? [{ sub, made, task: begun.task, spot: begun.spot }] : [];
    })[0];
    if (!found) throw new Error('Nobody works where a picture was taken from a spot.');
    const { sub, made, task, spot } = found;
    expect(sharesPicture(installation, opened(installation, made), spot.picture.hash)).toBe(true);
    const who = { kind: 'link', id: made, audience: 'sub', job: null, sub } as const;
    const say = { id: link, task, name: 'Lead', picture: spot.picture.hash };
    expect(give(installation, 'done.say', { ...say, standpoint: newId() }, who)).toMatchObject({ status: 'refused' });
    must(installation, 'done.say', { ...say, standpoint: spot.id }, who);
    const shown = newId();
    must(installation, 'done.take', { id: link, version: 1, walk: newId(), progress: newId(), shown });
    expect(
      queryOne<{ matter: string }>(installation.db, 'SELECT matter FROM observation WHERE id = @shown', { shown })
        ?.matter,
    ).toBe(`spot:${spot.id}`);
  });
});

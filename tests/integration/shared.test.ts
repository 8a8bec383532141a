import { makeClock } from '@/server/clock';
import { readJob } from '@/server/reading/reading';
import { describe, expect, it } from 'vitest';
import type { ClientShared, CrewShared, SharedView } from '@/contract/views/news';
import { pathOf } from '@/server/tokens';
import { queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { countOpening, openLink } from '@/server/public/links';
import { sharedView } from '@/server/public/shared';
import { newsView } from '@/server/views/news';
import type { Input } from '@/contract/commands';
import { demoId } from '../../demo/seed';
import { demoHouse, give, giveRaw, must, newId, signalHouse, TODAY, walkSeeing } from '../support/installations';
import { asRead, recipient } from '../support/sending';

function shared(installation: Installation, terms: Pick<Input<'share.make'>, 'audience' | 'job' | 'sub'>): SharedView {
  const id = newId();
  must(installation, 'share.make', { id, recipient: 'Somebody', expiresOn: '2027-04-30', ...terms });
  const link = openLink(installation, pathOf(installation, id).slice(3));
  if (!link) throw new Error('The link does not open.');
  return sharedView(installation, link);
}
const client = (installation: Installation): ClientShared =>
  shared(installation, { audience: 'client', job: signalHouse }) as ClientShared;
const crew = (installation: Installation): CrewShared =>
  shared(installation, { audience: 'crew', job: signalHouse }) as CrewShared;

describe('what a client reads', () => {
  it('is in plain words, of the next days, with what they decide', () => {
    const view = client(demoHouse());
    expect(view).toMatchObject({
      firm: 'Harrow & Tern Renovation',
      recipient: 'Somebody',
      job: { name: 'Signal House', address: '3 Watch Steps' },
      acknowledged: null,
      canAcknowledge: false,
    });
    expect(view.now.weeks.length).toBeGreaterThan(1);
    expect(view.now.meanings.length).toBeGreaterThan(3);
    expect(JSON.stringify(view.now)).not.toMatch(/rough|close-in|substrate|Halyard/);
    expect(view.now.opening).toMatch(/^About a (fifth|quarter) of the work is done.*By the plan of today we finish on/);
    expect(view.decisions).toEqual([{ text: 'Oak boards or cork in the day room', by: '2027-04-02' }]);
    expect(view.tour.length).toBeGreaterThan(4);
    expect(view.tour.filter(({ before }) => before).length).toBeGreaterThan(0);
    expect(view.call).toEqual({ name: 'Maren', phone: '0555 0100' });
  });

  it('has only what was sent, never a draft', () => {
    const installation = demoHouse();
    must(installation, 'draft.write', {
      job: signalHouse,
      audience: 'client',
      line: 'own:1',
      words: 'not yet to be read',
    });
    expect(JSON.stringify(client(installation))).not.toContain('not yet to be read');
    const sent = asRead(installation, { title: 'News' });
    must(installation, 'update.send', sent);
    expect(client(installation).updates[0]).toMatchObject({ title: 'News', body: sent.body });
    expect(sent.body).toContain('not yet to be read');
    expect(crew(installation).updates).toEqual([]);
  });

  it('is counted each time it is opened, a look again within minutes not, and acknowledged once', () => {
    const installation = demoHouse();
    const reading = recipient('A', 'a@a.example');
    const { linkId } = reading;
    must(installation, 'update.send', asRead(installation, { recipients: [reading] }));
    const link = openLink(installation, pathOf(installation, linkId).slice(3));
    if (!link) throw new Error('The link does not open.');
    for (const at of ['16:30', '16:38', '16:41']) {
      const clock = makeClock(new Date(`${TODAY}T${at}:00Z`));
      countOpening({ ...installation, clock }, link);
    }
    expect(queryOne(installation.db, 'SELECT opened FROM share_link WHERE id = @linkId', { linkId })).toEqual({
      opened: 2,
    });
    const reader = { kind: 'link', id: linkId, audience: 'client', job: signalHouse, sub: null } as const;
    must(installation, 'message.acknowledge', { name: 'Elder Averill' }, reader);
    must(installation, 'message.acknowledge', { name: 'Younger Averill' }, reader);
    expect(sharedView(installation, link)).toMatchObject({
      canAcknowledge: true,
      acknowledged: expect.stringMatching(/^Elder Averill, today/) as string,
    });
    expect(give(installation, 'message.acknowledge', { name: 'X' }, { ...reader, id: newId() })).toMatchObject({
      status: 'refused',
      problem: { code: 'nothing-sent' },
    });
  });
});

describe('what a crew reads', () => {
  it('is day by day who, where, in which rooms, what must be ready and who comes after', () => {
    const view = crew(demoHouse());
    expect(view.title).toBe('Signal House');
    expect(view.days[0]?.day).toBe(TODAY);
    expect(view.days.map((day) => day.day)).toEqual([...view.days.map((day) => day.day)].sort());
    const works = view.days.flatMap((day) => day.works);
    expect(
      works.every((work) => work.crew !== '' && work.job === 'Signal House' && work.address === '3 Watch Steps'),
    ).toBe(true);
    const masonry = works.find((work) => work.what === 'Kitchen · rebuild masonry');
    expect(masonry?.ready).toEqual(expect.arrayContaining(['Kitchen · wall out']));
    expect(works.find((work) => work.what === 'Guest suite · wires')?.leaves).toEqual(
      expect.arrayContaining(['Guest suite · check before cover']),
    );
  });

  it('begins with the cautions of rooms where there is work, and has what is left to do', () => {
    const view = crew(demoHouse());
    expect(view.cautions.map((caution) => caution.area).sort()).toEqual([
      'Kitchen',
      'Lantern room',
      'Yard and drain run',
    ]);
    expect(view.leftovers).toEqual(
      expect.arrayContaining([{ area: 'Guest suite', text: '2 boxes too low on the east wall', trade: 'Wiring' }]),
    );
  });

  it('of one sub follows it over all its jobs, and follows the plan as it changes', () => {
    const installation = demoHouse();
    const mine = (): CrewShared =>
      shared(installation, { audience: 'sub', sub: demoId('sub', 'wiring') }) as CrewShared;
    expect(new Set(mine().days.flatMap((day) => day.works.map((work) => work.job))).size).toBeGreaterThan(1);
    expect(mine().title).toBe('Halyard Wiring');
    // Two houses have a kitchen: whose it is is said wherever a page is of several jobs.
    const cabinets = shared(installation, { audience: 'sub', sub: demoId('sub', 'cabinets') }) as CrewShared;
    expect(cabinets.cautions.map(({ area }) => area)).toContain('Signal House, Kitchen');
    walkSeeing(
      installation,
      { kind: 'remaining', text: 'bell wire', trade: 'wiring', quantity: 3, unit: 'm' },
      { kind: 'remaining', text: 'a shelf', trade: 'finish' },
    );
    expect(mine().leftovers.map((left) => left.text)).toContain('3 m bell wire');
    expect(mine().leftovers.map((left) => left.text)).not.toContain('a shelf');
  });
});

describe('a link that cannot be', () => {
  it.each([
    [{ audience: 'sub', sub: newId() }, 'sub'],
    [{ audience: 'client', job: newId() }, 'job'],
    [{ audience: 'client' }, 'job'],
    [{ audience: 'stranger', job: signalHouse }, 'audience'],
    [{ audience: 'neighbour' }, 'job'],
    [{ audience: 'client', job: signalHouse, expiresOn: '2027-13-01' }, 'expiresOn'],
    [{ audience: 'client', job: signalHouse, expiresOn: '2028-03-11' }, 'expiresOn'],
    [{ audience: 'client', job: signalHouse, recipient: ' ' }, 'recipient'],
  ])('%j is refused beside its field', (terms, field) => {
    expect(
      giveRaw(demoHouse(), 'share.make', { id: newId(), recipient: 'A', expiresOn: '2027-04-30', ...terms }),
    ).toMatchObject({ status: 'refused', problem: { field } });
  });

  it('is revoked once', () => {
    const installation = demoHouse();
    const id = newId();
    must(installation, 'share.make', {
      id,
      audience: 'crew',
      job: signalHouse,
      recipient: 'A',
      expiresOn: '2027-04-30',
    });
    must(installation, 'share.revoke', { id });
    expect(give(installation, 'share.revoke', { id })).toMatchObject({
      status: 'refused',
      problem: { code: 'revoked-already' },
    });
    expect(newsView(readJob(installation, signalHouse)).links.find((link) => link.id === id)?.state).toBe('revoked');
  });
});

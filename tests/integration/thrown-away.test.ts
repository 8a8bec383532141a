import { describe, expect, it } from 'vitest';
import { queryOne } from '@/server/database/query';
import { readFirm, readHouse, readJob } from '@/server/reading/reading';
import { renewOnce } from '@/server/plan/renew';
import { firstHour } from '@/server/views/first-hour';
import { saidAnywhere } from '@/server/views/find';
import { historyView } from '@/server/views/history';
import { walksView } from '@/server/views/walks';
import { exampleJob } from '@/ui/sites/example-job';
import { areaOf, demoHouse, emptyHouse, giveRaw, must, newId, signalHouse } from '../support/installations';
import type { Installation } from '@/server/installation';

/** How far the wires of the study stand by all records that count. */
const wires = (installation: Installation): number | undefined =>
  queryOne<{ fraction: number }>(
    installation.db,
    `SELECT fraction
      FROM standing
      JOIN observation ON observation.id = standing.observation
      WHERE observation.area = @area AND observation.phase = 'wiring-rough'`,
    { area: areaOf('study') },
  )?.fraction;

function walkWith(installation: Installation, ...seen: object[]): string {
  const walk = newId();
  must(installation, 'walk.start', { id: walk, job: signalHouse, kind: 'progress' });
  for (const one of seen) {
    const observation = { id: newId(), walk, area: areaOf('study'), ...one };
    expect(giveRaw(installation, 'observation.record', { observation })).not.toMatchObject({ status: 'refused' });
  }
  return walk;
}
const PULLED = { kind: 'progress', phase: 'wiring-rough', fraction: 0.9 };
const listed = (installation: Installation, walk: string): boolean =>
  walksView(readJob(installation, signalHouse)).walks.some(({ id }) => id === walk);

describe('a walk begun by mistake', () => {
  it('goes with what was recorded on it, and comes back with it', () => {
    const installation = demoHouse();
    const before = wires(installation);
    const walk = walkWith(installation, PULLED);
    expect(wires(installation)).toBe(0.9);
    const gone = giveRaw(installation, 'walk.discard', { id: walk });
    expect([gone.status, wires(installation), listed(installation, walk)]).toEqual(['applied', before, false]);
    const { id: command } =
      queryOne<{ id: string }>(installation.db, 'SELECT id FROM command_log ORDER BY seq DESC LIMIT 1') ?? {};
    must(installation, 'undo', { command: command ?? '' });
    expect([wires(installation), listed(installation, walk)]).toEqual([0.9, true]);
  });

  it('comes back by itself where somebody still records on it: no record is lost', () => {
    const installation = demoHouse();
    const walk = walkWith(installation, PULLED);
    must(installation, 'walk.discard', { id: walk });
    const observation = { id: newId(), walk, area: areaOf('study'), kind: 'caution', text: 'nails stick out' };
    giveRaw(installation, 'observation.record', { observation });
    expect([wires(installation), listed(installation, walk)]).toEqual([0.9, true]);
  });

  it('stays where something followed from it, or once it is finished, and says so', () => {
    const installation = demoHouse();
    const decided = walkWith(installation, { kind: 'decision', by: 'client', text: 'sockets at a metre', free: true });
    expect(giveRaw(installation, 'walk.discard', { id: decided })).toMatchObject({
      status: 'refused',
      problem: { code: 'walk-followed' },
    });
    must(installation, 'walk.finish', { id: decided });
    expect(giveRaw(installation, 'walk.discard', { id: decided })).toMatchObject({
      status: 'refused',
      problem: { code: 'walk-finished' },
    });
  });
});

describe('an example to look around in', () => {
  const founded = (): Installation => {
    const house = emptyHouse();
    const owner = {
      name: 'F',
      personId: newId(),
      ownerName: 'O',
      email: 'o@f.example',
      password: 'long enough for it',
    };
    must(house, 'firm.found', owner, { kind: 'founder' });
    return house;
  };

  it('is entered as anybody could, is no step of the first hour, and goes as a whole', () => {
    const house = founded();
    const owner = queryOne<{ id: string; name: string }>(house.db, 'SELECT id, name FROM person') ?? {
      id: '',
      name: '',
    };
    const who = { kind: 'person', ...owner, role: 'contractor' } as const;
    const { job, commands } = exampleJob('2027-03-09', newId);
    for (const { type, payload } of commands) must(house, type, payload as never, who);
    renewOnce(house);
    const [first, ...steps] = firstHour(readFirm(house)) ?? [];
    expect([first?.done, ...steps.map(({ done }) => done)]).not.toContain(true);
    const [walk] = walksView(readJob(house, job)).walks;
    expect(walk).toMatchObject({ finished: true });
    expect(walk?.touched.length).toBeGreaterThan(2);
    // It takes no crew from a job of one's own.
    expect(readFirm(house).jobs).toEqual([job]);
    const own = newId();
    must(house, 'job.open', { id: own, name: 'Own', units: 'metric', startDay: '2027-04-05' }, who);
    expect(readFirm(house).jobs).toEqual([own]);
    must(house, 'job.remove', { id: own, version: 1 }, who);
    must(house, 'job.remove', { id: job, version: 1 }, who);
    expect(readFirm(house).jobs).toEqual([]);
  });
});

describe('what was done and said', () => {
  it('stands in the history by whom and of what, and what was taken back says so', () => {
    const installation = demoHouse();
    const walk = walkWith(installation);
    must(installation, 'walk.discard', { id: walk });
    const [newest] = historyView(readJob(installation, signalHouse), 'contractor').changes;
    expect(newest).toMatchObject({ who: 'Maren', did: 'threw a walk away', back: 'open' });
    must(installation, 'undo', { command: newest?.command ?? '' });
    expect(historyView(readJob(installation, signalHouse), 'contractor').changes[0]).toMatchObject({
      did: 'threw a walk away',
      back: 'taken back',
    });
    // Whoever may not do it is not told of it.
    must(installation, 'payment.add', {
      id: newId(),
      job: signalHouse,
      day: '2027-03-09',
      amount: 100,
      note: 'by cheque',
    });
    const did = (role: 'contractor' | 'lead'): string[] =>
      historyView(readJob(installation, signalHouse), role).changes.map((change) => change.did);
    expect([did('contractor')[0], did('lead').includes('noted a payment')]).toEqual(['noted a payment', false]);
  });

  it('is found by its words, wherever it was written or said', () => {
    const installation = demoHouse();
    walkWith(installation, { kind: 'note', text: 'The chimney breast sounds hollow' });
    const found = (words: string): string[] => saidAnywhere(readHouse(installation), words).map(({ kind }) => kind);
    expect(found('chimney hollow')).toContain('said on a walk');
    expect(found('Wenna')).toContain('person');
    expect(found('Averill')).toContain('client');
    expect(found('ab')).toEqual([]);
    expect(found('nothing of that kind anywhere')).toEqual([]);
  });
});

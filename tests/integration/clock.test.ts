import { readFirm } from '@/server/reading/reading';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { forwardClock, makeClock, standingClock } from '@/server/clock';
import { houseClock } from '@/server/house-clock';
import { machineCares, machineView } from '@/server/views/machine';
import { queryAll } from '@/server/database/query';
import { readNow, readZone } from '@/server/environment.mjs';
import { planInput } from '@/server/plan/plan-input';
import { todayView } from '@/server/views/today';
import { ago, whenSeen } from '@/server/words';
import { firmTime } from '@/server/zone';
import {
  demoHouse,
  emptyHouse,
  folder,
  give,
  must,
  newId,
  NOW,
  root,
  signalHouse,
  TODAY,
} from '../support/installations';

describe('the clock', () => {
  it('starts at the instant that was set and ticks on from there', async () => {
    const clock = makeClock(new Date('2027-03-09T16:30:00Z'));
    const first = +clock.now();
    expect(first - Date.parse('2027-03-09T16:30:00Z')).toBeLessThan(60_000);
    await expect.poll(() => +clock.now()).toBeGreaterThan(first);
    expect(makeClock().shiftMs).toBe(0);
  });

  it('is read from the environment, whole or by its day', () => {
    expect(readNow({ AFTERMIST_NOW: '2027-03-09T16:30:00Z' })).toEqual(new Date('2027-03-09T16:30:00Z'));
    expect(readNow({ AFTERMIST_NOW: '2027-03-10T05:30:00+13:00' })).toEqual(new Date('2027-03-09T16:30:00Z'));
    const noon = (zone: string): string | undefined =>
      readNow({ AFTERMIST_TODAY: '2027-03-09', AFTERMIST_ZONE: zone })?.toISOString();
    expect(['UTC', 'Pacific/Auckland', 'America/Los_Angeles'].map(noon)).toEqual([
      '2027-03-09T12:00:00.000Z',
      '2027-03-08T23:00:00.000Z',
      '2027-03-09T20:00:00.000Z',
    ]);
    expect(readNow({})).toBeUndefined();
    expect(readZone({ AFTERMIST_ZONE: 'Pacific/Auckland' })).toBe('Pacific/Auckland');
  });

  it('tells when something was seen as people say it', () => {
    const time = { zone: 'UTC', today: TODAY };
    expect(whenSeen('2027-03-09T16:20:00Z', time)).toBe('today 16:20');
    expect(whenSeen('2027-03-08T06:05:00Z', time)).toBe('yesterday 06:05');
    expect(whenSeen('2027-03-01T16:20:00Z', time)).toBe('Mon 1 Mar');
    expect(whenSeen('2026-12-31T16:20:00Z', time)).toBe('Thu 31 Dec 2026');
    expect(whenSeen('2027-03-08T16:20:00Z', { ...time, zone: 'Pacific/Auckland' })).toBe('today 05:20');
    expect([ago(TODAY, TODAY), ago('2027-03-08', TODAY), ago('2027-03-04', TODAY)]).toEqual([
      'today',
      'yesterday',
      '5 days ago',
    ]);
  });
});

describe('the firm’s day', () => {
  it.each([
    ['Pacific/Auckland', '2026-12-31T10:58:00Z', '2026-12-31'],
    ['Pacific/Auckland', '2026-12-31T11:02:00Z', '2027-01-01'],
    ['Europe/London', '2027-03-28T00:30:00Z', '2027-03-28'],
    ['Europe/London', '2027-10-30T23:30:00Z', '2027-10-31'],
    ['America/St_Johns', '2027-03-10T02:00:00Z', '2027-03-09'],
  ])('in %s at %s is %s, on pages and in plans', (zone, instant, day) => {
    const installation = demoHouse();
    must(installation, 'firm.set-zone', { zone });
    installation.clock = standingClock(new Date(instant));
    expect(firmTime(installation)).toEqual({ zone, today: day });
    expect(todayView(readFirm(installation)).today).toBe(day);
    expect(planInput(readFirm(installation)).origin).toBe(day);
  });

  it('moves no work that was seen when the zone changes, and plans anew', () => {
    const installation = demoHouse();
    const seen = (): unknown => queryAll(installation.db, 'SELECT id, at FROM observation ORDER BY id');
    const before = seen();
    expect(give(installation, 'firm.set-zone', { zone: 'Pacific/Auckland' }).status).toBe('applied');
    expect(seen()).toEqual(before);
    expect(queryAll(installation.db, 'SELECT job FROM plan_mark').map((row) => (row as { job: string }).job)).toContain(
      signalHouse,
    );
  });

  it('is set when the firm is founded, by its founder’s device or else by this machine', () => {
    const found = (zone?: string): string => {
      const installation = emptyHouse();
      const terms = {
        name: 'One',
        personId: newId(),
        ownerName: 'Ada',
        email: 'ada@one.example',
        password: 'a long password',
        ...(zone ? { zone } : {}),
      };
      must(installation, 'firm.found', terms, { kind: 'founder' });
      return firmTime(installation).zone;
    };
    expect([found('America/St_Johns'), found()]).toEqual(['America/St_Johns', 'UTC']);
  });

  it('refuses a zone that does not exist beside its field', () => {
    expect(give(demoHouse(), 'firm.set-zone', { zone: 'Europe/Lodnon' })).toMatchObject({
      status: 'refused',
      httpStatus: 400,
      problem: { field: 'zone', title: expect.stringContaining('like Europe/London') },
    });
  });
});

describe('at the start', () => {
  const started = (
    command: string,
    script: string,
    env: Record<string, string>,
  ): { status: number | null; stderr: string } =>
    spawnSync(command, [script], { cwd: root, env: { ...process.env, ...env }, encoding: 'utf8' });

  it.each([
    [
      { AFTERMIST_NOW: 'tomorrow' },
      /AFTERMIST_NOW=tomorrow is no instant; write it like AFTERMIST_NOW=2027-03-09T16:30:00Z\./,
    ],
    [{ AFTERMIST_NOW: '2027-02-31T10:00:00Z' }, /no instant/],
    [{ AFTERMIST_NOW: '2027-03-09T16:30:00' }, /no instant/],
    [{ AFTERMIST_TODAY: '2027-02-30' }, /no day/],
    [{ AFTERMIST_ZONE: 'Mars/Olympus' }, /AFTERMIST_ZONE=Mars\/Olympus is no time zone/],
  ])('%o is refused in one line, and nothing is touched', (env, words) => {
    const place = join(folder(), 'demo');
    const { status, stderr } = started(process.execPath, 'scripts/demo.mjs', { ...env, AFTERMIST_DATA: place });
    expect(status).toBe(1);
    expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(stderr).toMatch(words);
    expect(existsSync(place) || existsSync(`${place}.half`)).toBe(false);
  });

  it('makes no demo where other files lie, and leaves them as they are', () => {
    const place = folder();
    writeFileSync(join(place, 'letter.txt'), 'dear client');
    mkdirSync(join(place, 'pictures'));
    const { status, stderr } = started(join(root, 'node_modules', '.bin', 'tsx'), 'scripts/seed.ts', {
      AFTERMIST_DATA: place,
    });
    expect(status).toBe(1);
    expect(stderr).toContain('holds other files and no firm');
    expect(readdirSync(place).sort()).toEqual(['letter.txt', 'pictures']);
    expect(readFileSync(join(place, 'letter.txt'), 'utf8')).toBe('dear client');
  });
});

describe('a machine whose clock is wrong', () => {
  it('is not believed before what was recorded last; time goes on from there', () => {
    let [machine, latest] = [new Date('2027-03-09T10:00:00Z'), new Date('2027-03-09T10:00:30Z')];
    const clock = forwardClock(
      () => latest,
      () => machine,
    );
    expect([clock.now(), clock.behind?.()]).toEqual([machine, undefined]);
    machine = new Date('2027-03-02T10:00:00Z');
    expect(clock.behind?.()).toEqual({ shows: machine, latest });
    const [first, second] = [clock.now(), clock.now()];
    expect(first.getTime() - latest.getTime()).toBeLessThan(5_000);
    expect(second.getTime()).toBeGreaterThanOrEqual(first.getTime());
    // What is recorded then is newer than all that was: nothing hides behind what came before.
    latest = new Date(second.getTime() + 1_000);
    expect(clock.now().getTime()).toBeGreaterThanOrEqual(latest.getTime());
    machine = new Date('2027-03-09T10:05:00Z');
    expect([clock.now(), clock.behind?.()]).toEqual([machine, undefined]);
  });

  it('of a house is told where its firm is, and believed again once somebody says so', () => {
    const house = demoHouse();
    const record = (): void =>
      void must(house, 'sub.add', { id: newId(), trade: 'paint', name: newId(), crews: 1, leadName: '', email: '' });
    record();
    const clock = houseClock(house.db, undefined, () => new Date(Date.parse(NOW) - 7 * 86_400_000));
    const said = machineView({ ...house, clock }).clock;
    expect(said?.shows).toMatch(/^Tue 2 Mar, /);
    expect(said?.latest).toMatch(/^Tue 9 Mar, /);
    expect(machineCares({ ...house, clock })[0]).toContain(`shows ${said?.shows}, but records were kept until`);
    expect(firmTime({ ...house, clock }).today).toBe(TODAY);
    must(house, 'clock.trust', {});
    expect(machineView({ ...house, clock }).clock).toBeNull();
    expect(firmTime({ ...house, clock }).today).toBe('2027-03-02');
    record();
    expect(machineView({ ...house, clock }).clock).not.toBeNull();
  });
});

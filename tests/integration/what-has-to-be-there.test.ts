import { describe, expect, it } from 'vitest';
import type { Phase } from '@/core/sequence/phases';
import { logisticId } from '@/core/sequence/site';
import type { StoredPlan } from '@/server/reading/plan';
import { readPlan } from '@/server/reading/plan';
import { nextWork } from '@/server/plan/effect';
import { readFirm, readJob } from '@/server/reading/reading';
import { sequenceView } from '@/server/views/sequence';
import { todayView } from '@/server/views/today';
import { give, must, newId, TODAY } from '../support/installations';
import { build, type Built } from '../support/synthetic';

const planOf = (built: Built): StoredPlan => readPlan(built.installation.db)!;
const at = (built: Built, area: string, phase: Phase) => {
  const task = planOf(built).tasks.find(({ id }) => id === `${built.areas[area] ?? ''}:${phase}`);
  if (!task) throw new Error(`${area} has no ${phase}`);
  return task;
};
const view = (built: Built) => sequenceView(readJob(built.installation, built.job));
const said = (built: Built, type: 'logistic.settle' | 'logistic.change' | 'logistics.take', payload: object) =>
  give(built.installation, type, payload as never, built.owner);

describe('what the works ask for', () => {
  it('holds nothing until it is added; then the step waits for it, and it is not asked again', () => {
    const built = build({ Kitchen: { works: ['kitchen'] }, Bath: { works: ['bathroom'], kind: 'wet' } });
    built.renew();
    const before = view(built).proposals;
    expect(before.map(({ key }) => key)).toEqual([
      ...['bin-inside', 'neighbours', 'parking', 'drop-timber', 'drop-boards', 'drop-cabinets'],
    ]);
    expect(before[0]).toMatchObject({ label: 'Bin for what is torn out', leadDays: 2 });
    expect(before[0]?.howMuch).toMatch(/^about \d bins? of 6 m³: [\d.]+ m³ loose, \d+ kg, decided by .*ordinary sizes/);
    const start = at(built, 'Kitchen', 'tear-out').start;
    // Today asks about what has to be called for in the next days, one line a job.
    const called = todayView(readFirm(built.installation)).calls;
    expect(called.map(({ text }) => text)).toEqual([
      expect.stringMatching(/^Needed or not: Bin for what is torn out · .*Permit to stand in the street/),
    ]);

    const [bin, parking] = [newId(), newId()];
    const taken = [
      { id: bin, proposal: 'bin-inside' },
      { id: parking, proposal: 'parking' },
    ];
    expect(said(built, 'logistics.take', { job: built.job, taken }).status).toBe('applied');
    built.renew();
    const task = planOf(built).tasks.find(({ id }) => id === logisticId(parking));
    expect(task).toMatchObject({ state: 'waiting', reason: { held: true, wait: { kind: 'not-asked' } } });
    // It is no inspection, and the boards and pages that list what comes next do not call it one.
    const next = nextWork(planOf(built), new Set([built.job]), TODAY, 30);
    expect(next.find(({ task: id }) => id === logisticId(parking))?.crew).toBe('Has to be there');
    // Ten days for the permit: tear-out waits for it.
    expect(at(built, 'Kitchen', 'tear-out').start).toBeGreaterThan(start + 10);
    expect(view(built).logistics.map(({ label }) => label)).toEqual([
      'Bin for what is torn out',
      'Permit to stand in the street',
    ]);
    expect(view(built).proposals.map(({ key }) => key)).not.toContain('bin-inside');
    // The same again, from a page that was open: nothing is asked for twice.
    const again = said(built, 'logistics.take', { job: built.job, taken: [{ id: newId(), proposal: 'parking' }] });
    expect(again).toMatchObject({ status: 'refused', problem: { field: 'taken[0].proposal' } });
    const byForm = give(
      built.installation,
      'logistic.add',
      {
        ...{ id: newId(), job: built.job, kind: 'parking', label: 'Permit', proposal: 'parking', leadDays: 10 },
        ...{ area: built.areas.Kitchen ?? '', phase: 'tear-out' },
      },
      built.owner,
    );
    expect(byForm).toMatchObject({ status: 'refused', problem: { code: 'not-asked', field: 'proposal' } });
  });

  it('is said not to be needed, and is needed after all', () => {
    const built = build({ Kitchen: { works: ['kitchen'] } });
    built.renew();
    const id = newId();
    const none = { job: built.job, needed: false, taken: [{ id, proposal: 'parking' }] };
    expect(said(built, 'logistics.take', none).status).toBe('applied');
    built.renew();
    expect(view(built)).toMatchObject({ logistics: [], notNeeded: [{ id, label: 'Permit to stand in the street' }] });
    expect(view(built).proposals.map(({ key }) => key)).not.toContain('parking');
    const start = at(built, 'Kitchen', 'tear-out').start;
    said(built, 'logistic.settle', { id, version: 1, state: 'open' });
    built.renew();
    expect(view(built)).toMatchObject({ logistics: [{ id, state: 'open' }], notNeeded: [] });
    expect(at(built, 'Kitchen', 'tear-out').start).toBeGreaterThan(start);
  });

  it('has its place, hours and whom to call; the next job knows whom, and Today says it', () => {
    const built = build({ Kitchen: { works: ['kitchen'] } });
    built.renew();
    const id = newId();
    must(
      built.installation,
      'finding.add',
      { id: newId(), job: built.job, kind: 'parking', subject: 'one bin in the yard' },
      built.owner,
    );
    said(built, 'logistics.take', { job: built.job, taken: [{ id, proposal: 'bin-inside' }] });
    built.renew();
    const [bin] = view(built).logistics;
    expect(bin).toMatchObject({ place: 'one bin in the yard', contact: '' });
    const known = {
      label: bin?.label,
      leadDays: 2,
      place: 'in the yard',
      howMuch: '1 bin of 6 m³',
      contact: 'Haulage',
    };
    const change = (over: object) =>
      said(built, 'logistic.change', { id, version: bin?.version, ...known, phone: '+41 44 000 00 00', ...over });
    expect(change({ fromHour: '9 am' })).toMatchObject({
      problem: { field: 'fromHour', title: 'the first hour must be a time of the day, like 07:30' },
    });
    expect(change({ fromHour: '09:00', toHour: '07:00' })).toMatchObject({
      problem: { field: 'toHour', title: 'the last hour is after the first' },
    });
    expect(change({ fromHour: '07:00', toHour: '09:00' }).status).toBe('applied');
    expect(view(built).logistics[0]).toMatchObject({ fromHour: '07:00', toHour: '09:00', contact: 'Haulage' });
    const call = todayView(readFirm(built.installation)).calls.find(({ text }) => text.includes('Haulage'));
    expect(call).toMatchObject({ phone: '+41 44 000 00 00' });
    expect(call?.text).toBe('Bin for what is torn out for Kitchen · tear-out: Haulage');

    // Another job of the firm: nobody types the number again.
    const [job, room] = [newId(), newId()];
    const level = newId();
    must(built.installation, 'job.open', { id: job, name: 'Two', units: 'metric', startDay: TODAY }, built.owner);
    must(
      built.installation,
      'areas.add',
      {
        job,
        levels: [{ id: level, name: 'Ground', height: 0 }],
        areas: [{ id: room, name: 'Study', kind: 'room', level, works: ['rebuild'] }],
      },
      built.owner,
    );
    built.renew();
    expect(
      sequenceView(readJob(built.installation, job)).proposals.find(({ key }) => key === 'bin-inside'),
    ).toMatchObject({ contact: 'Haulage', phone: '+41 44 000 00 00' });
  });
});

describe('a trench over several areas', () => {
  it('is looked for once, dug from the lowest up as it is laid, and the house changes over once', () => {
    const ground = { works: ['drain' as const], kind: 'ground' as const };
    const built = build({ Street: ground, Side: ground, Yard: ground });
    built.renew();
    for (const area of ['Street', 'Side', 'Yard'])
      expect(at(built, area, 'locate').finish).toBeLessThanOrEqual(at(built, 'Street', 'excavate').start);
    for (const [lower, upper] of [
      ['Street', 'Side'],
      ['Side', 'Yard'],
    ] as const)
      expect(at(built, upper, 'excavate').start).toBeGreaterThanOrEqual(at(built, lower, 'pipe').finish);
    const switches = () => planOf(built).tasks.filter(({ phase }) => phase === 'switch-over');
    expect(switches().map(({ area }) => area)).toEqual([built.areas['Yard']]);
    expect(switches()[0]?.start).toBeGreaterThanOrEqual(at(built, 'Yard', 'backfill').finish);
    // Where it was goes: the area that is highest now has it.
    must(built.installation, 'area.remove', { id: built.areas['Yard'] ?? '', version: 1 }, built.owner);
    built.renew();
    expect(switches().map(({ area }) => area)).toEqual([built.areas['Side']]);
  });
});

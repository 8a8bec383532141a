import type { Reader } from '@/contract/commands/news';
import { composeDraft } from '@/server/views/draft';
import { describe, expect, it } from 'vitest';
import type { Phase } from '@/core/sequence/phases';
import { addDays } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { broken } from '@/core/sequence/forbidden';
import type { StoredPlan } from '@/server/reading/plan';
import { readPlan } from '@/server/reading/plan';
import { readFirm, readJob } from '@/server/reading/reading';
import { siteOf } from '@/server/reading/site';
import { holdsOf } from '@/server/views/holds';
import { roomView } from '@/server/views/room';
import { scheduleView } from '@/server/views/board';
import { sequenceView } from '@/server/views/sequence';
import { todayView } from '@/server/views/today';
import { reasonSaid } from '../support/said';
import { coordinationView } from '@/server/views/coordination';
import { demoHouse, give, must, newId, TODAY } from '../support/installations';
import { build, type Built } from '../support/synthetic';

const planOf = (built: Built): StoredPlan => readPlan(built.installation.db)!;
const at = (built: Built, area: string, phase: Phase) => {
  const task = planOf(built).tasks.find(({ id }) => id === `${built.areas[area] ?? ''}:${phase}`);
  if (!task) throw new Error(`${area} has no ${phase}`);
  return task;
};
const wrong = (built: Built): string[] =>
  broken(siteOf(readJob(built.installation, built.job)), planOf(built).tasks).map(
    ({ step, before }) => `${step} before ${before}`,
  );
const way = (built: Built, method: 'cabinets-paint' | 'floor-cabinets', variant: string, area?: string): void =>
  void must(
    built.installation,
    'method.choose',
    { id: newId(), job: built.job, method, variant, ...(area ? { area: built.areas[area] ?? '' } : {}) },
    built.owner,
  );

describe('ways of working', () => {
  it('put cabinets before the floor, and never before the walls they hang on', () => {
    const built = build({ Bar: { works: ['bar'] }, Kitchen: { works: ['kitchen'] } });
    way(built, 'floor-cabinets', 'cabinets-first');
    built.renew();
    for (const area of ['Bar', 'Kitchen'])
      expect(at(built, area, 'cabinets').start).toBeGreaterThanOrEqual(at(built, area, 'first-coats').finish);
    expect(at(built, 'Kitchen', 'flooring').start).toBeGreaterThanOrEqual(at(built, 'Kitchen', 'cabinets').finish);
    expect(wrong(built)).toEqual([]);
  });

  it('paint first: trim, then the last coat, then cabinets, with a touch-up at the end', () => {
    const built = build({ Kitchen: { works: ['kitchen'] } });
    way(built, 'cabinets-paint', 'paint-first', 'Kitchen');
    built.renew();
    const [trim, coat, cabinets, touchUp] = (['trim', 'final-coat', 'cabinets', 'touch-up'] as const).map((phase) =>
      at(built, 'Kitchen', phase),
    );
    expect(coat?.start).toBeGreaterThanOrEqual(trim?.finish ?? Infinity);
    expect(cabinets?.start).toBeGreaterThanOrEqual(coat?.finish ?? Infinity);
    expect(touchUp?.start).toBeGreaterThanOrEqual(cabinets?.finish ?? Infinity);
  });

  it('give way to an order agreed by hand; one that cannot be kept is refused with its path', () => {
    const built = build({ Study: { works: ['rebuild'] } });
    const area = built.areas['Study'] ?? '';
    const order = (before: Phase, after: Phase) =>
      give(
        built.installation,
        'link.add',
        {
          id: newId(),
          job: built.job,
          before: { area, phase: before },
          after: { area, phase: after },
          reason: 'so agreed',
        },
        built.owner,
      );
    expect(order('trim', 'flooring')).toMatchObject({ status: 'applied' });
    built.renew();
    expect(at(built, 'Study', 'flooring').start).toBeGreaterThanOrEqual(at(built, 'Study', 'trim').finish);
    expect(reasonSaid(at(built, 'Study', 'flooring'))).toContain('so agreed');
    expect(order('final-coat', 'trim')).toMatchObject({
      problem: {
        code: 'sequence-loop',
        title: expect.stringMatching(
          /: so agreed\. Study · doors and trim comes before Study · final coat: what is fitted after/,
        ) as string,
      },
    });
  });
});

describe('rooms of one house', () => {
  it('passages are finished after all dust that passes through them, from below too', () => {
    const built = build({
      Hall: { works: ['services', 'redecorate'], passage: true },
      Kitchen: { works: ['kitchen'] },
      Study: { works: ['rebuild'] },
    });
    built.renew();
    const coat = at(built, 'Hall', 'final-coat').start;
    for (const area of ['Kitchen', 'Study']) {
      expect(at(built, 'Hall', 'first-coats').start).toBeGreaterThanOrEqual(at(built, area, 'tear-out').finish);
      expect(coat).toBeGreaterThanOrEqual(at(built, area, 'tape').finish);
    }
  });

  it('become one where the wall comes out: paint and floor wait for the dust of both, and the wall comes out once', () => {
    const built = build({ Kitchen: { works: ['kitchen', 'open-wall'] }, Dining: { works: ['rebuild', 'open-wall'] } });
    must(
      built.installation,
      'area.beside',
      { one: built.areas['Kitchen'] ?? '', other: built.areas['Dining'] ?? '', opens: true },
      built.owner,
    );
    built.renew();
    expect(at(built, 'Dining', 'flooring').start).toBeGreaterThanOrEqual(at(built, 'Kitchen', 'tape').finish);
    expect(planOf(built).tasks.filter(({ phase }) => phase === 'wall-out')).toHaveLength(1);
    const [wall, release] = [at(built, 'Kitchen', 'wall-out'), at(built, 'Kitchen', 'release')];
    for (const support of ['support', 'support-2'] as const)
      expect(wall.start).toBeGreaterThanOrEqual(at(built, 'Kitchen', support).finish);
    expect(release.start).toBeGreaterThanOrEqual(at(built, 'Kitchen', 'beam-release').finish);
  });

  it('are looked through and cleaned together, when the last of them is ready', () => {
    const built = build({ Study: { works: ['redecorate'] }, Kitchen: { works: ['kitchen'] } });
    built.renew();
    const ready = at(built, 'Kitchen', 'final-coat').finish;
    expect(at(built, 'Study', 'clean').start).toBeGreaterThanOrEqual(ready);
    expect(at(built, 'Kitchen', 'hand-over').start - at(built, 'Study', 'clean').start).toBeLessThan(10);
  });
});

describe('inspections', () => {
  it('are never passed by a tap: a failed one holds, and what was covered over it is told until it is looked at', () => {
    const built = build({ Study: { works: ['rebuild'] } });
    const tap = (phase: Phase, over: object = {}) =>
      give(
        built.installation,
        'observation.record',
        {
          observation: {
            id: newId(),
            walk: built.walk,
            area: built.areas['Study'] ?? '',
            kind: 'progress',
            phase,
            fraction: 1,
            ...over,
          },
        },
        built.owner,
      );
    expect(tap('rough-inspection')).toMatchObject({ problem: { code: 'nobody-named', field: 'observation.by' } });
    expect(tap('rough-inspection', { fraction: 0.5 })).toMatchObject({ problem: { code: 'passed-or-not' } });
    expect(tap('insulation')).toMatchObject({ status: 'applied' });
    built.renew();
    const job = () => readJob(built.installation, built.job);
    const told = holdsOf(job()).find((hold) => hold.id.startsWith('covered:'));
    expect(told?.text).toMatch(/^insulation begun, and rough inspections nobody has passed; stop/);
    expect(todayView(readFirm(built.installation)).holds.find(({ id }) => id === told?.id)?.overdue).toBe(true);
    const [look] = scheduleView(readFirm(built.installation), { by: 'trade', weeks: 2, shift: 0 }).looks;
    expect(look).toMatchObject({ kind: 'conflict', text: expect.stringContaining('insulation begun') as string });
    expect(tap('rough-inspection', { by: 'Inspector Lund' })).toMatchObject({ status: 'applied' });
    built.renew();
    expect(holdsOf(job()).some((hold) => hold.id.startsWith('covered:'))).toBe(false);
  });

  it('that are open are in the crew’s draft, and the client is not told that they passed', () => {
    const built = build({ Study: { works: ['rebuild'] } });
    built.see('Study', 'wiring-rough', 1);
    built.see('Study', 'insulation', 1);
    must(built.installation, 'walk.finish', { id: built.walk }, built.owner);
    built.renew();
    const draft = (audience: Reader): string => composeDraft(readJob(built.installation, built.job), audience).text;
    expect(draft('crew')).toContain('rough inspections nobody has passed; stop, and have it looked at');
    expect(draft('client')).not.toMatch(/inspection before walls are closed/);
  });

  it('of several rooms are one visit where that costs no job more than a day', () => {
    const firm = readFirm(demoHouse());
    const visits = coordinationView(firm, () => '/calendar').unbooked;
    const together = visits.filter(({ also }) => also.length > 0);
    expect(together.length).toBeGreaterThan(0);
    const plan = readPlan(firm.db)!;
    for (const { area, also, phase } of together)
      expect(
        new Set(
          [area, ...also.map((other) => other.area)].map(
            (room) => plan.tasks.find(({ id }) => id === `${room}:${phase}`)!.start >> 1,
          ),
        ).size,
      ).toBe(1);
  });

  it('the final one is called for in time, and is on the day that was made', () => {
    const built = build({ Study: { works: ['gas', 'touchup'] } });
    built.renew();
    const called = () =>
      todayView(readFirm(built.installation)).calls.filter(({ text }) => text.startsWith('Book the final'));
    const final = () => planOf(built).tasks.find(({ id }) => id === `${built.job}:final-inspection`)!;
    expect(called()).toMatchObject([{ text: expect.stringMatching(/^Book the final inspection, planned /) as string }]);
    const day = addDays(dayOfSlot(planOf(built).origin, final().start), 7);
    must(
      built.installation,
      'pin.set',
      { task: final().id, day, half: 0, reason: 'the building office, Inspector Lund' },
      built.owner,
    );
    built.renew();
    expect(dayOfSlot(planOf(built).origin, final().start)).toBe(day);
    expect(called()).toEqual([]);
    expect(
      sequenceView(readJob(built.installation, built.job)).jobTasks.find(({ task }) => task === 'final-inspection'),
    ).toMatchObject({ booked: 'the building office, Inspector Lund', day });
  });

  it('of a job that begins in weeks are not expected today', () => {
    const built = build({ Study: { works: ['rebuild'] } }, { startDay: '2027-04-12' });
    expect(holdsOf(readJob(built.installation, built.job))).toEqual([]);
  });
});

/** Another job of the firm that wants to dig now. */
function trenchElsewhere({ installation, owner }: Built): void {
  const job = newId();
  must(installation, 'job.open', { id: job, name: 'Elsewhere', units: 'metric', startDay: TODAY }, owner);
  const areas = ['A', 'B', 'C'].map((name) => ({
    id: newId(),
    name,
    kind: 'ground' as const,
    works: ['drain' as const],
  }));
  must(installation, 'areas.add', { job, levels: [], areas }, owner);
}

describe('what is opened', () => {
  const roof = (built: Built) => at(built, 'Roof', 'roof-strip');
  const tiles = (built: Built, over: object = {}): string => {
    const id = newId();
    must(
      built.installation,
      'selection.add',
      {
        id,
        job: built.job,
        area: built.areas['Roof'] ?? '',
        phase: 'covering',
        category: 'Roof tiles',
        choice: 'Plain clay',
        leadLow: 196,
        leadHigh: 224,
        ...over,
      } as never,
      built.owner,
    );
    return id;
  };

  it('waits until what closes it comes: no roof stands open for months; said otherwise by a name, it is a decision', () => {
    const built = build({ Roof: { works: ['reroof'], kind: 'roof' } });
    tiles(built);
    built.renew();
    expect(at(built, 'Roof', 'covering').start - roof(built).start).toBeLessThan(30);
    expect(reasonSaid(roof(built))).toMatch(/^The roof would stand open: Roof tiles come .*, and nobody has promised/i);
    const anyway = {
      id: newId(),
      area: built.areas['Roof'] ?? '',
      phase: 'roof-strip' as const,
      reason: 'it leaks; tarps stay on until the tiles come',
    };
    must(built.installation, 'opening.allow', anyway, built.owner);
    built.renew();
    // What stood months away begins once nobody has to be told of it within two weeks.
    expect(roof(built).start).toBeLessThan(30);
    must(built.installation, 'line.remove', { of: 'decision', id: anyway.id }, built.owner);
    built.renew();
    expect(roof(built).start).toBeGreaterThan(100);
  });

  it('lies open no longer because it rains and another job wants the digger', () => {
    const open = (other: boolean): number => {
      const built = build({ Yard: { works: ['drain'], kind: 'ground' } });
      must(
        built.installation,
        'plant.set',
        { id: newId(), name: 'Digger', units: 1, phases: ['excavate', 'backfill'] },
        built.owner,
      );
      must(
        built.installation,
        'sub.add',
        { id: newId(), trade: 'ground', name: 'Spade', crews: 1, leadName: '', email: '' },
        built.owner,
      );
      if (other) trenchElsewhere(built);
      for (const phase of ['locate', 'clear', 'excavate']) built.see('Yard', phase, 1);
      built.renew();
      const halves = [1, 2].flatMap((days) =>
        ([0, 1] as const).map((half) => ({ day: addDays(TODAY, days), half, rain: 9, wind: 4, low: 6 })),
      );
      must(built.installation, 'outlook.say', { halves }, built.owner);
      built.renew();
      const limit = planOf(built).exposures.find(({ from }) => from === `${built.areas['Yard'] ?? ''}:excavate`);
      return limit?.actual ?? NaN;
    };
    const alone = open(false);
    expect(alone).toBeGreaterThan(0);
    expect(open(true)).toBeLessThanOrEqual(alone);
  });

  it('is told days before where nothing is chosen that closes it', () => {
    const built = build({ Roof: { works: ['reroof'], kind: 'roof' } });
    built.renew();
    expect(holdsOf(readJob(built.installation, built.job)).map(({ text }) => text)).toEqual([
      'the roof would stand open: nothing is chosen for covering',
    ]);
  });
});

describe('services found in the way', () => {
  it('hold what comes out, is cut or dug until somebody has proved them dead, or marked them', () => {
    const built = build({ Kitchen: { works: ['kitchen'] } });
    const id = newId();
    must(
      built.installation,
      'finding.add',
      { id, job: built.job, area: built.areas['Kitchen'] ?? '', kind: 'service', subject: 'old gas pipe' },
      built.owner,
    );
    built.renew();
    expect(reasonSaid(at(built, 'Kitchen', 'tear-out'))).toContain('old gas pipe: proved dead, or marked');
    const prove = { id, version: 1, by: 'Ada Pipe' };
    expect(give(built.installation, 'finding.prove', { ...prove, state: 'kept' }, built.owner)).toMatchObject({
      problem: { field: 'need' },
    });
    must(built.installation, 'finding.prove', { ...prove, state: 'dead' }, built.owner);
    built.renew();
    expect(reasonSaid(at(built, 'Kitchen', 'tear-out'))).not.toContain('old gas pipe');
  });
});

describe('something ugly that protects', () => {
  it('is left until a step is done, told to whoever works there, and taken away after it', () => {
    const built = build({ Hall: { works: ['rebuild'] } });
    const id = newId();
    must(
      built.installation,
      'extra.leave',
      {
        id,
        area: built.areas['Hall'] ?? '',
        text: 'the old half wall',
        until: 'flooring',
        reason: 'it is the rail until the floor is in',
        trade: 'tear-out',
      },
      built.owner,
    );
    built.renew();
    const away = planOf(built).tasks.find((task) => task.id === `extra:${id}`)!;
    expect(away.start).toBeGreaterThanOrEqual(at(built, 'Hall', 'flooring').finish);
    expect(away.finish).toBeLessThanOrEqual(at(built, 'Hall', 'trim').start);
    const { brief } = roomView(readJob(built.installation, built.job), built.areas['Hall'] ?? '');
    expect(brief.parts.leave).toMatchObject([
      {
        text: 'the old half wall',
        note: 'the old half wall is left on purpose until flooring: it is the rail until the floor is in',
      },
    ]);
  });
});

describe('what is typed', () => {
  it('of the weather is refused beside its field in plain words', () => {
    const built = build({ Study: { works: ['redecorate'] } });
    const say = (half: object) =>
      give(
        built.installation,
        'outlook.say',
        { halves: [{ day: TODAY, half: 0, rain: 0, wind: 2, low: 5, ...half }] },
        built.owner,
      );
    expect(say({ rain: 'abc' })).toMatchObject({
      problem: { field: 'halves[0].rain', title: expect.stringMatching(/rain, in mm, must be a number/i) as string },
    });
    for (const day of ['2028-03-10', '2026-03-10'])
      expect(say({ day })).toMatchObject({
        problem: { field: 'halves[0].day', title: expect.stringContaining('no day of an outlook') as string },
      });
  });
});

import { readFirm, readJob } from '@/server/reading/reading';
import { pathOfFeed } from '@/server/tokens';
import { pattern } from '@/core/pattern';
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import type { PreviewView } from '@/contract/views/plan';
import { checkPlan } from '@/core/schedule/check';
import { causesIn } from '@/core/schedule/cause';
import type { PlannedTask } from '@/core/schedule/plan';
import { dayOfSlot, formatSlot, slotOf } from '@/core/units/slot';
import { sayCause } from '@/core/words/cause';
import { queryOne } from '@/server/database/query';
import { coordinationView } from '@/server/views/coordination';
import { preview } from '@/server/dispatch/preview';
import type { Installation } from '@/server/installation';
import { scheduleView } from '@/server/views/board';
import { pollWeather } from '@/server/polls/weather';
import { feedFile } from '@/server/public/feeds';
import { progressView } from '@/server/views/progress';
import { pullView } from '@/server/plan/pull';
import { readPlan, type StoredPlan } from '@/server/reading/plan';
import { renewOnce } from '@/server/plan/renew';
import { searchOnce } from '@/server/plan/search';
import { sequenceView } from '@/server/views/sequence';
import { demoId } from '../../demo/seed';
import {
  areaOf,
  command,
  demoHouse,
  give,
  MAREN,
  must,
  newId,
  raw,
  signalHouse,
  TODAY,
} from '../support/installations';
import { build } from '../support/synthetic';
import { reasonSaid, workSaid } from '../support/said';

const renew = (installation: Installation): StoredPlan => {
  renewOnce(installation);
  const plan = readPlan(installation.db);
  if (!plan) throw new Error('There is no plan.');
  expect(queryOne(installation.db, 'SELECT message FROM plan_problem')).toBeUndefined();
  expect(checkPlan(plan)).toEqual([]);
  return plan;
};
const find = (plan: StoredPlan, id: string): PlannedTask => {
  const found = plan.tasks.find((task) => task.id === id);
  if (!found) throw new Error(`The plan has no ${id}.`);
  return found;
};
const signal = (area: string, phase: string): string => `${areaOf(area)}:${phase}`;
const look = (installation: Installation, type: string, payload: object): PreviewView => {
  const answer = preview(installation, MAREN, raw(type, payload));
  if ('problem' in answer) throw new Error(answer.problem.title);
  return answer.view;
};

describe('knowledge of the firm', () => {
  it('says what a method would do before it is kept, and keeps nothing until then', () => {
    const installation = demoHouse();
    const before = readPlan(installation.db)?.version;
    const choice = { id: newId(), method: 'cabinets-paint', job: signalHouse, variant: 'paint-first' } as const;
    const view = look(installation, 'method.choose', choice);
    expect(view.added).toEqual(['Kitchen · touch-up']);
    expect(view.jobs.map((job) => job.name)).toContain('Signal House');
    expect(queryOne(installation.db, 'SELECT count(*) AS count FROM method_choice')).toEqual({ count: 0 });
    expect(queryOne(installation.db, `SELECT count(*) AS count FROM step WHERE phase = 'touch-up'`)).toEqual({
      count: 0,
    });
    expect([
      queryOne(installation.db, 'SELECT count(*) AS count FROM plan_mark'),
      readPlan(installation.db)?.version,
    ]).toEqual([{ count: 0 }, before]);
    must(installation, 'method.choose', choice);
    const plan = renew(installation);
    expect(find(plan, signal('kitchen', 'final-coat')).finish).toBeLessThanOrEqual(
      find(plan, signal('kitchen', 'cabinets')).start,
    );
    expect(
      plan.links.find(
        (link) => link.after === signal('kitchen', 'cabinets') && link.before === signal('kitchen', 'final-coat'),
      )?.reason,
    ).toBe('so it was chosen: paint first, touch up after');
  });

  it('lets a room differ from its job, and the job from the firm', () => {
    const installation = demoHouse();
    must(installation, 'method.choose', { id: newId(), method: 'tear-out', variant: 'careful' });
    const halfDays = (area: string) =>
      queryOne<{ half_days: number }>(
        installation.db,
        `SELECT half_days FROM step WHERE area = @area AND phase = 'tear-out'`,
        {
          area: areaOf(area),
        },
      )?.half_days;
    expect([halfDays('kitchen'), halfDays('bath')]).toEqual([8, 6]);
    must(installation, 'method.choose', {
      id: newId(),
      method: 'tear-out',
      job: signalHouse,
      area: areaOf('bath'),
      variant: 'fast',
    });
    must(installation, 'method.choose', { id: newId(), method: 'tear-out', job: signalHouse });
    expect(halfDays('kitchen')).toBeLessThan(8);
    const view = sequenceView(readJob(installation, signalHouse)).methods.find((method) => method.key === 'tear-out');
    expect(view).toMatchObject({ chosen: null, from: 'job', areas: [{ name: 'Bath', variant: 'fast' }] });
  });

  it('refuses a rule that would send work round, job by job and step by step, beside its field', () => {
    const installation = demoHouse();
    const rule = { within: 'area', strength: 'hard', reason: 'somebody said so' } as const;
    const answer = give(installation, 'rule.write', { id: newId(), before: 'glass', after: 'waterproofing', ...rule });
    expect(answer).toMatchObject({
      status: 'refused',
      httpStatus: 422,
      problem: {
        code: 'sequence-loop',
        field: 'after',
        title: expect.stringMatching(
          pattern(
            '',
            '^Signal House: These wait for each other in a ring: .* · waterproofing → .*',
            String.raw`· glass, hardware comes before .* · waterproofing: somebody said so\.`,
          ),
        ) as string,
      },
    });
    expect(give(installation, 'rule.write', { id: newId(), before: 'tape', after: 'board', ...rule })).toMatchObject({
      problem: { code: 'never-so', field: 'after', title: 'tape never comes before board: there are no joints yet.' },
    });
    expect(
      give(installation, 'rule.switch', { id: newId(), rule: 28, job: signalHouse, holds: false, reason: 'x' }),
    ).toMatchObject({
      problem: { code: 'never-so', field: 'rule', title: expect.stringMatching(/never right: /) as string },
    });
    expect(queryOne(installation.db, 'SELECT count(*) AS count FROM own_rule')).toEqual({ count: 0 });
    expect(
      preview(
        installation,
        MAREN,
        command('rule.write', {
          id: newId(),
          before: 'tape',
          after: 'board',
          within: 'area',
          strength: 'hard',
          reason: 'x',
        }),
      ),
    ).toMatchObject({ problem: { code: 'never-so' } });
  });

  it(
    'counts a written rule with its reason on every link, in another job too, and a switched one no more where it ' +
      'is off',
    () => {
      const installation = demoHouse();
      must(installation, 'rule.write', {
        id: newId(),
        before: 'first-coats',
        after: 'trim',
        within: 'area',
        kind: 'FS',
        lag: 4,
        lagUnit: 'elapsed',
        strength: 'hard',
        reason: 'our paint stays soft for two days',
      });
      must(installation, 'rule.switch', {
        id: newId(),
        rule: 23,
        job: signalHouse,
        area: areaOf('boot'),
        holds: false,
        reason: 'the boot room has no costly floor',
      });
      const plan = renew(installation);
      const links = plan.links.filter((link) => link.rule === 200);
      expect(new Set(links.map((link) => find(plan, link.after).job)).size).toBeGreaterThan(1);
      expect(links[0]).toMatchObject({ lag: 4, lagUnit: 'elapsed', reason: 'our paint stays soft for two days' });
      expect(plan.links.some((link) => link.rule === 23 && link.after.startsWith(areaOf('boot')))).toBe(false);
      expect(plan.links.some((link) => link.rule === 23 && link.after.startsWith(areaOf('guest')))).toBe(true);
      expect(
        sequenceView(readJob(installation, signalHouse)).rules.find((rule) => rule.number === 23)?.off,
      ).toMatchObject([{ area: { name: 'Boot room' }, reason: 'the boot room has no costly floor' }]);
    },
  );

  it('switches nothing off that keeps people alive', () => {
    expect(
      give(demoHouse(), 'rule.switch', { id: newId(), rule: 3, job: signalHouse, holds: false, reason: 'in a hurry' }),
    ).toMatchObject({ status: 'refused', problem: { code: 'rule-stays' } });
  });
});

describe('from scope to tasks', () => {
  it('takes times from the drawing, follows it, and says what is not drawn', () => {
    const installation = demoHouse();
    const area = demoId('dairy', 'area', 'workshop');
    const halfDays = () =>
      queryOne<{ half_days: number }>(
        installation.db,
        `SELECT half_days FROM step WHERE area = @area AND phase = 'board'`,
        {
          area,
        },
      )?.half_days ?? 0;
    if (!queryOne(installation.db, `SELECT 1 FROM step WHERE area = @area AND phase = 'board'`, { area }))
      must(installation, 'area.change', {
        id: area,
        version: queryOne<{ version: number }>(installation.db, 'SELECT version FROM area WHERE id = @area', { area })!
          .version,
        name: 'Workshop',
        works: ['rebuild'],
        size: 1,
      });
    const shape = (mm: number) => ({
      kind: 'room',
      height: { mm: 2500, typed: '2500' },
      walls: [0, 90, 180, 270].map((bearing) => ({ bearing, mm, typed: String(mm) })),
    });
    const draw = (mm: number) =>
      give(installation, 'shape.set', {
        area,
        version:
          queryOne<{ version: number }>(installation.db, 'SELECT version FROM shape WHERE area = @area', { area })
            ?.version ?? 0,
        shape: shape(mm),
      });
    draw(4000);
    must(installation, 'step.time', { area, phase: 'board', basis: 'quantity', crews: 1 });
    const small = halfDays();
    must(installation, 'rate.set', { phase: 'board', perHalfDay: 4 });
    expect(halfDays()).toBeGreaterThan(small);
    expect(give(installation, 'step.time', { area, phase: 'wiring-rough', basis: 'quantity', crews: 1 })).toMatchObject(
      {
        status: 'refused',
        problem: { code: 'not-drawn', field: 'basis' },
      },
    );
    expect(give(installation, 'step.time', { area, phase: 'board', basis: 'size', crews: 9 })).toMatchObject({
      status: 'refused',
      problem: { field: 'crews' },
    });
  });

  it('shortens work by a second crew, does it in parts, and joins it again', () => {
    const built = build({ Room: { works: ['rebuild'] } });
    const { installation, owner, areas } = built;
    const area = areas.Room ?? '';
    must(installation, 'sub.add', { id: newId(), trade: 'board', name: 'Sheets', crews: 2 }, owner);
    must(installation, 'step.time', { area, phase: 'board', basis: 'hand', halfDays: 8, crews: 2 }, owner);
    expect(find(renew(installation), `${area}:board`)).toMatchObject({ duration: 4, crews: 2 });
    must(installation, 'step.time', { area, phase: 'board', basis: 'hand', halfDays: 8, crews: 1 }, owner);
    must(
      installation,
      'step.split',
      {
        area,
        phase: 'board',
        parts: [
          { label: 'ceiling', halfDays: 3 },
          { label: 'walls', halfDays: 5 },
        ],
      },
      owner,
    );
    const plan = renew(installation);
    const [ceiling, walls] = [find(plan, `${area}:board~1`), find(plan, `${area}:board`)];
    expect([ceiling.duration, walls.duration, workSaid(ceiling)]).toEqual([3, 5, 'Room · board, ceiling']);
    expect(
      plan.links.some((link) => link.before === `${area}:insulation-inspection` && link.after === ceiling.id),
    ).toBe(true);
    expect(walls.start).toBeGreaterThanOrEqual(ceiling.finish);
    expect(
      give(
        installation,
        'step.split',
        {
          area,
          phase: 'board',
          parts: [
            { label: 'a', halfDays: 1 },
            { label: 'b', halfDays: 1 },
          ],
        },
        owner,
      ),
    ).toMatchObject({ problem: { code: 'parts-uneven', field: 'parts' } });
    must(installation, 'step.split', { area, phase: 'board', parts: [] }, owner);
    expect(renew(installation).tasks.filter((task) => task.id.startsWith(`${area}:board`))).toHaveLength(1);
  });

  it('brings areas to one gate and has them done in one visit', () => {
    const { installation, owner, job, areas } = build({ Far: { works: ['rebuild'] }, Near: { works: ['redecorate'] } });
    const [far = '', near = ''] = [areas.Far, areas.Near];
    must(
      installation,
      'gate.set',
      {
        id: newId(),
        job,
        label: 'Ready for paint',
        reason: 'one visit of the painter',
        before: [
          { area: far, phase: 'tape' },
          { area: near, phase: 'protect' },
        ],
        after: [
          { area: near, phase: 'first-coats' },
          { area: far, phase: 'first-coats' },
        ],
        together: true,
      },
      owner,
    );
    const plan = renew(installation);
    const [first, second] = [find(plan, `${near}:first-coats`), find(plan, `${far}:first-coats`)];
    expect(first.start).toBeGreaterThanOrEqual(find(plan, `${far}:tape`).finish);
    expect(second.start).toBe(first.finish);
    expect(
      give(
        installation,
        'gate.set',
        {
          id: newId(),
          job,
          label: 'Mixed',
          reason: 'x',
          before: [],
          after: [
            { area: near, phase: 'first-coats' },
            { area: far, phase: 'board' },
          ],
          together: true,
        },
        owner,
      ),
    ).toMatchObject({ problem: { code: 'trades-differ' } });
  });

  it('waits for what has to be there and for others, and gives them no crew', () => {
    const plan = readPlan(demoHouse().db) as StoredPlan;
    const theirs = plan.tasks.find((task) => workSaid(task).includes('the tenant’s own electrician'));
    expect(theirs).toMatchObject({ crew: null, state: 'waiting' });
    const crane = plan.tasks.find((task) => workSaid(task) === 'Crane for the lantern panes');
    expect(plan.links.find((link) => link.before === crane?.id)).toMatchObject({
      after: signal('lroof', 'glazing'),
      reason: 'nobody carries it in by hand',
    });
    expect(crane?.reason).toMatchObject({ held: true, wait: { kind: 'not-asked' } });
    const view = sequenceView(readJob(demoHouse(), signalHouse)).logistics.find((logistic) =>
      logistic.label.startsWith('Crane'),
    );
    expect(view?.askBy).not.toBeNull();
  });
});

describe('inspections', () => {
  it('are on the office’s days after its notice; booked ones stay on their day', () => {
    const installation = demoHouse();
    const plan = readPlan(installation.db) as StoredPlan;
    const study = find(plan, signal('study', 'rough-inspection'));
    expect(formatSlot(plan.origin, study.start)).toBe('Thu 11 Mar, morning');
    const office = new Set(
      plan.tasks
        .filter((task) => task.calendar.startsWith('office:') && task.state !== 'done')
        .map((task) => new Date(`${dayOfSlot(plan.origin, task.start)}T00:00:00Z`).getUTCDay()),
    );
    expect([...office].every((day) => day >= 1 && day <= 5)).toBe(true);
    expect(
      coordinationView(readFirm(installation), (feed) => pathOfFeed(installation, feed)).unbooked.every(
        (unbooked) => unbooked.askBy <= unbooked.ready,
      ),
    ).toBe(true);
  });

  it('that fail bring the work that puts it right and the next visit; what follows moves, with the cause in the log', () => {
    const installation = demoHouse();
    lookToday(installation);
    const before = readPlan(installation.db) as StoredPlan;
    const fixes = [{ id: newId(), text: 'a box without its clamp', trade: 'wiring', halfDays: 2 }] as const;
    must(installation, 'inspection.fail', {
      id: demoId('signal', 'inspection', 'study', 'rough-inspection'),
      version: 1,
      again: newId(),
      fixes,
    });
    const plan = renew(installation);
    const [fix, again] = [find(plan, `extra:${fixes[0].id}`), find(plan, signal('study', 'rough-inspection'))];
    expect(workSaid(fix)).toBe('Study · a box without its clamp');
    expect(again.start).toBeGreaterThanOrEqual(fix.finish);
    expect(again.start).toBeGreaterThan(find(before, again.id).start);
    expect(plan.links.find((link) => link.before === fix.id && link.after === again.id)?.reason).toContain(
      'rough inspections failed on Tue 9 Mar: a box without its clamp',
    );
    expect(find(plan, signal('study', 'insulation')).start).toBeGreaterThan(
      find(before, signal('study', 'insulation')).start,
    );
    expect(
      causesIn(
        queryOne<{ cause: string }>(
          installation.db,
          'SELECT cause FROM plan_move WHERE task = @task ORDER BY id DESC',
          { task: signal('study', 'insulation') },
        )?.cause ?? '',
      ).map((cause) => sayCause(cause, plan.origin)),
    ).toEqual(['Study · rough inspections failed: a box without its clamp.']);
  });

  it('that pass are done, and their work goes on', () => {
    const installation = demoHouse();
    const visit = demoId('signal', 'inspection', 'study', 'rough-inspection');
    // Nobody has looked before the day of the visit, whatever somebody says.
    const early = { id: visit, version: 1, by: 'Inspector Quill' };
    expect(give(installation, 'inspection.pass', early)).toMatchObject({ problem: { code: 'not-yet' } });
    lookToday(installation);
    must(installation, 'inspection.pass', early);
    expect(find(renew(installation), signal('study', 'rough-inspection')).state).toBe('done');
    expect(
      give(installation, 'inspection.pass', {
        id: visit,
        version: 2,
        by: 'Inspector Quill',
      }),
    ).toMatchObject({ status: 'refused', httpStatus: 409 });
  });
});

/** The visit of the study is on the day of the tests. */
function lookToday(installation: Installation): void {
  const visit = demoId('signal', 'inspection', 'study', 'rough-inspection');
  installation.db.prepare('UPDATE inspection SET day = ? WHERE id = ?').run(TODAY, visit);
}

describe('pins', () => {
  const late = {
    task: signal('guest', 'flooring'),
    day: '2027-05-03',
    half: 1,
    reason: 'the client wants to see it begin',
  };

  it('hold a start and say why; a later plan keeps them', () => {
    const installation = demoHouse();
    must(installation, 'pin.set', late);
    const flooring = find(renew(installation), late.task);
    expect([dayOfSlot(TODAY, flooring.start), flooring.start % 2]).toEqual(['2027-05-03', 1]);
    expect(reasonSaid(flooring)).toBe('Fixed to this day: the client wants to see it begin.');
    must(installation, 'hold.release', { id: demoId('signal', 'hold', '0'), version: 1 });
    expect(find(renew(installation), late.task).start).toBe(flooring.start);
  });

  it.each([
    [
      'before a delivery, naming it',
      { task: signal('lroof', 'glazing'), day: '2027-03-22', half: 0 },
      /cannot start on Mon 22 Mar, morning\. The order for lantern glazing/,
      'day',
    ],
    [
      'before what a rule puts first',
      { task: signal('wet', 'tiling'), day: '2027-03-10', half: 0 },
      /cannot start on Wed 10 Mar, morning\. It comes after Wet room · /,
      'day',
    ],
    [
      'on a day off',
      { task: signal('guest', 'flooring'), day: '2027-05-02', half: 0 },
      /Nobody works at this on Sun 2 May/,
      'day',
    ],
    [
      'when its crew is away',
      { task: `${areaOf('bed', 'tannery')}:final-coat`, day: '2027-03-24', half: 0 },
      /Two Buckets Paint is away on Wed 24 Mar/,
      'day',
    ],
    ['in the past', { task: signal('guest', 'flooring'), day: '2027-03-01', half: 0 }, /That day is over/, 'day'],
    ['of what is under way', { task: signal('yard', 'pipe'), day: '2027-03-20', half: 0 }, /is under way/, 'task'],
    ['of nothing', { task: 'nothing', day: '2027-03-20', half: 0 }, /piece of work/, 'task'],
  ])('are refused %s', (_, payload, says, field) => {
    const installation = demoHouse();
    const answer = give(installation, 'pin.set', { ...payload, reason: 'so wished' });
    expect(answer).toMatchObject({
      status: 'refused',
      problem: { field, title: expect.stringMatching(says) as string },
    });
    expect(queryOne(installation.db, 'SELECT count(*) AS count FROM pin')).toEqual({ count: 0 });
  });
});

describe('what others decide', () => {
  it('a sub’s busy calendar moves its work, and taking it out brings it back', () => {
    const installation = demoHouse();
    const sub = demoId('sub', 'structure');
    const before = readPlan(installation.db) as StoredPlan;
    const masonry = before.tasks
      .filter((task) => task.crew === sub && task.state === 'waiting')
      .sort((a, b) => a.start - b.start)[0] as PlannedTask;
    const halves = Array.from({ length: 8 }, (_, index) => ({
      day: dayOfSlot(TODAY, masonry.start + index),
      half: (masonry.start + index) % 2,
      words: 'another site',
    }));
    must(installation, 'sub.busy', { sub, name: 'bram.ics', events: 4, halves });
    const moved = find(renew(installation), masonry.id);
    expect(moved.start).toBeGreaterThanOrEqual(masonry.start + 8);
    expect(reasonSaid(moved)).toContain('is away');
    must(installation, 'sub.busy', { sub, halves: [] });
    expect(find(renew(installation), masonry.id).start).toBeLessThan(moved.start);
  });

  it('rain moves outdoor work and is named; the desk says the same day after day', () => {
    const installation = demoHouse();
    // What was said stays; only what nobody has spoken of is heard.
    expect(pollWeather(installation)).toBe(0);
    installation.db.exec(`DELETE FROM outlook WHERE day > '2027-03-16'`);
    expect(pollWeather(installation)).toBe(4);
    const days = ['2027-03-09', '2027-03-10', '2027-03-11', '2027-03-12'];
    must(installation, 'outlook.say', {
      halves: days.flatMap((day) => [0, 1].map((half) => ({ day, half, rain: 9, wind: 4, low: 6 }))),
    });
    const plan = renew(installation);
    const outdoors = plan.tasks.filter((task) => /:rain/.test(task.calendar) && task.state === 'waiting');
    expect(outdoors.length).toBeGreaterThan(5);
    expect(outdoors.every((task) => task.slots.every((slot) => slot >= slotOf(TODAY, '2027-03-13')))).toBe(true);
    expect(outdoors.some((task) => reasonSaid(task).includes('9 mm of rain expected Fri 12 Mar'))).toBe(true);
    expect(
      coordinationView(readFirm(installation), (feed) => pathOfFeed(installation, feed)).kept.length,
    ).toBeGreaterThan(0);
  });

  it('a broken digger holds what needs it', () => {
    const installation = demoHouse();
    must(installation, 'plant.break', {
      id: newId(),
      plant: demoId('plant', 'digger'),
      firstDay: TODAY,
      lastDay: '2027-04-02',
      units: 1,
      reason: 'the pump is gone',
    });
    const dug = renew(installation).tasks.filter(
      (task) => task.plant !== undefined && task.state === 'waiting' && /:(excavate|backfill)$/.test(task.id),
    );
    expect(dug.length).toBeGreaterThan(2);
    expect(dug.every((task) => task.start >= slotOf(TODAY, '2027-04-05'))).toBe(true);
    expect(dug.some((task) => reasonSaid(task).includes('Small digger'))).toBe(true);
  });
});

describe('calendars for programs outside', () => {
  const open = (installation: Installation, kind: 'job' | 'sub' | 'person', target: string): (() => ICAL.Event[]) => {
    const id = newId();
    must(installation, 'feed.open', { id, kind, target });
    const path =
      coordinationView(readFirm(installation), (feed) => pathOfFeed(installation, feed)).feeds.find(
        (feed) => feed.id === id,
      )?.path ?? '';
    const token = path.replace(/^\/calendar\/|\.ics$/g, '');
    return () =>
      new ICAL.Component(ICAL.parse(feedFile(installation, token)?.content ?? '') as never)
        .getAllSubcomponents('vevent')
        .map((part) => new ICAL.Event(part));
  };

  it('are read back by another parser with the same work on the same half-days, by job and by sub', () => {
    const installation = demoHouse();
    const plan = readPlan(installation.db) as StoredPlan;
    const sub = demoId('sub', 'plumbing');
    for (const [kind, target, mine] of [
      ['job', signalHouse, (task: PlannedTask) => task.job === signalHouse],
      ['sub', sub, (task: PlannedTask) => task.crew === sub],
    ] as const) {
      const events = open(installation, kind, target)().filter(
        (event) => event.component.getFirstPropertyValue('status') !== 'CANCELLED',
      );
      const tasks = plan.tasks.filter((task) => mine(task) && task.state === 'waiting' && task.duration > 0);
      const told = new Map(events.map((event) => [event.uid, event]));
      expect(tasks.length).toBeGreaterThan(10);
      for (const task of tasks) {
        const event = told.get(`${task.id}@aftermist`);
        expect(event?.summary).toContain(workSaid(task));
        expect(event?.startDate.toString()).toBe(
          `${dayOfSlot(plan.origin, task.start)}T${task.start % 2 === 0 ? '07:30' : '12:30'}:00`,
        );
        expect(event?.endDate.toString()).toBe(
          `${dayOfSlot(plan.origin, task.finish - 1)}T${(task.finish - 1) % 2 === 0 ? '12:00' : '16:30'}:00`,
        );
      }
    }
  });

  it('tell a change as a change of the same event, and cancel what falls away', () => {
    const installation = demoHouse();
    const read = open(installation, 'job', signalHouse);
    const uid = `${signal('guest', 'flooring')}@aftermist`;
    const [was] = read().filter((event) => event.uid === uid);
    must(installation, 'pin.set', {
      task: signal('guest', 'flooring'),
      day: '2027-05-03',
      half: 1,
      reason: 'so wished',
    });
    renew(installation);
    const [is] = read().filter((event) => event.uid === uid);
    expect(is?.startDate.toString()).toBe('2027-05-03T12:30:00');
    expect(is?.sequence).toBe((was?.sequence ?? 0) + 1);
    must(installation, 'area.change', {
      id: areaOf('guest'),
      version: queryOne<{ version: number }>(installation.db, 'SELECT version FROM area WHERE id = @id', {
        id: areaOf('guest'),
      })!.version,
      name: 'Guest suite',
      works: ['none'],
      size: 1,
    });
    renew(installation);
    const [gone] = read().filter((event) => event.uid === uid);
    expect([gone?.component.getFirstPropertyValue('status'), gone?.sequence]).toEqual([
      'CANCELLED',
      (is?.sequence ?? 0) + 1,
    ]);
  });

  it('give a person the visits, deliveries and bookings to be there for, and close', () => {
    const installation = demoHouse();
    const read = open(installation, 'person', demoId('person', 'tobin'));
    expect(read().map((event) => event.summary)).toEqual(
      expect.arrayContaining(['Signal House: Study · rough inspections', 'Signal House: Bin for the slab, 6 m³']),
    );
    const feed = coordinationView(readFirm(installation), (feed) => pathOfFeed(installation, feed)).feeds[0];
    must(installation, 'feed.close', { id: feed!.id });
    expect(feedFile(installation, feed?.path.replace(/^\/calendar\/|\.ics$/g, '') ?? '')).toBeUndefined();
    expect(feedFile(installation, 'guessed')).toBeUndefined();
  });
});

describe('the plan as a whole', () => {
  it('is looked at longer when asked, never gets worse by it, and says how it went', () => {
    const installation = demoHouse();
    const before = readPlan(installation.db) as StoredPlan;
    must(installation, 'plan.search', { schedules: 120, seed: 7 });
    expect(give(installation, 'plan.search', { schedules: 5, seed: 1 })).toMatchObject({
      status: 'refused',
      problem: { code: 'search-under-way' },
    });
    expect(searchOnce(installation)).toBeGreaterThan(0);
    const after = readPlan(installation.db) as StoredPlan;
    expect(checkPlan(after)).toEqual([]);
    expect(
      [after.score.broken, after.score.late, after.score.cost] <=
        [before.score.broken, before.score.late, before.score.cost],
    ).toBe(true);
    expect(
      queryOne<{ state: string; words: string }>(installation.db, 'SELECT state, words FROM plan_search'),
    ).toMatchObject({
      state: 'done',
      words: expect.stringMatching(/found/) as string,
    });
    expect(searchOnce(installation)).toBeUndefined();
    // What was found is where the next plan begins.
    must(installation, 'hold.expect', { id: demoId('signal', 'hold', '4'), version: 1, expectedOn: '2027-04-03' });
    expect(renew(installation).score.cost).toBeLessThanOrEqual(after.score.cost + 40);
  });

  it('shows its bound, what to look at, and what would pull work forward', () => {
    const installation = demoHouse();
    const view = scheduleView(readFirm(installation), { by: 'trade', weeks: 12, shift: 0 });
    expect(view.goal?.jobs.every((job) => job.room >= 0)).toBe(true);
    expect(view.looks.map((entry) => entry.kind)).toEqual(expect.arrayContaining(['conflict', 'trip']));
    expect(view.board.weather).toContainEqual(
      expect.objectContaining({ slot: 7, text: '9 mm, wind 13 m/s', forbids: true }),
    );
    const pulls = pullView(readFirm(installation), signal('lroof', 'glazing')).pulls;
    expect(pulls[0]).toMatchObject({ wins: true, text: expect.stringContaining('lantern glazing') as string });
    const crew = scheduleView(readFirm(installation), {
      by: 'trade',
      weeks: 2,
      shift: 0,
      crew: demoId('sub', 'plumbing'),
    }).board.rows;
    expect(crew.map((row) => row.name)).toEqual(['Plumbing']);
  });

  it('measures slip against what was agreed, in worked days, with causes, and work by work and not by looks', () => {
    const installation = demoHouse();
    const view = progressView(readJob(installation, signalHouse), { allSlips: true });
    expect(view.baselines[0]?.name).toBe('agreed with the client');
    expect(
      view.slipped.some(
        (entry) =>
          entry.halves > 0 && entry.causes.some(({ cause }) => /behind the plan|no walk has seen it/.test(cause)),
      ),
    ).toBe(true);
    expect(view.done).toBeGreaterThan(0.1);
    expect(view.words).toMatch(
      /^\d+ % of the work is done, \d+ % of it in the last two weeks\. Of what is done, \d+ % is out of sight\.$/,
    );
    const shares = view.overTime.done.filter((share) => share !== null);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(view.load.trades.every((trade) => trade.work.length === 8 && trade.most.length === 8)).toBe(true);
  });
});

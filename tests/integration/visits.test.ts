import { describe, expect, it } from 'vitest';
import { addDays, weekday } from '@/core/units/day';
import { dayOfSlot, isAfternoon } from '@/core/units/slot';
import { quietFrom } from '@/core/sequence/quiet';
import { phaseFacts } from '@/core/sequence/phases';
import { queryAll, queryOne } from '@/server/database/query';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { searchOnce } from '@/server/plan/search';
import { currentVersion, readPlan } from '@/server/reading/plan';
import { readFirm, readJob } from '@/server/reading/reading';
import { isVisit } from '@/core/schedule/visit';
import { movedView } from '@/server/views/moved';
import { standChanges, writeStandChanges } from '@/server/visits/stand';
import { reviewView } from '@/server/views/review';
import { scheduleView } from '@/server/views/board';
import { sequenceView } from '@/server/views/sequence';
import { demoId } from '../../demo/seed';
import {
  areaOf,
  command,
  demoHouse,
  give,
  giveRaw,
  MAREN,
  must,
  newId,
  raw,
  signalHouse,
  TODAY,
} from '../support/installations';
import { dispatch } from '@/server/dispatch/dispatch';
import { visitOf } from '../support/visit-commands';

const moved = (installation: Installation) => movedView(readFirm(installation));
const visitsIn = (installation: Installation): string[] =>
  moved(installation).concerned.flatMap((one) => one.visits.map(({ task }) => task));
const startOf = (installation: Installation, task: string): number | undefined =>
  readPlan(installation.db)?.tasks.find(({ id }) => id === task)?.start;
const codeOf = (answer: ReturnType<typeof giveRaw>): string | undefined =>
  answer.status === 'refused' ? answer.problem.code : undefined;
/** Everybody was told of everything. */
function toldAll(installation: Installation): void {
  const { concerned, ends } = moved(installation);
  const visits = concerned.flatMap((one) => one.visits.map(({ task, day, half }) => ({ task, day, half })));
  if (visits.length + ends.length > 0)
    must(installation, 'visit.tell', { visits, ends: ends.map(({ job, day }) => ({ job, day })) });
}
const rainOn = (installation: Installation, day: string): string => {
  const rain = command('outlook.say', { halves: [0, 1].map((half) => ({ day, half, rain: 9, wind: 3, low: 6 })) });
  expect(dispatch(installation, MAREN, rain).status).toBe('applied');
  return rain.id;
};

describe('a day of rain', () => {
  it('moves what it forbids and what must follow, and nobody else; no promise breaks unnamed', () => {
    const installation = demoHouse();
    toldAll(installation);
    const before = readPlan(installation.db);
    const confirmed = new Set(
      queryAll<{ task: string }>(installation.db, `SELECT task FROM visit_day WHERE said = 'confirmed'`).map(
        ({ task }) => task,
      ),
    );
    expect(confirmed.size).toBeGreaterThan(20);
    rainOn(installation, addDays(TODAY, 2));
    renewOnce(installation);
    const after = readPlan(installation.db);
    const was = new Map(before?.tasks.map((task) => [task.id, task.start]));
    const near = after?.tasks.filter(
      (task) =>
        isVisit(task) &&
        was.has(task.id) &&
        was.get(task.id) !== task.start &&
        Math.min(task.start, was.get(task.id) ?? 0) < 28,
    );
    // It was 32 of the next two weeks, for eleven subs: now what stands in the rain, what follows it, and nobody indoors.
    expect(near?.length).toBeLessThanOrEqual(8);
    expect(new Set(near?.map(({ trade }) => trade))).toEqual(new Set(['roofing', 'ground']));
    const unkept = new Set(after?.unkept?.map(({ task }) => task));
    expect(near?.filter(({ id }) => confirmed.has(id) && !unkept.has(id))).toEqual([]);
  });

  it('is told to nobody where it goes again before anybody was told', () => {
    const installation = demoHouse();
    toldAll(installation);
    const starts = new Map(readPlan(installation.db)?.tasks.map((task) => [task.id, task.start]));
    const rain = rainOn(installation, addDays(TODAY, 2));
    renewOnce(installation);
    expect(visitsIn(installation).length).toBeGreaterThan(0);
    must(installation, 'undo', { command: rain });
    renewOnce(installation);
    expect(moved(installation)).toMatchObject({ concerned: [], ends: [] });
    const back = readPlan(installation.db)?.tasks.filter((task) => isVisit(task) && task.start < 28) ?? [];
    expect(back.filter((task) => starts.get(task.id) !== task.start)).toEqual([]);
  });
});

describe('whoever has to be told', () => {
  it('is told with one act, by a message where there is an address, and goes by the new day from then on', () => {
    const installation = demoHouse();
    const [first] = moved(installation).concerned.filter((one) => one.sub && one.email);
    expect(first?.visits[0]).toMatchObject({
      reason: expect.stringMatching(/\.$/) as string,
      from: expect.any(String) as string,
    });
    const visits = first?.visits.map(({ task, day, half }) => ({ task, day, half })) ?? [];
    const to = {
      updateId: newId(),
      messageId: newId(),
      linkId: newId(),
      name: first?.name ?? '',
      address: first?.email ?? '',
    };
    must(installation, 'visit.tell', { visits, subs: [{ sub: first?.crew ?? '', ...to, expiresOn: '2027-06-01' }] });
    const { title, body } = queryOne<{ title: string; body: string }>(
      installation.db,
      'SELECT title, body FROM job_update WHERE id = @id',
      { id: to.updateId },
    )!;
    expect(title).toMatch(/visits? moves?$/);
    expect(body).toMatch(/ moves from .+, (?:morning|afternoon) to .+, (?:morning|afternoon)\. .+\./);
    expect(moved(installation).concerned.map(({ crew }) => crew)).not.toContain(first?.crew);
    expect(queryOne(installation.db, 'SELECT said FROM visit_day WHERE task = @task', visits[0] ?? {})).toEqual({
      said: 'asked',
    });
    // What went to one sub is no news of the whole crew.
    expect(body).not.toContain('undefined');
  });

  it('stays told what they were told while a plan was being made', () => {
    const installation = demoHouse();
    const firm = readFirm(installation);
    const plan = readPlan(installation.db);
    const row = queryOne<{ task: string; day: string; half: number }>(
      installation.db,
      `SELECT task, day, half FROM visit_day WHERE said = 'nothing' ORDER BY day DESC, task LIMIT 1`,
    );
    const task = plan?.tasks.find(({ id }) => id === row?.task);
    if (!plan || !task || !row) throw new Error('Nothing stands far off.');
    // The planner has read and placed; before it writes, somebody calls the sub.
    const later = { ...plan, tasks: plan.tasks.map((one) => (one === task ? { ...one, start: one.start + 2 } : one)) };
    const changes = standChanges(firm, later);
    expect(changes.stand.map(({ task: id }) => id)).toContain(row.task);
    must(installation, 'visit.tell', { visits: [{ task: row.task, day: row.day, half: row.half }] });
    writeStandChanges(installation.db, changes);
    const kept = queryOne(installation.db, 'SELECT day, told_day FROM visit_day WHERE task = @task', {
      task: row.task,
    });
    expect(kept).toEqual({ day: row.day, told_day: row.day });
  });

  it('is not told what has moved again since the list was made', () => {
    const installation = demoHouse();
    const { task, day, half } = visitOf(installation);
    const other = { task, day: addDays(day, 1), half };
    expect(give(installation, 'visit.tell', { visits: [other] })).toMatchObject({
      problem: { code: 'moved-since', field: 'visits[0].task' },
    });
    expect(codeOf(give(installation, 'visit.tell', { visits: [], ends: [] }))).toBe('bad-input');
  });
});

describe('what a sub says', () => {
  const half = (installation: Installation, trade?: string) => {
    const { task, day, half: at } = visitOf(installation, trade);
    return { task, day, half: at };
  };

  it('holds: a yes stays put while the rest moves', () => {
    const installation = demoHouse();
    const visit = half(installation, 'carpentry');
    must(installation, 'visit.answer', { visits: [visit], answer: 'yes', by: 'Wenna' });
    const start = startOf(installation, visit.task);
    rainOn(installation, addDays(TODAY, 3));
    renewOnce(installation);
    expect(startOf(installation, visit.task)).toBe(start);
    const board = scheduleView(readFirm(installation), { by: 'trade', weeks: 2, shift: 0 }).board;
    const block = board.rows.flatMap((row) => row.blocks).find(({ task }) => task === visit.task);
    expect(block?.visit).toMatchObject({
      said: 'confirmed',
      words: expect.stringMatching(/^Said yes to .+ \(Wenna, /) as string,
    });
  });

  it('a no keeps them off that day, and the next is asked for anew', () => {
    const installation = demoHouse();
    const visit = half(installation, 'carpentry');
    must(installation, 'visit.answer', { visits: [visit], answer: 'no', by: 'Wenna', note: 'a funeral' });
    renewOnce(installation);
    const plan = readPlan(installation.db);
    const task = plan?.tasks.find(({ id }) => id === visit.task);
    expect(dayOfSlot(plan?.origin ?? '', task?.start ?? 0) > visit.day).toBe(true);
    expect(visitsIn(installation)).toContain(visit.task);
  });

  it('is refused where it is of nothing, over, or said already; and a link answers for its own visits alone', () => {
    const installation = demoHouse();
    const visit = half(installation, 'carpentry');
    const answer = (over: object, who: Actor = MAREN) =>
      dispatch(installation, who, raw('visit.answer', { visits: [{ ...visit, ...over }], answer: 'yes', by: 'Wenna' }));
    expect(codeOf(answer({ task: 'nothing:here' }))).toBe('unknown-id');
    expect(codeOf(answer({ day: addDays(TODAY, -3) }))).toBe('visit-past');
    expect(codeOf(answer({ day: addDays(visit.day, 9) }))).toBe('not-that-day');
    const link = (sub: string): Actor => ({ kind: 'link', id: newId(), audience: 'sub', job: null, sub });
    expect(codeOf(answer({}, link(demoId('sub', 'tile'))))).toBe('not-allowed');
    expect(answer({}, link(demoId('sub', 'carpentry'))).status).toBe('applied');
    expect(answer({})).toMatchObject({
      problem: { code: 'answered-already', title: 'Wenna said yes to this already.' },
    });
    expect(
      give(installation, 'goals.weigh', { tripWeight: 2, moveWeight: 4, frozenDays: 365, jobs: [] }),
    ).toMatchObject({
      problem: { field: 'frozenDays', title: expect.stringContaining('at most 10 working days') as string },
    });
  });

  it('holds for all of a visit, of which some was answered before', () => {
    const installation = demoHouse();
    const plan = readPlan(installation.db);
    const two = plan?.tasks.filter((one) => isVisit(one) && one.trade === 'carpentry').slice(0, 2) ?? [];
    const visits = two.map(({ id, start }) => ({
      ...{ task: id, day: dayOfSlot(plan?.origin ?? '', start), half: isAfternoon(start) ? 1 : 0 },
    }));
    must(installation, 'visit.answer', { visits: visits.slice(0, 1), answer: 'yes', by: 'Wenna' });
    must(installation, 'visit.answer', { visits, answer: 'yes', by: 'Osk' });
    const said = visits.map(({ task }) =>
      queryOne(installation.db, 'SELECT said, said_by FROM visit_day WHERE task = @task', { task }),
    );
    expect(said).toEqual([
      { said: 'confirmed', said_by: 'Wenna' },
      { said: 'confirmed', said_by: 'Osk' },
    ]);
  });

  it('is kept though a mistyped day leaves their visit out for now', () => {
    const installation = demoHouse();
    const visit = half(installation, 'carpentry');
    must(installation, 'visit.answer', { visits: [visit], answer: 'yes', by: 'Wenna' });
    const plan = readPlan(installation.db);
    const task = plan?.tasks.find(({ id }) => id === visit.task);
    if (!plan || !task) throw new Error('It is not planned.');
    const without = {
      ...plan,
      tasks: plan.tasks.filter((one) => one !== task),
      leftOut: [{ task: task.id, job: task.job, work: task.work, wait: null, follows: false }],
    };
    expect(standChanges(readFirm(installation), without).gone).not.toContain(visit.task);
  });

  it('is asked of another sub where the visit is given to them', () => {
    const installation = demoHouse();
    const visit = half(installation, 'board');
    expect(codeOf(give(installation, 'visit.give', { tasks: [visit.task], sub: demoId('sub', 'paint') }))).toBe(
      'not-their-trade',
    );
    must(installation, 'visit.give', { tasks: [visit.task], sub: demoId('sub', 'plaster') });
    renewOnce(installation);
    expect(readPlan(installation.db)?.tasks.find(({ id }) => id === visit.task)?.crew).toBe(demoId('sub', 'plaster'));
    // Of several, what is theirs already stays as it was agreed; alone it is refused.
    must(installation, 'visit.answer', { visits: [half(installation, 'board')], answer: 'yes', by: 'Marek' });
    const others = (readPlan(installation.db)?.tasks ?? []).filter(
      (task) => task.trade === 'board' && task.crew === demoId('sub', 'board') && isVisit(task),
    );
    const again = { tasks: [visit.task, ...others.slice(0, 1).map(({ id }) => id)], sub: demoId('sub', 'plaster') };
    expect(others.length).toBeGreaterThan(0);
    must(installation, 'visit.give', again);
    expect(queryOne(installation.db, 'SELECT said FROM visit_day WHERE task = @task', { task: visit.task })).toEqual({
      said: 'confirmed',
    });
    renewOnce(installation);
    expect(codeOf(give(installation, 'visit.give', again))).toBe('theirs-already');
    // Another event later it is still theirs.
    rainOn(installation, addDays(TODAY, 5));
    renewOnce(installation);
    expect(readPlan(installation.db)?.tasks.find(({ id }) => id === visit.task)?.crew).toBe(demoId('sub', 'plaster'));
  });
});

describe('a longer look', () => {
  it('proposes and keeps nothing unasked; what it proposes is taken as long as the plan is the same', () => {
    const installation = demoHouse();
    const version = currentVersion(installation.db);
    // One late job that everybody stands in the way of.
    must(installation, 'plan.search', { schedules: 150, seed: 7 });
    searchOnce(installation);
    expect(currentVersion(installation.db)).toBe(version);
    const found = queryOne<{ better_than: number | null; words: string }>(
      installation.db,
      'SELECT better_than, words FROM plan_search',
    );
    expect(found).toMatchObject({
      better_than: version,
      words: expect.stringMatching(/^A better plan was found: .+\. .+\.$/) as string,
    });
    must(installation, 'plan.take', { version: version ?? 0 });
    expect(currentVersion(installation.db)).toBeGreaterThan(version ?? 0);
    expect(codeOf(give(installation, 'plan.take', { version: version ?? 0 }))).toBe('plan-changed');
  });
});

describe('the review of a walk', () => {
  it('compares with the plan at its beginning, whatever was made anew meanwhile, and tells the first cause', () => {
    const installation = demoHouse();
    const walk = newId();
    must(installation, 'walk.start', { id: walk, job: signalHouse, kind: 'progress' });
    const boat = areaOf('boat');
    const deck = readPlan(installation.db)?.tasks.find(({ area, state }) => area === boat && state === 'waiting');
    must(installation, 'hold.add', {
      ...{ id: newId(), job: signalHouse, area: boat, phase: deck?.phase ?? 'deck' },
      ...{ kind: 'unknown', label: 'rot', text: 'nobody knows how far the rot goes', expectedOn: addDays(TODAY, 20) },
    });
    renewOnce(installation);
    const plan = readPlan(installation.db);
    must(installation, 'walk.finish', { id: walk });
    renewOnce(installation);
    const review = reviewView(readJob(installation, signalHouse), walk, () => readFirm(installation));
    const seen = review.moved.find(({ work }) => JSON.stringify(work) === JSON.stringify(deck?.work));
    expect(seen?.to).toBe(dayOfSlot(plan?.origin ?? '', plan?.tasks.find(({ id }) => id === deck?.id)?.start ?? 0));
    expect(seen?.causes?.map(({ kind }) => kind)).toEqual(['hold']);
  });
});

describe('a time of quiet', () => {
  it('is read from what the household said, or asked where it is not clear', () => {
    const tuesday = '2027-03-09';
    expect(quietFrom('Nothing loud before eleven until Friday.', tuesday)).toMatchObject({
      covers: 'loud',
      half: 0,
      lastDay: '2027-03-12',
    });
    expect(quietFrom('no hammering in the afternoons please', tuesday)).toMatchObject({ half: 1, lastDay: null });
    expect(quietFrom('baby sleeps till three', tuesday)).toBeUndefined();
    expect(quietFrom('they want it quiet', tuesday)).toBeUndefined();
    expect(quietFrom('the dog is loud', tuesday)).toBeUndefined();
  });

  it('keeps loud work off it, and is said as the reason', () => {
    const installation = demoHouse();
    const { said } = sequenceView(readJob(installation, signalHouse)).quiet;
    expect(said.map(({ text }) => text)).toEqual(
      expect.arrayContaining([expect.stringMatching(/nothing loud before eleven/i)]),
    );
    const [note] = said;
    const until = note?.lastDay ?? '';
    expect([weekday(until), note?.half]).toEqual([5, 0]);
    must(installation, 'quiet.add', {
      ...{
        id: newId(),
        job: signalHouse,
        covers: 'loud',
        half: '0',
        firstDay: TODAY,
        lastDay: until,
        words: note?.text ?? '',
      },
      observation: note?.observation,
    });
    renewOnce(installation);
    const plan = readPlan(installation.db);
    const loud = plan?.tasks.filter(
      ({ job, phase, state, duration }) =>
        job === signalHouse && state !== 'done' && duration > 0 && phase && phaseFacts(phase).loud,
    );
    const mornings = loud?.flatMap((task) =>
      task.slots.filter((slot) => !isAfternoon(slot) && dayOfSlot(plan?.origin ?? '', slot) <= until),
    );
    expect(loud?.length).toBeGreaterThan(3);
    expect(mornings).toEqual([]);
    const view = sequenceView(readJob(installation, signalHouse)).quiet;
    expect(view.said).toEqual([]);
    expect(view.times[0]?.text).toMatch(/^Nothing loud in the morning until Fri 12 Mar/);
  });

  it('that never ends and leaves no half-day is refused, unless it is meant', () => {
    const installation = demoHouse();
    const never = { id: newId(), job: signalHouse, covers: 'all', firstDay: TODAY, words: 'nobody may come' } as const;
    expect(give(installation, 'quiet.add', never)).toMatchObject({
      problem: { code: 'quiet-for-good', field: 'lastDay' },
    });
    expect(
      codeOf(
        give(installation, 'quiet.add', {
          ...never,
          covers: 'loud',
          lastDay: addDays(TODAY, -1),
          firstDay: addDays(TODAY, -2),
        }),
      ),
    ).toBe('quiet-over');
  });
});

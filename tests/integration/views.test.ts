import { reviewView } from '@/server/views/review';
import { readFirm, readHouse, readJob } from '@/server/reading/reading';
import { describe, expect, it } from 'vitest';
import { queryAll, queryOne } from '@/server/database/query';
import { findable } from '@/server/views/find';
import { firmView } from '@/server/views/firm';
import { scheduleView } from '@/server/views/board';
import { heardOf } from '@/server/views/heard';
import { boardOptions } from '@/server/views/board-options';
import { renewOnce } from '@/server/plan/renew';
import { currentVersion, readPlan } from '@/server/reading/plan';
import { selectionsOf } from '@/server/views/selection';
import { sequenceView } from '@/server/views/sequence';
import { frameView, jobHead } from '@/server/views/job-head';
import { roomView } from '@/server/views/room';
import { roomsView } from '@/server/views/rooms';
import { areasView } from '@/server/views/areas';
import { todayView } from '@/server/views/today';
import { newsView } from '@/server/views/news';
import { walksView } from '@/server/views/walks';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, give, must, newId, signalHouse, TODAY } from '../support/installations';
import { build, type Built } from '../support/synthetic';

const areaIn = ({ installation, job }: Built, name: string) =>
  roomsView(readJob(installation, job))
    .levels.flatMap((level) => level.areas)
    .find((area) => area.name === name);

describe('how an area stands', () => {
  it('is told in one word and a caption, as its track and its holds are', () => {
    const built = build({
      Fresh: { works: ['redecorate'] },
      Begun: { works: ['rebuild'] },
      Stuck: { works: ['rebuild'] },
      Waiting: { works: ['rebuild'] },
      Done: { works: ['floor'] },
      None: { works: ['none'] },
      Lived: { works: ['none'], livedIn: true },
      Far: { works: ['rebuild'] },
    });
    built.see('Begun', 'protect', 1);
    built.see('Stuck', 'protect', 1);
    built.hold('Stuck', 'isolate', 'engineer', '2027-03-15');
    built.hold('Waiting', 'protect', 'client', '2027-03-15');
    built.hold('Far', 'hand-over', 'client', '2027-05-15');
    for (const phase of ['protect', 'flooring', 'clean', 'hand-over']) built.see('Done', phase, 1);
    built.renew();
    const said = Object.fromEntries(
      ['Fresh', 'Begun', 'Stuck', 'Waiting', 'Done', 'None', 'Lived', 'Far'].map((name) => [
        name,
        [areaIn(built, name)?.standing, areaIn(built, name)?.caption],
      ]),
    );
    expect(said).toMatchObject({
      Fresh: ['not begun', expect.stringMatching(/^from/)],
      Begun: ['under way', expect.stringContaining('shut off services')],
      Stuck: ['stuck', 'waits: engineer'],
      Waiting: ['waiting', 'waits: client'],
      Done: ['done', 'done'],
      None: ['untouched', 'no work here'],
      Lived: ['untouched', 'lived in, no work'],
      Far: ['not begun', expect.stringMatching(/^from/)],
    });
    expect(areaIn(built, 'Begun')?.front).toEqual({ label: 'protect', day: '9 Mar' });
    expect(areaIn(built, 'Fresh')?.front).toBeNull();
  });

  it('names the only toilet of those who live there, and no longer once another works', () => {
    const built = build(
      {
        Bath: { works: ['bathroom'], kind: 'wet', provides: ['toilet'] },
        Other: { works: ['bathroom'], kind: 'wet', provides: ['toilet'] },
      },
      { livedIn: true },
    );
    built.see('Other', 'protect', 0.5);
    built.renew();
    expect(areaIn(built, 'Bath')?.caption).toMatch(/^the only toilet until/);
    built.see('Other', 'protect', 0);
    expect(areaIn(built, 'Bath')?.caption).not.toContain('only toilet');
  });
});

describe('the rooms of a job', () => {
  it('count work, not looks, and say how much of it nobody will see', () => {
    const built = build({ Room: { works: ['services'] } });
    expect(roomsView(readJob(built.installation, built.job))).toMatchObject({ done: 0, finish: null, next: [] });
    built.see('Room', 'plumbing-rough', 1);
    built.see('Room', 'wiring-rough', 1);
    built.renew();
    const view = roomsView(readJob(built.installation, built.job));
    expect(view.done).toBeGreaterThan(0.2);
    expect(view.hidden).toBe(1);
    expect(view.finish).not.toBeNull();
    expect(view.next.length).toBeGreaterThan(0);
    expect(view.next[0]?.when).toMatch(/^\w{3} \d+ \w{3}, (morning|afternoon)$/);
  });

  it('open to the clipboard of each, which tells every step its date and reason', () => {
    const { installation, job, areas, see, renew } = build({ Room: { works: ['rebuild', 'plaster'] } });
    see('Room', 'protect', 1);
    see('Room', 'isolate', 0.4);
    renew();
    const view = roomView(readJob(installation, job), areas.Room ?? '');
    expect(view.steps.map((step) => step.phase)).not.toContain('board');
    expect(view.steps[0]).toMatchObject({ fraction: 1, seen: 'Tue 9 Mar', when: '' });
    for (const step of view.steps.slice(1))
      expect(
        [step.when, step.reason].every((text) => text.length > 0),
        step.label,
      ).toBe(true);
    expect(view.steps[1]?.crew).toBe('our own wiring');
  });
});

describe('what a household has', () => {
  it('is said on the page of an area, and the plan leaves it one toilet', () => {
    const built = build(
      {
        Old: { works: ['redecorate'], kind: 'wet' },
        Bath: { works: ['bathroom'], kind: 'wet' },
        Ensuite: { works: ['bathroom'], kind: 'wet' },
      },
      { livedIn: true },
    );
    built.renew();
    // Nobody has said that the old one has a toilet: it is redecorated, which says nothing of it.
    const change = (name: string, works: string[], provides?: string[]) =>
      give(
        built.installation,
        'area.change',
        {
          ...{ id: built.areas[name] ?? '', version: version(name), name, works: works as never, size: 1 },
          ...(provides ? { provides: provides as never } : {}),
        },
        built.owner,
      );
    const version = (name: string) =>
      queryAll<{ version: number }>(built.installation.db, 'SELECT version FROM area WHERE name = @name', { name })[0]
        ?.version ?? 0;
    const has = (name: string) =>
      areasView(readJob(built.installation, built.job)).areas.find((area) => area.name === name)?.provides;
    expect([has('Old'), has('Bath')]).toEqual([[], ['toilet', 'shower']]);
    expect(change('Old', ['redecorate'], ['toilet']).status).toBe('applied');
    expect(change('Ensuite', ['bathroom'], []).status).toBe('applied');
    built.renew();
    expect([has('Old'), has('Ensuite')]).toEqual([['toilet'], []]);
    // One after the other: while one toilet is out the other stays. What has none waits for neither.
    const ofToilets = (readPlan(built.installation.db)?.links ?? []).filter(({ rule }) => rule === 25);
    const between = (link: { before: string; after: string }) =>
      [link.before, link.after].map((task) =>
        Object.keys(built.areas).find((name) => task.startsWith(built.areas[name] ?? '-')),
      );
    expect(ofToilets.map(between)).toEqual([['Old', 'Bath']]);
    // Left out, it stays; said as the work says it, it follows the work again.
    expect(change('Ensuite', ['bathroom']).status).toBe('applied');
    expect(has('Ensuite')).toEqual([]);
    expect(change('Ensuite', ['bathroom'], ['shower', 'toilet']).status).toBe('applied');
    expect(change('Ensuite', ['redecorate']).status).toBe('applied');
    expect(has('Ensuite')).toEqual([]);
    expect(change('Old', ['redecorate'], ['ghost'])).toMatchObject({ problem: { field: 'provides[0]' } });
  });
});

describe('a plan that cannot be made', () => {
  it('leaves the last one standing, says why everywhere, and heals', () => {
    const built = build({ Room: { works: ['rebuild'] } });
    built.renew();
    const version = currentVersion(built.installation.db);
    const loop = newId();
    // Past the door, which would refuse it: as from an older version of the rules.
    built.installation.db
      .prepare(`INSERT INTO own_link VALUES (?, ?, ?, 'board', ?, 'framing', 'no')`)
      .run(loop, built.job, built.areas.Room, built.areas.Room);
    built.renew();
    expect(currentVersion(built.installation.db)).toBe(version);
    for (const problem of [
      roomsView(readJob(built.installation, built.job)).problem,
      todayView(readFirm(built.installation)).problem,
      sequenceView(readJob(built.installation, built.job)).problem,
      scheduleView(readFirm(built.installation), { by: 'trade', weeks: 2, shift: 0 }).board.problem,
    ]) {
      expect(problem).toMatchObject({
        message: expect.stringMatching(/^These wait for each other in a ring: .*framing.*board/) as string,
        stale: true,
      });
    }
    must(built.installation, 'link.remove', { id: loop }, built.owner);
    renewOnce(built.installation);
    expect(roomsView(readJob(built.installation, built.job)).problem).toBeNull();
    expect(currentVersion(built.installation.db)).toBe((version ?? 0) + 1);
  });

  it('is no reason to plan nothing: a day many years away is refused where it is typed, and what has none is left out', () => {
    const built = build({ Room: { works: ['floor'] }, Hall: { works: ['floor'] } });
    built.renew();
    expect(
      give(
        built.installation,
        'hold.add',
        {
          ...{ id: newId(), job: built.job, area: built.areas.Room ?? '', phase: 'flooring', kind: 'client' },
          ...{ label: 'client', text: 'oak or cork', expectedOn: '2037-03-15' },
        },
        built.owner,
      ),
    ).toMatchObject({
      problem: { field: 'expectedOn', title: expect.stringContaining('more than five years away') as string },
    });
    // From before it was refused.
    const hold = built.hold('Room', 'flooring', 'client', '2027-03-20');
    built.installation.db.prepare(`UPDATE hold SET expected_on = '2037-03-15' WHERE id = ?`).run(hold);
    built.renew();
    const plan = readPlan(built.installation.db);
    const phases = (area: string) =>
      plan?.tasks.filter((task) => task.area === built.areas[area]).map(({ phase }) => phase);
    expect(phases('Hall')).toContain('flooring');
    expect(phases('Room')).toEqual(['protect']);
    expect(plan?.leftOut?.filter(({ follows }) => !follows)).toMatchObject([
      { work: { area: 'Room', phase: 'flooring' }, wait: { kind: 'hold' } },
    ]);
    const view = roomsView(readJob(built.installation, built.job));
    expect(view.problem).toMatchObject({
      message: expect.stringMatching(
        /^Left out of the plan: One House, Room · flooring: waits for client .*2037.*\. So are \d+ pieces .*All else is/,
      ) as string,
      stale: false,
    });
    expect(view.finish).toBeNull();
    // It cannot be pinned, nor does a preview say an end that is none.
    const pinned = { task: `${built.areas.Room ?? ''}:flooring`, day: '2027-03-22', half: 0, reason: 'asked for' };
    expect(give(built.installation, 'pin.set', pinned as never, built.owner)).toMatchObject({
      problem: { code: 'pin-refused', title: expect.stringContaining('Left out of the plan') as string },
    });
    must(built.installation, 'hold.expect', { id: hold, version: 1, expectedOn: '2027-03-20' }, built.owner);
    built.renew();
    const healed = roomsView(readJob(built.installation, built.job));
    expect([healed.problem, healed.finish !== null]).toEqual([null, true]);
  });

  it('keeps the last plans alone, and with each walk what it did to the plan of its time', () => {
    const built = build({ Room: { works: ['floor'] } });
    built.renew();
    built.see('Room', 'flooring', 0.5);
    must(built.installation, 'walk.finish', { id: built.walk }, built.owner);
    built.renew();
    const told = (): object => {
      const { moved, finish, planning } = reviewView(readJob(built.installation, built.job), built.walk, () =>
        readFirm(built.installation),
      );
      return { moved, finish, planning };
    };
    const after = told();
    expect(after).toMatchObject({ planning: false, finish: { before: expect.any(String) as string } });
    for (let time = 0; time < 40; time++) built.renew();
    const kept = queryAll<{ version: number }>(built.installation.db, 'SELECT version FROM plan ORDER BY version');
    expect(kept.length).toBeLessThan(36);
    expect(told()).toEqual(after);
    expect(readPlan(built.installation.db, { version: 10_000 })).toBeUndefined();
  });
});

describe('dates of selections', () => {
  it('follow the plan: late, near, far or settled', () => {
    const built = build({ Room: { works: ['kitchen'] } }, { startDay: '2027-03-01' });
    const add = (category: string, over: object): void =>
      void must(
        built.installation,
        'selection.add',
        {
          id: newId(),
          job: built.job,
          area: built.areas.Room!,
          phase: 'cabinets',
          category,
          leadLow: 3,
          leadHigh: 5,
          quantity: 1,
          unit: 'piece',
          state: 'chosen',
          ...over,
        },
        built.owner,
      );
    add('Late', { leadHigh: 200 });
    add('Soon', { state: 'open' });
    add('Ordered', { state: 'ordered', expectedOn: '2027-03-12' });
    add('Missed', { state: 'ordered', expectedOn: '2027-03-08' });
    add('Here', { state: 'on site' });
    built.renew();
    const due = Object.fromEntries(
      selectionsOf(readJob(built.installation, built.job)).map((item) => [
        item.category,
        [item.due.what, item.due.late],
      ]),
    );
    expect(due).toMatchObject({
      Soon: ['decide', false],
      Ordered: ['arrive', false],
      Missed: ['arrive', true],
      Here: ['settled', false],
    });
    // The cabinets would stand long before 200 days are over, so the order is late although nothing but itself holds
    // them.
    expect(due.Late).toEqual(['order', true]);
    expect(selectionsOf(readJob(built.installation, built.job)).at(-1)?.category).toBe('Here');
  });
});

describe('today', () => {
  it('asks for a walk where none was, and where work begins', () => {
    const built = build({ Room: { works: ['redecorate'] } });
    const { sites } = todayView(readFirm(built.installation));
    expect(sites).toMatchObject([
      { name: 'One House', why: ['not walked yet'], walked: 'never', openWalk: built.walk },
    ]);
  });

  it('has a close-in that is due before all else, and holds by their day', () => {
    const built = build({ Room: { works: ['rebuild'] }, Other: { works: ['rebuild'] } });
    built.hold('Other', 'tear-out', 'client', '2027-03-16');
    built.hold('Room', 'close-in', 'close-in', TODAY);
    built.hold('Room', 'tear-out', 'client', '2027-05-16');
    built.renew();
    const view = todayView(readFirm(built.installation));
    expect(view.sites[0]).toMatchObject({
      urgent: true,
      why: expect.arrayContaining(['Room: check before cover today']) as string[],
    });
    // By the day on which each stops the work of its room, not by when its word is expected: the check comes long after.
    expect(view.holds.map((hold) => [hold.area, hold.expectedOn])).toEqual([
      ['Other', '2027-03-16'],
      ['Room', '2027-05-16'],
      ['Room', TODAY],
    ]);
    const days = view.holds.map(({ stops }) => stops ?? '');
    expect(days).toEqual([...days].sort());
  });
});

describe('the firm', () => {
  it('is told which trades nobody does, and who is away', () => {
    const built = build({ Room: { works: ['redecorate'] } });
    expect(firmView(built.installation, { role: 'contractor' }).missing).toEqual(['cleaning', 'paint', 'tear-out']);
    const sub = newId();
    must(built.installation, 'sub.add', { id: sub, name: 'Painters', trade: 'paint', crews: 2 }, built.owner);
    must(built.installation, 'sub.away', { sub, firstDay: '2027-03-01', lastDay: '2027-03-05' }, built.owner);
    must(built.installation, 'sub.away', { sub, firstDay: '2027-03-20', lastDay: '2027-03-21' }, built.owner);
    built.renew();
    const view = firmView(built.installation, { role: 'contractor' });
    expect(view.missing).toEqual(['cleaning', 'tear-out']);
    expect(view.subs).toMatchObject([
      { name: 'Painters', works: 2, away: [{ firstDay: '2027-03-20', lastDay: '2027-03-21' }] },
    ]);
    expect(
      give(built.installation, 'sub.away', { sub, firstDay: '2027-03-21', lastDay: '2027-03-25' }, built.owner),
    ).toMatchObject({ status: 'refused', problem: { code: 'away-already' } });
    expect(
      give(built.installation, 'sub.add', { id: newId(), name: 'Waiters', trade: 'nobody', crews: 1 }, built.owner),
    ).toMatchObject({ status: 'refused', problem: { code: 'trade-of-nobody' } });
    expect(
      give(
        built.installation,
        'person.add',
        { id: newId(), name: 'Twin', role: 'lead', email: 'ida@own.example' },
        built.owner,
      ),
    ).toMatchObject({ status: 'refused', problem: { code: 'address-taken', field: 'email' } });
  });
});

describe('the frame', () => {
  const installation = () => demoHouse();

  it('knows every job that is not closed, the person, and how far the log is', () => {
    const demo = installation();
    const frame = frameView(demo, { id: demoId('person', 'maren'), name: 'Maren', role: 'contractor' });
    expect(frame.jobs.map((job) => job.name)).toEqual([
      'Signal House',
      'Tannery Row 9',
      'Linden Gatehouse',
      'Old Dairy',
    ]);
    expect(frame.people).toEqual([]);
    expect(frame.seq).toBeGreaterThan(500);
    expect(frame.clock).toMatchObject({ zone: 'UTC' });
    expect(frame.clock.shiftMs).not.toBe(0);
    expect(jobHead(readJob(demo, signalHouse))).toMatchObject({
      units: 'imperial',
      walked: 'walked yesterday 16:00',
      openWalk: null,
      counts: { news: 2 },
    });
  });

  it('finds areas, subs and selections by name', () => {
    const labels = findable(readHouse(installation())).map((found) => found.label);
    expect(labels).toEqual(
      expect.arrayContaining([
        'Guest suite, Signal House',
        'Halyard Wiring, wiring',
        'Lantern glazing, Eight curved panes, laminated, clear, Lantern roof',
      ]),
    );
  });

  it('shows what a job has when more is set out', () => {
    const view = areasView(readJob(installation(), signalHouse));
    expect(view.levels.map((level) => level.name)).toEqual(['Ground', 'Upper', 'Lantern']);
    expect(view.details).toMatchObject({ livedIn: true, loudHalf: 'morning', startDay: '2027-01-27' });
    expect(
      give(installation(), 'areas.add', {
        job: signalHouse,
        levels: [{ id: newId(), name: 'Attic', height: 2 }],
        areas: [],
      }),
    ).toMatchObject({
      status: 'refused',
      problem: { code: 'level-exists', title: 'There is a level at this height already: Lantern.' },
    });
  });

  it('suggests to whom an update goes: the client, and the leads of those who have work', () => {
    const { suggested, subs } = newsView(readJob(installation(), signalHouse));
    expect(suggested.client).toEqual([{ name: 'The Averill family', address: 'averill@watchsteps.example' }]);
    expect(suggested.crew.map((crew) => crew.name)).toContain('Petra, Halyard Wiring');
    expect(subs.length).toBe(suggested.crew.length);
  });

  it('lists the walks of a job, the newest first', () => {
    const { walks } = walksView(readJob(installation(), signalHouse));
    expect(walks.map((walk) => [walk.when, walk.finished])).toEqual([
      ['yesterday 16:00', true],
      ['Tue 2 Mar', true],
      ['Tue 23 Feb', true],
    ]);
  });
});

describe('how sure an end is', () => {
  it('is how many of the visits still to come somebody said yes to; one more yes is one more', () => {
    const house = demoHouse();
    const sureOf = () => todayView(readFirm(house)).houses.find(({ job }) => job === signalHouse)!.sure;
    const before = sureOf();
    expect(before.visits).toBeGreaterThan(100);
    const said = (state: string): number =>
      queryOne<{ n: number }>(house.db, `SELECT count(*) AS n FROM visit_day WHERE job = @job AND said = @state`, {
        ...{ job: signalHouse, state },
      })?.n ?? 0;
    expect(before.confirmed).toBeLessThanOrEqual(said('confirmed'));
    expect(before.confirmed).toBeGreaterThan(0);
    house.db.exec(`UPDATE visit_day SET said = 'confirmed' WHERE said IN ('told', 'asked')`);
    const after = sureOf();
    expect(after.visits).toBe(before.visits);
    expect(after.confirmed).toBeGreaterThan(before.confirmed);
    expect(after.confirmed).toBeLessThanOrEqual(after.visits);
  });
});

describe('what is new from others', () => {
  it('is what came by links since yesterday and walks that colleagues ended, never one’s own', () => {
    const house = demoHouse();
    const firm = () => readFirm(house);
    const maren = heardOf(firm(), demoId('person', 'maren'));
    expect(maren.map(({ did }) => did)).toEqual(['asked for something', 'asked for something']);
    for (const { who, about, path } of maren) {
      expect([who, about].every((words) => words.length > 3)).toBe(true);
      expect(path).toMatch(/\/walks\/history$/);
    }
    const tobin = heardOf(firm(), demoId('person', 'tobin'));
    expect(tobin.map(({ did }) => did)).toEqual(expect.arrayContaining(['finished a walk', 'asked for something']));
    expect(tobin.every(({ who, did }) => did !== 'finished a walk' || who === 'Maren')).toBe(true);
    // What is older than yesterday is no news, and what is of a job one does not see is nobody's.
    const { db } = house;
    db.exec(`UPDATE command_log SET applied_at = '2027-02-01T08:00:00.000Z' WHERE type = 'client.ask'`);
    expect(heardOf(firm(), demoId('person', 'maren'))).toEqual([]);
  });
});

describe('what the board is asked for', () => {
  it.each([
    [{}, { by: 'trade', weeks: 2, shift: 0 }],
    [
      { by: 'room', weeks: '3', shift: '-2' },
      { by: 'room', weeks: 3, shift: -2 },
    ],
    [
      { by: 'colour', weeks: '52', shift: '1e9' },
      { by: 'trade', weeks: 2, shift: 0 },
    ],
    [
      { by: ['room'], shift: ['1', '2'] },
      { by: 'trade', weeks: 2, shift: 0 },
    ],
    [{ shift: '0.5' }, { by: 'trade', weeks: 2, shift: 0 }],
  ])('%j is read as %j', (asked, options) => {
    expect(boardOptions(asked)).toEqual(options);
  });

  it('is, where the address does not say, what was chosen last; what nobody can choose is the usual board', () => {
    expect(boardOptions({}, 'person.month')).toEqual({ by: 'person', weeks: 'month', shift: 0 });
    expect(boardOptions({ by: 'trade', weeks: '6' }, 'room.3')).toMatchObject({ by: 'trade', weeks: 6 });
    for (const strange of ['', 'x', '..', 'person.52']) expect(boardOptions({}, strange).weeks).toBe(2);
  });

  it('shows the whole month, from its Monday on, and the next one where one goes on', () => {
    const firm = readFirm(demoHouse());
    const month = (shift: number) => scheduleView(firm, { by: 'trade', weeks: 'month', shift }).board.days;
    expect([month(0)[0]?.day, month(0).at(-1)?.day]).toEqual(['2027-03-01', '2027-04-04']);
    expect([month(1)[0]?.day, month(1).at(-1)?.day]).toEqual(['2027-03-29', '2027-05-02']);
    const task = scheduleView(firm, { by: 'trade', weeks: 12, shift: 0 })
      .board.rows.flatMap(({ blocks }) => blocks)
      .find(({ start }) => start > 100);
    const found = scheduleView(firm, { by: 'trade', weeks: 'month', shift: 0, task: task!.task }).board;
    expect(found.rows.flatMap(({ blocks }) => blocks).map((block) => block.task)).toContain(task!.task);
  });

  it('names by person who leads each crew, with the same work as by trade', () => {
    const firm = readFirm(demoHouse());
    const rows = (by: 'trade' | 'person') => scheduleView(firm, { by, weeks: 6, shift: 0 }).board.rows;
    const workOf = (list: ReturnType<typeof rows>) => list.map(({ id, blocks }) => [id, blocks.length]).sort();
    expect(workOf(rows('person'))).toEqual(workOf(rows('trade')));
    const names = rows('person').map(({ name }) => name);
    expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b, 'en')));
    const leads = queryAll<{ lead: string }>(firm.db, `SELECT lead_name AS lead FROM sub WHERE lead_name <> ''`);
    expect(leads.map(({ lead }) => lead)).toEqual(expect.arrayContaining(names.slice(0, 3)));
  });

  it('marks waits and deliveries on their day, and cuts blocks at its edges', () => {
    const demo = demoHouse();
    const { board } = scheduleView(readFirm(demo), { job: signalHouse, by: 'room', weeks: 2, shift: 0 });
    expect(board.marks.find((mark) => mark.text.startsWith('Kitchen · set beam'))).toMatchObject({
      tone: 'hold',
      slot: 8,
    });
    expect(board.rows.flatMap((row) => row.blocks).some((block) => block.cutRight && block.finish === 28)).toBe(true);
    expect(board.rows.find((row) => row.id === areaOf('landing'))).toBeUndefined();
  });
});

import { readFirm, readJob } from '@/server/reading/reading';
import { beforeAll, describe, expect, it } from 'vitest';
import { phaseFacts } from '@/core/sequence/phases';
import { daysBetween, formatDay } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import type { PlannedTask } from '@/core/schedule/plan';
import { readPlan, type StoredPlan } from '@/server/reading/plan';
import { scheduleView } from '@/server/views/board';
import { progressView } from '@/server/views/progress';
import { scopeView } from '@/server/views/scope';
import { selectionsOf } from '@/server/views/selection';
import { sequenceView } from '@/server/views/sequence';
import { holdsOf } from '@/server/views/holds';
import { roomView } from '@/server/views/room';
import { roomsView } from '@/server/views/rooms';
import { todayView } from '@/server/views/today';
import { DEMO_JOBS, demoId } from '../../demo/seed';
import { sharedDemo, TODAY } from '../support/installations';
import { waitSaid } from '../support/said';

let installation: Installation;
let plan: StoredPlan;

// Only read from: all stories share the seeded house itself.
beforeAll(() => {
  installation = sharedDemo();
  const found = readPlan(installation.db);
  if (!found) throw new Error('The demo has no plan.');
  plan = found;
});

const job = (key: string): string => demoId(key);
const areaId = (key: string, area: string): string => demoId(key, 'area', area);
function task(key: string, area: string, phase: string): PlannedTask {
  const found = plan.tasks.find((each) => each.id === `${areaId(key, area)}:${phase}`);
  if (!found) throw new Error(`${key}/${area} has no ${phase}.`);
  return found;
}
const links = (before: PlannedTask, after: PlannedTask) =>
  plan.links.filter((link) => link.before === before.id && link.after === after.id);

describe('the demo tells its stories', () => {
  it('1: the kitchen cabinets of Tannery Row slipped by nine days last evening, and the plan knows', () => {
    const cabinets = selectionsOf(readJob(installation, job('tannery'))).find(
      (item) => item.category === 'Kitchen cabinets',
    );
    expect(cabinets?.there?.because).toContain('9 days later than promised: the maker’s press broke down');
    expect(cabinets?.state).toBe('in making');
    const fitting = task('tannery', 'kitchen', 'cabinets');
    expect(dayOfSlot(plan.origin, fitting.start) >= (cabinets?.expectedOn ?? '9')).toBe(true);
    expect(waitSaid(plan.notBefore.find((wait) => wait.task === fitting.id))).toMatch(/9 days later than promised/);
  });

  it('2: the beam waits for the duct and for the engineer', () => {
    const [beam, duct] = [task('signal', 'kitchen', 'structure'), task('signal', 'day', 'reroute')];
    expect(links(duct, beam)[0]).toMatchObject({ rule: 4, strength: 'hard' });
    expect(beam.start).toBeGreaterThanOrEqual(duct.finish);
    const wait = plan.notBefore.find((each) => each.task === beam.id);
    expect(wait).toMatchObject({ open: true });
    expect(waitSaid(wait)).toContain('the engineer has not answered');
    expect(
      roomsView(readJob(installation, job('signal'))).holds.find((hold) => hold.label === 'engineer'),
    ).toMatchObject({
      area: 'Kitchen',
      phase: 'set beam',
    });
  });

  it('3: nobody cuts the slab of the wet room before it is scanned', () => {
    const [scan, cut] = [task('signal', 'wet', 'scan'), task('signal', 'wet', 'cut')];
    expect(links(scan, cut)[0]).toMatchObject({ rule: 6 });
    expect([cut.start >= scan.finish, cut.reason]).toMatchObject([true, { kind: 'not-before' }]);
    expect(
      roomsView(readJob(installation, job('signal')))
        .levels.flatMap((level) => level.areas)
        .find((area) => area.name === 'Wet room'),
    ).toMatchObject({ standing: 'waiting', held: 'will-stop', caption: 'waits: cables?' });
  });

  it('4: the lantern glazing takes twenty-two weeks and is the longest order of the job', () => {
    const items = selectionsOf(readJob(installation, job('signal')));
    const glazing = items.find((item) => item.category === 'Lantern glazing');
    expect(glazing?.leadHigh).toBe(154);
    expect(Math.max(...items.map((item) => item.leadHigh))).toBe(154);
    expect(glazing?.due).toMatchObject({ what: 'order' });
    expect(items[0]?.category).toBe('Lantern glazing');
    expect(todayView(readFirm(installation)).orders.map((order) => order.category)).toContain('Lantern glazing');
  });

  it('5: the upper bath is the only toilet, and stays so until the wet room is in use', () => {
    const bath = roomsView(readJob(installation, job('signal')))
      .levels.flatMap((level) => level.areas)
      .find((area) => area.name === 'Bath');
    expect(bath?.caption).toMatch(/^the only toilet until/);
    const [last, first] = [task('signal', 'wet', 'plumbing-finish'), task('signal', 'bath', 'protect')];
    expect(links(last, first)[0]).toMatchObject({ rule: 25, strength: 'soft' });
    expect(first.start).toBeGreaterThanOrEqual(last.finish);
  });

  it('6: a close-in is due with two of its checks open', () => {
    const today = todayView(readFirm(installation));
    expect(today.sites[0]).toMatchObject({ name: 'Signal House', urgent: true });
    expect(today.sites[0]?.why).toContain('Study: check before cover today');
    expect(holdsOf(readJob(installation, job('signal'))).find((hold) => hold.area === 'Study')).toMatchObject({
      kind: 'close-in',
      text: expect.stringContaining(
        '2 of 17 checks before the walls are closed are open: 6 pieces backing for the shelves',
      ) as string,
    });
  });

  it('says the same share of the work wherever it is told', () => {
    for (const key of DEMO_JOBS.map((each) => each.key)) {
      const rooms = roomsView(readJob(installation, job(key)));
      const progress = progressView(readJob(installation, job(key)));
      expect([key, progress.done, progress.words]).toEqual([
        key,
        rooms.done,
        expect.stringMatching(
          `^${Math.round(100 * rooms.done)} % of the work is done, .* ${Math.round(100 * rooms.hidden)} % is out of sight`,
        ) as string,
      ]);
    }
  });

  it('7: the landward face is painted a step from the neighbour, who must be told', () => {
    const hold = holdsOf(readJob(installation, job('signal'))).find((each) => each.kind === 'neighbour');
    expect(hold).toMatchObject({ area: 'Landward face', phase: phaseFacts('face-paint').label });
    expect(dayOfSlot(plan.origin, task('signal', 'land', 'face-paint').start) >= (hold?.expectedOn ?? '9')).toBe(true);
  });

  it('8: Linden has leftovers, wrong and missing parts for its return trips', () => {
    const found = selectionsOf(readJob(installation, job('linden'))).flatMap((item) =>
      item.found ? [item.found.verdict] : [],
    );
    expect(found).toEqual(expect.arrayContaining(['wrong', 'missing']));
    expect(
      plan.tasks.filter((each) => each.job === job('linden') && each.id.startsWith('item:')).length,
    ).toBeGreaterThanOrEqual(2);
  });

  it('9: rain is in the outlook against the opening of the lantern roof, which must be tight soon after', () => {
    const opening = task('signal', 'lroof', 'roof-strip');
    expect(waitSaid(plan.notBefore.find((wait) => wait.task === opening.id))).toContain('rain');
    const exposure = plan.exposures.find((each) => each.from === opening.id);
    expect(exposure).toMatchObject({ rule: 12 });
    expect(exposure?.cure).toContain('cover');
    expect(sequenceView(readJob(installation, job('signal'))).exposures.length).toBeGreaterThanOrEqual(3);
  });

  it('10: the statement of the Old Dairy lacks a decision on overlay or strip', () => {
    expect(holdsOf(readJob(installation, job('dairy'))).map((hold) => hold.label)).toContain('overlay or strip');
    const lines = scopeView(readJob(installation, job('dairy'))).areas.flatMap((area) => area.lines);
    expect(new Set(lines.map((line) => line.stance)).size).toBeGreaterThanOrEqual(4);
    expect(lines.some((line) => line.stance === 'conditional' && line.dependsOn !== '')).toBe(true);
  });
});

describe('the demo firm', () => {
  it('has the four jobs of the scenario with all their areas', () => {
    expect(DEMO_JOBS.map((each) => [each.name, each.areas.length, each.units, each.state])).toEqual([
      ['Signal House', 18, 'imperial', 'active'],
      ['Tannery Row 9', 9, 'metric', 'active'],
      ['Linden Gatehouse', 7, 'imperial', 'completing'],
      ['Old Dairy', 8, 'metric', 'scoping'],
    ]);
  });

  it('has pictures of the same standpoint from several walks', () => {
    const guest = roomView(readJob(installation, job('signal')), areaId('signal', 'guest'));
    expect(guest.pictures.length).toBeGreaterThanOrEqual(3);
    expect(new Set(guest.pictures.map((picture) => picture.hash)).size).toBe(guest.pictures.length);
    expect(
      queryOne<{ count: number }>(installation.db, 'SELECT count(*) AS count FROM picture')?.count,
    ).toBeGreaterThanOrEqual(45);
    expect(
      queryOne<{ count: number }>(installation.db, 'SELECT count(*) AS count FROM picture WHERE taken_at IS NOT NULL')
        ?.count,
    ).toBeGreaterThanOrEqual(45);
  });

  it('promises what nearly holds: no job ends more than three weeks after its promise', () => {
    const promised = todayView(readFirm(installation)).houses.filter(
      (each) => each.promise !== null && each.finish !== null,
    );
    expect(promised.length).toBeGreaterThanOrEqual(3);
    for (const row of promised)
      expect(
        daysBetween(row.promise ?? '', row.finish ?? ''),
        `${row.name} ${formatDay(row.finish ?? TODAY)}`,
      ).toBeLessThanOrEqual(21);
  });

  it('shows on the board only work of its weeks, each once, and nothing of a crew beyond what it can send', () => {
    const { board } = scheduleView(readFirm(installation), { by: 'trade', weeks: 2, shift: 0 });
    const blocks = board.rows.flatMap((row) => row.blocks);
    expect(new Set(blocks.map((block) => block.task)).size).toBe(blocks.length);
    expect(blocks.every((block) => block.start >= 0 && block.finish <= 28 && block.start < block.finish)).toBe(true);
    // A block may reach over half-days on which its crew is elsewhere (loud work, days away): what it takes are its
    // slots.
    const slots = new Map(plan.tasks.map((each) => [each.id, new Set(each.slots)]));
    const sends = new Map(plan.tasks.map((each) => [each.id, each.crews]));
    for (const row of board.rows) {
      const crews = Number(/(\d+) crew/.exec(row.note)?.[1]);
      for (let slot = 0; slot < 28; slot++)
        expect(
          row.blocks
            .filter((block) => slots.get(block.task)?.has(slot))
            .reduce((sum, block) => sum + (sends.get(block.task) ?? 1), 0),
          row.name,
        ).toBeLessThanOrEqual(crews);
    }
    expect(board.todaySlot).toBe(0);
    expect(board.days[0]).toMatchObject({ day: '2027-03-09', label: 'Tue 9', worked: true });
  });

  it('by room leaves nobody else in a room that somebody has alone', () => {
    const { board } = scheduleView(readFirm(installation), { job: job('signal'), by: 'room', weeks: 3, shift: 1 });
    expect(board.todaySlot).toBeNull();
    const shares = new Map(plan.tasks.map((each) => [each.id, each.shares]));
    for (const row of board.rows) {
      for (let half = 0; half < 42; half++) {
        const taken = row.blocks
          .filter((block) => block.start <= half && block.finish > half)
          .reduce((sum, block) => sum + (shares.get(block.task) ?? 0), 0);
        expect(taken, `${row.name} on half-day ${half}`).toBeLessThanOrEqual(2);
      }
    }
  });
});

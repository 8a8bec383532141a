import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { PlannedTask } from '@/core/schedule/plan';
import { dayOfSlot, slotOf } from '@/core/units/slot';
import { demoId } from '../../demo/seed';
import { choose, gone, hrefOf, inspect, press, seesText, textFits, upload } from '../support/browser';
import { fillIn } from '../support/forms';
import { areaOf, folder } from '../support/installations';
import { lookToday } from '../support/look-today';
import { stage } from '../support/stage';
import { reasonSaid, workSaid } from '../support/said';

const on = stage();
const { at, planOf } = on;
const signal = `/jobs/${demoId('signal')}`;
const task = async (id: string): Promise<PlannedTask | undefined> =>
  (await planOf()).tasks.find((planned) => planned.id === id);
const starts = async (id: string): Promise<string> => {
  const plan = await planOf();
  const found = plan.tasks.find((planned) => planned.id === id);
  return found ? `${dayOfSlot(plan.origin, found.start)} ${found.start % 2}` : '';
};

/** Takes a block with the mouse and lets it go so many days further. */
async function drag(page: Page, id: string, days: number): Promise<void> {
  const piece = await page.waitForSelector(`[data-task="${id}"]`);
  // A row that does not fit on the screen is one press away.
  await page.$$eval('.more-rows[aria-expanded="false"]', ([more]) => (more as HTMLElement | undefined)?.click());
  await piece?.evaluate((element) => element.scrollIntoView({ block: 'center' }));
  const box = await piece?.boundingBox();
  const width = await page.$eval('.days .day:not(.off)', (element) => element.getBoundingClientRect().width);
  if (!box) throw new Error(`${id} is not on the board.`);
  const [x, y] = [box.x + Math.min(12, box.width / 2), box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + Math.sign(days) * 10, y, { steps: 2 });
  await page.mouse.move(x + days * width, y, { steps: 8 });
  await page.mouse.up();
}

describe('the half-day board', () => {
  it(
    'takes a dragged block as a pin: a rule refuses what cannot be, with its reason beside the day; what can be ' +
      'stays',
    async () => {
      const board = `${areaOf('boat')}:deck`;
      const page = await at(`${signal}/schedule`);
      const before = await starts(board);
      await drag(page, board, -1);
      await seesText(page, 'Move it');
      await fillIn(page, '[name="reason"]', 'the carpenters would like to come early');
      await press(page, 'What would it do?');
      await textFits(page, /It cannot start on .* It comes after Boat store · open roof, which ends/);
      await press(page, 'Pin it there');
      await textFits(page, /one night of rain costs more than the roof/);
      expect(await starts(board)).toBe(before);
      await press(page, 'Close');

      const floors = `${areaOf('boat')}:gutters`;
      await page.goto(`${on.server.url}${signal}/schedule?task=${encodeURIComponent(floors)}`);
      await press(page, 'Close');
      const stood = await task(floors);
      await drag(page, floors, 1);
      await seesText(page, 'Move it');
      await fillIn(page, '[name="reason"]', 'the gutters come a day later');
      await press(page, 'What would it do?');
      await textFits(page, /No job would end on another day|would end/);
      await press(page, 'Pin it there');
      await gone(page, 'Move it');
      await expect
        .poll(async () => reasonSaid(await task(floors)), { timeout: 15_000 })
        .toBe('Fixed to this day: the gutters come a day later.');
      expect((await task(floors))?.start).toBeGreaterThan(stood?.start ?? 0);
      await textFits(page, /pinned: the gutters come a day later/);
      await inspect(page, 'board with a pin');
      expect(on.complaints.filter((text) => !text.includes('422'))).toEqual([]);
    },
  );

  it(
    'says what would pull work forward, shows one crew alone, and looks longer for a better plan until it is ' +
      'stopped',
    async () => {
      const page = await at(`/schedule?task=${encodeURIComponent(`${areaOf('lroof')}:glazing`)}`);
      await press(page, 'What would pull this forward?');
      await textFits(page, /need not wait: the order for lantern glazing/);
      await textFits(page, /This starts \d+(\.\d)? days? sooner/);
      await press(page, 'Close');
      await page.goto(`${on.server.url}/schedule`);
      await choose(page, '[aria-label="Show one crew alone"]', demoId('sub', 'plumbing'));
      await gone(page, 'Rope & Rubble, 2 crews');
      await seesText(page, 'Brackwater Plumbing');
      await press(page, 'Look longer for a better plan');
      await press(page, 'Stop, show the best so far');
      await textFits(page, /A better plan was found:|No better plan was found/);
      await page.goto(`${on.server.url}/schedule?weeks=12`);
      await seesText(page, 'Conflict:');
      expect(on.complaints).toEqual([]);
    },
  );
});

describe('the order of the work', () => {
  it('shows what a way of working would do, keeps it when asked, and the plan says so', async () => {
    const page = await at(`${signal}/sequence`);
    await press(page, 'Choose: Cabinets and paint');
    await page.click('#method-cabinets-paint-paint-first');
    await press(page, 'What would it do?');
    await seesText(page, 'Adds: Kitchen · touch-up.');
    expect(await task(`${areaOf('kitchen')}:touch-up`)).toBeUndefined();
    await press(page, 'Use it');
    await seesText(page, 'paint first, touch up after');
    await expect
      .poll(async () => workSaid(await task(`${areaOf('kitchen')}:touch-up`)), { timeout: 15_000 })
      .toBe('Kitchen · touch-up');
    await press(page, 'Walk through it');
    await seesText(page, 'Step 1 of');
    await press(page, 'Next step');
    await seesText(page, 'Step 2 of');
    expect(on.complaints).toEqual([]);
  });

  it('takes a rule of the firm’s own, and refuses one that goes round with the steps it goes through', async () => {
    const page = await at(`${signal}/sequence`);
    await press(page, 'Write a rule');
    await choose(page, '[name="before"]', 'glass');
    await choose(page, '[name="after"]', 'waterproofing');
    await fillIn(page, '[name="reason"]', 'somebody said so');
    await press(page, 'What would it do?');
    await textFits(
      page,
      /wait for each other in a ring: .*waterproofing → .*Wet room · glass, hardware comes before .*somebody said so/,
    );
    await choose(page, '[name="before"]', 'first-coats');
    await choose(page, '[name="after"]', 'trim');
    await press(page, 'What would it do?');
    await textFits(page, /No job would end|would end/);
    await press(page, 'Save');
    await seesText(page, 'first coats before doors and trim');
    await expect
      .poll(async () => (await planOf()).links.filter((link) => link.rule === 200).length, { timeout: 15_000 })
      .toBeGreaterThan(0);
    expect(on.complaints.filter((text) => !text.includes('422'))).toEqual([]);
  });
});

describe('what comes from outside', () => {
  it('an inspection fails: what was wrong is work, the next visit is booked, and the board says why it was planned anew', async () => {
    lookToday(on.folder);
    const insulation = `${areaOf('study')}:insulation`;
    const before = await task(insulation);
    const page = await at('/coordination');
    await press(page, 'Failed: Study · rough inspections');
    await press(page, 'It failed');
    await seesText(page, 'What is wrong is missing.');
    await fillIn(page, '[name="fixes.0.text"]', 'a box without its clamp');
    await press(page, 'It failed');
    await seesText(page, 'failed: a box without its clamp');
    await expect
      .poll(async () => (await planOf()).tasks.some(({ work }) => work.kind === 'beside' && /clamp/.test(work.text)), {
        timeout: 15_000,
      })
      .toBe(true);
    expect((await task(insulation))?.start).toBeGreaterThanOrEqual(before?.start ?? 0);
    const again = `${areaOf('study')}:rough-inspection`;
    await page.goto(`${on.server.url}${signal}/schedule?by=room&task=${encodeURIComponent(again)}`);
    await seesText(page, 'Port Ellery building office comes on');
    await seesText(page, 'Study · rough inspections failed: a box without its clamp');
    expect(on.complaints).toEqual([]);
  });

  it('a sub’s own calendar is read, its effect shown, and the work moves; a broken file is refused beside it', async () => {
    const crew = demoId('sub', 'structure');
    const plan = await planOf();
    const first = plan.tasks
      .filter((planned) => planned.crew === crew && planned.state === 'waiting')
      .sort((a, b) => a.start - b.start)[0];
    const page = await at('/coordination');
    await choose(page, '[aria-label="Add the calendar of"]', crew);
    const [good, bad] = [join(folder(), 'bram.ics'), join(folder(), 'broken.ics')];
    writeFileSync(bad, 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:2027');
    writeFileSync(
      good,
      [
        'BEGIN:VCALENDAR',
        'VERSION:2.0',
        'PRODID:-//t//EN',
        'BEGIN:VEVENT',
        'UID:1',
        'DTSTAMP:20270301T080000Z',
        'SUMMARY:another site',
        'DTSTART;VALUE=DATE:20270309',
        'DTEND;VALUE=DATE:20270313',
        'END:VEVENT',
        'END:VCALENDAR',
        '',
      ].join('\r\n'),
    );
    await upload(page, '#busy-file', bad);
    await seesText(page, 'breaks off or is damaged');
    await upload(page, '#busy-file', good);
    await seesText(page, '1 events, 8 busy half-days');
    await textFits(page, /would end|No job would end/);
    await press(page, 'Count them as away');
    await seesText(page, 'bram.ics');
    await expect
      .poll(async () => (await task(first?.id ?? ''))?.start ?? 0, { timeout: 15_000 })
      .toBeGreaterThanOrEqual(slotOf(plan.origin, '2027-03-13'));
    await choose(page, '[aria-label="Whose calendar"]', `sub ${crew}`);
    await press(page, 'Open a calendar');
    const path = await hrefOf(page, 'a[href^="/calendar/"]');
    const feed = await fetch(`${on.server.url}${path}`);
    expect([feed.status, feed.headers.get('content-type')]).toEqual([200, 'text/calendar; charset=utf-8']);
    expect(await feed.text()).toContain(`UID:${first?.id ?? ''}@aftermist`.slice(0, 60));
    expect(on.complaints).toEqual([]);
  });
});

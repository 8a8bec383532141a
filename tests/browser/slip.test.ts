import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { PlannedTask } from '@/core/schedule/plan';
import { demoId } from '../../demo/seed';
import { slotOf } from '@/core/units/slot';
import {
  choose,
  gone,
  shownLink,
  inspect,
  PHONE,
  press,
  pressFirst,
  seesText,
  textFits,
  upload,
} from '../support/browser';
import { fillIn, setDay } from '../support/forms';
import { stage } from '../support/stage';

const on = stage();
const { at, planOf } = on;
const tannery = demoId('tannery');
const cabinets = demoId('tannery', 'selection', 'kitchen', 'Kitchen cabinets');
const kitchen = async (phase: string): Promise<PlannedTask | undefined> =>
  (await planOf()).tasks.find((task) => task.area === demoId('tannery', 'area', 'kitchen') && task.phase === phase);

const news = `/jobs/${tannery}/news`;

/** From the sheet, which leaves for the board. */
async function takePaintFirst(page: Page): Promise<void> {
  await textFits(page, /Placing every answer|Looking at what it does/, false, 120_000);
  await seesText(page, 'Paint first, touch up after');
  await pressFirst(page, /^Paint first, touch up after(?! and)/);
  await seesText(page, 'Adds: Kitchen · touch-up.');
  await press(page, 'Take this');
  await seesText(page, 'Taken: Paint first, touch up after.');
}

describe('when something slips', () => {
  it('the cabinets come later still: painting first is among the answers, is taken back with one undo, and taken', async () => {
    const page = await at(`/jobs/${tannery}/selections/${cabinets}`);
    await press(page, 'Another day');
    await setDay(page, 'expectedOn', '2027-03-24');
    await press(page, 'Save');
    await seesText(page, 'comes Wed 24 Mar');
    await textFits(page, /It comes \d+ days? after its work needs it/);
    await press(page, 'What can be done?');
    // Every answer is placed on the whole firm.
    await textFits(
      page,
      /If nobody acts: the job ends \w+ \d+ \w+, [\d.]+ worked days after the promise/,
      true,
      120_000,
    );
    await textFits(page, /Placing every answer/, false, 120_000);
    const answers = await page.$$eval('.ladders thead th', (list) =>
      list.slice(0, 4).map((item) => item.innerText.split('\n')[0]),
    );
    expect(answers[0]).toBe('Wait');
    expect(answers).toContain('Paint first, touch up after');
    await inspect(page, 'answers to a slip');
    await takePaintFirst(page);
    await press(page, 'Undo');
    await seesText(page, 'Taken back: all is as it was.');
    await page.goto(`${on.server.url}/jobs/${tannery}/schedule/slip?selection=${cabinets}`);
    await takePaintFirst(page);
    await expect.poll(async () => (await kitchen('touch-up'))?.state, { timeout: 30_000 }).toBe('waiting');
    expect((await kitchen('final-coat'))?.start).toBeLessThan((await kitchen('cabinets'))?.start ?? 0);
    expect(on.complaints).toEqual([]);
  });

  it('is told to those concerned: a sub names another day, the plan goes by it, and the client reads and asks', async () => {
    const desk = await at(news);
    await textFits(desk, /Tell all \d+/);
    await pressFirst(desk, /^Tell all \d+$/);
    await textFits(desk, /\d+ messages go out/);
    // The painter, on a phone.
    await desk.reload();
    const sub = await at(await shownLink(desk, 'Two Buckets Paint'), PHONE);
    await seesText(sub, 'Can you come?');
    await press(sub, 'Another day');
    await setDay(sub, 'wishDay', '2027-03-30');
    await press(sub, 'Say that day');
    await seesText(sub, 'You said no');
    await seesText(sub, 'could come Tue 30 Mar, morning');
    // At the desk one press sets it, and the plan has it there.
    await textFits(desk, /They could come Tue 30 Mar, morning/);
    await textFits(desk, /Stair · first coats: Tue 30 Mar/);
    await pressFirst(desk, /^Set it to that day/);
    await seesText(desk, 'Set to Tue 30 Mar, morning.');
    const { origin } = await planOf();
    const wished = slotOf(origin, '2027-03-30');
    await expect
      .poll(async () => (await planOf()).tasks.some(({ trade, start }) => trade === 'paint' && start === wished), {
        timeout: 30_000,
      })
      .toBe(true);
    expect(on.complaints).toEqual([]);
  });

  it('is read by the client on the phone, who asks and is answered beside the line', async () => {
    const desk = await at(news);
    // What was written by hand names a day that moved: it has to be settled before anything goes.
    await press(desk, 'Leave it out');
    await press(desk, 'Send to Quayside Lettings');
    await press(desk, 'Send now');
    await textFits(desk, /told (today|Tue)/);
    await desk.reload();
    const end = await desk.evaluate(() => /we finish on (\w+ \d+ \w+)/.exec(document.body.innerText)?.[1] ?? '');
    const client = await at(await shownLink(desk, 'Quayside Lettings'), PHONE);
    await textFits(client, new RegExp(`we finish on ${end}`));
    await inspect(client, 'a client’s page on a phone', true);
    await fillIn(client, '[name="text"]', 'Can the shop open on the Saturday?');
    await pressFirst(client, /^Ask$/);
    await seesText(client, 'We have it, and answer here.');
    await textFits(desk, /Can the shop open on the Saturday\?/);
    await press(desk, 'Answer Quayside Lettings');
    await fillIn(desk, '[name="answer"]', 'Yes, from noon.');
    await press(desk, 'Answer');
    await gone(desk, 'Asked of you');
    await client.reload();
    await seesText(client, 'Yes, from noon.');
    expect(on.complaints).toEqual([]);
  });

  it('work that a sub says is done is looked at and taken, with their picture', async () => {
    const made = await at(news);
    await press(made, 'Make a link');
    await choose(made, 'audience', 'sub');
    await choose(made, 'sub', demoId('sub', 'carpentry'));
    await fillIn(made, '[name="recipient"]', 'Wenna');
    await press(made, 'Make the link');
    const sub = await at(await shownLink(made, 'Wenna'), PHONE);
    await pressFirst(sub, /^It is done: Street face/);
    const picture = join(on.folder, 'face.jpg');
    await writeFile(
      picture,
      await sharp({ create: { width: 64, height: 48, channels: 3, background: '#864' } })
        .jpeg()
        .toBuffer(),
    );
    await upload(sub, 'input[type="file"]', picture);
    await sub.waitForSelector('input[name="picture"]:not([value=""])');
    await fillIn(sub, '[aria-label="Is it done?"] [name="note"]', 'dry all through');
    await pressFirst(sub, /^Say that it is done/);
    await seesText(sub, 'You said it is done; they look at it.');
    await inspect(sub, 'a sub’s page with what is done', true);
    await made.goto(on.server.url);
    await textFits(made, /Wenna says it is done/);
    await made.goto(`${on.server.url}${news}`);
    await seesText(made, 'dry all through');
    await pressFirst(made, /^Take it as done/);
    await textFits(made, /is down as done/);
    await gone(made, 'Said to be done');
    expect(on.complaints).toEqual([]);
  });
});

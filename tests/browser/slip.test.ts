import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { PlannedTask } from '@/core/schedule/plan';
import { demoId } from '../../demo/seed';
import { inspect, press, seesText, textFits } from '../support/browser';
import { setDay } from '../support/forms';
import { stage } from '../support/stage';

const on = stage();
const { at, planOf } = on;
const tannery = demoId('tannery');
const cabinets = demoId('tannery', 'selection', 'kitchen', 'Kitchen cabinets');
const kitchen = async (phase: string): Promise<PlannedTask | undefined> =>
  (await planOf()).tasks.find((task) => task.area === demoId('tannery', 'area', 'kitchen') && task.phase === phase);

/** From the sheet, which leaves for the board. */
async function takePaintFirst(page: Page): Promise<void> {
  await textFits(page, /Placing every answer|Looking at what it does/, false, 120_000);
  await seesText(page, 'Paint first, touch up after');
  await page.$$eval('.ladders button', (buttons) =>
    buttons.find(({ innerText }) => innerText.startsWith('Paint first, touch up after\n'))?.click(),
  );
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
});

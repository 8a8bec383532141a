import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { foundingCode } from '@/server/folder-check.mjs';
import { TRADE_KEYS, TRADES } from '@/core/sequence/trades';
import { choose, click, press, pressFirst, seesText } from '../support/browser';
import { fillIn, setDay } from '../support/forms';
import { stage } from '../support/stage';

const on = stage({ empty: true });

/** Every press and every field that somebody fills in, counted. */
function counting(page: Page) {
  const count = { presses: 0, fields: 0 };
  return {
    count,
    press: async (words: string): Promise<void> => {
      await press(page, words);
      count.presses += 1;
    },
    pressFirst: async (words: RegExp): Promise<void> => {
      await pressFirst(page, words);
      count.presses += 1;
    },
    click: async (selector: string): Promise<void> => {
      await click(page, selector);
      count.presses += 1;
    },
    fill: async (fields: Record<string, string>): Promise<void> => {
      for (const [name, text] of Object.entries(fields)) await fillIn(page, `[name="${name}"]`, text);
      count.fields += Object.keys(fields).length;
    },
    one: async (act: () => Promise<void>): Promise<void> => {
      await act();
      count.fields += 1;
    },
  };
}

/** A list as somebody has it: a trade, a firm and a number a line. */
const SUBS = TRADE_KEYS.filter((trade) => trade !== 'nobody')
  .map((trade, at) => `${TRADES[trade]}\tMade Up ${TRADES[trade]}\t0555 9${String(at).padStart(3, '0')}`)
  .join('\n');

describe('the first hour', () => {
  it('leads from an empty house to the first news in at most 25 presses and 25 fields', async () => {
    const page = await on.at('/welcome');
    const by = counting(page);

    await by.fill({
      code: foundingCode(readFileSync(join(on.folder, 'secret'), 'utf8')),
      name: 'Own Two Hands',
      town: 'Port Ellery',
      ownerName: 'Ida Own',
      email: 'ida@own.example',
      password: 'ten letters or more',
    });
    await by.one(() => choose(page, 'currency', 'EUR'));
    await by.press('Begin');
    await seesText(page, 'Open the first job');

    await by.press('Open the first job');
    await by.fill({
      name: 'Mill Lane',
      address: 'Mill Lane 3',
      client: 'Ute Client',
      clientEmail: 'ute@client.example',
    });
    await by.one(() => setDay(page, 'promiseDay', '2027-09-30'));
    await by.press('Open the job');

    await seesText(page, 'A house on two floors');
    await by.press('Take A house on two floors');
    for (const name of ['Second bedroom', 'Landing', 'Roof', 'Yard and drain']) await by.press(`Remove ${name}`);
    await by.press('Set out 8 areas');
    await page.waitForFunction(() => /^\/jobs\/[^/]+$/.test(location.pathname));

    await by.click('.house-mark');
    await pressTheTrades(page, by);
    await by.click('.house-mark');
    await seesText(page, 'Walk the job');
    await by.press('Walk the job');
    await by.press('Start a walk');
    await seesText(page, '1 of 8');
    await by.press('Line');
    await by.one(() => fillIn(page, '#line', '+ rot in the sill under the window @carpentry'));
    await by.press('Save');
    await seesText(page, 'rot in the sill under the window');
    await by.pressFirst(/^1 of 8/);
    await by.press('Finish the walk');
    await by.press('Read and send what the client is told');
    await by.press('Send to Ute Client');
    await by.press('Make the messages');
    await seesText(page, 'news of');
    await page.waitForFunction(() => /Sent\s*1/.test(document.body.innerText));

    expect(by.count.presses).toBeLessThanOrEqual(25);
    expect(by.count.fields).toBeLessThanOrEqual(25);
    // The strip has led there, and goes.
    await page.goto(`${on.server.url}/`);
    await seesText(page, 'Mill Lane');
    expect(await page.$('.first-hour')).toBeNull();
    expect(on.complaints).toEqual([]);
  });
});

async function pressTheTrades(page: Page, by: ReturnType<typeof counting>): Promise<void> {
  await page.waitForSelector('.first-hour a[href$="#trades"]');
  await by.click('.first-hour a[href$="#trades"]');
  await seesText(page, 'Nobody does these trades');
  await by.one(() =>
    page.evaluate((text) => {
      const data = new DataTransfer();
      data.setData('text', text);
      document
        .querySelector('.missing-trades input')
        ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
    }, SUBS),
  );
  await by.pressFirst(/^Save \d+ subs/);
  await page.waitForFunction(() => !document.querySelector('.missing-trades'));
}

import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { demoId } from '../../demo/seed';
import { PHONE, seesText, visit } from '../support/browser';
import { stage } from '../support/stage';

const on = stage();
const signal = `/jobs/${demoId('signal')}`;

/** Of the blocks that are seen on a board, the part that carries a word, or letters that the legend explains. */
const partNamed = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const codes = new Set([...document.querySelectorAll('.legend.codes b')].map(({ textContent }) => textContent));
    const seen = [...document.querySelectorAll('.board .piece')].filter((piece) => piece.getClientRects().length > 0);
    const named = seen.filter((piece) =>
      [...piece.querySelectorAll('.full, .brief, .code')].some(
        (words) =>
          words.getBoundingClientRect().width > 0 &&
          (!words.classList.contains('code') || codes.has(words.textContent)),
      ),
    );
    return named.length / seen.length;
  });

describe('at a glance', () => {
  it.each([
    [2, 0.9],
    [3, 0.9],
    [6, 0.7],
  ])('blocks of %i weeks say what they are', async (weeks, least) => {
    const page = await on.at(`/schedule?weeks=${weeks}`);
    await page.waitForSelector('.board .piece');
    expect(await partNamed(page)).toBeGreaterThanOrEqual(least);
  });

  it('what stops a job is the same on Today, on the drawing and in the list beside it', async () => {
    const today = await on.at('/');
    await seesText(today, 'Stops work now');
    const first = await today.$eval('.houses .stopper.stop .what', (link) => link.textContent.split(':')[0] ?? '');
    const rooms = await on.at(signal);
    const held = await rooms.$$eval('.section .place .name:has([aria-label="stopped"])', (names) =>
      names.map(({ textContent }) => textContent.trim()),
    );
    expect(held).toContain(first);
    const listed = await rooms.$$eval('aside .lines > li', (lines) =>
      lines.filter((line) => line.textContent.startsWith('Stops work now')).map(({ textContent }) => textContent),
    );
    expect(listed.some((text) => text.includes(`${first}:`))).toBe(true);
  });

  it('on a phone the first thing Today says is where to go, and all of it can be pressed with a thumb', async () => {
    const page = await visit(on.browser, PHONE, on.complaints);
    await page.goto(`${on.server.url}/`);
    await page.waitForSelector('.way .where');
    const tops = await page.evaluate(() =>
      ['.way', '.houses', '.today-lists'].map(
        (part) => document.querySelector(part)?.getBoundingClientRect().top ?? -1,
      ),
    );
    expect(tops).toEqual([...tops].sort((a, b) => a - b));
    const low = await page.$$eval('.today .btn, .today summary, .today .short-list a, .today .where', (all) =>
      all
        .filter((one) => one.getClientRects().length > 0 && one.getBoundingClientRect().height < 44)
        .map(({ textContent }) => textContent),
    );
    expect(low).toEqual([]);
  });
});

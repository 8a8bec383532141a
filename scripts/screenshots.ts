import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import puppeteer, { type Page } from 'puppeteer-core';
import { demoId } from '../demo/seed';
import { routes } from '../src/contract/routes';
import { press, seesText, textFits } from '../tests/support/browser';
import { setDay } from '../tests/support/forms';
import { MAIN_VIEWS } from '../tests/support/main-views';
import { chromium } from './chromium.mjs';
import { freshDemo } from './demo-server';

/** Refreshes docs/screenshots from a fresh demo on its fixed day, at the desk's size and one phone's. */
const SIZES = {
  desk: { width: 1280, height: 800 },
  phone: { width: 390, height: 844, isMobile: true, hasTouch: true },
} as const;
const SETTLED_MS = 800;
const REPLANNED_MS = 5000;
const SLOW_MS = 60_000;
// Everybody's pictures are alike, wherever they are made.
process.env.AFTERMIST_ZONE = 'UTC';
const folder = join(import.meta.dirname, '..', 'docs', 'screenshots');

const tannery = demoId('tannery');
const cabinets = demoId('tannery', 'selection', 'kitchen', 'Kitchen cabinets');

/** The cabinets come later still, and every answer to that is worked out: last, since all other views would tell of it. */
async function slip(page: Page): Promise<void> {
  await page.setViewport(SIZES.desk);
  await page.goto(`${server.url}${routes.selection(tannery, cabinets)}`, { waitUntil: 'load' });
  await press(page, 'Another day');
  await setDay(page, 'expectedOn', '2027-03-24');
  await press(page, 'Save');
  await seesText(page, 'comes Wed 24 Mar');
  await new Promise((resolve) => setTimeout(resolve, REPLANNED_MS));
  await page.goto(`${server.url}${routes.slip(tannery, { selection: cabinets })}`, { waitUntil: 'load' });
  await textFits(page, /If nobody acts/, true, SLOW_MS);
  await textFits(page, /Placing every answer/, false, SLOW_MS);
  await page.screenshot({ path: join(folder, 'slip.png') });
  console.log('slip.png');
}

const executablePath = chromium();
if (!executablePath) throw new Error('There is no Chromium to take pictures with.');
const server = await freshDemo('2027-03-09T16:30:00Z');
const browser = await puppeteer.launch({
  executablePath,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--force-color-profile=srgb'],
});
try {
  mkdirSync(folder, { recursive: true });
  const page = await browser.newPage();
  for (const view of MAIN_VIEWS) {
    for (const size of ['desk', 'phone'] as const) {
      const file = view.file?.[size];
      if (!file) continue;
      await page.setViewport(SIZES[size]);
      await page.goto(`${server.url}${view.path}`, { waitUntil: 'load' });
      await new Promise((resolve) => setTimeout(resolve, SETTLED_MS));
      for (const words of view.press ?? []) {
        await page.evaluate(
          (wanted) =>
            [...document.querySelectorAll<HTMLElement>('button, a')]
              .find(
                (hTMLElement) => (hTMLElement.getAttribute('aria-label') ?? hTMLElement.textContent).trim() === wanted,
              )
              ?.click(),
          words,
        );
        await new Promise((resolve) => setTimeout(resolve, SETTLED_MS / 2));
      }
      await page.screenshot({ path: join(folder, file) });
      console.log(file);
    }
  }
  await slip(page);
} finally {
  await browser.close();
  await server.kill();
}

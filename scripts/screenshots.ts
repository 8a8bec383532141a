import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { MAIN_VIEWS } from '../tests/support/main-views';
import { chromium } from './chromium.mjs';
import { freshDemo } from './demo-server';

/** Refreshes docs/screenshots from a fresh demo on its fixed day, at the desk's size and one phone's. */
const SIZES = {
  desk: { width: 1280, height: 800 },
  phone: { width: 390, height: 844, isMobile: true, hasTouch: true },
} as const;
const SETTLED_MS = 800;
// Everybody's pictures are alike, wherever they are made.
process.env.AFTERMIST_ZONE = 'UTC';
const folder = join(import.meta.dirname, '..', 'docs', 'screenshots');

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
} finally {
  await browser.close();
  await server.kill();
}

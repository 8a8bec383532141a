import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import { expect } from 'vitest';

export const DESK = { width: 1280, height: 800 } as const;
export const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true } as const;

export const launch = (): Promise<Browser> =>
  puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', headless: true,
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
  });

/** A page in a session of its own that fails the test on anything the browser complains about. */
export async function visit(browser: Browser, viewport: typeof DESK | typeof PHONE, complaints: string[]): Promise<Page> {
  const page = await (await browser.createBrowserContext()).newPage();
  await page.setViewport(viewport);
  await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
  page.on('pageerror', (error) => complaints.push(String(error)));
  page.on('console', (message) => message.type() === 'error' && complaints.push(`${message.text()} ${message.location().url ?? ''}`));
  return page;
}

/** Presses what a person would find by its words; waits until it is there. */
export async function press(page: Page, words: string): Promise<void> {
  await page.locator(`::-p-aria(${words})`).click();
}

/** Waits for words on the page; tells what was there instead. */
export async function seesText(page: Page, words: string): Promise<void> {
  try {
    await page.waitForFunction((text: string) => document.body.innerText.includes(text), { timeout: 15_000 }, words);
  } catch {
    throw new Error(`“${words}” is not on ${page.url()}:\n${await page.evaluate(() => document.body.innerText)}`);
  }
}

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Nothing for axe to find, nothing beyond the right edge. */
export async function inspect(page: Page, name: string): Promise<void> {
  await page.evaluate(axe);
  const found = await page.evaluate(async () => {
    const runner = (window as unknown as { axe: { run: () => Promise<{ violations: { id: string; help: string; nodes: { html: string; failureSummary: string }[] }[] }> } }).axe;
    return (await runner.run()).violations.flatMap(({ id, nodes }) => nodes.slice(0, 3).map((node) => `${id}: ${node.html.slice(0, 200)} ${node.failureSummary.slice(0, 300)}`));
  });
  expect(found, `${name}: what axe finds`).toEqual([]);
  const beyond = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(beyond, `${name}: pixels beyond the right edge`).toBeLessThanOrEqual(0);
}

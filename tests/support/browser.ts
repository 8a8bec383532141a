import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import puppeteer, { type Browser, type ElementHandle, type Page } from 'puppeteer-core';
import { expect } from 'vitest';

export const DESK = { width: 1280, height: 800 } as const;
export const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true } as const;

export const launch = (): Promise<Browser> =>
  puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    headless: true,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });

/** A page in a session of its own that fails the test on anything the browser complains about. */
export async function visit(
  browser: Browser,
  viewport: typeof DESK | typeof PHONE,
  complaints: string[],
): Promise<Page> {
  const page = await (await browser.createBrowserContext()).newPage();
  await page.setViewport(viewport);
  await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
  page.on('pageerror', (error) => complaints.push(String(error)));
  page.on(
    'console',
    (message) => message.type() === 'error' && complaints.push(`${message.text()} ${message.location().url ?? ''}`),
  );
  return page;
}

/** Presses what a person would find by its words, heard or seen; waits until it is there and nothing lies over it. */
export async function press(page: Page, words: string): Promise<void> {
  const found = await page
    .waitForFunction(
      (wanted) => {
        const named = (element: Element): string =>
          (element.getAttribute('aria-label') ?? element.textContent).replace(/\s+/g, ' ').trim();
        return [...document.querySelectorAll('button, a, summary')].find((element) => {
          if (named(element) !== wanted || element.hasAttribute('disabled') || !element.checkVisibility()) return false;
          element.scrollIntoView({ block: 'center' });
          const box = element.getBoundingClientRect();
          const hit = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
          return hit !== null && (element.contains(hit) || hit.contains(element));
        });
      },
      { timeout: 15_000 },
      words,
    )
    .catch(async (error: unknown) => {
      throw new Error(
        `There is no “${words}” to press on ${page.url()}:\n${await page.evaluate(() => document.body.innerText)}`,
        { cause: error },
      );
    });
  await (found as ElementHandle).click();
}

/** Chooses in a list once it is there. */
export async function choose(page: Page, name: string, value: string): Promise<void> {
  await page.waitForSelector(`[name="${name}"]`);
  await page.select(`[name="${name}"]`, value);
}

/**
 * Waits until the page's text does, or does not, fit a pattern. Between two pages there is no body: that is “not yet”
 * for both.
 */
export async function textFits(page: Page, pattern: RegExp, wanted = true, timeout = 15_000): Promise<void> {
  const fits = (source: string, flags: string, should: boolean): boolean =>
    (document.body as HTMLElement | null) !== null &&
    new RegExp(source, flags).test(document.body.innerText) === should;
  try {
    await page.waitForFunction(fits, { timeout }, pattern.source, pattern.flags, wanted);
  } catch (error) {
    throw new Error(
      `${String(pattern)} is ${wanted ? 'not ' : 'still '}on ${page.url()}:\n` +
        (await page.evaluate(() => document.body.innerText)),
      { cause: error },
    );
  }
}

const literally = (words: string): RegExp => new RegExp(words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'));

/** Waits for words on the page; tells what was there instead. */
export const seesText = (page: Page, words: string): Promise<void> => textFits(page, literally(words));

/** Waits until words are no longer on the page. */
export const gone = (page: Page, words: string): Promise<void> => textFits(page, literally(words), false);

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Nothing for axe to find, nothing beyond the right edge. */
export async function inspect(page: Page, name: string): Promise<void> {
  await page.evaluate(axe);
  const found = await page.evaluate(async () => {
    const runner = (
      window as unknown as {
        axe: {
          run: () => Promise<{
            violations: { id: string; help: string; nodes: { html: string; failureSummary: string }[] }[];
          }>;
        };
      }
    ).axe;
    return (await runner.run()).violations.flatMap(({ id, nodes }) =>
      nodes.slice(0, 3).map((node) => `${id}: ${node.html.slice(0, 200)} ${node.failureSummary.slice(0, 300)}`),
    );
  });
  expect(found, `${name}: what axe finds`).toEqual([]);
  const beyond = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(beyond, `${name}: pixels beyond the right edge`).toBeLessThanOrEqual(0);
}

import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import puppeteer, {
  type Browser,
  type BrowserContext,
  type ElementHandle,
  type Locator,
  type Page,
} from 'puppeteer-core';
import { expect } from 'vitest';

export const DESK = { width: 1280, height: 800 } as const;
export const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true } as const;

export const launch = (): Promise<Browser> =>
  puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    headless: true,
    // Spoken to through a pipe: a port of the browser's could be one that a server wants.
    pipe: true,
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

/** Sessions that no test holds at the moment. */
const idle = new WeakMap<Browser, BrowserContext[]>();

/**
 * Ends all sessions: nothing of what they stored is left, signed in or kept for offline. The application's own files
 * need not be fetched and compiled again for the next test, which is half the work of a page.
 */
export async function endSessions(browser: Browser, origin: string): Promise<void> {
  // The first is the browser's own.
  const contexts = browser.browserContexts().slice(1);
  const free = idle.get(browser) ?? [];
  idle.set(browser, free);
  await Promise.all(
    contexts
      .filter((context) => !free.includes(context))
      .map(async (context) => {
        const blank = await context.newPage();
        for (const page of await context.pages()) if (page !== blank) await page.close();
        const session = await blank.createCDPSession();
        await session.send('Storage.clearDataForOrigin', { origin, storageTypes: STORED });
        await blank.close();
        free.push(context);
      }),
  );
}

const STORED = 'cookies,file_systems,indexeddb,local_storage,service_workers,cache_storage';

/** A page in a session of its own that fails the test on anything the browser complains about. */
export async function visit(
  browser: Browser,
  viewport: typeof DESK | typeof PHONE,
  complaints: string[],
): Promise<Page> {
  const context = idle.get(browser)?.pop() ?? (await browser.createBrowserContext());
  const page = await context.newPage();
  await page.setViewport(viewport);
  await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
  page.on('pageerror', (error) => complaints.push(String(error)));
  page.on(
    'console',
    (message) => message.type() === 'error' && complaints.push(`${message.text()} ${message.location().url ?? ''}`),
  );
  return page;
}

/** How long something may take to be there, on a machine with both cores busy. */
const PATIENCE_MS = 40_000;

/**
 * Runs in the page: the control with these words, heard or seen, once it can be pressed and nothing lies over it. It is
 * written as text since a locator takes no arguments along.
 */
const CONTROL = `
  const unfold = (element) => {
    for (let fold = element; (fold = fold.closest('details:not([open])')); ) fold.open = true;
  };
  const named = (element) => (element.getAttribute('aria-label') ?? element.textContent).replace(/\\s+/g, ' ').trim();
  const called = [...document.querySelectorAll('button, a, summary')].filter((element) => named(element) === wanted);
  // What is folded is opened first, as whoever looks for it would.
  if (called.length > 0 && !called.some((element) => element.checkVisibility())) called.forEach(unfold);
  return called.find((element) => {
    if (element.hasAttribute('disabled') || !element.checkVisibility()) return false;
    element.scrollIntoView({ block: 'center' });
    const box = element.getBoundingClientRect();
    const hit = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
    return hit !== null && (element.contains(hit) || hit.contains(element));
  });
`;
const control = (words: string): (() => HTMLElement) =>
  // eslint-disable-next-line @typescript-eslint/no-implied-eval
  new Function(`const wanted = ${JSON.stringify(words)};${CONTROL}`) as () => HTMLElement;

/** What stands on the page instead, for whoever reads that a test failed. */
const instead = (page: Page): Promise<string> =>
  page.evaluate(() => (document.body as HTMLElement | null)?.innerText ?? '').catch(() => '');

async function doIt(page: Page, what: string, action: () => Promise<unknown>): Promise<void> {
  try {
    await action();
  } catch (error) {
    throw new Error(`${what} on ${page.url()}:\n${await instead(page)}`, { cause: error });
  }
}

/**
 * Presses what was found, and again where the page moved it away under the pointer in between: a press that reached it
 * is heard by the window before anything else hears it.
 */
async function pressFound(page: Page, locator: Locator<HTMLElement>): Promise<void> {
  for (let attempt = 0; attempt < 3; attempt += 1) {
    const found = await locator.waitHandle();
    const isControl = await found.evaluate((element) => {
      const hears = window as unknown as { pressed?: boolean };
      hears.pressed = false;
      window.addEventListener(
        'click',
        ({ target }) => {
          // The page may have drawn the same control anew in between.
          const control = target instanceof Element ? target.closest('button, a, summary') : null;
          const isSame = control !== null && control.textContent === element.textContent;
          if (target instanceof Node && (element.contains(target) || isSame)) hears.pressed = true;
        },
        { capture: true, once: true },
      );
      return element.matches('button, a, summary, label, input');
    });
    await locator.click();
    // Where the press led to another page, nothing is left of this one.
    const isPressed = await page
      .evaluate(() => (window as unknown as { pressed?: boolean }).pressed !== false)
      .catch(() => true);
    // What is pulled hands the pointer to its drawing, which hears the press in its place.
    if (isPressed || !isControl) return;
  }
  throw new Error('it moves away under the pointer');
}

/** Presses what a person would find by its words; waits until it is there, has come to rest and nothing lies over it. */
export const press = (page: Page, words: string): Promise<void> =>
  doIt(page, `There is no “${words}” to press`, () =>
    pressFound(page, page.locator(control(words)).setTimeout(PATIENCE_MS)),
  );

/** Presses what a selector finds, once it is there and at rest; what lies under a bar is scrolled free first. */
export const click = (page: Page, selector: string): Promise<void> =>
  doIt(page, `There is no ${selector} to press`, async () => {
    const found = page.locator(selector).setTimeout(PATIENCE_MS) as Locator<HTMLElement>;
    await (
      await found.setVisibility(null).waitHandle()
    ).evaluate((element) => {
      for (let fold = element.closest('details:not([open])'); fold;) {
        (fold as HTMLDetailsElement).open = true;
        fold = fold.parentElement?.closest('details:not([open])') ?? null;
      }
      element.scrollIntoView({ block: 'center' });
    });
    await pressFound(page, found);
  });

/** Presses the first button, or what is folded, whose words fit; looked up and pressed in one turn: no drawing comes between. */
export const pressFirst = (page: Page, words: RegExp): Promise<void> =>
  doIt(page, `There is no button ${String(words)} to press`, async () => {
    await page.waitForFunction(
      (source) => {
        const found = [...document.querySelectorAll<HTMLElement>('button, summary')].find(
          (control) => !control.matches(':disabled') && new RegExp(source).test(control.textContent),
        );
        found?.click();
        return found !== undefined;
      },
      { timeout: PATIENCE_MS, polling: 100 },
      words.source,
    );
  });

/** Chooses in a list once it is there. @param selector the name of a field, or a selector */
export const choose = (page: Page, selector: string, value: string): Promise<void> =>
  doIt(page, `There is no ${selector} to choose ${value} in`, () =>
    page
      .locator(/^[\w.-]+$/.test(selector) ? `[name="${selector}"]` : selector)
      .setTimeout(PATIENCE_MS)
      .fill(value),
  );

/** Types at the end of what a field holds, once it is there. */
export async function type(page: Page, selector: string, text: string): Promise<void> {
  await click(page, selector);
  await page.keyboard.press('End');
  await page.keyboard.type(text);
}

/** Hands files to a field for files. */
export async function upload(page: Page, selector: string, ...files: string[]): Promise<void> {
  const field = await page.waitForSelector(selector, { timeout: PATIENCE_MS });
  await (field as ElementHandle<HTMLInputElement>).uploadFile(...files);
}

/** Has the page of news show the address of the newest link of somebody, and says it. */
export async function shownLink(page: Page, recipient = ''): Promise<string> {
  const line = `(//aside//li[contains(., "${recipient}")][.//button[contains(., "Show its address")]])[1]`;
  await click(page, `::-p-xpath(${line}//button[contains(., "Show its address")])`);
  return hrefOf(page, `::-p-xpath((//aside//li[contains(., "${recipient}")]//a[starts-with(@href, "/s/")])[1])`);
}

/** Where a link leads, once it is there. */
export async function hrefOf(page: Page, selector: string): Promise<string> {
  const link = await page.waitForSelector(selector, { timeout: PATIENCE_MS });
  return (await link?.evaluate((element) => element.getAttribute('href'))) ?? '';
}

/**
 * Waits until the page's text does, or does not, fit a pattern. Between two pages there is no body: that is “not yet”
 * for both.
 */
export async function textFits(page: Page, pattern: RegExp, wanted = true, timeout = PATIENCE_MS): Promise<void> {
  const fits = (source: string, flags: string, should: boolean): boolean => {
    const body = document.body as HTMLElement | null;
    if (body === null) return false;
    const asked = new RegExp(source, flags);
    if (asked.test(body.innerText) === should) return true;
    // What is folded is opened, as whoever looks for it would.
    if (should)
      for (const fold of document.querySelectorAll<HTMLDetailsElement>('details:not([open])'))
        if (asked.test(fold.textContent)) fold.open = true;
    return false;
  };
  try {
    // Reading all words of a page at each frame would keep a core busy by itself.
    await page.waitForFunction(fits, { timeout, polling: 100 }, pattern.source, pattern.flags, wanted);
  } catch (error) {
    throw new Error(
      `${String(pattern)} is ${wanted ? 'not ' : 'still '}on ${page.url()}:\n` +
        (await page.evaluate(() => document.body.innerText)),
      { cause: error },
    );
  }
}

const literally = (words: string): RegExp =>
  new RegExp(words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replaceAll(' ', '\\s'));

/** Waits for words on the page; tells what was there instead. */
export const seesText = (page: Page, words: string): Promise<void> => textFits(page, literally(words));

/** Waits until words that were seen are no longer on the page. */
export const gone = (page: Page, words: string): Promise<void> => textFits(page, literally(words), false);

/** Waits until all that was done on this page has been answered by the house. */
export const sent = (page: Page): Promise<unknown> =>
  page.waitForFunction(() => document.querySelector('.sent')?.textContent === 'all sent', { timeout: PATIENCE_MS });

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What has too little contrast on a page as it is now, by axe. */
export async function contrastIn(page: Page): Promise<string[]> {
  await page.evaluate(axe);
  return page.evaluate(async () => {
    const { axe: runner } = window as unknown as {
      axe: { run: (at: Node, options: object) => Promise<{ violations: { nodes: { html: string }[] }[] }> };
    };
    const { violations } = await runner.run(document, { runOnly: ['color-contrast'], resultTypes: ['violations'] });
    return violations.flatMap(({ nodes }) => nodes.slice(0, 3).map(({ html }) => html.slice(0, 160)));
  });
}

/**
 * Nothing for axe to find, nothing beyond the right edge. Where something has slid in, it alone is looked at: the page
 * under it is a view of its own.
 * @param size true where the view was looked at on another size already: only what depends on the size is asked again
 */
export async function inspect(page: Page, name: string, size = false): Promise<void> {
  await page.evaluate(axe);
  const found = await page.evaluate(async (onlySize) => {
    const runner = (
      window as unknown as {
        axe: {
          run: (
            context: Node,
            options: object,
          ) => Promise<{
            violations: { id: string; help: string; nodes: { html: string; failureSummary: string }[] }[];
          }>;
        };
      }
    ).axe;
    const { violations } = await runner.run(document.querySelector('[role=dialog]') ?? document, {
      resultTypes: ['violations'],
      ...(onlySize ? { runOnly: ['scrollable-region-focusable', 'meta-viewport', 'region'] } : {}),
    });
    return violations.flatMap(({ id, nodes }) =>
      nodes.slice(0, 3).map((node) => `${id}: ${node.html.slice(0, 200)} ${node.failureSummary.slice(0, 300)}`),
    );
  }, size);
  expect(found, `${name}: what axe finds`).toEqual([]);
  const beyond = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(beyond, `${name}: pixels beyond the right edge`).toBeLessThanOrEqual(0);
}

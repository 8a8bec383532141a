import { describe, expect, it } from 'vitest';
import { demoId } from '../../demo/seed';
import { click, gone, PHONE, press, seesText, visit } from '../support/browser';
import { signalHouse } from '../support/installations';
import { stage } from '../support/stage';

const on = stage();
const signal = `/jobs/${signalHouse}`;

describe('a phone', () => {
  it('is offered to keep the program once, and not again after “not now”', async () => {
    const page = await on.at('/', PHONE);
    const offer = (): Promise<unknown> =>
      page.evaluate(() => window.dispatchEvent(new Event('beforeinstallprompt', { cancelable: true })));
    await seesText(page, 'What the marks mean');
    await offer();
    await seesText(page, 'Keep Aftermist on the home screen');
    await press(page, 'Not now');
    await gone(page, 'Keep Aftermist on the home screen');
    await page.reload();
    await seesText(page, 'What the marks mean');
    await offer();
    await gone(page, 'Keep Aftermist on the home screen');
    // It stays where one looks for it.
    await page.goto(`${on.server.url}/phone`);
    await seesText(page, 'On the home screen');
    await seesText(page, 'answers on this machine alone');
  });

  it('says over http that it cannot keep a walk', async () => {
    const page = await visit(on.browser, PHONE, on.complaints);
    await page.evaluateOnNewDocument(() => Object.defineProperty(window, 'isSecureContext', { value: false }));
    await page.goto(`${on.server.url}${signal}/walks`);
    await seesText(page, 'This device cannot keep a walk');
  });

  it('reads what it looked at last where there is no signal, and says of when that is', async () => {
    const page = await on.at(signal, PHONE);
    await seesText(page, 'Guest suite');
    await page.waitForFunction(
      async (path) => 'caches' in window && (await (await caches.open('aftermist-seen-1')).match(path)) !== undefined,
      { timeout: 40_000, polling: 500 },
      `${signal}/selections/orders`,
    );
    await on.cut();
    await page.goto(`${on.server.url}${signal}/schedule`);
    await seesText(page, 'No connection. This is as it was');
    await seesText(page, 'Schedule');
    await on.again();
  });

  it('asks for no page that nobody has gone to', async () => {
    const page = await visit(on.browser, PHONE, on.complaints);
    const asked: string[] = [];
    page.on('request', (request) => {
      if (request.headers()['next-router-prefetch']) asked.push(request.url());
    });
    await page.goto(`${on.server.url}/`);
    await seesText(page, 'What the marks mean');
    await page.waitForNetworkIdle({ concurrency: 1, idleTime: 500 });
    expect(asked).toEqual([]);
  });

  it('shows that more pages lie beside those in sight', async () => {
    const page = await on.at(`/jobs/${demoId('dairy')}/scope`, PHONE);
    await page.waitForSelector('.sub-places[data-more="right"]');
    await page.$eval('.sub-places', (line) => (line.scrollLeft = line.scrollWidth));
    await page.waitForSelector('.sub-places[data-more="left"]');
  });
});

describe('a device', () => {
  it('is dark and larger where somebody says so, from the first paint of every page', async () => {
    const page = await on.at('/account');
    await click(page, '#theme-dark');
    await click(page, '#text-larger');
    await page.goto(`${on.server.url}${signal}`);
    const look = await page.evaluate(() => ({
      theme: document.documentElement.dataset['theme'],
      text: document.documentElement.dataset['text'],
      paper: getComputedStyle(document.body).backgroundColor,
      size: getComputedStyle(document.documentElement).fontSize,
    }));
    expect(look).toEqual({ theme: 'dark', text: 'larger', paper: 'rgb(17, 25, 27)', size: '18px' });
  });

  it('goes from place to place by key, and ? says which', async () => {
    const page = await on.at(signal);
    await seesText(page, 'Guest suite');
    await page.keyboard.press('?');
    await seesText(page, 'Schedule of all jobs');
    await page.keyboard.press('Escape');
    await page.keyboard.type('gs');
    await page.waitForFunction((path) => location.pathname === path, {}, `${signal}/schedule`);
    await page.keyboard.type('gt');
    await page.waitForFunction(() => location.pathname === '/');
    expect(on.complaints).toEqual([]);
  });
});

describe('what was begun by mistake', () => {
  it('is thrown away with a way back, from the walk and long after from the history', async () => {
    const page = await on.at(`${signal}/walks`);
    await press(page, 'Start a walk');
    await seesText(page, '1 of 18');
    await press(page, '1 of 18 · outside');
    await press(page, 'Throw this walk away');
    await page.waitForFunction((path) => location.pathname === path, {}, `${signal}/walks`);
    await seesText(page, 'Start a walk');
    await page.goto(`${on.server.url}${signal}/walks/history`);
    await seesText(page, 'threw a walk away');
    await click(page, '.lines > li:first-child button');
    await seesText(page, 'taken back');
    await page.goto(`${on.server.url}${signal}/walks`);
    await seesText(page, 'Go on walking');
    expect(on.complaints).toEqual([]);
  });
});

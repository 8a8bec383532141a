import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { pathOf } from '@/server/access/tokens';
import { receive } from '@/server/door/door';
import { openHouse } from '@/server/house';
import { demoId } from '../../demo/seed';
import { command, MAREN, newId, root, signalHouse, TODAY } from '../support/houses';
import { DESK, inspect, launch, PHONE, press, seesText, visit } from '../support/browser';
import { MAIN_VIEWS } from '../support/main-views';
import { serve, type Server } from '../support/server';

let browser: Browser;
let server: Server;
let folder: string;
/** What slides in has come to rest: motion is reduced in tests, drawing is not. */
const SETTLED_MS = 250;
const links: Record<'client' | 'sub', string> = { client: '', sub: '' };

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'aftermist-views-'));
  cpSync(inject('demo'), folder, { recursive: true });
  const house = openHouse({ folder, root, today: TODAY });
  for (const [audience, about] of [['client', { job: signalHouse }], ['sub', { sub: demoId('sub', 'wiring') }]] as const) {
    const id = newId();
    receive(house, MAREN, command('share.make', { id, audience, ...about, recipient: 'Averill', expiresOn: '2027-04-30' }));
    links[audience] = pathOf(house, id);
  }
  house.db.close();
  [browser, server] = await Promise.all([launch(), serve(folder, { demo: true })]);
});
afterAll(async () => {
  await browser.close();
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
});

const views = [...MAIN_VIEWS, { name: 'Client page', path: () => links.client }, { name: 'Sub page', path: () => links.sub }, { name: 'Closed link', path: '/s/guessed' }];

describe.each([['desk', DESK], ['phone', PHONE]] as const)('on a %s', (_, size) => {
  // One page looks at all of them: what was loaded once is not loaded again.
  let page: Page;
  beforeAll(async () => {
    page = await visit(browser, size, []);
  });
  it.each(views.filter((view) => size === DESK || !('deskOnly' in view)))('$name has nothing for axe to find and nothing beyond the edge', async (view) => {
    await page.goto(`${server.url}${typeof view.path === 'string' ? view.path : view.path()}`, { waitUntil: 'load' });
    await page.waitForSelector('main');
    for (const words of 'press' in view ? (view.press ?? []) : []) await press(page, words);
    await new Promise((resolve) => setTimeout(resolve, SETTLED_MS));
    await inspect(page, view.name);
  });
});

describe('by keyboard alone', () => {
  it('finds a room and comes to its ladder', async () => {
    const page = await visit(browser, DESK, []);
    await page.goto(`${server.url}/`);
    await seesText(page, 'Walk today');
    await page.keyboard.down('Control');
    await page.keyboard.press('k');
    await page.keyboard.up('Control');
    await page.waitForSelector('[aria-label="What to find"]');
    await page.keyboard.type('guest signal');
    await seesText(page, 'Guest suite, Signal House');
    await page.keyboard.press('Enter');
    await seesText(page, 'How far');
    expect(page.url()).toContain('/areas/');
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => getComputedStyle(document.activeElement ?? document.body).outlineStyle)).toBe('solid');
  });

  it('walks with arrows and digits', async () => {
    const page = await visit(browser, DESK, []);
    await page.goto(`${server.url}/walk/${demoId('signal', 'walk', '2')}`);
    await seesText(page, '1 of 18');
    await page.keyboard.press('ArrowRight');
    await seesText(page, '2 of 18');
    await page.keyboard.press('Enter');
    await seesText(page, '3 of 18');
    await page.keyboard.press('ArrowLeft');
    await seesText(page, '2 of 18');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('3');
    await seesText(page, '30 %');
    await page.keyboard.press('n');
    await page.waitForSelector('[name="observation.text"]');
  });
});

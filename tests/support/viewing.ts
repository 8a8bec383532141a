import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { pathOf } from '@/server/tokens';
import { dispatch } from '@/server/dispatch/dispatch';
import { openInstallation } from '@/server/open-installation';
import { demoId } from '../../demo/seed';
import { contrastIn, DESK, inspect, launch, PHONE, press, visit } from './browser';
import { command, MAREN, newId, root, signalHouse, testClock } from './installations';
import { MAIN_VIEWS } from './main-views';
import { serve, type Server } from './server';

/** What slides in has come to rest, letters and pictures in sight are there. */
const atRest = (page: Page): Promise<unknown> =>
  page.waitForFunction(
    () =>
      document.readyState === 'complete' &&
      document.fonts.status === 'loaded' &&
      [...document.images].every((image) => image.complete || image.loading === 'lazy') &&
      document.getAnimations().every((animation) => animation.playState !== 'running'),
    { polling: 50 },
  );

/** Views that are drawn for a phone first; the others are looked at whole on the desk. */
const isUsedOnSite = ({ name }: { name: string }): boolean =>
  /^(Today|Walk|First visit|Client page|Sub page|Neighbour page|Page of a visit)/.test(name);

/** Letters to people outside are read from the first line to the last, and a drawing is as tall as what it draws. */
const isReadWhole = ({ name }: { name: string }): boolean =>
  /^(Client page|Sub page|Neighbour page|Page of a visit|A room to scale|A drain to scale|Planks for a face|Cut list)/.test(
    name,
  );

const inColours = (value: 'light' | 'dark') => [
  { name: 'prefers-reduced-motion', value: 'reduce' },
  { name: 'prefers-color-scheme', value },
];
const [LIGHT, DARK] = [inColours('light'), inColours('dark')];

/** Everything that axe knows, at every size and in the dark too; else what has not been asked at another size. */
const WHOLE = process.env.LOOK_WHOLE === '1';

/** How many screens a page takes before somebody asks for more of it. */
const screensOf = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollHeight / window.innerHeight);

/** How far a page sticks out once its text is twice as large. */
const beyondAtDouble = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const root = document.documentElement;
    root.style.fontSize = '200%';
    const beyond = root.scrollWidth - root.clientWidth;
    root.style.fontSize = '';
    return beyond;
  });

/**
 * What can be pressed and is lower than a thumb is wide; a word within a sentence is as high as its line, and a tick is
 * pressed by its words as well.
 */
const lowerThan = (page: Page, least: number): Promise<string[]> =>
  page.evaluate((wanted) => {
    const pressed = 'a[href], button, summary, select, textarea, input:not([type=hidden])';
    return [...document.querySelectorAll<HTMLElement>(pressed)].flatMap((element) => {
      const { width, height } = element.getBoundingClientRect();
      if (width < 2 || height < 2 || !element.checkVisibility({ visibilityProperty: true })) return [];
      if (getComputedStyle(element).display === 'inline') return [];
      const words = (element as HTMLInputElement).labels ?? [];
      const isTick = element.matches('[type=checkbox], [type=radio], [type=file]');
      const high = isTick ? Math.max(height, ...[...words].map((one) => one.getBoundingClientRect().height)) : height;
      const said = element.getAttribute('aria-label') ?? element.textContent.trim().slice(0, 40);
      return high < wanted - 0.5 ? [`${element.tagName.toLowerCase()} “${said}” ${Math.round(high)} px`] : [];
    });
  }, least);

/**
 * Every main view at one size, each looked at by axe and for what stands beyond the edge; a file a size, so that both
 * run at once.
 */
export function lookAtAll(name: string, size: typeof DESK | typeof PHONE): void {
  const links = { client: '', sub: '', ending: '', neighbour: '', party: '' };
  const views = [
    ...MAIN_VIEWS,
    { name: 'Client page', path: () => links.client },
    { name: 'Client page at the end', path: () => links.ending },
    { name: 'Sub page', path: () => links.sub },
    { name: 'Neighbour page', path: () => links.neighbour },
    { name: 'Page of a visit', path: () => links.party },
    { name: 'Closed link', path: '/s/guessed' },
  ];
  describe(`on a ${name}`, () => {
    let browser: Browser;
    let server: Server;
    let folder: string;
    // One page looks at all of them: what was loaded once is not loaded again.
    let page: Page;
    beforeAll(async () => {
      folder = mkdtempSync(join(tmpdir(), 'aftermist-views-'));
      cpSync(inject('demo'), folder, { recursive: true });
      const installation = openInstallation({ folder, root, clock: testClock() });
      for (const [link, audience, about] of [
        ['client', 'client', { job: signalHouse }],
        ['ending', 'client', { job: demoId('linden') }],
        ['sub', 'sub', { sub: demoId('sub', 'wiring') }],
      ] as const) {
        const id = newId();
        dispatch(
          installation,
          MAREN,
          command('share.make', { id, audience, ...about, recipient: 'Averill', expiresOn: '2027-04-30' }),
        );
        links[link] = pathOf(installation, id);
      }
      const [neighbour, party] = [newId(), newId()];
      const made = { audience: 'neighbour', job: signalHouse, recipient: 'Number 4', expiresOn: '2027-04-30' } as const;
      dispatch(installation, MAREN, command('share.make', { id: neighbour, ...made }));
      const to = {
        updateId: newId(),
        messageId: newId(),
        linkId: party,
        name: 'Quill',
        address: 'quill@office.example',
      };
      const shown = { id: demoId('signal', 'inspection', 'study', 'rough-inspection'), ...to, expiresOn: '2027-04-30' };
      dispatch(installation, MAREN, command('inspection.show', shown));
      Object.assign(links, { neighbour: pathOf(installation, neighbour), party: pathOf(installation, party) });
      installation.db.close();
      [browser, server] = await Promise.all([launch(), serve(folder, { demo: true })]);
      page = await visit(browser, size, []);
    });
    afterAll(async () => {
      await browser.close();
      await server.kill();
      rmSync(folder, { recursive: true, force: true });
    });
    it.each(views.filter((view) => size === DESK || !('deskOnly' in view)))(
      '$name has nothing for axe to find and nothing beyond the edge',
      async (view) => {
        await page.goto(`${server.url}${typeof view.path === 'string' ? view.path : view.path()}`, {
          waitUntil: 'load',
        });
        await page.waitForSelector('main');
        for (const words of 'press' in view ? (view.press ?? []) : []) await press(page, words);
        await atRest(page);
        await inspect(page, view.name, !WHOLE && size === PHONE && !isUsedOnSite(view));
        if (WHOLE) {
          await page.emulateMediaFeatures(DARK);
          await inspect(page, `${view.name} in the dark`);
          await page.emulateMediaFeatures(LIGHT);
        }
        if ('press' in view && view.press) return;
        if (!isReadWhole(view)) expect(await screensOf(page)).toBeLessThanOrEqual(size === DESK ? 2.01 : 4.01);
        expect(await beyondAtDouble(page), 'pixels beyond the edge in text of double size').toBeLessThanOrEqual(0);
        if (size === PHONE) {
          const least = /^\/walk\//.test(new URL(page.url()).pathname) ? 48 : 44;
          expect(await lowerThan(page, least), `what is lower than ${least} px under a thumb`).toEqual([]);
        }
        if (size === DESK && !WHOLE) {
          await page.emulateMediaFeatures(DARK);
          expect(await contrastIn(page), 'what cannot be read in the dark').toEqual([]);
          await page.emulateMediaFeatures(LIGHT);
        }
      },
    );
  });
}

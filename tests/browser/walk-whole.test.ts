import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import type { HTTPRequest, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { WalkKind } from '@/core/walks/observation';
import { seeded } from '@/core/units/seeded';
import { demoId } from '../../demo/ids';
import type { StoredPlan } from '@/server/reading/plan';
import { click, PHONE, press, seesText, sent, textFits, type, upload, visit } from '../support/browser';
import { fillIn } from '../support/forms';
import { areaOf, command, folder, newId, signalHouse } from '../support/installations';
import { stage } from '../support/stage';

const on = stage();

const phone = (): Promise<Page> => visit(on.browser, PHONE, []);
/** A walk of its own for each test: what others left open is none of theirs. */
const begin = async (page: Page, job: string, kind: WalkKind): Promise<string> => {
  const id = newId();
  const started = command('walk.start', { id, job, kind });
  const body = JSON.stringify(started);
  const answer = await fetch(`${on.server.url}/api/commands`, { method: 'POST', body });
  expect(answer.status).toBe(200);
  await page.goto(`${on.server.url}/walk/${id}`);
  await page.waitForSelector('.thumb');
  return id;
};
/** Until the worker has all that it needs to open Walk by itself. */
const prepared = (page: Page): Promise<unknown> =>
  page.waitForFunction(
    async () => {
      if (
        (await navigator.serviceWorker.getRegistration())?.active == null ||
        (await caches.match('/walk')) === undefined
      )
        return false;
      return new Promise<boolean>((resolve) => {
        const opening = indexedDB.open('aftermist');
        opening.onerror = () => resolve(false);
        opening.onsuccess = () => {
          const counting = opening.result.transaction('packs').objectStore('packs').count();
          counting.onsuccess = () => {
            opening.result.close();
            resolve(counting.result >= 4);
          };
        };
      });
    },
    { timeout: 20_000, polling: 300 },
  );
const toRoute = (page: Page): Promise<void> => click(page, 'button::-p-text( of )');
const toArea = async (page: Page, name: string): Promise<void> => {
  await toRoute(page);
  await click(page, `.route button::-p-text(${name})`);
  await page.waitForFunction((wanted) => document.querySelector('h1')?.textContent === wanted, {}, name);
};
const inGroup = (page: Page, group: string, button: string): Promise<void> =>
  click(page, `[role=group][aria-label="${group}"] button::-p-text(${button})`);
const rows = <Row>(sql: string, ...values: unknown[]): Row[] => {
  const db = new Database(join(on.folder, 'aftermist.sqlite'), { readonly: true });
  try {
    return db.prepare(sql).all(...values) as Row[];
  } finally {
    db.close();
  }
};
/** Resolves once so many further records were handed to the network. */
const afterRecords = (page: Page, count: number): Promise<void> =>
  new Promise((resolve) => {
    let seen = 0;
    const look = (request: HTTPRequest): void => {
      if (!request.url().endsWith('/api/commands') || ++seen < count) return;
      page.off('request', look);
      resolve();
    };
    page.on('request', look);
  });
async function pictures(count: number): Promise<string[]> {
  const path = folder();
  mkdirSync(path, { recursive: true });
  return Promise.all(
    Array.from({ length: count }, async (_, index) => {
      const file = join(path, `p${index}.jpg`);
      writeFileSync(
        file,
        await sharp({
          create: {
            width: 320,
            height: 240,
            channels: 3,
            background: { r: (index * 4) % 256, g: (index * 37) % 256, b: 90 },
          },
        })
          .jpeg()
          .toBuffer(),
      );
      return file;
    }),
  );
}
const choosePictures = async (page: Page, files: string[]): Promise<void> => {
  await upload(page, 'input[aria-label="Picture of this area"]', ...files);
};

describe('a walk where there is no signal', () => {
  it('is begun, walked by thumb, closed and opened again without a connection, and sent later', async () => {
    let page = await phone();
    await page.goto(`${on.server.url}/`);
    await seesText(page, 'Walk today');
    await prepared(page);
    await on.cut();

    // Nobody answers: the device itself offers what it keeps.
    await page.goto(`${on.server.url}/`);
    await seesText(page, 'No connection');
    // What was looked at last may be read; a walk is one press away.
    await page.goto(`${on.server.url}/walk`);
    await press(page, 'Begin a walk in Signal House');
    await seesText(page, '1 of 18');
    await toArea(page, 'Guest suite');
    await click(page, '[aria-label="wires done"]');
    await inGroup(page, '2 boxes too low on the east wall', 'worse');
    await press(page, 'Line');
    await type(page, '#line', '+ 3 backing blocks over the bed @carpentry');
    await press(page, 'Save');
    await choosePictures(page, await pictures(1));
    await toArea(page, 'Wet room');
    await inGroup(page, 'no cables lie in the slab', 'it holds');
    await seesText(page, '6 kept here');

    // The browser is closed in the middle.
    const context = page.browserContext();
    const address = page.url();
    await page.close();
    page = await context.newPage();
    await page.setViewport(PHONE);
    // Pages that scroll smoothly are clicked beside what was meant.
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
    await page.goto(address);
    await seesText(page, '6 kept here');
    await toArea(page, 'Wet room');
    await page.waitForSelector('[aria-label="no cables lie in the slab"] [aria-pressed="true"]');
    await toArea(page, 'Guest suite');
    await seesText(page, '3 backing blocks over the bed · carpentry');
    await page.waitForSelector('img[alt="Picture of Guest suite"][src^="blob:"]');
    // What is done folds away.
    await click(page, '.more-steps');
    await page.waitForSelector('[data-phase="wiring-rough"]');
    expect(await page.$eval('[data-phase="wiring-rough"]', (bar) => bar.getAttribute('aria-valuenow'))).toBe('100');
    await press(page, 'Line');
    await type(page, '#line', '! open edge at the hatch');
    await press(page, 'Save');
    await toRoute(page);
    await inGroup(page, 'edges and holes guarded', 'OK');
    await press(page, 'Save how it is left');
    await press(page, 'Finish the walk');
    await seesText(page, 'Without a connection it stays here');

    await on.again();
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await textFits(page, /moved on|What this walk found/, true, 30_000);
    const [walk] = rows<{ id: string; finished_at: string | null }>(
      'SELECT id, finished_at FROM walk ORDER BY rowid DESC',
    );
    expect(walk?.finished_at).not.toBeNull();
    expect(
      rows<{ kind: string }>('SELECT kind FROM observation WHERE walk = ? ORDER BY rowid', walk?.id).map(
        (row) => row.kind,
      ),
    ).toEqual(['progress', 'recheck', 'remaining', 'picture', 'caution']);
    expect(rows('SELECT 1 FROM site_close_down WHERE walk = ?', walk?.id)).toHaveLength(1);
    expect(rows(`SELECT state FROM assumption WHERE text = 'no cables lie in the slab'`)).toEqual([{ state: 'held' }]);
  });

  it('sends a day of 500 records and 60 pictures exactly once each, however often the line is cut', async () => {
    const page = await phone();
    const walk = await begin(page, signalHouse, 'progress');
    await toArea(page, 'Guest suite');
    await page.setOfflineMode(true);
    await (await page.waitForSelector('[role=slider]'))?.focus();
    for (let press_ = 0; press_ < 500; press_++) await page.keyboard.press(press_ % 2 ? '4' : '6');
    await choosePictures(page, await pictures(60));
    await seesText(page, '560 kept here');

    // The line is cut again and again, each time after so many further records were handed to it.
    const random = seeded(6);
    const left = (): Promise<boolean> => page.evaluate(() => document.body.innerText.includes('kept here'));
    while (await left()) {
      const enough = afterRecords(page, 1 + Math.floor(random() * 40));
      await page.setOfflineMode(false);
      await page.evaluate(() => window.dispatchEvent(new Event('online')));
      await Promise.race([enough, sent(page)]);
      await page.setOfflineMode(random() > 0.1);
    }
    await page.setOfflineMode(false);
    await sent(page);
    const kept = rows<{ kind: string; picture: string | null }>(
      'SELECT kind, picture FROM observation WHERE walk = ?',
      walk,
    );
    expect([
      kept.filter((row) => row.kind === 'progress').length,
      kept.filter((row) => row.kind === 'picture').length,
      new Set(kept.map((row) => row.picture)).size - 1,
    ]).toEqual([500, 60, 60]);
    expect(
      rows<{ fraction: number }>(
        `SELECT fraction FROM observation WHERE walk = ? AND kind = 'progress' ORDER BY at, id`,
        walk,
      ).map((row) => row.fraction),
    ).toEqual(Array.from({ length: 500 }, (_, index) => (index % 2 ? 0.4 : 0.6)));
  });

  it('shows two phones on one walk what the other one saw, and loses nothing of either', async () => {
    const [first, second] = [await phone(), await phone()];
    const walk = await begin(first, signalHouse, 'progress');
    await second.goto(`${on.server.url}/walk/${walk}`);
    await toArea(first, 'Kitchen');
    await toArea(second, 'Kitchen');
    await second.setOfflineMode(true);
    for (const [page, words] of [
      [first, 'seen by the first'],
      [second, 'seen by the second'],
    ] as const) {
      await press(page, 'Line');
      await type(page, '#line', words);
      await press(page, 'Save');
    }
    await second.setOfflineMode(false);
    await second.evaluate(() => window.dispatchEvent(new Event('online')));
    for (const page of [first, second]) {
      await seesText(page, 'seen by the first');
      await seesText(page, 'seen by the second');
    }
  });
});

describe('a walk that is told', () => {
  it('proposes drafts beside their words, and what is accepted, put right or dropped is settled', async () => {
    const page = await phone();
    const walk = await begin(page, signalHouse, 'progress');
    const file = join(folder(), 'round.vtt');
    writeFileSync(
      file,
      'WEBVTT\n\n00:02.000 --> 00:06.000\nGuest suite. Wires are about half.\n\n00:06.000 --> 00:11.000\nDucts ' +
        'are done. Two of the boxes still need lifting.\n\n00:12.000 --> 00:16.000\nKitchen. Mind the open edge by ' +
        'the hatch.\n',
    );
    await press(page, 'Line');
    await press(page, 'Dictate');
    await upload(page, '#narration-files', file);
    await seesText(page, 'round.vtt · 4 to settle');
    await seesText(page, '“Wires are about half.”');
    await press(page, 'Put right: still to do: 2 two of the boxes still need lifting · wiring');
    await fillIn(page, '.draft input', '+ 4 boxes to be lifted @wiring');
    await press(page, 'Accept: still to do: 4 boxes to be lifted · wiring');
    await seesText(page, 'round.vtt · 3 to settle');
    await press(page, 'Keep the 2 that are sure');
    await seesText(page, 'round.vtt · 1 to settle');
    // By key: the draft in hand is dropped.
    await page.focus('.draft');
    await page.keyboard.press('x');
    await seesText(page, 'round.vtt · every draft settled');
    await sent(page);
    const kept = rows<{ kind: string; text: string | null; facts: string }>(
      'SELECT kind, text, facts FROM observation WHERE walk = ? ORDER BY rowid',
      walk,
    );
    expect(kept.map((row) => [row.kind, row.text])).toEqual([
      ['remaining', 'boxes to be lifted'],
      ['progress', null],
      ['progress', null],
    ]);
    expect(JSON.parse(kept[0]?.facts ?? '{}')).toMatchObject({
      said: { words: 'Two of the boxes still need lifting.', start: 6, end: 11 },
    });
    await page.reload();
    await press(page, 'Line');
    await press(page, 'Dictate');
    await seesText(page, 'round.vtt · every draft settled');
  });
});

describe('a walk that is dictated', () => {
  it('is played by the demo and read without a signal', async () => {
    const page = await phone();
    const walk = await begin(page, signalHouse, 'progress');
    await press(page, 'Line');
    await press(page, 'Dictate');
    // Read without a signal: what the reader was taught is on the phone already.
    await page.waitForNetworkIdle();
    await page.setOfflineMode(true);
    await press(page, 'Dictate (played by the demo)');
    await seesText(page, 'to settle');
    await page.setOfflineMode(false);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await sent(page);
    const [kept] = rows<{ text: string }>('SELECT text FROM narration WHERE walk = ?', walk);
    expect(kept?.text).toContain('that is all for now');
  });
});

describe('before the walls are closed', () => {
  it('board waits in the plan for the last line of the check', async () => {
    const plan = async (phase: string): Promise<StoredPlan['tasks'][number] | undefined> =>
      ((await (await fetch(`${on.server.url}/api/plan.json`)).json()) as StoredPlan).tasks.find(
        (task) => task.id === `${areaOf('study')}:${phase}`,
      );
    const page = await phone();
    await begin(page, signalHouse, 'close-in');
    await toArea(page, 'Study');
    await seesText(page, '2 of 17 open');
    await inGroup(page, 'picture of wall 1, corner to corner, tape in sight', 'right');
    await seesText(page, '1 of 17 open');
    await sent(page);
    expect((await plan('board'))?.start ?? 0).toBeGreaterThan((await plan('close-in'))?.start ?? 99);
    expect((await plan('close-in'))?.state).not.toBe('done');
    await inGroup(page, '6 pieces backing for the shelves, north wall', 'right');
    await seesText(page, 'every line settled');
    await sent(page);
    await expect.poll(async () => (await plan('close-in'))?.state, { timeout: 20_000 }).toBe('done');
  });
});

describe('the end of a job', () => {
  it('a leftover found at completion stands on the list, and is closed with a word', async () => {
    const linden = demoId('linden');
    const page = await phone();
    const walk = await begin(page, linden, 'completion');
    await toArea(page, 'Loft bedroom');
    await inGroup(page, 'door rubs at the head', 'done');
    await press(page, 'Save: done');
    await seesText(page, 'closed with a picture or a word');
    await type(page, '[aria-label="How it was put right: door rubs at the head"]', 'planed, hangs free');
    await press(page, 'Save: done');
    await press(page, 'Line');
    await type(page, '#line', '+ scratch on the sill @paint');
    await press(page, 'Save');
    await sent(page);
    await page.goto(`${on.server.url}/jobs/${linden}/walks/completion`);
    await seesText(page, 'scratch on the sill');
    await textFits(page, /door rubs/, false);
    expect(rows<{ text: string }>(`SELECT text FROM observation WHERE walk = ? AND kind = 'recheck'`, walk)).toEqual([
      { text: 'planed, hangs free' },
    ]);
  });
});

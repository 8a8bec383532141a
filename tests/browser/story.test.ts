import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { StoredPlan } from '@/server/schedule/read-plan';
import { areaOf, demoFolder, folder, signalHouse } from '../support/houses';
import { fillIn } from '../support/forms';
import { DESK, gone, launch, PHONE, press, seesText, textFits, visit } from '../support/browser';
import { serve, type Server } from '../support/server';

let browser: Browser;
let server: Server;
let complaints: string[] = [];

beforeAll(async () => {
  browser = await launch();
});
beforeEach(() => {
  complaints = [];
});
afterEach(async () => {
  await Promise.all(
    browser
      .browserContexts()
      .slice(1)
      .map((context) => context.close()),
  );
});
afterAll(async () => {
  await browser.close();
});

const ladder = (page: Page, phase: string) => page.waitForSelector(`[role=slider][data-phase="${phase}"]`);
const planOf = async (): Promise<StoredPlan> =>
  (await (await fetch(`${server.url}/api/plan.json`)).json()) as StoredPlan;

describe('one walk, end to end', () => {
  it('goes from the ladder in the hand to a link that is revoked', async () => {
    server = await serve(demoFolder(), { demo: true });
    try {
      const before = await planOf();
      const phone = await visit(browser, PHONE, complaints);
      await phone.goto(`${server.url}/`);
      await seesText(phone, 'Signal House');
      await phone.goto(`${server.url}/jobs/${signalHouse}`);
      await press(phone, 'Start a walk');
      await seesText(phone, '1 of 18');

      // Three ladders: by tap, by drag, by digits.
      await (await phone.waitForSelector('::-p-text(1 of 18)'))?.click();
      await (await phone.waitForSelector('::-p-text(Guest suite)'))?.click();
      const wires = await (await ladder(phone, 'wiring-rough'))?.boundingBox();
      if (!wires) throw new Error('no ladder to pull');
      await phone.mouse.move(wires.x + wires.width * 0.32, wires.y + wires.height / 2);
      await phone.mouse.down();
      await phone.mouse.move(wires.x + wires.width * 0.6, wires.y + wires.height / 2);
      await phone.mouse.move(wires.x + wires.width * 0.81, wires.y + wires.height / 2);
      await phone.mouse.up();
      await seesText(phone, 'wires: 80 %');
      await (await phone.waitForSelector('[aria-label="ducts done"], [aria-label="wires done"]'))?.click();
      await seesText(phone, 'wires: done');
      await (await phone.waitForSelector('.thumb .next'))?.click();
      await seesText(phone, 'Wet room');
      await (await ladder(phone, 'scan'))?.focus();
      await phone.keyboard.press('5');
      await seesText(phone, 'scan slab: 50 %');
      await (await ladder(phone, 'scan'))?.tap();
      await seesText(phone, 'scan slab: 50 %');

      // A selection that is wrong, with its words.
      const wrong = await phone.waitForSelector('[role=group][aria-label="Wall tiles"] button:nth-child(2)');
      // Up from behind the bar at the thumb.
      await wrong?.evaluate((button) => button.scrollIntoView({ block: 'center' }));
      await wrong?.click();
      await fillIn(phone, '[aria-label="What was found instead of Wall tiles"]', 'white, not sage');
      await press(phone, 'Keep: wrong');

      // What is still to do, with trade and quantity; first without its words.
      await press(phone, 'Line');
      await press(phone, 'Keep');
      await seesText(phone, 'Type what you see, like');
      await phone.type('#line', '+ 3 backing blocks over the basin @carpentry');
      await seesText(phone, 'still to do: 3 backing blocks over the basin · carpentry');
      await press(phone, 'Keep');
      await seesText(phone, '3 backing blocks over the basin · carpentry');

      // A length that is none, then one as it is read off.
      await press(phone, 'Measure');
      await phone.type('#measure-what', 'basin to door');
      await phone.type('#measure-length', 'about this');
      await press(phone, 'Keep');
      await seesText(phone, 'is not a length; write it like');
      await phone.$eval('#measure-length', (input) => (input as HTMLInputElement).select());
      await phone.type('#measure-length', '2\' 6 1/2"');
      await press(phone, 'Keep');
      await seesText(phone, 'basin to door: 2\' 6 1/2"');

      // A picture from a file.
      const picture = join(folder(), 'wall.jpg');
      writeFileSync(
        picture,
        await sharp({ create: { width: 1200, height: 900, channels: 3, background: '#8a9997' } })
          .jpeg()
          .toBuffer(),
      );
      const input = await phone.waitForSelector('input[type=file]');
      await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(picture);
      await phone.waitForSelector('img[alt="Picture of Wet room"]');

      // Undo takes the last one back, and the note is gone.
      await press(phone, 'Line');
      await phone.type('#line', 'never mind');
      await press(phone, 'Keep');
      await seesText(phone, 'note: never mind');
      await press(phone, 'Undo');
      await gone(phone, 'never mind');

      // The end: review, effect, drafts.
      await (await phone.waitForSelector('::-p-text(of 18)'))?.click();
      await press(phone, 'Finish the walk');
      await phone.waitForFunction(() => location.pathname.includes('/walks/'), { timeout: 20_000 });
      await seesText(phone, 'wires 30 % → done');
      await seesText(phone, 'Wall tiles: wrong (white, not sage)');
      await seesText(phone, 'to do: 3 backing blocks over the basin');
      await seesText(phone, 'Client: Signal House');

      // The section shows it, and a task has moved on the board and says why.
      const desk = await visit(browser, DESK, complaints);
      await desk.goto(`${server.url}/jobs/${signalHouse}`);
      const guest = await desk.waitForSelector(`a[href$="/areas/${areaOf('guest')}"]`);
      expect(await guest?.evaluate((link) => link.textContent)).toContain('7 of 22 steps done');
      const after = await planOf();
      expect(after.version).toBeGreaterThan(before.version);
      const moved = after.tasks.find(
        (task) =>
          task.job === signalHouse &&
          task.state === 'waiting' &&
          task.start < 16 &&
          before.tasks.some((old) => old.id === task.id && old.start !== task.start),
      );
      expect(moved, 'a task that moved within two weeks').toBeDefined();
      await desk.goto(`${server.url}/jobs/${signalHouse}/schedule?by=room`);
      await (await desk.waitForSelector(`[data-task="${moved?.id ?? ''}"]`))?.click();
      await seesText(desk, 'Why here?');
      await seesText(desk, moved?.reason.text ?? 'no reason');

      // The client draft names it; sent, its link opens without a session and shows only that job.
      await desk.goto(`${server.url}/jobs/${signalHouse}/updates`);
      await seesText(desk, 'the wires inside the walls finished');
      await seesText(desk, 'backing blocks over the basin');
      await (await desk.waitForSelector('article button'))?.click();
      await press(desk, 'Send now');
      const path = await (
        await desk.waitForSelector('aside a[href^="/s/"]')
      )?.evaluate((link) => link.getAttribute('href'));
      const client = await visit(browser, PHONE, complaints);
      await client.goto(`${server.url}${path ?? ''}`);
      await seesText(client, 'the wires inside the walls finished');
      expect(await client.evaluate(() => document.body.innerText)).not.toMatch(/Tannery|Linden|Old Dairy/);
      expect(
        await client.$$eval('img', (images) => images.every((image) => image.complete || image.loading === 'lazy')),
      ).toBe(true);
      await press(client, 'I have read it');
      await seesText(client, 'Thank you');
      await seesText(desk, 'read by');

      // Revoked, it opens no more.
      await (await desk.waitForSelector('aside .lines button:last-of-type'))?.click();
      await seesText(desk, 'opens no more');
      await client.reload();
      await seesText(client, 'does not open any more');
      expect(complaints).toEqual([]);
    } finally {
      await server.kill();
    }
  });
});

describe('a house of one’s own', () => {
  it('begins with its firm, opens a job and has a first plan within minutes', async () => {
    server = await serve(folder());
    try {
      const page = await visit(browser, DESK, complaints);
      await page.goto(`${server.url}/`);
      await seesText(page, 'Whose house is this?');
      await press(page, 'Begin');
      await seesText(page, 'is missing');
      for (const [name, value] of Object.entries({
        name: 'Own Two Hands',
        ownerName: 'Ida Own',
        email: 'ida@own.example',
        password: 'short',
      }))
        await page.type(`[name="${name}"]`, value);
      await press(page, 'Begin');
      await seesText(page, 'at least 10 characters');
      await page.type('[name="password"]', ' no longer');
      await press(page, 'Begin');
      await seesText(page, 'No job yet');
      await press(page, 'Open the first job');
      await page.waitForSelector('[name="name"]');
      await page.type('[name="name"]', 'First House');
      await press(page, 'Open the job');
      await seesText(page, 'From a pattern');
      await page.type(
        '#csv-areas',
        'level,area,kind,works\nGround floor,Kitchen,room,kitchen\nGround floor,Cellar,room,reroof\n',
      );
      await press(page, 'Read the list');
      await seesText(page, 'Line 3: “reroof” is not done in an area of the kind room');
      await press(page, 'Set out 1 area');
      await seesText(page, 'of the work is done');
      await textFits(page, /finish /, true, 20_000);

      // Without a session nothing but the door to come in.
      const stranger = await visit(browser, DESK, complaints);
      await stranger.goto(`${server.url}/schedule`);
      await seesText(stranger, 'Sign in');
      expect((await fetch(`${server.url}/api/plan.json`)).status).toBe(401);
      await stranger.type('[name="email"]', 'ida@own.example');
      await stranger.type('[name="password"]', 'not this one');
      await stranger.keyboard.press('Enter');
      await seesText(stranger, 'do not belong together');
      await stranger.$eval('[name="password"]', (input) => (input as HTMLInputElement).select());
      await stranger.type('[name="password"]', 'short no longer');
      await stranger.keyboard.press('Enter');
      await seesText(stranger, 'First House');
      expect(complaints.filter((line) => !line.includes('401') && !line.includes('/api/session'))).toEqual([]);
    } finally {
      await server.kill();
    }
  });
});

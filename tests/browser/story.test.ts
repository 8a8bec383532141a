import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { foundingCode } from '@/server/folder-check.mjs';
import { areaOf, folder, signalHouse } from '../support/installations';
import { fillIn } from '../support/forms';
import {
  click,
  DESK,
  gone,
  shownLink,
  PHONE,
  press,
  pressFirst,
  seesText,
  textFits,
  type,
  upload,
  visit,
} from '../support/browser';
import { stage } from '../support/stage';
import { reasonSaid } from '../support/said';

const ladder = (page: Page, phase: string) => page.waitForSelector(`[role=slider][data-phase="${phase}"]`);

describe('one walk, end to end', () => {
  const on = stage();
  it('goes from the ladder in the hand to a link that is revoked', async () => {
    const before = await on.planOf();
    const phone = await visit(on.browser, PHONE, on.complaints);
    await phone.goto(`${on.server.url}/`);
    await seesText(phone, 'Signal House');
    await phone.goto(`${on.server.url}/jobs/${signalHouse}`);
    await press(phone, 'Start a walk');
    await seesText(phone, '1 of 18');

    // Three ladders: by tap, by drag, by digits.
    await click(phone, '::-p-text(1 of 18)');
    await click(phone, '::-p-text(Guest suite)');
    const wires = await (await ladder(phone, 'wiring-rough'))?.boundingBox();
    if (!wires) throw new Error('no ladder to pull');
    await phone.mouse.move(wires.x + wires.width * 0.32, wires.y + wires.height / 2);
    await phone.mouse.down();
    await phone.mouse.move(wires.x + wires.width * 0.6, wires.y + wires.height / 2);
    await phone.mouse.move(wires.x + wires.width * 0.81, wires.y + wires.height / 2);
    await phone.mouse.up();
    await seesText(phone, 'wires: 80 %');
    await click(phone, '[aria-label="ducts done"], [aria-label="wires done"]');
    await seesText(phone, 'wires: done');
    await click(phone, '.thumb .next');
    await seesText(phone, 'Wet room');
    await (await ladder(phone, 'scan'))?.focus();
    await phone.keyboard.press('5');
    await seesText(phone, 'scan slab: 50 %');
    await (await ladder(phone, 'scan'))?.tap();
    await seesText(phone, 'scan slab: 50 %');

    // A selection that is wrong, with its words.
    await click(phone, '[role=group][aria-label="Wall tiles"] button.btn-link');
    await fillIn(phone, '[aria-label="What was found instead of Wall tiles"]', 'white, not sage');
    await press(phone, 'Save: wrong');

    // What is still to do, with trade and quantity; first without its words.
    await press(phone, 'Line');
    await press(phone, 'Save');
    await seesText(phone, 'Type what you see, like');
    await type(phone, '#line', '+ 3 backing blocks over the basin @carpentry');
    await seesText(phone, 'still to do: 3 backing blocks over the basin · carpentry');
    await press(phone, 'Save');
    await seesText(phone, '3 backing blocks over the basin · carpentry');

    // A length that is none, then one as it is read off.
    await press(phone, 'Measure');
    await type(phone, '#measure-what', 'basin to door');
    await type(phone, '#measure-length', 'about this');
    await press(phone, 'Save');
    await seesText(phone, 'is not a length; write it like');
    await fillIn(phone, '#measure-length', '2\' 6 1/2"');
    await press(phone, 'Save');
    await seesText(phone, 'basin to door: 2\' 6 1/2"');

    // A picture from a file.
    const picture = join(folder(), 'wall.jpg');
    writeFileSync(
      picture,
      await sharp({ create: { width: 1200, height: 900, channels: 3, background: '#8a9997' } })
        .jpeg()
        .toBuffer(),
    );
    await upload(phone, 'input[type=file]', picture);
    await phone.waitForSelector('img[alt="Picture of Wet room"]');

    // Undo takes the last one back, and the note is gone.
    await press(phone, 'Line');
    await type(phone, '#line', 'never mind');
    await press(phone, 'Save');
    await seesText(phone, 'note: never mind');
    await press(phone, 'Undo');
    await gone(phone, 'never mind');

    // The end: review, effect, drafts.
    await click(phone, '::-p-text(of 18)');
    await press(phone, 'Finish the walk');
    await phone.waitForFunction(() => location.pathname.includes('/walks/'), { timeout: 20_000 });
    await seesText(phone, 'wires 30 % → done');
    await seesText(phone, 'Wall tiles: wrong (white, not sage)');
    await seesText(phone, 'to do: 3 backing blocks over the basin');
    await seesText(phone, 'Read and send what the client is told');

    // The section shows it, and a task has moved on the board and says why.
    const desk = await visit(on.browser, DESK, on.complaints);
    await desk.goto(`${on.server.url}/jobs/${signalHouse}`);
    const guest = await desk.waitForSelector(`a[href$="/areas/${areaOf('guest')}"]`);
    expect(await guest?.evaluate((link) => link.textContent)).toContain('7 of 22 steps done');
    const after = await on.planOf();
    expect(after.version).toBeGreaterThan(before.version);
    const moved = after.tasks.find(
      (task) =>
        task.job === signalHouse &&
        task.state === 'waiting' &&
        task.start < 16 &&
        before.tasks.some((old) => old.id === task.id && old.start !== task.start),
    );
    expect(moved, 'a task that moved within two weeks').toBeDefined();
    await desk.goto(`${on.server.url}/jobs/${signalHouse}/schedule?by=room`);
    // Rows that do not fit are one press away.
    await pressFirst(desk, /^\d+ more rows?$/);
    await click(desk, `[data-task="${moved?.id ?? ''}"]`);
    await seesText(desk, 'Why here?');
    await seesText(desk, reasonSaid(moved) || 'no reason');

    // The client draft names it; sent, its link opens without a session and shows only that job.
    await desk.goto(`${on.server.url}/jobs/${signalHouse}/news`);
    await seesText(desk, 'the wires inside the walls finished');
    await seesText(desk, 'backing blocks over the basin');
    const newest = (): Promise<string | undefined> =>
      desk.evaluate(() => document.querySelector<HTMLElement>('aside [data-link]')?.dataset.link);
    const former = await newest();
    await press(desk, 'Send to The Averill family');
    await press(desk, 'Send now');
    await desk.waitForFunction(
      (was) => document.querySelector<HTMLElement>('aside [data-link]')?.dataset.link !== was,
      {},
      former,
    );
    const path = await shownLink(desk);
    const client = await visit(on.browser, PHONE, on.complaints);
    await client.goto(`${on.server.url}${path}`);
    await seesText(client, 'the wires inside the walls finished');
    expect(await client.evaluate(() => document.body.innerText)).not.toMatch(/Tannery|Linden|Old Dairy/);
    expect(
      await client.$$eval('img', (images) => images.every((image) => image.complete || image.loading === 'lazy')),
    ).toBe(true);
    await press(client, 'I have read it');
    await seesText(client, 'Thank you');
    await seesText(desk, 'read by');

    // Revoked, it opens no more.
    await click(desk, 'aside .fold .lines button:last-of-type');
    await seesText(desk, 'opens no more');
    await client.reload();
    await seesText(client, 'does not open any more');
    expect(on.complaints).toEqual([]);
  });
});

describe('a house of one’s own', () => {
  const on = stage({ empty: true });
  it('begins with its firm, opens a job and has a first plan within minutes', async () => {
    const page = await visit(on.browser, DESK, on.complaints);
    await page.goto(`${on.server.url}/`);
    await seesText(page, 'Set up your firm');
    await press(page, 'Begin');
    await seesText(page, 'is missing');
    for (const [name, value] of Object.entries({
      name: 'Own Two Hands',
      ownerName: 'Ida Own',
      email: 'ida@own.example',
      password: 'short',
    }))
      await type(page, `[name="${name}"]`, value);
    await press(page, 'Begin');
    await seesText(page, 'at least 10 characters');
    await type(page, '[name="password"]', ' no longer');
    // Whoever comes first is not its owner: whoever started the house has the code.
    await type(page, '[name="code"]', foundingCode(readFileSync(join(on.folder, 'secret'), 'utf8')));
    await press(page, 'Begin');
    await seesText(page, 'No job yet');
    await press(page, 'Open the first job');
    await page.waitForSelector('[name="name"]');
    await type(page, '[name="name"]', 'First House');
    await press(page, 'Open the job');
    await seesText(page, 'From a pattern');
    await type(
      page,
      '#csv-areas',
      'level,area,kind,works\nGround floor,Kitchen,room,kitchen\nGround floor,Cellar,room,reroof\n',
    );
    await press(page, 'Read the list');
    await seesText(page, 'Line 3: “reroof” is not done in an area of the kind room');
    await press(page, 'Set out 1 area');
    await seesText(page, 'of the work is done');
    await textFits(page, /finish /, true, 20_000);

    // Without a session nothing but the door to come in.
    const stranger = await visit(on.browser, DESK, on.complaints);
    await stranger.goto(`${on.server.url}/schedule`);
    await seesText(stranger, 'Sign in');
    expect((await fetch(`${on.server.url}/api/plan.json`)).status).toBe(401);
    await type(stranger, '[name="email"]', 'ida@own.example');
    await type(stranger, '[name="password"]', 'not this one');
    await stranger.keyboard.press('Enter');
    await seesText(stranger, 'do not belong together');
    await fillIn(stranger, '[name="password"]', 'short no longer');
    await stranger.keyboard.press('Enter');
    await seesText(stranger, 'First House');
    expect(on.complaints.filter((line) => !line.includes('401') && !line.includes('/api/session'))).toEqual([]);
  });
});

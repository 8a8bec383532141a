import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inTheWay } from '@/core/schedule/reasons';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { StoredPlan } from '@/server/reading/plan';
import { demoId } from '../../demo/seed';
import {
  choose,
  click,
  DESK,
  gone,
  hrefOf,
  shownLink,
  inspect,
  PHONE,
  press,
  seesText,
  sent,
  textFits,
  type,
  upload,
  visit,
} from '../support/browser';
import { fillIn, setDay } from '../support/forms';
import { areaOf, signalHouse } from '../support/installations';
import { stage } from '../support/stage';
import { waitSaid, workSaid } from '../support/said';

const job = `/jobs/${signalHouse}`;
const on = stage();
const { at, planOf } = on;
const taskOf = (plan: StoredPlan, area: string, phase: string) =>
  plan.tasks.find((task) => task.id === `${areaOf(area)}:${phase}`);
const fill = (page: Page, name: string, text: string): Promise<void> => fillIn(page, `[name="${name}"]`, text);

describe('holds', () => {
  it('settled in one window are gone in the other, and come back by undo', async () => {
    const [one, other] = [await at(job), await at(job)];
    for (const page of [one, other]) await click(page, 'aside details.more > summary');
    await seesText(other, 'Kitchen: engineer');
    await press(one, 'Settled: engineer');
    await seesText(one, 'is settled; the plan follows');
    // What is said stays while somebody points at it, however long the others take to hear of it.
    await one.locator('.said button').hover();
    await gone(other, 'Kitchen: engineer');
    await press(one, 'Undo');
    await seesText(other, 'Kitchen: engineer');
    expect(on.complaints).toEqual([]);
  });

  it('are put on an area with what is waited for, and the plan waits', async () => {
    const before = await planOf();
    const page = await at(`${job}/areas/${areaOf('boot')}`);
    await press(page, 'Put it on hold');
    await press(page, 'Hold the work');
    await seesText(page, 'The short name is missing.');
    await choose(page, 'phase', 'tape');
    await fill(page, 'label', 'paint colour');
    await fill(page, 'text', 'which white the client wants');
    await setDay(page, 'expectedOn', '2027-04-20');
    await press(page, 'Hold the work');
    await seesText(page, 'Held; the plan follows.');
    await expect.poll(async () => (await planOf()).version, { timeout: 15_000 }).toBeGreaterThan(before.version);
    expect(taskOf(await planOf(), 'boot', 'tape')?.reason).toMatchObject({
      held: true,
      wait: { kind: 'hold', text: expect.stringContaining('which white the client wants') as string },
    });
    await seesText(page, 'Which white the client wants');
  });
});

describe('scope and selections', () => {
  it('say beside the field what is missing, and keep what was typed', async () => {
    const page = await at(`${job}/scope`);
    await press(page, 'Add a line');
    await fill(page, 'verb', 'replace');
    await fill(page, 'quantity', 'two');
    await press(page, 'Add');
    await seesText(page, 'The quantity must be a number.');
    await seesText(page, 'The subject is missing.');
    await fill(page, 'quantity', '2');
    await fill(page, 'subject', 'both windows');
    await press(page, 'Add');
    await seesText(page, 'A quantity needs its unit, like m, m² or pieces.');
    expect(await page.$eval('[name="subject"]', (element) => (element as HTMLInputElement).value)).toBe('both windows');
    await fill(page, 'unit', 'pieces');
    await choose(page, 'stance', 'conditional');
    await press(page, 'Add');
    await seesText(page, 'replace both windows, 2 pieces');
    await press(page, 'not included 2');
    await gone(page, 'replace both windows');
    expect(on.complaints.filter((line) => !line.includes('400'))).toEqual([]);
  });

  it('are found by a piece of their name and explain their dates', async () => {
    const page = await at(`${job}/selections`);
    await type(page, '[aria-label="Search selections"]', 'lumen');
    await gone(page, 'Kitchen cabinets');
    await press(page, 'Lantern glazing');
    await seesText(page, 'it takes 140 to 154 days, counted at the longest, with 2 days in hand');
    await press(page, 'Order it');
    await setDay(page, 'expectedOn', '2027-08-20');
    await press(page, 'It is ordered');
    await seesText(page, 'Lantern glazing waits for the association (curved glazing of the lantern) and the designer');
    await fill(page, 'despite', 'the kiln has one slot left');
    await press(page, 'It is ordered');
    // The supplier answers soon, perhaps with another day: what was ordered and why stays in what happened,
    // and the work waits for the delivery, whichever day it is.
    await seesText(page, '(measured drawing of the lantern’s frame): the kiln has one slot left');
    await expect
      .poll(
        async () =>
          (await planOf()).notBefore.some((wait) =>
            /delivery of lantern glazing is expected \w+ \d+ Aug/.test(waitSaid(wait)),
          ),
        { timeout: 15_000 },
      )
      .toBe(true);
  });

  it('changed by somebody else meanwhile are not overwritten', async () => {
    const worktop = `${job}/selections/${demoId('signal', 'selection', 'kitchen', 'Worktop')}`;
    const [one, other] = [await at(worktop), await at(worktop)];
    for (const page of [one, other]) await press(page, 'Change it');
    await fill(one, 'choice', 'Oak, oiled');
    await fill(other, 'choice', 'Steel');
    await press(one, 'Save');
    await seesText(one, 'Oak, oiled');
    await press(other, 'Save');
    await seesText(other, 'Somebody changed this selection meanwhile.');
    await seesText(other, 'What was chosen: Oak, oiled');
    expect(await other.$eval('[name="choice"]', (element) => (element as HTMLInputElement).value)).toBe('Steel');
    await press(other, 'Save mine all the same');
    await seesText(one, 'Steel');
  });

  it('are added for a step of the area', async () => {
    const page = await at(`${job}/selections`);
    await press(page, 'Add a selection');
    await choose(page, 'area', areaOf('bath'));
    await fill(page, 'category', 'Bath tap');
    await press(page, 'Add');
    await seesText(page, 'The phase is missing.');
    await choose(page, 'phase', 'plumbing-finish');
    await press(page, 'Add');
    await seesText(page, 'Bath tap');
    expect((await planOf()).tasks.length).toBeGreaterThan(0);
  });
});

describe('the order of the work', () => {
  it('takes an order of one’s own, refuses one that goes round, and lets it go again', async () => {
    const page = await at(`${job}/sequence`);
    const agree = async (before: string, beforePhase: string, after: string, afterPhase: string): Promise<void> => {
      await choose(page, 'before.area', areaOf(before));
      await choose(page, 'before.phase', beforePhase);
      await choose(page, 'after.area', areaOf(after));
      await choose(page, 'after.phase', afterPhase);
      await press(page, 'Agree');
    };
    await press(page, 'Agree an order');
    await fill(page, 'reason', 'the boards are carried through it');
    await agree('study', 'board', 'study', 'framing');
    await textFits(page, /ring|each other/);
    await agree('guest', 'flooring', 'boot', 'final-coat');
    await seesText(page, 'the boards are carried through it');
    await seesText(page, 'Guest suite · flooring');
    await expect
      .poll(async () => (await planOf()).links.some((link) => link.rule === 100), { timeout: 15_000 })
      .toBe(true);
    await press(page, 'Remove');
    await seesText(page, 'Dropped; the plan follows.');
    await press(page, 'Undo');
    await seesText(page, 'the boards are carried through it');
  });

  it('changes with what is to be done in an area and how long a step takes', async () => {
    const page = await at(`${job}/areas/${areaOf('children')}`);
    await press(page, 'Change the area');
    await click(page, '#field-works-floor');
    await press(page, 'Save');
    await seesText(page, 'flooring');
    await press(page, 'Change a step');
    await choose(page, 'phase', 'flooring');
    await choose(page, 'trade', 'carpentry');
    await fill(page, 'halfDays', '0');
    await press(page, 'Save');
    await seesText(page, 'Half-days is at least 1.');
    await fill(page, 'halfDays', '9');
    await press(page, 'Save');
    await seesText(page, 'carpentry, 4½ days');
    await expect
      .poll(async () => taskOf(await planOf(), 'children', 'flooring')?.duration, { timeout: 15_000 })
      .toBe(9);
  });
});

describe('the board', () => {
  it('moves in time, draws the thread back and opens its waits', async () => {
    const page = await at(`${job}/schedule`);
    await seesText(page, 'Tue 9');
    await press(page, 'later');
    await textFits(page, /Tue 9\n/, false);
    await press(page, 'now');
    await seesText(page, 'Tue 9\n');
    await press(page, '3 weeks');
    await seesText(page, 'Fri 26');
    const plan = await planOf();
    const linked = plan.tasks.find(
      (task) =>
        task.job === signalHouse &&
        inTheWay(task.reason) !== undefined &&
        task.start > 2 &&
        task.start < 14 &&
        plan.tasks.some(
          (other) =>
            other.id === inTheWay(task.reason) && other.state !== 'done' && other.start >= 0 && other.crew !== null,
        ) &&
        task.crew !== null,
    );
    await click(page, '.more-rows');
    await click(page, `[data-task="${linked?.id ?? ''}"]`);
    await page.waitForSelector('svg.thread path');
    await press(
      page,
      `Look at ${workSaid(plan.tasks.find((task) => task.id === (linked && inTheWay(linked.reason))))}`,
    );
    await page.waitForFunction(
      (task: string) => document.querySelector('.piece.chosen')?.getAttribute('data-task') === task,
      {},
      (linked && inTheWay(linked.reason)) ?? '',
    );
    await page.keyboard.press('Escape');
    await click(page, '.board .marks button');
    await page.waitForSelector('.board .marks button[aria-expanded="true"]');
    expect(on.complaints).toEqual([]);
  });

  it('follows a crew that goes away', async () => {
    const page = await at('/firm');
    await press(page, 'Days away of Halyard Wiring');
    await setDay(page, 'firstDay', '2027-03-12');
    await setDay(page, 'lastDay', '2027-03-11');
    await press(page, 'Save');
    await seesText(page, 'The last day away must not be before the first.');
    await setDay(page, 'firstDay', '2027-03-09');
    await setDay(page, 'lastDay', '2027-03-19');
    await press(page, 'Save');
    await seesText(page, 'Tue 9 Mar to Fri 19 Mar');
    await expect
      .poll(async () => (await planOf()).tasks.find((task) => task.id === `${areaOf('main')}:wiring-rough`)?.start, {
        timeout: 15_000,
      })
      .toBeGreaterThanOrEqual(26);
    await press(page, 'Back: Halyard Wiring');
    await gone(page, 'Tue 9 Mar to Fri 19 Mar');
  });
});

describe('news', () => {
  it('are written in, sent as they were read, and tell of what did not arrive', async () => {
    const page = await at(`${job}/news`);
    await press(page, 'Add a line of your own');
    await fill(page, 'words', 'I am there on Thursday.');
    await press(page, 'Save');
    await seesText(page, 'I am there on Thursday.');
    await press(page, 'I am there on Thursday.');
    await press(page, 'Take it away');
    await gone(page, 'I am there on Thursday.');
    await click(page, '.draft-points .draft-words');
    await press(page, 'Leave it out');
    await seesText(page, 'left out');
    await press(page, 'Undo');
    await seesText(page, 'It is back.');
    await inspect(page, 'news');
    await press(page, 'Send to The Averill family');
    await page.waitForSelector('[name="recipients.0.address"]');
    await fill(page, 'recipients.0.address', 'nobody');
    await press(page, 'Send now');
    await seesText(page, 'must be an e-mail like name@example.net');
    await fill(page, 'recipients.0.address', 'nobody@nowhere.invalid');
    await press(page, 'Send now');
    await seesText(page, 'There is no such address.');
    const today = await at('/');
    await seesText(today, 'A message did not arrive');
    await press(page, 'Put the address right of The Averill family');
    await fill(page, 'address', 'elder@watchsteps.example');
    await press(page, 'Send it there');
    await gone(page, 'Did not arrive');
    await today.reload();
    await seesText(today, 'To tell');
    await textFits(today, /did not arrive/, false);
  });

  it('are asked about on a client’s page, and answered beside the question', async () => {
    const page = await at(`${job}/news`);
    const path = await shownLink(page, 'Averill');
    const client = await at(path, PHONE);
    await textFits(client, /By the plan of today we finish on/);
    await seesText(client, 'Through the house');
    await fill(client, 'text', 'May the window seat stay?');
    await click(client, '#ask form button[type="submit"]');
    await seesText(client, 'We have it, and answer here.');
    await seesText(page, 'May the window seat stay?');
    await press(page, 'Answer The Averill family');
    await fill(page, 'answer', 'Yes. The heater goes under it.');
    await click(page, '.offcanvas form button[type="submit"]');
    await gone(page, 'Asked of you');
    await client.reload();
    await seesText(client, 'Yes. The heater goes under it.');
    await inspect(client, 'client page');
  });

  it('reach neighbours, on a page that says nothing of the house', async () => {
    const page = await at(`${job}/news`);
    await press(page, 'Add one');
    await fill(page, 'name', 'Number 4');
    await fill(page, 'email', 'four@quay.example');
    await fill(page, 'note', 'two dogs');
    await press(page, 'Save');
    await press(page, 'The neighbours');
    await seesText(page, 'Building work at 3 Watch Steps');
    await press(page, 'Send to the neighbours');
    await press(page, 'Send now');
    const path = await shownLink(page, 'Number 4');
    const four = await at(path, PHONE);
    await seesText(four, 'When it is loud');
    await textFits(four, /Guest suite|Day room/, false);
    await inspect(four, 'neighbour page');
  });

  it('give a sub a link to all its work', async () => {
    const page = await at(`${job}/news`);
    await press(page, 'Make a link');
    await choose(page, 'audience', 'sub');
    await choose(page, 'sub', demoId('sub', 'wiring'));
    await fill(page, 'recipient', 'Petra');
    await press(page, 'Make the link');
    const path = await shownLink(page, 'Petra');
    const petra = await at(path, PHONE);
    await seesText(petra, 'Halyard Wiring');
    await seesText(petra, 'boxes too low on the east wall');
    await inspect(petra, 'sub page');
  });
});

describe('people', () => {
  it('see and may do what their role allows', async () => {
    const page = await at('/firm');
    await seesText(page, 'Add a sub');
    await press(page, 'Maren, account');
    await press(page, 'Tobin, lead');
    await seesText(page, 'Walk today');
    await page.goto(`${on.server.url}/firm`);
    await seesText(page, 'Halyard Wiring');
    expect(await page.evaluate(() => document.body.innerText)).not.toContain('Add a sub');
  });
});

describe('a walk without signal', () => {
  it('keeps its records on the phone and sends them once there is one', async () => {
    const page = await at(`/walk/${demoId('signal', 'walk', '2')}`, PHONE);
    await seesText(page, '1 of 18');
    await page.setOfflineMode(true);
    await press(page, 'Line');
    await type(page, '#line', 'seen without signal');
    await press(page, 'Save');
    await seesText(page, '1 kept here');
    await page.setOfflineMode(false);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await sent(page);
    await page.reload();
    await seesText(page, 'seen without signal');
  });

  it('keeps what the house refused, says why, and lets it be taken away', async () => {
    const page = await at(`/walk/${demoId('signal', 'walk', '2')}`, PHONE);
    await seesText(page, '1 of 18');
    // The worker that serves Walk offline would answer past the interception.
    await page.setBypassServiceWorker(true);
    await page.setRequestInterception(true);
    page.on('request', (request) => {
      if (!request.url().includes('/api/commands')) return void request.continue();
      const problem = {
        type: '/problems/unknown-id',
        title: 'There is no such area in this job here.',
        status: 404,
        code: 'unknown-id',
      };
      return void request.respond({
        status: 404,
        contentType: 'application/problem+json',
        body: JSON.stringify(problem),
      });
    });
    await press(page, 'Line');
    await type(page, '#line', '! loose tread');
    await press(page, 'Save');
    await seesText(page, '1 kept here');
    await press(page, '1 kept here');
    await seesText(page, 'There is no such area in this job here.');
    await press(page, 'Remove caution: loose tread');
    await gone(page, '1 kept here');
  });
});

describe('what something means', () => {
  it('is said where it stands, by a tap or a key, and on the page of all words', async () => {
    const page = await at(job, PHONE);
    await press(page, 'stopped');
    await seesText(page, 'nobody goes on until this is settled.');
    await page.keyboard.press('Escape');
    await gone(page, 'nobody goes on until this is settled.');
    await page.goto(`${on.server.url}${job}/sequence`);
    await choose(page, '[aria-label="Whose order"]', areaOf('boiler'));
    await page.locator('.means::-p-text(pipes)').click();
    await seesText(page, 'Water and drain pipes are run while the walls are open.');
    await press(page, 'All words and marks');
    await seesText(page, 'Words and marks');
    expect(new URL(page.url()).hash).toBe('#step.plumbing-rough');
    await seesText(page, 'To the client: the pipes inside the walls.');
    await inspect(page, 'the page of words');
    expect(on.complaints).toEqual([]);
  });
});

describe('evenings and paper', () => {
  it.each([
    ['Rooms', job],
    ['Schedule', `${job}/schedule`],
    ['Walk', `/walk/${demoId('signal', 'walk', '2')}`],
    ['Selections', `${job}/selections`],
  ])('%s reads as well in the dark', async (name, path) => {
    const page = await visit(on.browser, DESK, on.complaints);
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'dark' }]);
    await page.goto(`${on.server.url}${path}`);
    await page.waitForSelector('main');
    await inspect(page, `${name} in the dark`);
    expect(await page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe('rgb(17, 25, 27)');
  });

  it('prints the section without what only a screen needs', async () => {
    const page = await at(job);
    await page.emulateMediaType('print');
    const shown = (selector: string) => page.$eval(selector, (element) => getComputedStyle(element).display !== 'none');
    expect(await shown('.section')).toBe(true);
    expect([await shown('.top-line'), await shown('.places'), await shown('.page-head .push')]).toEqual([
      false,
      false,
      false,
    ]);
    expect(await page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe('rgb(255, 255, 255)');
  });
});

describe('a drawing as PDF', () => {
  it('is kept with its room under the name of its file, opens, and goes with a way back', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'aftermist-'));
    const [file, other] = [join(folder, 'Bench by the door.pdf'), join(folder, 'plan.pdf')];
    writeFileSync(file, '%PDF-1.7 a bench of oak');
    writeFileSync(other, 'words that were only called a PDF');
    const page = await at(`${job}/areas/${areaOf('boot')}`);
    await press(page, 'Add a PDF to Boot room');
    await upload(page, 'input[type="file"][accept="application/pdf"]', other);
    await seesText(page, 'This is no PDF');
    await upload(page, 'input[type="file"][accept="application/pdf"]', file);
    await page.waitForFunction(`document.querySelector('[name="name"]').value === 'Bench by the door'`);
    await press(page, 'Keep it');
    await gone(page, 'Keep it');
    await sent(page);
    await seesText(page, 'Bench by the door');
    const opened = await fetch(new URL(await hrefOf(page, 'main a[href^="/api/pdfs/"]'), page.url()));
    expect([opened.headers.get('content-type'), await opened.text()]).toEqual([
      'application/pdf',
      '%PDF-1.7 a bench of oak',
    ]);
    await press(page, 'Remove Bench by the door');
    await seesText(page, 'Bench by the door was taken away');
    await press(page, 'Undo');
    await seesText(page, 'Bench by the door is back');
    rmSync(folder, { recursive: true });
    expect(on.complaints.filter((text) => !text.includes('422'))).toEqual([]);
  });
});

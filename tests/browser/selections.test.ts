import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { addDays } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { demoId } from '../../demo/seed';
import { choose, click, gone, hrefOf, PHONE, press, seesText, type, upload } from '../support/browser';
import { fillIn, setDay } from '../support/forms';
import { areaOf, folder } from '../support/installations';
import { stage } from '../support/stage';
import { reasonSaid, workSaid } from '../support/said';

const on = stage();
const { at, planOf } = on;
const signal = `/jobs/${demoId('signal')}`;
const tannery = `/jobs/${demoId('tannery')}`;
const [GLAZING, CABINETS] = [
  demoId('signal', 'selection', 'lroof', 'Lantern glazing'),
  demoId('tannery', 'selection', 'kitchen', 'Kitchen cabinets'),
];

describe('the longest order of a job', () => {
  it('goes through association, drawing, order and slip; the dates of the house follow and say why', async () => {
    const glazing = async () => {
      const plan = await planOf();
      const task = plan.tasks.find((planned) => planned.id === `${areaOf('lroof')}:glazing`);
      return { day: dayOfSlot(plan.origin, task?.start ?? 0), reason: reasonSaid(task) };
    };
    const until = (what: (now: Awaited<ReturnType<typeof glazing>>) => boolean): Promise<void> =>
      expect.poll(async () => what(await glazing()), { timeout: 15_000 }).toBe(true);
    const start = await glazing();
    expect(start.reason).toContain('waits for the designer');

    const page = await at(`${signal}/selections`);
    await seesText(page, 'waits for the association');
    await page.goto(`${on.server.url}${signal}/selections/requests`);
    await press(page, 'They answered: curved glazing of the lantern');
    await choose(page, 'outcome', 'conditions');
    await press(page, 'Save');
    await seesText(page, 'The conditions are missing.');
    await fillIn(page, '[name="conditions"]', 'clear glass, no mirror');
    await press(page, 'Save');
    await seesText(page, 'On condition: clear glass, no mirror');
    await until((now) => now.day < start.day);
    await press(page, 'It was sent: measured drawing of the lantern’s frame');
    await fillIn(page, '[name="sent"]', 'the sketch and the conditions');
    await press(page, 'Save');
    await seesText(page, 'the sketch and the conditions');
    await press(page, 'It is here: measured drawing of the lantern’s frame');
    await press(page, 'Save');
    await seesText(page, 'nothing is waited for');

    // Ordered, the simulated desk confirms it by itself, within its range and round its closure.
    await page.goto(`${on.server.url}${signal}/selections/${GLAZING}`);
    await press(page, 'Order it');
    await fillIn(page, '[name="quantity"]', '0');
    await press(page, 'It is ordered');
    await seesText(page, 'must be over 0');
    await fillIn(page, '[name="quantity"]', '8');
    await press(page, 'It is ordered');
    await seesText(page, 'confirmed: comes');
    await seesText(page, '(played by the demo)');
    await until((now) => now.reason.includes('The delivery of lantern glazing is expected'));
    const confirmed = await glazing();
    await press(page, 'The supplier says …');
    await choose(page, 'says', 'slips');
    await setDay(page, 'day', addDays(confirmed.day, 20));
    await fillIn(page, '[name="text"]', 'the kiln broke');
    await press(page, 'Save their answer');
    await seesText(page, 'later than promised: the kiln broke');
    await until(
      (now) => now.day >= addDays(confirmed.day, 19) && now.reason.includes('later than promised: the kiln broke'),
    );

    // The thread leads to the block on the board, and from there back to what it waits for.
    await click(page, '.back-from-work a::-p-text(So Lantern roof)');
    await seesText(page, 'Why here?');
    await press(page, 'Look at what it waits for');
    await seesText(page, 'Why these days');
    expect(on.complaints.filter((line) => !/40[09]|422/.test(line))).toEqual([]);
  });
});

describe('what came is not right', () => {
  it('is said on a walk and becomes an order of its own and a trip, with what goes back', async () => {
    const desk = await at(`${tannery}/selections/${CABINETS}`);
    await press(desk, 'It came today');
    await seesText(desk, 'on site');
    const phone = await at(tannery, PHONE);
    await press(phone, 'Start a walk');
    await seesText(phone, '1 of 9');
    await click(phone, 'button::-p-text(1 of 9)');
    await click(phone, '.route button::-p-text(Kitchen)');
    await seesText(phone, 'Kitchen cabinets');
    await press(phone, 'not so…: Kitchen cabinets');
    await fillIn(phone, '[aria-label="How many of Kitchen cabinets are wrong"]', '1');
    await fillIn(phone, '[aria-label="What was found instead of Kitchen cabinets"]', 'the sink base, 900 wide');
    const picture = join(folder(), 'sink-base.jpg');
    writeFileSync(
      picture,
      await sharp({ create: { width: 320, height: 240, channels: 3, background: '#ddc79d' } })
        .jpeg()
        .toBuffer(),
    );
    await upload(phone, '[aria-label="Picture of Kitchen cabinets"]', picture);
    await press(phone, 'Save: wrong');
    await seesText(phone, 'Kitchen cabinets: wrong');

    await desk.goto(`${on.server.url}${tannery}/selections/${CABINETS}`);
    await seesText(
      desk,
      '1 cabinets ordered as White laminate, plain, KL-3, white, but came as the sink base, 900 wide',
    );
    await desk.waitForSelector('img[alt^="What was found"]');
    await press(desk, 'to be ordered again: 1 cabinets, approved');
    await seesText(desk, 'it is to be ordered again for kitchen cabinets');
    await press(desk, 'Fit it on a return trip');
    await seesText(desk, 'Fitted on a return trip');
    await expect
      .poll(
        async () =>
          reasonSaid((await planOf()).tasks.find((task) => workSaid(task) === 'Kitchen · fit kitchen cabinets')),
        { timeout: 15_000 },
      )
      .toContain('The order for kitchen cabinets');
    await desk.goto(`${on.server.url}${tannery}/selections/deliveries`);
    await seesText(desk, 'Kitchen cabinets: the sink base, 900 wide, 1 cabinets');
    await press(desk, 'Gone back: Kitchen cabinets: the sink base, 900 wide, 1 cabinets');
    await gone(desk, 'wrong part, goes back');
    expect(on.complaints).toEqual([]);
  });
});

describe('a room', () => {
  it('has its sheet for the wall: one page, printed from where it stands', async () => {
    const page = await at(`${signal}/areas/${areaOf('wet')}`);
    const href = await hrefOf(page, 'a[href$="/sheet.pdf"]');
    const answer = await fetch(`${on.server.url}${href}`);
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    const document = await getDocument({ data: new Uint8Array(await answer.arrayBuffer()), verbosity: 0 }).promise;
    expect(document.numPages).toBe(1);
    const set = await fetch(`${on.server.url}/api${signal}/papers/room-sheets.pdf`);
    expect((await getDocument({ data: new Uint8Array(await set.arrayBuffer()), verbosity: 0 }).promise).numPages).toBe(
      17,
    );
  });
});

describe('the table of selections', () => {
  it('is changed where it stands, by keys alone, and asks about what it does not know', async () => {
    const page = await at(`${signal}/selections`);
    const kitchen = demoId('signal', 'selection', 'kitchen', 'Worktop');
    const cell = (column: string): string => `[data-cell="${kitchen}:${column}"]`;
    await page.waitForSelector(cell('lead'));
    await page.focus(cell('choice'));
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    expect(await page.evaluate(() => document.activeElement?.getAttribute('data-cell')?.split(':')[1])).toBe('lead');
    await page.keyboard.press('Enter');
    await page.keyboard.type('20-14');
    await page.keyboard.press('Enter');
    await seesText(page, 'The range is the wrong way round: 20 to 14 days.');
    await page.keyboard.press('Escape');
    await gone(page, 'wrong way round');
    await page.keyboard.press('Enter');
    await page.keyboard.type('14-20');
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      (selector) => (document.querySelector(selector)?.textContent ?? '').includes('14 to 20 days'),
      {},
      cell('lead'),
    );
    // A letter begins the change and takes the place of what stood there.
    await page.focus(cell('quantity'));
    await page.keyboard.type('24 ft');
    await page.keyboard.press('Tab');
    await page.waitForFunction(
      (selector) => document.querySelector(selector)?.textContent === '24 ft',
      {},
      cell('quantity'),
    );
    expect(await page.evaluate(() => document.activeElement?.getAttribute('data-cell')?.split(':')[1])).toBe(
      'supplier',
    );

    // A list: the good lines beside the bad, then a code that is built otherwise than the others of its supplier.
    await press(page, 'Read a list');
    await page.waitForSelector('#csv-selections', { visible: true });
    await type(
      page,
      '#csv-selections',
      'area,step,category,choice,code,quantity,unit,supplier,lead low,lead high\n' +
        'Kitchen,cabinets,Handles,Brushed bars,H-128,24,pieces,Quayside Fittings,5,8\n' +
        'Kitchen,cabinets,Handles,Again,H-1,1,pieces,,1,2\nKitchen,cabinets,Knobs,,,0,pieces,,8,5\n',
    );
    await press(page, 'Read the list');
    await seesText(page, 'Line 3, category: Handles in Kitchen stands on line 2 already');
    await seesText(page, 'Line 4, quantity: “0” is no quantity');
    await press(page, 'Add 1 selection');
    await seesText(page, '1 selection was read.');
    // The slip gives back what was in hand before it when it is gone.
    await page.waitForSelector('.offcanvas', { hidden: true });
    await choose(page, '[aria-label="Group by"]', 'supplier');
    await type(page, '[aria-label="Search selections"]', 'handles');
    await seesText(page, 'Quayside Fittings 1');
    await gone(page, 'Lantern glazing');
    const [handles] = await page.$$eval('[data-cell$=":code"]', (cells) =>
      cells.map((element) => element.getAttribute('data-cell') ?? ''),
    );
    await page.focus(`[data-cell="${handles ?? ''}"]`);
    await page.keyboard.type('H160');
    await page.keyboard.press('Enter');
    await seesText(page, '“H160” is built otherwise than the other codes of Quayside Fittings, like H-128.');
    await press(page, 'It is meant');
    await seesText(page, 'H160');
    await gone(page, 'built otherwise');
    expect(on.complaints.filter((line) => !/422/.test(line))).toEqual([]);
  });

  it('puts choices side by side; one is taken with its reason', async () => {
    const page = await at(`${signal}/selections/${demoId('signal', 'selection', 'bath', 'Bath tiles')}`);
    await seesText(page, '499.20');
    await press(page, 'Choose Chalk matt, 6" by 6"');
    await press(page, 'Choose it');
    await seesText(page, 'The reason is missing.');
    await fillIn(page, '[name="reason"]', 'calm, and here in ten days');
    await press(page, 'Choose it');
    await seesText(page, 'chosen: Chalk matt, 6" by 6", T-CHALK-66, chalk, because calm, and here in ten days');
    await page.goto(`${on.server.url}${signal}/scope/options`);
    await seesText(page, 'Bath tiles: Chalk matt');
    expect(on.complaints.filter((line) => !/400/.test(line))).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { demoId } from '../../demo/seed';
import { click, DESK, gone, PHONE, press, seesText, textFits, visit } from '../support/browser';
import { fillAll, fillIn, setDay } from '../support/forms';
import { foundFirm } from '../support/found-firm';
import { lookToday } from '../support/look-today';
import { stage } from '../support/stage';

const signal = `/jobs/${demoId('signal')}`;

describe('an inspection that failed', () => {
  const on = stage();

  it('is told on site; what is covered over it is never silent, and it is passed by a name', async () => {
    lookToday(on.folder);
    const desk = await on.at('/coordination');
    await press(desk, 'Failed: Study · rough inspections');
    await fillIn(desk, '[name="by"]', 'Inspector Quill');
    await fillIn(desk, '[name="fixes.0.text"]', 'a box without its clamp');
    await fillIn(desk, '[name="fixes.0.halfDays"]', '-3');
    await press(desk, 'It failed');
    await seesText(desk, 'Half-days is at least 1.');
    await fillIn(desk, '[name="fixes.0.halfDays"]', '1');
    await press(desk, 'It failed');
    await seesText(desk, 'failed by Inspector Quill: a box without its clamp');

    const phone = await on.at(signal, PHONE);
    await press(phone, 'Start a walk');
    await seesText(phone, '1 of 18');
    await click(phone, '::-p-text(1 of 18)');
    await click(phone, '::-p-text(Study)');
    await press(phone, 'Show all 22 steps');
    await seesText(phone, 'failed on Tue 9 Mar: a box without its clamp');
    await click(phone, '[aria-label="insulation done"]');
    await seesText(phone, 'Stop: insulation was begun, and nobody has passed rough inspections.');

    // The first page says so too, in red, until somebody has looked.
    const today = await on.at('/');
    await textFits(today, /Study: rough inspections,?\s*insulation begun, and rough inspections failed on Tue 9 Mar/);

    // A tap passes nothing: it asks who looked.
    await click(phone, '[role=group][aria-label="rough inspections"] button');
    await press(phone, 'Save: passed');
    await seesText(phone, 'Say who looked at it');
    await fillIn(phone, '#by-rough-inspection', 'Inspector Quill');
    await press(phone, 'Save: passed');
    await gone(phone, 'Stop: insulation was begun');
    await today.reload();
    await gone(today, 'insulation begun');
    expect(on.complaints).toEqual([]);
  });
});

describe('steps of many rooms', () => {
  const on = stage();

  it('are ticked and done at once, taken back at once, and given to others at once', async () => {
    lookToday(on.folder);
    const page = await on.at(`${signal}/sequence`);
    await page.select('[aria-label="Whose order"]', 'trade:board');
    await press(page, 'Tick several');
    const tick = async (...at: number[]): Promise<void> => {
      const boxes = await page.$$('.several .step input');
      for (const place of at) await boxes[place]?.click();
    };
    const before = (await page.$$('.several .step')).length;
    await tick(0, 1);
    await press(page, 'Done');
    await seesText(page, '2 steps down as done.');
    await page.waitForFunction((left) => document.querySelectorAll('.several .step').length === left, {}, before - 2);
    await press(page, 'Undo');
    await seesText(page, '2 steps open again.');
    await page.waitForFunction((left) => document.querySelectorAll('.several .step').length === left, {}, before);

    await tick(0, 1, 2);
    await press(page, 'Somebody else does them…');
    await fillAll(page, { who: 'the client’s own plasterer' });
    await setDay(page, 'expectedOn', '2027-05-03');
    await press(page, 'Save');
    await gone(page, 'Somebody else does them…');
    await press(page, 'Read by week');
    await textFits(page, /the client’s own plasterer/);
    expect(on.complaints).toEqual([]);
  });
});

describe('a roof', () => {
  const on = stage({ empty: true });

  it('is not opened before its covering has a day, unless somebody says why', async () => {
    const page = await visit(on.browser, DESK, on.complaints);
    await foundFirm(on, page);
    await press(page, 'Open the first job');
    await page.waitForSelector('[name="name"]');
    await fillAll(page, { name: 'Slate Cottage', client: 'Perrin', clientEmail: 'perrin@slate.example' });
    await press(page, 'Open the job');
    await seesText(page, 'From a pattern');
    const job = new URL(page.url()).pathname.replace('/areas', '');
    await fillIn(page, '#csv-areas', 'area,kind,works\nRoof,roof,reroof\n');
    await press(page, 'Read the list');
    await press(page, 'Set out 1 area');
    await seesText(page, 'the roof would stand open: nothing is chosen for covering');
    await press(page, 'Open all the same: the roof would stand open: nothing is chosen for covering');
    await press(page, 'Open all the same');
    await seesText(page, 'Why it is opened all the same is missing.');
    await fillAll(page, { reason: 'it leaks; the tarps stay on until the slates come' });
    await press(page, 'Open all the same');
    await gone(page, 'the roof would stand open');
    await page.goto(`${on.server.url}${job}/sequence`);
    await seesText(page, 'Outside and ground');

    // What the work asks for is answered: added with its place and hours, or not needed here.
    await press(page, 'Add: Scaffold');
    await fillAll(page, { place: 'along the lane', fromHour: '8 am', contact: 'Tubes & Boards' });
    await fillAll(page, { phone: '+41 44 000 00 00' });
    await press(page, 'Add it');
    await seesText(page, 'The first hour must be a time of the day, like 07:30.');
    await fillAll(page, { fromHour: '08:00', toHour: '12:00' });
    await press(page, 'Add it');
    await seesText(page, 'along the lane, from 08:00 until 12:00');
    await press(page, 'Not needed: Permit to stand in the street');
    await seesText(page, 'Not needed here: 1');
    await page.goto(on.server.url);
    await textFits(page, /Scaffold for Roof · scaffold up: Tubes & Boards[^]*\+41 44 000 00 00/);
    expect(on.complaints).toEqual([]);
  });
});

import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { choose, click, DESK, PHONE, press, seesText, sent, textFits, visit, shownLink } from '../support/browser';
import { fillAll, fillIn, tick } from '../support/forms';
import { foundFirm } from '../support/found-firm';
import { sendStatement } from '../support/statement';
import { stage } from '../support/stage';

const on = stage({ empty: true });

/** An L with a bay and sixteenths of an inch in it: each wall’s length and the turn at its end. */
const WALLS: readonly (readonly [string, string])[] = [
  [`4' 0"`, '-45'],
  [`2' 0"`, '45'],
  [`3' 0"`, '45'],
  [`2' 0"`, '-45'],
  [`3' 3 1/16"`, '90'],
  [`12' 5 3/16"`, '90'],
  [`6' 8"`, '90'],
  [`5' 0"`, '-90'],
  [`6' 5"`, '90'],
  [`7' 5 3/16"`, '90'],
];

/** Keeps one line of the first visit, once what was understood of it stands beneath it. */
async function say(page: Page, line: string, understood: RegExp): Promise<void> {
  await fillIn(page, '#line', line);
  await textFits(page, understood);
  await page.keyboard.press('Enter');
  await seesText(page, 'Saved: ');
  await page.waitForFunction(() => document.querySelector<HTMLInputElement>('#line')?.value === '');
}

describe('a job in feet and inches', () => {
  it('goes from an empty house over an L-shaped room with a bay to an agreed statement, and reaches its crew', async () => {
    const page = await visit(on.browser, DESK, on.complaints);
    await foundFirm(on, page);
    await press(page, 'Open the first job');
    await page.waitForSelector('[name="name"]');
    await fillAll(page, { name: 'Larch House', client: 'Perrin', clientEmail: 'perrin@larch.example' });
    await choose(page, 'units', 'imperial');
    await press(page, 'Open the job');
    await seesText(page, 'From a pattern');
    const job = new URL(page.url()).pathname.replace('/areas', '');
    await fillIn(page, '#csv-areas', 'level,area,kind,works\nGround floor,Sun room,room,rebuild\n');
    await press(page, 'Read the list');
    await press(page, 'Set out 1 area');
    await seesText(page, 'of the work is done');

    // The room by its walls, as the tape reads them.
    await click(page, '::-p-text(Sun room)');
    await press(page, 'Draw it');
    for (let more = 4; more < WALLS.length; more += 1) await press(page, 'One more wall');
    await fillIn(page, '#shape-height', `8' 0"`);
    for (const [at, [length, turn]] of WALLS.entries()) {
      await fillIn(page, `#line-${at}-0`, length);
      await fillIn(page, `#line-${at}-1`, turn);
    }
    await press(page, 'Save the drawing');
    await seesText(page, 'is drawn; what follows from it is computed again');

    // A door and a bed against walls of sixteenths: neither is told that it meets a wall.
    await press(page, 'An opening');
    await choose(page, 'kind', 'door');
    await choose(page, 'wall', '5');
    await fillAll(page, { name: 'yard door', width: '32"', height: `6' 8"`, along: `9' 0"` });
    await press(page, 'Save');
    await seesText(page, 'Yard door swings free.');
    await press(page, 'Furniture or fixture');
    await choose(page, 'kind', 'bed');
    await choose(page, 'wall', '9');
    await fillAll(page, { name: 'queen bed', along: '6"', width: `5' 0"`, depth: `6' 8"`, front: '0' });
    await press(page, 'Save');
    await seesText(page, 'queen bed');
    await textFits(page, /does not stand inside|cannot swing/, false);
    await textFits(page, /[\d.,]+ sq ft/);
    expect(await page.evaluate(() => document.body.innerText)).not.toMatch(/\bm²|\bmm\b/);

    // What is agreed, with commas, feet by feet and squares; an unclear comma is asked back.
    await page.goto(`${on.server.url}${job}/scope/visit`);
    await press(page, 'Begin the first visit');
    await say(page, 'strip the siding 2,500 sq ft', /2500 sq ft/);
    await say(page, "board the far wall 48' x 8'", /384 sq ft/);
    await say(page, 'not: the gutters', /gutters/);
    await say(page, 'live: the phone line', /phone line/);
    await say(page, 'protect: the oak stair with boards', /with boards/);
    await fillIn(page, '#line', 'dig the trench 1,250 m');
    await press(page, 'Save');
    await seesText(page, '1.25');
    await fillIn(page, '#line', '');
    await press(page, 'installer’s call on site');
    await fillAll(page, { subject: 'the stop valve' });
    await fillIn(page, '[name="options"], #field-options', 'beside the yard door\nunder the stair');
    await press(page, 'Save');
    await seesText(page, 'The stop valve: beside the yard door or under the stair');
    await sent(page);

    // Made, sent, agreed on a phone.
    const { client } = await sendStatement(on, page, job);
    await seesText(client, 'strip the siding, 2500 sq ft');
    await tick(client, 'agree-read');
    await press(client, 'I agree to version 1');
    await seesText(client, 'Agreed by Perrin, today');

    // What is added later is told apart.
    await page.goto(`${on.server.url}${job}/scope/visit`);
    await say(page, 'paint the far wall', /far wall/);
    await sent(page);
    await page.goto(`${on.server.url}${job}/scope`);
    await seesText(page, 'added since the agreement');

    // The crew reads it on a phone, and makes the choice that is theirs; it stays made.
    await page.goto(`${on.server.url}${job}/news`);
    await press(page, 'Make a link');
    await choose(page, 'audience', 'crew');
    await fillAll(page, { recipient: 'Wren' });
    await press(page, 'Make the link');
    await page.waitForFunction(() => document.querySelectorAll('aside [data-link]').length > 1);
    for (let count = await page.$$eval('aside [data-link]', (all) => all.length); count > 0; count--)
      await shownLink(page);
    const links = await page.$$eval('aside a[href^="/s/"]', (all) =>
      all.map((link) => link.getAttribute('href') ?? ''),
    );
    const pages = await Promise.all([...new Set(links)].map((link) => on.at(link, PHONE)));
    const [crew] = (
      await Promise.all(
        pages.map(async (one) =>
          (await one.evaluate(() => document.body.innerText)).includes('What is agreed') ? [one] : [],
        ),
      )
    ).flat();
    if (!crew) throw new Error('No link shows the crew’s page.');
    for (const details of await crew.$$('details:not([open]) summary')) await details.click();
    await seesText(crew, 'Stays live');
    await seesText(crew, 'phone line');
    await seesText(crew, 'Not included');
    await seesText(crew, 'The gutters');
    await seesText(crew, 'Strip the siding, 2500 sq ft');
    await seesText(crew, 'with boards');
    await press(crew, 'beside the yard door');
    await seesText(crew, 'decided by Wren');
    await crew.reload();
    for (const details of await crew.$$('details:not([open]) summary')) await details.click();
    await seesText(crew, 'decided by Wren');
    expect(on.complaints).toEqual([]);
  }, 240_000);
});

import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { choose, DESK, press, seesText, sent, textFits, visit } from '../support/browser';
import { fillAll, fillIn, tick } from '../support/forms';
import { foundFirm } from '../support/found-firm';
import { sendStatement } from '../support/statement';
import { stage } from '../support/stage';

const on = stage({ empty: true });

/** What a person does with hand and keyboard, counted. */
function counted(page: Page) {
  const count = { clicks: 0, fields: 0 };
  return {
    count,
    press: async (words: string): Promise<void> => {
      count.clicks += 1;
      await press(page, words);
    },
    choose: async (selector: string, value: string): Promise<void> => {
      count.fields += 1;
      await choose(page, selector, value);
    },
    fill: async (values: Record<string, string>): Promise<void> => {
      count.fields += Object.keys(values).length;
      await fillAll(page, values);
    },
  };
}

const optionOf = (page: Page, name: string, text: string): Promise<string> =>
  page.$eval(
    `[name="${name}"], #${name}`,
    (field, wanted) =>
      [...(field as HTMLSelectElement).options].find((option) => option.textContent.startsWith(wanted))?.value ?? '',
    text,
  );

describe('money from an empty house', () => {
  it('three assemblies make a priced statement; what was found otherwise becomes changes, and the sum is one on every paper', async () => {
    const page = await visit(on.browser, DESK, on.complaints);
    await foundFirm(on, page);

    // Once for the firm: its money and what hours cost it.
    await page.goto(`${on.server.url}/firm/settings`);
    await press(page, 'Change the firm’s money');
    await choose(page, 'currency', 'CHF');
    await fillAll(page, { markup: '10', taxRate: '8' });
    await press(page, 'Save');
    await seesText(page, 'Swiss Franc, CHF');
    for (const trade of ['structure', 'tear-out', 'carpentry', 'paint', 'flooring', 'finish']) {
      await press(page, 'Set a rate');
      await choose(page, 'trade', trade);
      await fillIn(page, '[name="perHour"]', '50');
      await press(page, 'Save');
      await page.waitForFunction(() => document.querySelector('[name="perHour"]') === null);
    }

    // The job, with three rooms.
    await page.goto(`${on.server.url}/jobs/new`);
    await page.waitForSelector('[name="name"]');
    await fillAll(page, { name: 'Larch House', client: 'Perrin', clientEmail: 'perrin@larch.example' });
    await press(page, 'Open the job');
    await seesText(page, 'From a pattern');
    const job = new URL(page.url()).pathname.replace('/areas', '');
    const areas =
      'level,area,kind,works\nGround floor,Kitchen,room,\nGround floor,Hall,room,\nGround floor,Study,room,\n';
    await fillIn(page, '#csv-areas', areas);
    await press(page, 'Read the list');
    await press(page, 'Set out 3 areas');
    await seesText(page, 'of the work is done');

    // Three sentences.
    const by = counted(page);
    await page.goto(`${on.server.url}${job}/scope/assemblies`);
    const set = async (
      area: string,
      sentence: string,
      title: string,
      fields: Record<string, string>,
    ): Promise<void> => {
      await seesText(page, 'What is done, in a sentence');
      await by.choose('#assembly-area', await optionOf(page, 'assembly-area', area));
      await page.waitForFunction(
        (name) => document.querySelector<HTMLSelectElement>('#assembly-area')?.selectedOptions[0]?.textContent === name,
        {},
        area,
      );
      by.count.fields += 1;
      await fillIn(page, '#assembly-said', sentence);
      await by.press(`Set ${title}`);
      await by.fill(fields);
      await by.press(`Set in ${area}`);
      await textFits(page, new RegExp(`${title}, ${area}`));
    };
    await set('Kitchen', 'this partition goes, it carries nothing', 'Take a partition out', {
      'answers.run': '4',
      'answers.high': '2.5',
      'prices.Wall boards': '20',
    });
    await set('Hall', 'take the old floor up and lay a new one', 'New floor', {
      'answers.floor': '20',
      'answers.edge': '16',
      'prices.Floor boards, packs': '60',
      'prices.Underlay, rolls': '40',
      'prices.Skirting': '10',
    });
    await set('Study', 'fill, sand and paint twice', 'Paint a room', {
      'answers.walls': '36',
      'answers.ceiling': '12',
      'prices.Wall paint, cans of 10 L': '80',
      'prices.Ceiling paint, cans of 10 L': '70',
    });

    // In which parts it is paid.
    await page.goto(`${on.server.url}${job}/scope/money`);
    await by.press('Set the steps');
    await by.press('Save');
    // 12.2 h and 3 boards; 14.4 h, 10 packs, 2 rolls, 8 skirtings; 11.76 h and two cans: 1918.00 + 760.00 + 150.00
    // = 670 + 1480 + 738 = 2888.00; 10 % = 288.80; 8 % of 3176.80 = 254.14
    await seesText(page, 'no price agreed yet; today’s lines come to CHF 3 430.94');
    by.count.clicks += 3; // Statement, make, send
    const { client } = await sendStatement(on, page, job);
    expect(by.count.clicks).toBeLessThanOrEqual(40);
    expect(by.count.fields).toBeLessThanOrEqual(30);
    await seesText(client, 'In all, with tax');
    await seesText(client, 'CHF 3 430.94');
    await seesText(client, 'when everything is handed over');
    await tick(client, 'agree-read');
    await press(client, 'I agree to version 1');
    await seesText(client, 'Agreed by');

    // An allowance that is overrun: it is held against what was chosen, and the client pays what is above.
    await page.goto(`${on.server.url}${job}/scope/visit`);
    await press(page, 'Begin the first visit');
    await press(page, 'allowance');
    await fillAll(page, { subject: 'handles', quantity: '10', unit: 'pieces', unitPrice: '12' });
    await press(page, 'Save');
    await seesText(page, 'pieces of handles');
    await sent(page);
    await page.goto(`${on.server.url}${job}/selections`);
    await press(page, 'Add a selection');
    await choose(page, 'area', await optionOf(page, 'area', 'Kitchen'));
    await choose(page, 'phase', 'trim');
    await fillAll(page, {
      category: 'Handles',
      choice: 'Brass pulls',
      quantity: '10',
      unit: 'pieces',
      unitPrice: '20',
    });
    await press(page, 'Add');
    await seesText(page, 'Brass pulls');
    await page.goto(`${on.server.url}${job}/scope/money`);
    await press(page, 'Hold a selection against it: Kitchen: 10 pieces of handles');
    await press(page, 'Hold against it: Handles, Kitchen');
    await seesText(page, '+CHF 80.00');
    await press(page, 'Make it a change: Kitchen: 10 pieces of handles');
    await seesText(page, 'change 1, draft');

    // An assumption that was wrong, with its price and days.
    await page.goto(`${on.server.url}${job}/scope/visit`);
    await press(page, 'Add assumption');
    await fillAll(page, {
      text: 'the floor is sound',
      fallback: 'replace six joists',
      fallbackHalfDays: '3',
      fallbackPrice: '900',
    });
    await press(page, 'Save');
    await seesText(page, 'the floor is sound');
    await sent(page);
    await page.goto(`${on.server.url}${job}/scope`);
    await press(page, 'Settle: the floor is sound');
    await fillIn(page, '[name="found"]', 'eaten by worm');
    await press(page, 'It is wrong');
    await press(page, 'Make it a change: the floor is sound');
    await seesText(page, 'Change 2 pays for it.');

    // Both are sent and approved; the sum is one everywhere.
    for (const title of ['Handles: above the allowance', 'Replace six joists']) {
      await page.goto(`${on.server.url}${job}/scope/changes`);
      await press(page, `Send for approval: ${title}`);
      await press(page, 'Send');
      await seesText(page, 'As the client was told.');
      await client.reload();
      await press(client, `I approve: ${title}`);
      await seesText(client, 'approved by Perrin, today');
    }
    // 80.00 and 900.00, each with 10 % and 8 %: 95.04 and 1069.20
    await seesText(client, 'CHF 95.04');
    await seesText(client, 'CHF 1 069.20');
    await page.goto(`${on.server.url}${job}/scope/money`);
    await seesText(page, 'changes approved, 2 CHF 1 164.24');
    await seesText(page, 'CHF 4 595.18');
    await page.goto(`${on.server.url}${job}/scope/statement`);
    await press(page, 'Make version 2');
    await seesText(page, 'With the changes');
    await seesText(page, 'CHF 1 164.24');

    // What the assemblies buy and the handles go out as one order; what comes and is billed is held against it.
    await page.goto(`${on.server.url}${job}/selections/orders`);
    await press(page, 'Write the order to No supplier yet');
    // 3 × 20.00, 10 × 60.00, 2 × 40.00, 8 × 10.00, 80.00, 70.00 and the handles, 10 × 20.00
    await seesText(page, 'In all CHF 1 170.00 before tax.');
    await press(page, 'Save as a draft');
    await seesText(page, 'The supplier is missing.');
    await fillIn(page, '[name="supplier"]', 'Aster Timber');
    await press(page, 'Save as a draft');
    await seesText(page, 'PO 1: Aster Timber');
    await press(page, 'Send it');
    await press(page, 'It went out');
    await press(page, 'It came');
    await page.waitForSelector('[name="lines.0.quantity"]');
    const handles = await page.$$eval('label', (labels) =>
      labels.findIndex((label) => label.textContent.startsWith('Handles')),
    );
    expect(handles).toBeGreaterThanOrEqual(0);
    await fillIn(page, `[name="lines.${handles}.quantity"]`, '6');
    await press(page, 'It came');
    await seesText(page, '4 pieces still to come');
    await press(page, 'Add a bill');
    await fillAll(page, { number: 'A-17', [`lines.${handles}.quantity`]: '10', [`lines.${handles}.amount`]: '220' });
    await press(page, 'Save');
    await seesText(page, '4 pieces billed but not delivered.');
    await seesText(page, 'Billed at CHF 220.00, ordered at CHF 200.00.');
    await page.goto(`${on.server.url}${job}/scope/money`);
    await seesText(page, 'PO 1, Aster Timber 1 bill');
    await seesText(page, 'spent CHF 1 190.00');
    expect(on.complaints.filter((line) => !/40[049]|422/.test(line))).toEqual([]);
  });
});

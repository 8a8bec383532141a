import { describe, expect, it } from 'vitest';
import { demoId } from '../../demo/seed';
import { choose, gone, PHONE, press, seesText } from '../support/browser';
import { fillAll } from '../support/forms';
import { stage } from '../support/stage';

const on = stage();
const job = `/jobs/${demoId('dairy')}`;

describe('the way in, on site', () => {
  it('is measured with a thumb: what does not come through says so, and its carrying becomes work', async () => {
    const page = await on.at(`${job}/selections/way-in`, PHONE);
    await seesText(page, 'no large piece yet');
    await press(page, 'Add a narrow place');
    await fillAll(page, { what: 'Side gate', width: '90 cm', height: 'high enough' });
    await press(page, 'Save');
    // What was not understood is asked, beside its field, and nothing is lost.
    await page.waitForSelector('[name="height"][aria-invalid="true"]');
    await fillAll(page, { height: '2100' });
    await press(page, 'Save');
    await seesText(page, '900 mm wide, 2100 mm high; everything goes through here');

    await press(page, 'Add a narrow place');
    await fillAll(page, { what: 'Round the milk room' });
    await choose(page, 'kind', 'turn');
    await fillAll(page, { before: '1000', behind: '900', height: '2350' });
    await press(page, 'Save');
    await seesText(page, 'turn out of 1000 mm into 900 mm');

    await press(page, 'Add a large piece');
    await fillAll(page, { what: 'Oak beam', length: '5200', width: '90', height: '240', mass: '62' });
    await press(page, 'Save');
    await seesText(page, 'It does not come through Round the milk room');
    await seesText(page, 'In 2 pieces of at most');
    await seesText(page, '1 of 1 does not come in as it is');

    await press(page, 'Change Round the milk room');
    await fillAll(page, { before: '4000', behind: '3000' });
    await press(page, 'Save');
    await seesText(page, 'It comes in as it is.');
    await press(page, 'Plan the carrying of Oak beam');
    await press(page, 'Put it in the plan');
    await seesText(page, 'Carrying it in is in the plan.');
    await gone(page, 'Plan the carrying');
    await page.goto(`${on.server.url}${job}/sequence`);
    await seesText(page, 'carry in: Oak beam');
    expect(on.complaints).toEqual([]);
  });
});

describe('an order at the lorry', () => {
  it('is counted by the site lead, who is shown no price', async () => {
    const page = await on.at('/', PHONE);
    await page.evaluate(
      (person) =>
        fetch('/api/session/person', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ person }),
        }),
      demoId('person', 'tobin'),
    );
    await page.goto(`${on.server.url}/jobs/${demoId('tannery')}/selections/orders`);
    await press(page, 'PO 1, Shardwell Tile');
    await seesText(page, '50 tiles billed but not delivered.');
    expect(await page.content()).not.toMatch(/42\.50|4250|127\.50|12750/);
    await press(page, 'It came');
    await seesText(page, 'tiles; 150 ordered, 100 came before');
    await press(page, 'It came');
    await gone(page, '50 tiles billed but not delivered.');
    await seesText(page, 'White gloss, 100 × 200: 50 tiles came');
    expect(on.complaints).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { demoId } from '../../demo/seed';
import { choose, PHONE, press, seesText, textFits } from '../support/browser';
import { lookToday } from '../support/look-today';
import { stage } from '../support/stage';

const signal = `/jobs/${demoId('signal')}`;

describe('days and hours', () => {
  const on = stage();

  it('are written everywhere as the firm chose, from the next page on', async () => {
    lookToday(on.folder);
    const desk = await on.at('/firm/settings');
    await textFits(desk, /it is Tue 9 Mar, \d\d:\d\d there/);
    await press(desk, 'Write days and hours otherwise');
    await choose(desk, 'dates', 'fr');
    await choose(desk, 'clockHours', '12');
    await press(desk, 'Save');
    await textFits(desk, /it is mar 9 mars, \d{1,2}:\d\d [ap]m there/);

    // What the server writes, and what the browser writes after it.
    await desk.goto(`${on.server.url}/`);
    await seesText(desk, 'mar 9 mars');
    await desk.goto(`${on.server.url}${signal}/schedule?weeks=6`);
    await textFits(desk, /planned today \d{1,2}:\d\d [ap]m/);
    await seesText(desk, '15 mars');
    const phone = await on.at(`${signal}/schedule/living`, PHONE);
    await textFits(phone, /jeu 11 mars, 8 am to noon/);
    expect(on.complaints).toEqual([]);
  });
});

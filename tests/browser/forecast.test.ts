import { describe, expect, it } from 'vitest';
import { demoId } from '../../demo/seed';
import { shownLink, inspect, PHONE, press, seesText, textFits, type } from '../support/browser';
import { setDay } from '../support/forms';
import { stage } from '../support/stage';

const on = stage();
const { at } = on;
const signal = demoId('signal');

describe('what lies ahead', () => {
  it('is played in the browser: the end as a chance, stopped at will, and what was played counts', async () => {
    const page = await at(`/jobs/${signal}/schedule/forecast`);
    await textFits(page, /Four in five that it is done by \w+ \d+ \w+/, true, 120_000);
    await textFits(page, /runs\. Stop, these are enough|What decides the end/);
    if (await page.evaluate(() => document.body.innerText.includes('Stop, these are enough'))) {
      await press(page, 'Stop, these are enough');
      await textFits(page, /Stopped after [\d,]+ runs; they count/);
    }
    await textFits(page, /Rooms and milestones, four in five times by/);
    await page.waitForSelector('.chart canvas');
    await inspect(page, 'forecast');
    expect(on.complaints).toEqual([]);
  });

  it('tells a household what it is without, with what stands in, and the day is its own page on a phone', async () => {
    const page = await at(`/jobs/${signal}/schedule/living`, PHONE);
    await textFits(page, /No kitchen sink \(Kitchen\)/);
    await press(page, 'Add something that stands in');
    await page.select('select[name="need"]', 'sink');
    await type(page, '[name="words"]', 'a sink in the boot room');
    await setDay(page, 'fromDay', '2027-03-10');
    await press(page, 'Keep it');
    await seesText(page, 'No kitchen sink (Kitchen); instead: a sink in the boot room');
    await inspect(page, 'living in');
    // The client reads the same on their own page, on a phone.
    const desk = await at(`/jobs/${signal}/news`);
    await press(desk, 'Make a link');
    await type(desk, '[name="recipient"]', 'Averill');
    await press(desk, 'Make the link');
    const path = await shownLink(desk, 'Averill');
    const client = await at(path, PHONE);
    await textFits(client, /Living in the house/);
    await textFits(client, /instead: a sink in the boot room/);
    await textFits(client, /\w+ \d+ \w+, (8 to 12|12:30 to 16:30): /);
    await inspect(client, 'living in, for the client');
    expect(on.complaints).toEqual([]);
  });

  it('finds the order of a day’s stops, and names one that nobody reaches in its time', async () => {
    const page = await at('/route');
    for (const name of ['Signal House', 'Tannery Row 9', 'Linden Gatehouse'])
      await page.$$eval(
        '.form-check',
        (checks, wanted) =>
          checks
            .find((check) => (check as HTMLElement).innerText.startsWith(wanted))
            ?.querySelector('input')
            ?.click(),
        name,
      );
    await press(page, 'Find the best order');
    await textFits(page, /From the yard at 07:30; over at 09:45, 45 minutes on the way/);
    await inspect(page, 'a route');
    expect(on.complaints).toEqual([]);
  });
});

import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { choose, click, hrefOf, inspect, PHONE, press, seesText, shownLink, textFits } from '../support/browser';
import { demoId } from '../../demo/seed';
import { fillAll, fillIn } from '../support/forms';
import { signalHouse } from '../support/installations';
import { stage } from '../support/stage';

const on = stage({ real: true });
const { at } = on;
const CHOSEN = 'kettle drum nine herons';

async function signIn(page: Page, email: string, password: string): Promise<void> {
  await fillIn(page, '[name="email"]', email);
  await fillIn(page, '[name="password"]', password);
  await press(page, 'Sign in');
}

describe('the people of a firm', () => {
  it('come in by an invitation, and a telephone that was lost is signed out from elsewhere', async () => {
    const owner = await at('/');
    await inspect(owner, 'signing in');
    await signIn(owner, 'maren@harrowtern.example', 'guessed at once');
    await seesText(owner, 'E-mail and password do not belong together.');
    await signIn(owner, 'maren@harrowtern.example', 'mist over the harbour');
    await textFits(owner, /On site today/);
    await owner.goto(`${on.server.url}/firm`);
    await press(owner, 'Invite for Tobin');
    await textFits(owner, /A way in for Tobin is open for a week/);
    const path = await hrefOf(owner, 'a[href^="/join/"]');
    // On a telephone.
    const lead = await at(path, PHONE);
    await seesText(lead, 'Welcome, Tobin');
    await fillIn(lead, '[name="password"]', 'tobin1234567');
    await press(lead, 'Come in');
    await textFits(lead, /easily guessed/);
    await fillIn(lead, '[name="password"]', CHOSEN);
    await press(lead, 'Come in');
    await textFits(lead, /On site today/);
    await lead.goto(`${on.server.url}/account`);
    await textFits(lead, /Where you are signed in/);
    await inspect(lead, 'one’s own account on a phone', true);
    // The way in is closed behind them.
    await owner.goto(`${on.server.url}${path}`);
    await seesText(owner, 'This way in is closed');
    // At the desk: where am I signed in? The telephone is gone.
    const desk = await at('/sign-in');
    await signIn(desk, 'tobin@harrowtern.example', CHOSEN);
    await textFits(desk, /On site today/);
    await desk.goto(`${on.server.url}/account`);
    await press(desk, 'Sign out Chrome on Linux');
    await desk.waitForFunction(() => !document.body.innerText.includes('seen '));
    await lead.reload();
    await seesText(lead, 'Forgotten the password?');
    // Who has left comes in no more, from anywhere.
    await owner.goto(`${on.server.url}/firm`);
    await press(owner, 'Has left: Tobin');
    await textFits(owner, /Tobin has left/);
    await desk.reload();
    await seesText(desk, 'Forgotten the password?');
    await press(owner, 'Who came in, and who tried');
    await textFits(owner, /tobin@harrowtern\.example chose a password/);
    await inspect(owner, 'the people of the firm');
    expect(on.complaints.filter((line) => !line.includes('401') && !line.includes('422'))).toEqual([]);
  });

  it('see, where they lead one site, that one and no price; of a sub their own page; a link that is revoked shows no picture', async () => {
    const owner = await at('/sign-in');
    await signIn(owner, 'maren@harrowtern.example', 'mist over the harbour');
    await textFits(owner, /On site today/);
    const add = async (name: string, role: string, email: string, more: () => Promise<void>): Promise<string> => {
      await owner.goto(`${on.server.url}/firm`);
      await press(owner, 'Add a person');
      await choose(owner, 'role', role);
      await more();
      await fillAll(owner, { name, email });
      await click(owner, '.offcanvas form button[type="submit"]');
      await textFits(owner, new RegExp(`Invite[^]*${name}|${name}[^]*Invite`));
      await press(owner, `Invite for ${name}`);
      await textFits(owner, new RegExp(`A way in for ${name} is open`));
      return hrefOf(owner, `::-p-xpath(//li[contains(., "${name}")]//a[starts-with(@href, "/join/")])`);
    };
    const come = async (path: string): Promise<Page> => {
      const page = await at(path, PHONE);
      await fillIn(page, '[name="password"]', CHOSEN);
      await press(page, 'Come in');
      return page;
    };

    const way = await add('Ilse', 'lead', 'ilse@harrowtern.example', () => Promise.resolve());
    await press(owner, 'Choose what Ilse sees');
    await click(owner, '::-p-xpath(//div[contains(@class, "offcanvas")]//label[normalize-space()="Signal House"])');
    await click(owner, '.offcanvas form button[type="submit"]');
    await textFits(owner, /sees Signal House, without what things cost/);
    const lead = await come(way);
    await textFits(lead, /On site today/);
    expect(await lead.evaluate(() => document.body.innerText)).not.toMatch(/Tannery|Linden|Old Dairy/);
    for (const page of ['', '/scope', '/selections', '/sequence', '/schedule', '/news']) {
      const answer = await lead.goto(`${on.server.url}/jobs/${signalHouse}${page}`);
      expect([page, answer?.status()]).toEqual([page, 200]);
      expect([page, await lead.evaluate(() => /[€$£]\s?\d/.exec(document.body.innerText)?.[0])]).toEqual([
        page,
        undefined,
      ]);
    }
    expect((await lead.goto(`${on.server.url}/jobs/${demoId('tannery')}`))?.status()).toBe(404);

    const theirs = await add('Petra Lund', 'sub', 'petra@wiring.example', () =>
      choose(owner, 'sub', demoId('sub', 'wiring')),
    );
    const sub = await come(theirs);
    await seesText(sub, 'Signed in as Petra Lund.');
    await seesText(sub, 'Halyard Wiring');
    await inspect(sub, 'the page of a sub who signed in', true);
    await sub.goto(`${on.server.url}/firm`);
    expect(sub.url()).toContain('/s/own');
    await press(sub, 'Sign out');
    await seesText(sub, 'Forgotten the password?');

    await owner.goto(`${on.server.url}/jobs/${signalHouse}/news`);
    const path = await shownLink(owner, 'Averill');
    const client = await at(path, PHONE);
    const picture = await client.$eval('img[src*="/pictures/"]', (image) => image.getAttribute('src') ?? '');
    const look = (): Promise<number> =>
      client.evaluate((src) => fetch(src, { cache: 'no-store' }).then(({ status }) => status), picture);
    expect(await look()).toBe(200);
    await owner.reload();
    await textFits(owner, /address shown to Maren/);
    await click(
      owner,
      '::-p-xpath((//aside//li[contains(., "address shown to Maren")]//button[contains(., "Revoke")])[1])',
    );
    await textFits(owner, /opens no more/);
    expect(await look()).toBe(404);
    await client.reload();
    await seesText(client, 'This link does not open any more');
  });
});

import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { hrefOf, inspect, PHONE, press, seesText, textFits } from '../support/browser';
import { fillIn } from '../support/forms';
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
    await seesText(owner, 'Address and password do not belong together.');
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
});

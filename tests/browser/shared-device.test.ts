import Database from 'better-sqlite3';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { demoId } from '../../demo/ids';
import { gone, hrefOf, PHONE, press, seesText, textFits, type } from '../support/browser';
import { fillIn } from '../support/forms';
import { stage } from '../support/stage';

const on = stage({ real: true });
const { at } = on;
const CHOSEN = 'kettle drum nine herons';
const walk = `/walk/${demoId('signal', 'walk', '2')}`;

async function signIn(page: Page, name: 'maren' | 'isolde'): Promise<void> {
  await fillIn(page, '[name="email"]', `${name}@harrowtern.example`);
  await fillIn(page, '[name="password"]', name === 'maren' ? 'mist over the harbour' : CHOSEN);
  await press(page, 'Sign in');
  await textFits(page, /On site today/);
}
async function signOut(page: Page, name: string): Promise<void> {
  await page.goto(on.server.url);
  await press(page, `${name}, account`);
  await press(page, 'Sign out');
  await seesText(page, 'Forgotten the password?');
}
async function line(page: Page, words: string): Promise<void> {
  await press(page, 'Line');
  await type(page, '#line', words);
  await press(page, 'Save');
}
/** Who recorded a line, as the log has it; nothing where it did not come in. */
function recordedBy(words: string): string | undefined {
  const db = new Database(join(on.folder, 'aftermist.sqlite'), { readonly: true });
  const who = db.prepare('SELECT who FROM command_log WHERE instr(payload, ?) > 0').pluck().get(words);
  db.close();
  return who as string | undefined;
}
const kept = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const opening = indexedDB.open('aftermist');
        opening.onsuccess = () => {
          const counting = opening.result.transaction('packs').objectStore('packs').count();
          counting.onsuccess = () => {
            opening.result.close();
            resolve(counting.result);
          };
        };
      }),
  );

describe('a device that several people use', () => {
  it('sends what one recorded under them alone, and shows the next one nothing of theirs', async () => {
    const device = await at('/sign-in', PHONE);
    await signIn(device, 'maren');
    await device.goto(`${on.server.url}/firm`);
    await press(device, 'Invite for Isolde');
    const path = await hrefOf(device, 'a[href^="/join/"]');
    await signOut(device, 'Maren');
    await device.goto(`${on.server.url}${path}`);
    await fillIn(device, '[name="password"]', CHOSEN);
    await press(device, 'Come in');
    await textFits(device, /On site today/);
    // Isolde records where there is no signal, and goes before there is one.
    await device.setBypassServiceWorker(true);
    let isCut = true;
    await device.setRequestInterception(true);
    device.on('request', (request) =>
      isCut && request.url().endsWith('/api/commands') ? void request.abort() : void request.continue(),
    );
    await device.goto(`${on.server.url}${walk}`);
    await line(device, 'left by Isolde');
    await seesText(device, '1 kept here');
    await expect.poll(() => kept(device), { timeout: 20_000 }).toBeGreaterThan(0);
    const asked = new Promise<string>((resolve) =>
      device.once('dialog', (dialog) => {
        resolve(dialog.message());
        void dialog.accept();
      }),
    );
    await signOut(device, 'Isolde');
    expect(await asked).toMatch(/1 record is not sent yet.*once Isolde signs in/s);
    expect(await kept(device)).toBe(0);
    isCut = false;
    await signIn(device, 'maren');
    await press(device, '1 kept here');
    await textFits(device, /waits for Isolde, who recorded it/);
    await press(device, 'Send now');
    await sendsAsMaren(device);
    expect(recordedBy('left by Isolde')).toBeUndefined();
    await signOut(device, 'Maren');
    await signIn(device, 'isolde');
    await expect
      .poll(() => recordedBy('left by Isolde'), { timeout: 20_000 })
      .toBe(`person:${demoId('person', 'isolde')}`);
    await gone(device, '1 kept here');
  });

  it('sets aside what the server fails over again and again, and sends the rest', async () => {
    const device = await at('/sign-in', PHONE);
    await signIn(device, 'maren');
    await device.setBypassServiceWorker(true);
    await device.setRequestInterception(true);
    device.on('request', (request) => {
      const isPoison = request.url().endsWith('/api/commands') && request.postData()?.includes('poison') === true;
      return isPoison
        ? void request.respond({ status: 500, contentType: 'text/html', body: '<h1>Oh no</h1>' })
        : void request.continue();
    });
    await device.goto(`${on.server.url}${walk}`);
    await line(device, 'poison for the server');
    await line(device, 'what comes behind it');
    await expect.poll(() => recordedBy('what comes behind it'), { timeout: 30_000 }).toMatch(/^person:/);
    await press(device, '1 kept here');
    await seesText(device, 'The server failed over this several times while it took others.');
    expect(recordedBy('poison for the server')).toBeUndefined();
  });
});

/** The queue was looked through under whoever is signed in. */
async function sendsAsMaren(page: Page): Promise<void> {
  await page.goto(`${on.server.url}${walk}`);
  await line(page, 'said by Maren');
  await expect.poll(() => recordedBy('said by Maren'), { timeout: 20_000 }).toBe(`person:${demoId('person', 'maren')}`);
}

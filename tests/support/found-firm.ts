import type { Page } from 'puppeteer-core';
import { press, seesText } from './browser';
import { fillAll } from './forms';
import type { Stage } from './stage';

/** The first visitor of an empty house becomes its owner. */
export async function foundFirm(on: Stage, page: Page): Promise<void> {
  await page.goto(`${on.server.url}/`);
  await seesText(page, 'Whose firm is this?');
  await fillAll(page, {
    name: 'Own Two Hands',
    ownerName: 'Ida Own',
    email: 'ida@own.example',
    password: 'ten letters or more',
  });
  await press(page, 'Begin');
  await seesText(page, 'Open the first job');
}

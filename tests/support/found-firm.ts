import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { foundingCode } from '@/server/folder-check.mjs';
import { press, seesText } from './browser';
import { fillAll } from './forms';
import type { Stage } from './stage';

/** The first visitor of an empty house becomes its owner. */
export async function foundFirm(on: Stage, page: Page): Promise<void> {
  const code = foundingCode(readFileSync(join(on.folder, 'secret'), 'utf8'));
  await page.goto(`${on.server.url}/welcome?code=${code}`);
  await seesText(page, 'Set up your firm');
  await fillAll(page, {
    name: 'Own Two Hands',
    ownerName: 'Ida Own',
    email: 'ida@own.example',
    password: 'ten letters or more',
  });
  await press(page, 'Begin');
  await seesText(page, 'Open the first job');
}

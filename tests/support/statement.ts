import type { Page } from 'puppeteer-core';
import { PHONE, press, seesText, shownLink } from './browser';
import type { Stage } from './stage';

/** Makes the first statement of a job, sends it to its client, and opens their page on a phone. @returns it, and its path */
export async function sendStatement(on: Stage, page: Page, job: string): Promise<{ client: Page; path: string }> {
  await page.goto(`${on.server.url}${job}/scope/statement`);
  await press(page, 'Make version 1');
  await seesText(page, 'version 1, not sent yet');
  await press(page, 'Send to the client');
  await press(page, 'Send');
  await seesText(page, 'version 1, sent, not agreed yet');
  await page.goto(`${on.server.url}${job}/news`);
  const path = await shownLink(page);
  return { client: await on.at(path, PHONE), path };
}

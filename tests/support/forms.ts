import type { Page } from 'puppeteer-core';

/** Puts text in place of what a field holds. @param selector `[name="…"]` or an id */
export async function fillIn(page: Page, selector: string, text: string): Promise<void> {
  const field = await page.waitForSelector(selector, { visible: true });
  await field?.evaluate((element) => {
    element.scrollIntoView({ block: 'center' });
    (element as HTMLInputElement).select();
  });
  if (text === '') await page.keyboard.press('Delete');
  else await field?.type(text);
}

/** Fills fields by their names. */
export async function fillAll(page: Page, fields: Record<string, string>): Promise<void> {
  for (const [name, text] of Object.entries(fields)) await fillIn(page, `[name="${name}"]`, text);
}

/** Ticks a box by its id, and waits until it is. */
export async function tick(page: Page, id: string): Promise<void> {
  const box = await page.waitForSelector(`#${id}`);
  await box?.evaluate((element) => (element as HTMLElement).click());
}

/** Days are typed as the browser wants them, through its own setter so that the form hears of it. */
export async function setDay(page: Page, name: string, day: string): Promise<void> {
  const field = await page.waitForSelector(`[name="${name}"]`, { visible: true });
  await field?.evaluate((element, value) => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(element, value);
    element.dispatchEvent(new Event('input', { bubbles: true }));
    element.dispatchEvent(new Event('change', { bubbles: true }));
  }, day);
}

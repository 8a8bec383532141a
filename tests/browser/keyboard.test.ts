import { describe, expect, it } from 'vitest';
import { demoId } from '../../demo/seed';
import { seesText, sent } from '../support/browser';
import { stage } from '../support/stage';

const on = stage();

describe('by keyboard alone', () => {
  it('finds a room and comes to its ladder', async () => {
    const page = await on.at('/');
    await sent(page);
    await seesText(page, 'Walk today');
    await page.keyboard.down('Control');
    await page.keyboard.press('k');
    await page.keyboard.up('Control');
    await page.waitForSelector('[aria-label="What to find"]');
    await page.keyboard.type('guest signal');
    await seesText(page, 'Guest suite, Signal House');
    await page.keyboard.press('Enter');
    await seesText(page, 'How far');
    expect(page.url()).toContain('/areas/');
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => getComputedStyle(document.activeElement ?? document.body).outlineStyle)).toBe(
      'solid',
    );
  });

  it('walks with arrows and digits', async () => {
    const page = await on.at(`/walk/${demoId('signal', 'walk', '2')}`);
    // Its words come with the page; keys are heard once the page has begun to work, which its top line tells.
    await sent(page);
    await seesText(page, '1 of 18');
    await page.keyboard.press('ArrowRight');
    await seesText(page, '2 of 18');
    await page.keyboard.press('Enter');
    await seesText(page, '3 of 18');
    await page.keyboard.press('ArrowLeft');
    await seesText(page, '2 of 18');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('3');
    await seesText(page, '30 %');
    await page.keyboard.press('n');
    await page.waitForSelector('#line');
  });
});

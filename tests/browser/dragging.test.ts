import { join } from 'node:path';
import Database from 'better-sqlite3';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { areaOf, signalHouse } from '../support/installations';
import { click, press, seesText } from '../support/browser';
import { fillAll } from '../support/forms';
import { stage } from '../support/stage';

const on = stage();
const MOVES = Number(process.env.DRAGS ?? 6);
const guest = areaOf('guest');

interface Kept {
  along: { mm: number; typed: string };
  away: { mm: number; typed: string };
}

function kept(): Kept & { id: string } {
  const db = new Database(join(on.folder, 'aftermist.sqlite'), { readonly: true });
  const row = db
    .prepare('SELECT id, fixture FROM fixture WHERE area = ? AND removed = 0 AND fixture LIKE \'%"bed"%\'')
    .get(guest);
  db.close();
  const { id, fixture } = row as { id: string; fixture: string };
  return { id, ...(JSON.parse(fixture) as Kept) };
}

/** Pulls the bed over the plan by so many pixels, and waits until the house has it. */
async function pull(page: Page, x: number, y: number): Promise<void> {
  const before = JSON.stringify(kept());
  const bed = await page.waitForSelector(`.drawing path[data-about="${kept().id}"]`);
  const box = await bed?.boundingBox();
  if (!box) throw new Error('The bed is not drawn.');
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + x / 2, at.y + y / 2);
  await page.mouse.move(at.x + x, at.y + y);
  await page.mouse.up();
  for (let waited = 0; waited < 100 && JSON.stringify(kept()) === before; waited += 1)
    await new Promise((done) => setTimeout(done, 50));
}

describe('a thing on the plan', () => {
  it(
    'is where it would be had its place been typed, after any pulls',
    async () => {
      const page = await on.at(`/jobs/${signalHouse}/areas/${guest}/layout`);
      await seesText(page, 'pull a thing to move it');
      const places: Kept[] = [];
      for (let move = 0; move < MOVES; move += 1) {
        // Never the same way twice, and always some way.
        await pull(page, ((move * 37) % 90) - 45 || 20, ((move * 53) % 70) - 35 || 15);
        const { along, away } = kept();
        places.push({ along, away });
      }
      expect(new Set(places.map((place) => JSON.stringify(place))).size).toBeGreaterThan(Math.min(3, MOVES - 1));
      for (const { along, away } of places) {
        await click(page, `.drawing path[data-about="${kept().id}"]`);
        await page.waitForSelector('[role=dialog] [name="along"]');
        await fillAll(page, { along: along.typed, away: away.typed });
        await press(page, 'Save');
        await page.waitForFunction(() => document.querySelector('[role=dialog]') === null);
        await seesText(page, `${along.typed} from the left${away.mm > 0 ? `, ${away.typed} out from it` : ''}`);
        const typed = kept();
        expect(typed.along.mm).toBeCloseTo(along.mm, 6);
        expect(typed.away.mm).toBeCloseTo(away.mm, 6);
      }
      expect(on.complaints).toEqual([]);
    },
    60_000 + MOVES * 5_000,
  );
});

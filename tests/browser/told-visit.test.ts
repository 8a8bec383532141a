import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { writeCaptions } from '@/core/narration/captions';
import { readWalkFile, captioned, type LabelledWalk } from '../../training/walk-file';
import { foundFirm } from '../support/found-firm';
import { choose, DESK, PHONE, press, seesText, sent, upload, visit } from '../support/browser';
import { fillAll, fillIn } from '../support/forms';
import { stage } from '../support/stage';

const on = stage({ empty: true });

/** A house walked through for the first time, told by somebody the reader was never taught. */
const told = (): LabelledWalk =>
  captioned(readWalkFile(join(import.meta.dirname, '../../training/kept-out/flip-investor.walk')), { seed: 400 });

const bare = (text: string): string => text.toLowerCase().replaceAll(/[^a-z0-9 ]/g, '');

/** What is proposed on the page, each with its room, its kind and its words. */
const proposed = (page: Page): Promise<{ room: string; says: string; words: string }[]> =>
  page.$$eval('.draft', (rows) =>
    rows.map((row) => ({
      room: row.closest('div')?.querySelector('h3')?.textContent ?? '',
      says: row.getAttribute('aria-label') ?? '',
      words: row.querySelector('.said-words')?.textContent ?? '',
    })),
  );

import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll } from 'vitest';
import type { StoredPlan } from '@/server/reading/plan';
import { DESK, endSessions, launch, visit, type PHONE } from './browser';
import { copyDemo } from './installations';
import { serve, type Server } from './server';

export interface Stage {
  browser: Browser;
  server: Server;
  /** The folder that the server works on. */
  folder: string;
  /** What the browser complained about in this test. */
  complaints: string[];
  /** Opens a page of the house in a session of its own. */
  at: (path: string, size?: typeof DESK | typeof PHONE) => Promise<Page>;
  planOf: () => Promise<StoredPlan>;
  /** Ends the server as a power cut would; `again` starts it at the same address. */
  cut: () => Promise<void>;
  again: () => Promise<void>;
}

/** One browser and one server for a file of tests, on a copy of the demo or on an empty house; `real` where everybody has to sign in. */
export function stage({ empty = false, real = empty }: { empty?: boolean; real?: boolean } = {}): Stage {
  const set = {
    complaints: [] as string[],
    at: async (path: string, size: typeof DESK | typeof PHONE = DESK): Promise<Page> => {
      const page = await visit(set.browser, size, set.complaints);
      await page.goto(`${set.server.url}${path}`);
      return page;
    },
    planOf: async (): Promise<StoredPlan> =>
      (await (await fetch(`${set.server.url}/api/plan.json`)).json()) as StoredPlan,
    cut: () => set.server.kill(),
    again: async () => {
      set.server = await serve(set.folder, { demo: !real, port: Number(new URL(set.server.url).port) });
    },
  } as Stage;
  beforeAll(async () => {
    set.folder = mkdtempSync(join(tmpdir(), 'aftermist-'));
    if (!empty) copyDemo(set.folder);
    [set.browser, set.server] = await Promise.all([launch(), serve(set.folder, { demo: !real })]);
  });
  afterEach(async () => {
    // Sessions end while their server still answers: a page that waits for it would keep its session open.
    await endSessions(set.browser, set.server.url);
    // Last, so that what a page still had under way is no complaint of the next test.
    set.complaints.length = 0;
  });
  afterAll(async () => {
    await set.browser.close();
    await set.server.kill();
    rmSync(set.folder, { recursive: true, force: true });
  });
  return set;
}

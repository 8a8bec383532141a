import type { Browser, Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, beforeEach } from 'vitest';
import type { StoredPlan } from '@/server/schedule/read-plan';
import { DESK, launch, visit, type PHONE } from './browser';
import { demoFolder } from './houses';
import { serve, type Server } from './server';

export interface Stage {
  browser: Browser;
  server: Server;
  /** What the browser complained about in this test. */
  complaints: string[];
  /** Opens a page of the demo in a session of its own. */
  at: (path: string, size?: typeof DESK | typeof PHONE) => Promise<Page>;
  planOf: () => Promise<StoredPlan>;
}

/** One browser for a file of tests, and for each test a fresh demo, served. */
export function stage(): Stage {
  const set = {
    complaints: [] as string[],
    at: async (path: string, size: typeof DESK | typeof PHONE = DESK): Promise<Page> => {
      const page = await visit(set.browser, size, set.complaints);
      await page.goto(`${set.server.url}${path}`);
      return page;
    },
    planOf: async (): Promise<StoredPlan> =>
      (await (await fetch(`${set.server.url}/api/plan.json`)).json()) as StoredPlan,
  } as Stage;
  beforeAll(async () => {
    set.browser = await launch();
  });
  afterAll(async () => {
    await set.browser.close();
  });
  beforeEach(async () => {
    set.complaints = [];
    set.server = await serve(demoFolder(), { demo: true });
  });
  afterEach(async () => {
    await Promise.all(
      set.browser
        .browserContexts()
        .slice(1)
        .map((context) => context.close()),
    );
    await set.server.kill();
  });
  return set;
}

import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import puppeteer, { type Browser } from 'puppeteer-core';
import { READERS } from '@/contract/commands/news';
import { publicRoutes, type Path } from '@/contract/routes';
import { makeClock } from '@/server/clock';
import { openDatabase } from '@/server/database/open';
import { execute } from '@/server/database/query';
import { dispatch } from '@/server/dispatch/dispatch';
import type { Installation } from '@/server/installation';
import { openInstallation } from '@/server/open-installation';
import { readJob } from '@/server/reading/reading';
import { tokenOf } from '@/server/tokens';
import { composeDraft } from '@/server/views/draft';
import { roomsView } from '@/server/views/rooms';
import { v7 } from 'uuid';
import { chromium } from '../scripts/chromium.mjs';
import { demoId } from '../demo/seed';
import { serve, type Running } from '../scripts/demo-server';
import { grownCopy, NOW } from './grown';
import { figure, inTurn, median, type Figure } from './measure';
import { buildForBench } from './pages';

const job = demoId('signal');
const ROUNDS = 20;
/** A link that opens nothing: the barest page there is for somebody outside. */
const BARE: Path = '/s/none';
/** A page of words alone, with no script of its own: that there is nothing here. */
const WORDS: Path = '/nothing-here';
/** A client's page has room for so much, compressed, before its pictures. */
const ROOM_KB = 30;
/** A slow line: 1.6 Mbit/s, 150 ms there and back. */
const SLOW = { offline: false, downloadThroughput: (1.6 * 1024 * 1024) / 8, uploadThroughput: 96_000, latency: 150 };

/** What it costs to compose news, and what somebody outside waits for with a page of theirs; at ten years. */
export async function newsFigures(): Promise<Figure[]> {
  buildForBench();
  const { folder, gone } = grownCopy('ten-years', '--years', '10');
  const installation = openInstallation({ folder, clock: makeClock(new Date(NOW)), demo: true });
  const page = publicRoutes.page(clientsLink(installation));
  const drafts = await draftFigure(installation);
  installation.db.close();
  const server = await serve(folder, { demo: true, now: NOW });
  const browser = await puppeteer.launch({
    executablePath: chromium(),
    headless: true,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    return [
      drafts,
      ...(await pageFigures(server, page)),
      await afterWritingFigure(folder, server, page),
      await slowFigure(browser, server, page),
    ];
  } finally {
    await browser.close();
    await server.kill();
    gone();
  }
}

/** A client's page of the job, opened by a link. */
function clientsLink(installation: Installation): string {
  const id = v7();
  const at = installation.clock.now().toISOString();
  const payload = { id, audience: 'client', job, recipient: 'Bench', expiresOn: '2027-12-31' };
  const who = { kind: 'person', id: demoId('person', 'maren'), name: 'Bench', role: 'contractor' } as const;
  const made = dispatch(installation, who, { id: v7(), type: 'share.make', at, payload });
  if (made.status === 'refused') throw new Error(made.problem.title);
  return tokenOf(installation, id);
}

async function draftFigure(installation: Installation): Promise<Figure> {
  const [drafts = [], rooms = []] = await inTurn(ROUNDS, [
    () => {
      const reading = readJob(installation, job);
      for (const audience of READERS) composeDraft(reading, audience);
    },
    () => roomsView(readJob(installation, job)),
  ]);
  return figure('drafts of all audiences of a job', median(drafts), 'ms', 'its Rooms query', median(rooms));
}

/** Time, size and script of a client's page. */
async function pageFigures({ url }: Running, page: Path): Promise<Figure[]> {
  const read = async (path: string): Promise<string> => (await fetch(`${url}${path}`)).text();
  const [client = [], bare = []] = await inTurn(ROUNDS, [() => read(page), () => read(BARE)]);
  const linked = async (path: string, tag: RegExp): Promise<number> => {
    const found = [...(await read(path)).matchAll(tag)].flatMap(([whole, src = '']) =>
      /noModule/i.test(whole) ? [] : [src],
    );
    const files = await Promise.all([...new Set(found)].map(read));
    return files.reduce((sum, file) => sum + gzipSync(file).length / 1000, 0);
  };
  const SCRIPT = /<script[^>]* src="([^"]+\.js)[^>]*>/g;
  const STYLE = /<link[^>]* href="([^"]+\.css)[^>]*>/g;
  const weight = gzipSync(await read(page)).length / 1000 + (await linked(page, STYLE));
  return [
    figure('a client’s page', median(client), 'ms', 'simplest dynamic page of the same server', median(bare)),
    figure('text and style of a client’s page', weight, 'kB', `the ${ROOM_KB} kB it has room for`, ROOM_KB),
    figure(
      'script of a client’s page',
      await linked(page, SCRIPT),
      'kB',
      'a page of words alone',
      await linked(WORDS, SCRIPT),
    ),
  ];
}

/** The same page where something was written just before, so that nothing of what was read is known any more. */
async function afterWritingFigure(folder: string, { url }: Running, page: Path): Promise<Figure> {
  const db = openDatabase(join(folder, 'aftermist.sqlite'), 'migrations');
  const read = async (path: string): Promise<string> => (await fetch(`${url}${path}`)).text();
  const first: number[] = [];
  const bare: number[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    execute(db, 'UPDATE firm SET name = name');
    first.push(await timed(() => read(page)));
    bare.push(await timed(() => read(BARE)));
  }
  db.close();
  return figure('a client’s page just after a record', median(first), 'ms', 'simplest dynamic page', median(bare));
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const began = performance.now();
  await work();
  return performance.now() - began;
}

/** When the text of a client's page stands on a slow line, against the bare page's; nothing kept from before. */
async function slowFigure(browser: Browser, { url }: Running, page: Path): Promise<Figure> {
  const stands = (path: Path) => async (): Promise<number> => {
    const context = await browser.createBrowserContext();
    const tab = await context.newPage();
    const line = await tab.createCDPSession();
    await line.send('Network.enable');
    await line.send('Network.emulateNetworkConditions', SLOW);
    await tab.goto(`${url}${path}`, { waitUntil: 'load' });
    const at = await tab.evaluate(
      () =>
        performance.getEntriesByType('paint').find(({ name }) => name === 'first-contentful-paint')?.startTime ?? NaN,
    );
    await context.close();
    return at;
  };
  const times: [number[], number[]] = [[], []];
  for (let round = 0; round < 5; round += 1) {
    times[0].push(await stands(page)());
    times[1].push(await stands(BARE)());
  }
  return figure('text of a client’s page on a slow line', median(times[0]), 'ms', 'a bare page’s', median(times[1]));
}

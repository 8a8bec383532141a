import { execFileSync } from 'node:child_process';
import { api, routes, type Path } from '@/contract/routes';
import { demoId } from '../demo/seed';
import { serve, type Running } from '../scripts/demo-server';
import { grown, NOW } from './grown';
import { figure, inTurn, median, type Figure } from './measure';

const job = demoId('signal');
const area = demoId('signal', 'area', 'guest');
const walk = demoId('signal', 'walk', '2');

/** The pages that are held to stay flat, by their names. */
export const PAGES: Record<string, Path> = {
  Today: routes.today(),
  Rooms: routes.rooms(job),
  Room: routes.room(job, area),
  Walls: routes.walls(job, area),
  Scope: routes.scope(job),
  Assemblies: routes.assemblies(job),
  Prices: routes.prices(job),
  Money: routes.money(job),
  'Purchase orders': routes.purchasing(job),
  'Way in': routes.wayIn(job),
  Selections: routes.selections(job),
  Sequence: routes.sequence(job),
  Schedule: routes.schedule(job),
  Progress: routes.progress(job),
  Forecast: routes.forecast(job),
  'Living in': routes.living(job),
  Route: routes.route(),
  Walks: routes.walks(job),
  Pictures: routes.pictures(job),
  History: routes.history(job),
  Settings: routes.settings(),
  Review: routes.review(job, walk),
  Walk: routes.walk(walk),
  Updates: routes.news(job),
  'Who was told': routes.told(),
  Words: routes.words(),
  Find: api.find(),
  'Find by words': api.find('kitchen cabinets'),
};
const SIMPLEST: Path = '/s/none';
const ROUNDS = 30;

/** What is measured is what is built from the code as it is. */
export function buildForBench(): void {
  execFileSync(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 2, 2] });
}

/**
 * Each page at ten years against the same open jobs without their past, and against the simplest page of the same server;
 * over HTTP, in turn.
 */
export async function pageFigures(): Promise<Figure[]> {
  buildForBench();
  const folders = [grown('without-past', '--past', 'none'), grown('ten-years', '--years', '10')];
  const servers: Running[] = [];
  try {
    for (const { folder } of folders) servers.push(await serve(folder, { demo: true, now: NOW }));
    const [bare, old] = servers;
    if (!bare || !old) throw new Error('There are not two servers.');
    const get = (server: Running, path: string) => async (): Promise<void> => {
      const response = await fetch(`${server.url}${path}`);
      const text = await response.text();
      if (response.status !== 200 || text.length < 100) throw new Error(`${path} answered ${response.status}`);
    };
    const figures: Figure[] = [];
    for (const [name, path] of Object.entries(PAGES)) {
      const [without = [], ten = [], simple = []] = await inTurn(ROUNDS, [
        get(bare, path),
        get(old, path),
        get(old, SIMPLEST),
      ]);
      figures.push(
        figure(`${name} at ten years`, median(ten), 'ms', 'the same open jobs without their past', median(without)),
        figure(`${name} at ten years`, median(ten), 'ms', 'simplest dynamic page of the same server', median(simple)),
      );
    }
    return figures;
  } finally {
    await Promise.all(servers.map((server) => server.kill()));
    for (const { gone } of folders) gone();
  }
}

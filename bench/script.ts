import { gzipSync } from 'node:zlib';
import { routes, type Path } from '@/contract/routes';
import { serve } from '../scripts/demo-server';
import { grown, NOW } from './grown';
import { figure, type Figure } from './measure';
import { buildForBench, PAGES } from './pages';

/** A page with a field and a button of the kit, and nothing else. */
const BARE: Path = routes.signIn();

/**
 * Script that a page has the browser load before anybody has asked for more, compressed, against that of a bare page with a
 * field and a button.
 */
export async function scriptFigures(): Promise<Figure[]> {
  buildForBench();
  const { folder, gone } = grown('without-past', '--past', 'none');
  const server = await serve(folder, { demo: true, now: NOW });
  // Whoever is signed in already is sent on from there.
  const door = await serve(folder, { demo: false, now: NOW });
  const sizes = new Map<string, number>();
  const read = async (path: string, { url } = server): Promise<string> => (await fetch(`${url}${path}`)).text();
  const sizeOf = async (path: string, of = server): Promise<number> => {
    const tags = (await read(path, of)).matchAll(/<script[^>]* src="([^"]+\.js)[^>]*>/g);
    // What only old browsers load is loaded by none of today.
    const found = [...tags].flatMap(([tag, src = '']) => (/noModule/i.test(tag) ? [] : [src]));
    for (const src of found) if (!sizes.has(src)) sizes.set(src, gzipSync(await read(src)).length / 1000);
    return [...new Set(found)].reduce((sum, src) => sum + (sizes.get(src) ?? 0), 0);
  };
  try {
    const bare = await sizeOf(BARE, door);
    const figures: Figure[] = [];
    for (const [name, path] of Object.entries(PAGES))
      if (name !== 'Find') figures.push(figure(`script of ${name}`, await sizeOf(path), 'kB', 'a bare page', bare));
    return figures;
  } finally {
    await Promise.all([server.kill(), door.kill()]);
    gone();
  }
}

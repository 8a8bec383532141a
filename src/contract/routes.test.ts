import { readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { api, publicRoutes, routes, type Path } from './routes';

const app = 'src/app';
/** The address patterns that the framework serves, from the files that serve them. */
const served = (file: 'page.tsx' | 'route.ts'): RegExp[] =>
  (readdirSync(app, { recursive: true }) as string[])
    .filter((path) => path === file || path.endsWith(`/${file}`))
    .map((path) => {
      const parts = path
        .split('/')
        .slice(0, -1)
        .filter((part) => !part.startsWith('('));
      return new RegExp(
        `^/${parts.map((part) => (part.startsWith('[') ? '[^/]+' : part.replace('.', '\\.'))).join('/')}$`,
      );
    });
const address = (path: Path): string => path.split(/[?#]/)[0] ?? '';

/** Every route with made-up ids in the place of its arguments. */
const paths = (table: Record<string, (...given: never[]) => Path>): [string, Path][] =>
  Object.entries(table).map(([name, path]) => [name, (path as (...given: string[]) => Path)('one', 'two')]);

const { page, join, ...files } = publicRoutes;
const PAGES = paths({ ...routes, page, join });
const DATA = [...paths(api), ...paths(files)];

describe('routes', () => {
  it.each(PAGES)('%s leads to a page', (_, path) => {
    const to = served('page.tsx').filter((pattern) => pattern.test(address(path)));
    expect(to.length, `no page at ${path}`).toBeGreaterThan(0);
  });

  it.each(DATA)('%s leads to a handler', (_, path) => {
    const to = served('route.ts').filter((pattern) => pattern.test(address(path)));
    expect(to.length, `no handler at ${path}`).toBeGreaterThan(0);
  });

  it('name every page and handler there is', () => {
    const known = [...PAGES, ...DATA].map(([, path]) => address(path));
    const bare = known.concat('/walk', api.sessions());
    for (const pattern of [...served('page.tsx'), ...served('route.ts')])
      expect(
        bare.some((path) => pattern.test(path)),
        `nothing in routes leads to ${String(pattern)}`,
      ).toBe(true);
  });

  it('carry what is asked for and leave out what is not, safely written', () => {
    expect(routes.schedule('a', { by: 'room', task: 'x:y&z' })).toBe('/jobs/a/schedule?by=room&task=x%3Ay%26z');
    expect(routes.firstVisit('a')).toBe('/jobs/a/scope/visit');
    expect(routes.requests('a', 'r')).toBe('/jobs/a/selections/requests#r');
    expect(api.picture('h', 240)).toBe('/api/pictures/h?w=240');
  });
});

import { join } from 'node:path';
import { expect, it } from 'vitest';
import type { Audience } from '@/contract/commands/news';
import { queryAll } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import type { OpenLink } from '@/server/public/links';
import { sharedView } from '@/server/public/shared';
import { addDays } from '@/core/units/day';
import { demoHouse, newId, root, TODAY } from '../support/installations';

/** Every name by which something is said, with what it is part of: `updates[].title`. */
function namesIn(value: unknown, of = ''): string[] {
  if (Array.isArray(value)) return value.flatMap((one) => namesIn(one, `${of}[]`));
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([name, one]) => {
    const path = of ? `${of}.${name}` : name;
    return [path, ...namesIn(one, path)];
  });
}

/** Every link that could be made: of each job for each reader, and of each sub. */
function linksOf({ db }: Installation): OpenLink[] {
  const blank = { sub: null, request: null, inspection: null, recipient: 'Somebody', revoked_at: null };
  const link = (audience: Audience, over: Partial<OpenLink>): OpenLink => ({
    ...{ id: newId(), job: null, ...blank, audience, expires_on: addDays(TODAY, 30) },
    ...over,
  });
  const ids = (sql: string): { id: string; job: string }[] => queryAll(db, sql);
  return [
    ...ids('SELECT id, id AS job FROM job WHERE removed = 0').flatMap(({ job }) =>
      (['client', 'crew', 'neighbour'] as const).map((audience) => link(audience, { job })),
    ),
    ...ids(`SELECT id, '' AS job FROM sub`).map(({ id }) => link('sub', { sub: id })),
    ...ids('SELECT id, job FROM request').map(({ id, job }) => link('party', { job, request: id })),
    ...ids('SELECT id, job FROM inspection').map(({ id, job }) => link('party', { job, inspection: id })),
  ];
}

it('what goes to pages outside is what is on this list and nothing else', async () => {
  const house = demoHouse();
  const names = new Map<Audience, Set<string>>();
  for (const link of linksOf(house)) {
    const known = names.get(link.audience) ?? new Set();
    for (const name of namesIn(sharedView(house, link))) known.add(name);
    names.set(link.audience, known);
  }
  const list = [...names].map(
    ([audience, all]) =>
      `${audience}\n${[...all]
        .sort()
        .map((name) => `  ${name}\n`)
        .join('')}`,
  );
  await expect(list.join('\n')).toMatchFileSnapshot(join(root, 'tests/fixtures/outside-names.txt'));
});

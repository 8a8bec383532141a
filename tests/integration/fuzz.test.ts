import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { COMMANDS, type CommandType } from '@/contract/commands';
import { dispatch } from '@/server/dispatch/dispatch';
import type { Installation } from '@/server/installation';
import type { Actor } from '@/server/door/actor';
import { demoId } from '../../demo/seed';
import { GIVEN } from '../support/given';
import { copyDemo, demoHouse, MAREN, newId, NOW, root, signalHouse } from '../support/installations';
import { serve, type Server } from '../support/server';

/** Whatever comes is answered, and nothing with a failure of ours: commands that are nearly right, and addresses that are not. */

const COMMANDS_TRIED = Number(process.env.FUZZ_COMMANDS ?? 3_000);
const ROUTES_TRIED = Number(process.env.FUZZ_ROUTES ?? 240);
/** As many requests on their way at once: a server that is asked one by one mostly waits. */
const AT_ONCE = 6;
const SEED = Number(process.env.FUZZ_SEED ?? 20_270_309);

const LEAD: Actor = { kind: 'person', id: demoId('person', 'tobin'), name: 'Tobin', role: 'lead' };
const CLIENT: Actor = { kind: 'link', id: newId(), audience: 'client', job: signalHouse, sub: null };

const deep = (levels: number): unknown => {
  let inner: unknown = 'x';
  for (let level = 0; level < levels; level += 1) inner = { a: inner };
  return inner;
};

const STRANGE: readonly unknown[] = [
  ...[null, true, '', ' ', 0, -1, 1e308, 0.1, [], {}, [[]], [null], { toString: 1 }, deep(10_000)],
  ...[
    '\u0000',
    '\u202e',
    '💥'.repeat(50),
    'x'.repeat(20_000),
    '=1+1',
    '<script>',
    '2027-02-31',
    '9999-12-31',
    '__proto__',
  ],
  ...[signalHouse, demoId('dairy', 'area', 'front'), newId(), `${newId()}:framing`],
];

const shown = (payload: unknown): string => {
  try {
    return JSON.stringify(payload).slice(0, 300);
  } catch {
    return 'something deep';
  }
};

/** Every place in a value, as the keys that lead to it. */
function placesIn(value: unknown, path: readonly string[] = []): string[][] {
  if (typeof value !== 'object' || value === null || path.length > 8) return [[...path]];
  return [[...path], ...Object.entries(value).flatMap(([key, inner]) => placesIn(inner, [...path, key]))];
}

/** The same with one place written over, left out or added to. */
function changed(value: unknown, [key, ...path]: readonly string[], how: (old: unknown) => unknown): unknown {
  if (key === undefined) return how(value);
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) }) as Record<string, unknown>;
  const inner = changed(copy[key], path, how);
  if (inner === undefined && Array.isArray(copy)) copy.splice(Number(key), 1);
  else if (inner === undefined) Reflect.deleteProperty(copy, key);
  else copy[key] = inner;
  return copy;
}

const types = Object.keys(COMMANDS) as CommandType[];

describe('whatever is thrown at the door', () => {
  it(`is answered: ${COMMANDS_TRIED} commands that were right but for one or two places`, () => {
    const installation = demoHouse();
    const payloadOf = (type: CommandType): object => {
      const payload = GIVEN[type]?.payload ?? {};
      return typeof payload === 'function' ? (payload as (of: Installation) => object)(installation) : payload;
    };
    const sound = new Map(types.map((type) => [type, payloadOf(type)]));
    const outcomes = new Map<string, number>();
    fc.assert(
      fc.property(
        fc.constantFrom(...types),
        fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 2 }),
        fc.constantFrom(MAREN, MAREN, LEAD, CLIENT),
        (type, changes, who) => {
          let payload: unknown = sound.get(type);
          for (const [where, what] of changes) {
            const places = placesIn(payload);
            const strange = STRANGE[what % (STRANGE.length + 2)];
            const place = places[where % places.length] ?? [];
            payload = changed(payload, place, (old) =>
              what % 7 === 0 && typeof old === 'object' && old !== null && !Array.isArray(old)
                ? { ...old, more: strange }
                : strange,
            );
          }
          const answer = dispatch(installation, who, { id: newId(), type, at: NOW, payload });
          outcomes.set(answer.status, (outcomes.get(answer.status) ?? 0) + 1);
          expect(answer.httpStatus, `${type} ${shown(payload)}`).toBeLessThan(500);
        },
      ),
      { numRuns: COMMANDS_TRIED, seed: SEED },
    );
    // Some of them stay right all the same: what is thrown does reach the handlers.
    expect(outcomes.get('applied')).toBeGreaterThan(20);
    expect(installation.db.pragma('quick_check', { simple: true })).toBe('ok');
    expect(installation.db.pragma('foreign_key_check')).toEqual([]);
  }, 3_600_000);

  describe('over HTTP', () => {
    let server: Server;
    let folder: string;
    beforeAll(async () => {
      folder = mkdtempSync(join(tmpdir(), 'aftermist-'));
      server = await serve(copyDemo(folder), { demo: true });
    }, 60_000);
    afterAll(async () => {
      await server.kill();
      rmSync(folder, { recursive: true, force: true });
    });

    const paths = (readdirSync(join(root, 'src/app'), { recursive: true }) as string[])
      .filter((file) => /(page\.tsx|route\.ts)$/.test(file) && !file.startsWith('api/changes'))
      .map((file) => `/${file.replace(/\/?(page\.tsx|route\.ts)$/, '').replace(/\([^)]+\)\/?/g, '')}`);
    const part = fc.oneof(
      fc.constantFrom(
        signalHouse,
        demoId('signal', 'area', 'kitchen'),
        newId(),
        '%ff',
        '..%2f..',
        '%00',
        'x'.repeat(3_000),
        'statement.pdf',
        'a'.repeat(64),
      ),
      fc.string({ maxLength: 20 }).map(encodeURIComponent),
    );
    type Asked = typeof asked extends fc.Arbitrary<infer Drawn> ? Drawn : never;
    const asked = fc.record({
      path: fc.constantFrom(...paths),
      parts: fc.array(part, { minLength: 4, maxLength: 4 }),
      query: fc.oneof(
        fc.constant(''),
        fc
          .dictionary(
            fc.constantFrom('q', 'weeks', 'shift', 'before', 'task', 'selection', 'links', 'w', 'version'),
            part,
            { maxKeys: 3 },
          )
          .map(
            (of) =>
              `?${Object.entries(of)
                .map(([key, value]) => `${key}=${value}`)
                .join('&')}`,
          ),
      ),
      method: fc.constantFrom('GET', 'GET', 'GET', 'POST', 'DELETE', 'PUT', 'HEAD'),
      headers: fc.constantFrom<Record<string, string>>(
        {},
        { rsc: '1' },
        { rsc: '1', 'next-router-prefetch': '1' },
        { 'next-action': 'x' },
        { 'x-aftermist-link': 'none' },
        { accept: 'text/x-component' },
        { range: 'bytes=5-2' },
        { 'next-router-state-tree': '%5B%22%22%5D' },
      ),
      body: fc.constantFrom(
        '',
        '{',
        '[]',
        'null',
        '{"id":1}',
        `${'{"a":'.repeat(5_000)}1${'}'.repeat(5_000)}`,
        '\u0000',
      ),
    });

    async function answered({ path, parts, query, method, headers, body }: Asked): Promise<void> {
      let at = 0;
      const address = path.replace(/\[\w+\]/g, () => parts[at++ % parts.length] ?? '') + query;
      const response = await fetch(server.url + address, {
        ...{ method, headers, redirect: 'manual', signal: AbortSignal.timeout(120_000) },
        ...(method === 'GET' || method === 'HEAD' ? {} : { body }),
      });
      await response.arrayBuffer();
      const what = `${method} ${address.slice(0, 200)} ${JSON.stringify(headers)} ${body.slice(0, 40)}`;
      expect(response.status, what).toBeLessThan(500);
    }

    it(`is answered: ${ROUTES_TRIED} requests of every page and route`, async () => {
      await fc.assert(
        fc.asyncProperty(fc.array(asked, { minLength: AT_ONCE, maxLength: AT_ONCE }), async (requests) => {
          await Promise.all(requests.map(answered));
        }),
        { numRuns: ROUTES_TRIED / AT_ONCE, seed: SEED },
      );
    }, 3_600_000);
  });
});

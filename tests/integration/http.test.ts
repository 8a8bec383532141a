import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, inject, it, vi } from 'vitest';
import { COMMANDS } from '@/contract/commands';
import { foundingCode } from '@/server/folder-check.mjs';
import { Refusal } from '@/server/refusal';
import { route } from '@/server/route';
import { demoId } from '../../demo/seed';
import { command, folder, newId, raw, signalHouse } from '../support/installations';
import { serve, type Server } from '../support/server';

let demo: Server;
let own: Server;
let place: string;

beforeAll(async () => {
  place = mkdtempSync(join(tmpdir(), 'aftermist-http-'));
  cpSync(inject('demo'), join(place, 'demo'), { recursive: true });
  // The same firm, once as a demo that signs visitors in and once as a house of its own.
  cpSync(inject('demo'), join(place, 'own'), { recursive: true });
  [demo, own] = await Promise.all([serve(join(place, 'demo'), { demo: true }), serve(join(place, 'own'))]);
});
afterAll(async () => {
  await Promise.all([demo.kill(), own.kill()]);
  rmSync(place, { recursive: true, force: true });
});

const post = (url: string, body: unknown, headers: Record<string, string> = {}): Promise<Response> =>
  fetch(url, { method: 'POST', body: typeof body === 'string' ? body : JSON.stringify(body), headers });
const problemOf = async (response: Response) =>
  (await response.json()) as { title: string; code: string; status: number; field?: string };

describe('over HTTP', () => {
  it('tells no failure of what was stopped because whoever asked has gone', async () => {
    vi.stubEnv('AFTERMIST_DATA', folder());
    const asked = async (signal: AbortSignal) => {
      const answered = route({ need: 'nobody' }, () => {
        throw new Refusal(409, { code: 'x', message: 'Stopped.' });
      });
      return (await answered(new Request('http://x/', { signal }), { params: Promise.resolve({}) })).status;
    };
    const here = new AbortController();
    expect([await asked(AbortSignal.abort()), await asked(here.signal)]).toEqual([499, 409]);
    vi.unstubAllEnvs();
  });

  it('tells a problem as problem JSON with its own status', async () => {
    const response = await post(
      `${demo.url}/api/commands`,
      command('walk.start', { id: newId(), job: newId(), kind: 'progress' }),
    );
    expect(response.status).toBe(404);
    expect(response.headers.get('content-type')).toBe('application/problem+json');
    expect(await problemOf(response)).toMatchObject({
      status: 404,
      code: 'unknown-id',
      field: 'job',
      title: 'There is no such job here.',
    });
  });

  it('hands out papers and drawings to who is signed in, each under its name, and tells what there is none of', async () => {
    const job = `${demo.url}/api/jobs/${demoId('dairy')}/papers`;
    const area = `${demo.url}/api/areas/${demoId('dairy', 'area', 'front')}`;
    const pdf = await fetch(`${job}/statement.pdf`);
    expect([pdf.status, pdf.headers.get('content-type'), pdf.headers.get('content-disposition')]).toEqual([
      200,
      'application/pdf',
      'inline; filename="old-dairy-statement-draft.pdf"',
    ]);
    expect(
      Buffer.from(await pdf.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    const csv = await fetch(`${job}/materials.csv`);
    expect([csv.status, csv.headers.get('content-disposition')]).toEqual([
      200,
      'attachment; filename="old-dairy-materials.csv"',
    ]);
    const svg = await fetch(`${area}/drawing.svg`);
    expect([svg.status, svg.headers.get('content-type'), svg.headers.get('content-security-policy')]).toEqual([
      200,
      'image/svg+xml',
      "default-src 'none'; style-src 'unsafe-inline'",
    ]);
    expect((await fetch(`${area}/drawing.dxf`)).headers.get('content-disposition')).toBe(
      'attachment; filename="lane-face.dxf"',
    );
    for (const none of [
      `${job}/secrets.pdf`,
      `${job}/statement.pdf?version=9`,
      `${area}/wall-1.svg`,
      `${area}/drawing.exe`,
      `${demo.url}/api/areas/${newId()}/drawing.svg`,
      `${demo.url}/s/guessed/statement.pdf`,
    ]) {
      const response = await fetch(none);
      expect([response.status, response.headers.get('content-type')], none).toEqual([404, 'application/problem+json']);
    }
    for (const path of [
      `/api/jobs/${demoId('dairy')}/papers/statement.pdf`,
      `/api/areas/${demoId('dairy', 'area', 'front')}/drawing.svg`,
    ])
      expect((await fetch(`${own.url}${path}`)).status, path).toBe(401);
    expect(await (await fetch(`${demo.url}/bench/no-such`)).text()).toContain('not');
  });

  it('hands a paper with prices of suppliers to contractor and office alone', async () => {
    const paper = `${demo.url}/api/jobs/${demoId('tannery')}/papers/purchase-order.csv?version=1`;
    const asSomebody = async (person: string) => {
      const became = await post(`${demo.url}/api/session/person`, { person: demoId('person', person) });
      const cookie = became.headers.getSetCookie().map((set) => set.split(';')[0] ?? '');
      return fetch(paper, { headers: { cookie: cookie.join('; ') } });
    };
    expect(await (await asSomebody('maren')).text()).toContain('42.50');
    const lead = await asSomebody('tobin');
    expect([lead.status, await lead.text()]).toEqual([
      403,
      expect.stringContaining('ask the contractor or the office'),
    ]);
  });

  it('takes no body that is not JSON, none that is huge, and none from another site', async () => {
    expect((await post(`${demo.url}/api/commands`, '{"id": ')).status).toBe(400);
    expect((await post(`${demo.url}/api/commands`, '')).status).toBe(400);
    expect((await post(`${demo.url}/api/commands`, 'x'.repeat(8_300_000))).status).toBe(413);
    const foreign = await post(
      `${demo.url}/api/commands`,
      command('walk.start', { id: newId(), job: signalHouse, kind: 'progress' }),
      { origin: 'https://elsewhere.example' },
    );
    expect(foreign.status).toBe(403);
    expect((await post(`${demo.url}/api/commands`, raw('walk.start', {}), { origin: 'null' })).status).toBe(403);
  });

  it('lets nobody in without a session, except to public pages', async () => {
    for (const path of ['/api/plan.json', '/api/changes', '/api/find', `/api/pictures/${'a'.repeat(64)}`])
      expect((await fetch(`${own.url}${path}`)).status, path).toBe(401);
    expect(
      (
        await post(
          `${own.url}/api/commands`,
          command('walk.start', { id: newId(), job: signalHouse, kind: 'progress' }),
        )
      ).status,
    ).toBe(401);
    expect((await post(`${own.url}/api/pictures`, 'x')).status).toBe(401);
    expect((await post(`${own.url}/api/session/person`, { person: demoId('person', 'maren') })).status).toBe(403);
    for (const path of ['/', `/jobs/${signalHouse}`, '/firm', '/walk/x', '/schedule']) {
      const response = await fetch(`${own.url}${path}`, { redirect: 'manual' });
      expect([response.status, response.headers.get('location')], path).toEqual([307, '/sign-in']);
    }
    expect((await fetch(`${own.url}/s/guessed`)).status).toBe(200);
    expect(await (await fetch(`${own.url}/s/guessed`)).text()).toContain('does not open any more');
    expect((await fetch(`${own.url}/s/guessed/pictures/${'a'.repeat(64)}`)).status).toBe(404);
    expect(
      (
        await post(`${own.url}/api/commands`, command('message.acknowledge', { name: 'A' }), {
          'x-aftermist-link': 'guessed',
        })
      ).status,
    ).toBe(404);
  });

  it('signs in with the right password alone, and out again', async () => {
    const wrong = await post(`${own.url}/api/session`, {
      email: 'maren@harrowtern.example',
      password: 'mist over the hills',
    });
    expect([wrong.status, (await problemOf(wrong)).field]).toEqual([401, 'password']);
    expect((await post(`${own.url}/api/session`, { email: 'nobody@harrowtern.example', password: 'x' })).status).toBe(
      401,
    );
    expect(await problemOf(await post(`${own.url}/api/session`, { email: 'maren@harrowtern.example' }))).toMatchObject({
      status: 400,
      title: 'the password is missing',
      field: 'password',
    });
  });

  it('takes pictures and serves them in the sizes there are', async () => {
    const content = await sharp({ create: { width: 1600, height: 1200, channels: 3, background: '#456' } })
      .jpeg()
      .toBuffer();
    const { hash } = (await (
      await fetch(`${demo.url}/api/pictures`, { method: 'POST', body: new Uint8Array(content) })
    ).json()) as { hash: string };
    const small = await fetch(`${demo.url}/api/pictures/${hash}?w=240`);
    expect([small.status, small.headers.get('content-type')]).toEqual([200, 'image/jpeg']);
    expect((await sharp(Buffer.from(await small.arrayBuffer())).metadata()).width).toBe(240);
    expect((await fetch(`${demo.url}/api/pictures/${hash}?w=241`)).status).toBe(400);
    expect((await fetch(`${demo.url}/api/pictures/nothing`)).status).toBe(404);
    const huge = await fetch(`${demo.url}/api/pictures`, { method: 'POST', body: new Uint8Array(26 * 1024 * 1024) });
    expect([huge.status, (await problemOf(huge)).field]).toEqual([413, 'picture']);
    const text = await post(`${demo.url}/api/pictures`, 'no picture at all');
    expect([text.status, (await problemOf(text)).code]).toEqual([422, 'not-a-picture']);
  });

  it('tells of changes as they happen, beginning with the newest number', async () => {
    const stop = new AbortController();
    const stream = (await fetch(`${demo.url}/api/changes`, { signal: stop.signal })).body
      ?.pipeThrough(new TextDecoderStream())
      .getReader();
    let heard = '';
    const until = async (enough: () => boolean): Promise<void> => {
      while (!enough()) heard += (await stream?.read())?.value ?? '';
    };
    const numbers = (): number[] => [...heard.matchAll(/data: (\d+)/g)].map((match) => Number(match[1]));
    await until(() => numbers().length >= 1);
    const [first = 0] = numbers();
    await post(`${demo.url}/api/commands`, command('walk.start', { id: newId(), job: signalHouse, kind: 'progress' }));
    await until(() => numbers().length >= 2);
    expect(numbers().at(-1)).toBeGreaterThan(first);
    stop.abort();
  });

  it('shows a page that says so for what does not exist', async () => {
    for (const path of [
      '/nowhere',
      '/jobs/none',
      `/jobs/${signalHouse}/areas/none`,
      '/walk/none',
      `/jobs/${signalHouse}/walks/none`,
      `/jobs/${demoId('tannery')}/areas/${demoId('signal', 'area', 'kitchen')}`,
    ]) {
      const response = await fetch(`${demo.url}${path}`);
      expect(response.status, path).toBe(404);
      expect(await response.text(), path).toContain('This page does not exist');
    }
    for (const query of ['?weeks=99&shift=1e9', '?by=colour', '?shift=NaN&shift=2', '?by[]=room'])
      expect((await fetch(`${demo.url}/schedule${query}`)).status, query).toBe(200);
  });

  it('never answers 500, whatever is thrown at any command', async () => {
    const known = [
      signalHouse,
      demoId('signal', 'area', 'kitchen'),
      demoId('signal', 'walk', '2'),
      demoId('sub', 'wiring'),
      demoId('signal', 'hold', '0'),
      newId(),
    ];
    const value = fc.oneof(
      fc.constantFrom<unknown>(
        ...known,
        null,
        true,
        '',
        ' ',
        '2027-03-09',
        '2027-02-31',
        -1,
        0,
        1,
        1e308,
        'progress',
        'kitchen',
        'board',
        'client',
        '__proto__',
        'a@b.example',
        '\u0000',
        '💥'.repeat(50),
      ),
      fc.string({ maxLength: 40 }),
      fc.double(),
      fc.constantFrom<unknown>([], {}, [[]], [null], [{ id: newId() }], { toString: 1 }),
    );
    const names = [
      'id',
      'job',
      'area',
      'walk',
      'kind',
      'phase',
      'version',
      'sub',
      'name',
      'text',
      'works',
      'levels',
      'areas',
      'before',
      'after',
      'recipients',
      'observation',
      'fraction',
      'trade',
      'state',
      'startDay',
      'expiresOn',
      'firstDay',
      'lastDay',
      'title',
      'body',
      'leadDays',
      'expectedOn',
      'email',
      'audience',
    ];
    const payload = fc.dictionary(
      fc.constantFrom(...names),
      fc.oneof({ depthSize: 'small' }, value, fc.dictionary(fc.constantFrom(...names), value, { maxKeys: 6 })),
      { maxKeys: 10 },
    );
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...Object.keys(COMMANDS)), payload, async (type, thrown) => {
        const response = await post(`${demo.url}/api/commands`, raw(type, thrown));
        expect(response.status, `${type} ${JSON.stringify(thrown)}`).toBeLessThan(500);
        if (response.status >= 400) expect((await problemOf(response)).title.length).toBeGreaterThan(0);
      }),
      { numRuns: 600 },
    );
  });
});

describe('an empty house', () => {
  it('sends every visitor to found its firm, and nobody further', async () => {
    const place = folder();
    const empty = await serve(place);
    try {
      for (const path of ['/', '/firm', '/sign-in', '/jobs/new']) {
        const response = await fetch(`${empty.url}${path}`, { redirect: 'manual' });
        expect([response.status, response.headers.get('location')], path).toEqual([307, '/welcome']);
      }
      const founding = {
        ...{ name: 'F', personId: newId(), ownerName: 'O', email: 'O@F.example', password: 'long enough for it' },
      };
      const found = (code: string): Promise<Response> =>
        post(`${empty.url}/api/commands`, command('firm.found', { ...founding, code }));
      // Whoever comes first is not its owner: whoever has the machine is.
      for (const guessed of ['', 'AAAA-2222']) {
        const refused = await found(guessed);
        expect([refused.status, (await problemOf(refused)).field]).toEqual([403, 'code']);
      }
      const founded = await found(foundingCode(readFileSync(join(place, 'secret'), 'utf8')).toLowerCase());
      expect(founded.status).toBe(200);
      const cookie = founded.headers.get('set-cookie') ?? '';
      expect(cookie).toMatch(/HttpOnly/i);
      expect(cookie).toMatch(/SameSite=Lax/i);
      expect(
        (await fetch(`${empty.url}/`, { headers: { cookie: cookie.split(';')[0] ?? '' }, redirect: 'manual' })).status,
      ).toBe(200);
      expect(
        (await fetch(`${empty.url}/api/plan.json`, { headers: { cookie: cookie.split(';')[0] ?? '' } })).status,
      ).toBe(404);
      expect(
        (await post(`${empty.url}/api/session`, { email: 'o@f.example', password: 'long enough for it' })).status,
      ).toBe(200);
    } finally {
      await empty.kill();
    }
  });
});

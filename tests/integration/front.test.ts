import { request } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readHosts } from '@/server/environment.mjs';
import { isOurs, refusalOf, sayOrigin, trustOf, withoutSecrets } from '@/server/front.mjs';
import { openInstallation } from '@/server/open-installation';
import { copyDemo, demoHouse, testClock } from '../support/installations';
import { serve, type Server } from '../support/server';

describe('what stands before the framework', () => {
  const real = trustOf({
    AFTERMIST_HOSTS: 'office.lan',
    AFTERMIST_ADDRESS: 'https://firm.example',
    AFTERMIST_PROXY: '10.0.0.2',
  });
  const demo = trustOf({ AFTERMIST_DEMO: '1', AFTERMIST_HOSTS: 'office.lan' });
  const asked = (over: object): number | undefined =>
    refusalOf(real, { method: 'GET', url: '/', headers: { host: 'localhost:3000' }, ...over })?.status;

  it('answers under its own names alone; the demo under those of this machine', () => {
    const names = ['localhost:3000', '127.0.0.1', '[::1]:3000', 'office.lan', 'FIRM.example:443', '192.168.1.5:3000'];
    expect(names.map((name) => isOurs(real, name))).toEqual(names.map(() => true));
    expect(['evil.example', 'localhost.evil.example', '', undefined].map((name) => isOurs(real, name))).toEqual([
      false,
      false,
      false,
      false,
    ]);
    expect(names.map((name) => isOurs(demo, name))).toEqual([true, true, true, false, false, false]);
    expect(asked({ headers: { host: 'evil.example' } })).toBe(421);
  });

  it('refuses what the framework would stumble over', () => {
    expect(['TRACE', 'CONNECT', 'PROPFIND', ''].map((method) => asked({ method }))).toEqual([405, 405, 405, 405]);
    expect(['/%ff', '/%E0%A4%A', '/a%00b'].map((url) => asked({ url }))).toEqual([400, 400, 400]);
    expect(asked({ url: '/_next/image?url=/s/x/pictures/y&w=640&q=75' })).toBe(404);
    expect(asked({ headers: { host: 'localhost', 'next-router-state-tree': '%7Bx' } })).toBe(400);
    expect(asked({ url: '/jobs/1?q=%ff' })).toBeUndefined();
  });

  it('believes nobody about where a request comes from but a proxy that is named', () => {
    const said = (remote: string) => {
      const headers: Record<string, string | string[] | undefined> = {
        'x-forwarded-for': '1.2.3.4, 5.6.7.8',
        'x-forwarded-proto': 'https',
        'x-forwarded-host': 'evil.example',
      };
      sayOrigin(real, headers, remote);
      return [headers['x-forwarded-for'], headers['x-forwarded-proto'], headers['x-forwarded-host']];
    };
    expect(said('::ffff:9.9.9.9')).toEqual(['9.9.9.9', 'http', undefined]);
    expect(said('10.0.0.2')).toEqual(['5.6.7.8', 'https', undefined]);
  });

  it('keeps no secret of a link, an invitation or a calendar in its log, nor what is asked for', () => {
    const kept = [
      ['/s/AbC-9_x/pictures/ff?w=640', '/s/…/pictures/ff'],
      ['/s/own/pictures/ff', '/s/own/pictures/ff'],
      ['/join/AbC', '/join/…'],
      ['/api/join/AbC', '/api/join/…'],
      ['/calendar/AbC.ics', '/calendar/….ics'],
      ['/welcome?code=ABCD-2345', '/welcome'],
      ['/jobs/1/news', '/jobs/1/news'],
    ];
    expect(kept.map(([url = '']) => withoutSecrets(url))).toEqual(kept.map(([, path]) => path));
  });

  it('says in one line what is wrong with its names', () => {
    expect(() => readHosts({ AFTERMIST_HOSTS: 'two words' })).toThrow(/AFTERMIST_HOSTS: two words is no name/);
    expect(() => readHosts({ AFTERMIST_PROXY: 'proxy' })).toThrow(/AFTERMIST_PROXY: proxy is no address/);
    expect(() => readHosts({ AFTERMIST_DEMO: '1', HOST: '0.0.0.0' })).toThrow(/answers on this machine alone/);
  });
});

describe('the demo', () => {
  it('opens no firm that is not made up', () => {
    const installation = demoHouse();
    installation.db.exec('UPDATE firm SET demo = 0');
    const { folder } = installation;
    installation.db.close();
    expect(() => openInstallation({ folder, clock: testClock(), demo: true })).toThrow(
      /holds a firm that is not the demo/,
    );
    openInstallation({ folder, clock: testClock() }).db.close();
  });
});

describe('a served house', () => {
  let server: Server;
  let folder: string;
  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'aftermist-'));
    copyDemo(folder);
    server = await serve(folder);
  }, 60_000);
  afterAll(async () => {
    await server.kill();
    rmSync(folder, { recursive: true, force: true });
  });
  const raw = (method: string, path: string, headers: Record<string, string> = {}): Promise<number> =>
    new Promise((resolve, reject) => {
      const { hostname, port } = new URL(server.url);
      request({ hostname, port, method, path, headers }, (response) => {
        response.resume();
        resolve(response.statusCode ?? 0);
      })
        .on('error', reject)
        .end();
    });

  it('answers nothing with 500, whatever the address and the method', async () => {
    const paths = [
      '/%ff',
      '/%E0%A4%A',
      '/s/%ff/pictures/x',
      '/jobs/%C0%AF',
      '/_next/image?url=%2Fx&w=640&q=75',
      '/api/find?q=%ff',
      '/join/x',
    ];
    for (const path of paths)
      for (const method of ['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'OPTIONS', 'TRACE', 'PATCH'])
        expect(await raw(method, path), `${method} ${path}`).toBeLessThan(500);
    expect(await raw('GET', '/health')).toBe(200);
    expect(await raw('GET', '/', { host: 'evil.example' })).toBe(421);
  });

  it('lets in with a cookie that no script and no other site gets, and out everywhere', async () => {
    const post = (path: string, body: object, headers: Record<string, string> = {}) =>
      fetch(`${server.url}${path}`, { method: 'POST', body: JSON.stringify(body), headers });
    const maren = { email: 'maren@harrowtern.example', password: 'mist over the harbour' };
    const cookieOf = async (): Promise<string> => {
      const [cookie = ''] = (await post('/api/session', maren)).headers.getSetCookie();
      expect(cookie).toMatch(/^aftermist=[\w-]{43};.*HttpOnly.*SameSite=lax/i);
      return cookie.split(';')[0] ?? '';
    };
    const [phone, desk] = [await cookieOf(), await cookieOf()];
    const finds = async (cookie: string) => (await fetch(`${server.url}/api/find`, { headers: { cookie } })).status;
    expect([await finds(phone), await finds(desk)]).toEqual([200, 200]);
    const out = await fetch(`${server.url}/api/account/sessions`, { method: 'DELETE', headers: { cookie: desk } });
    expect(await out.json()).toEqual({ ended: 1 });
    expect([await finds(phone), await finds(desk)]).toEqual([401, 200]);
    await fetch(`${server.url}/api/session`, { method: 'DELETE', headers: { cookie: desk } });
    expect(await finds(desk)).toBe(401);
    const elsewhere = await post('/api/session', maren, { 'sec-fetch-site': 'cross-site' });
    expect(elsewhere.status).toBe(403);
    let last = new Response();
    for (let tries = 0; tries < 7; tries++) last = await post('/api/session', { ...maren, password: 'guessed' });
    expect([last.status, Number(last.headers.get('retry-after'))]).toEqual([429, expect.any(Number)]);
  });
});

import { mkdtempSync, rmSync } from 'node:fs';
import { request, type RequestOptions } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openDatabase } from '@/server/database/open';
import { queryOne } from '@/server/database/query';
import { copyDemo, newId, NOW, root, signalHouse } from '../support/installations';
import { serve, type Server } from '../support/server';
import { tlsProxy, type TlsProxy } from '../support/tls-proxy';

interface Got {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  text: string;
}

let proxy: TlsProxy;
let server: Server;
let place: string;

beforeAll(async () => {
  place = copyDemo(mkdtempSync(join(tmpdir(), 'aftermist-')));
  const db = openDatabase(join(place, 'aftermist.sqlite'), join(root, 'migrations'));
  db.exec('UPDATE firm SET demo = 0');
  db.close();
  proxy = await tlsProxy();
  const env = { AFTERMIST_SECURE: '1', AFTERMIST_ADDRESS: proxy.origin, AFTERMIST_PROXY: '127.0.0.1' };
  server = await serve(place, { env: { ...env, AFTERMIST_BACKUPS: 'off' } });
  proxy.to(Number(new URL(server.url).port));
}, 60_000);
afterAll(async () => {
  await server.kill();
  await proxy.close();
  rmSync(place, { recursive: true, force: true });
});

/** Asks through the proxy, trusting its certificate and no other. */
const ask = (path: string, { body, ...options }: RequestOptions & { body?: string | Buffer } = {}): Promise<Got> =>
  new Promise((resolve, reject) => {
    const asked = request(`${proxy.origin}${path}`, { ca: proxy.certificate, ...options }, (answer) => {
      let text = '';
      answer.on('data', (part) => (text += String(part)));
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers, text }));
    });
    asked.on('error', reject);
    asked.end(body);
  });

const post = (path: string, body: object, headers: Record<string, string> = {}): Promise<Got> =>
  ask(path, { method: 'POST', body: JSON.stringify(body), headers: { origin: proxy.origin, ...headers } });

const cookieOf = async (): Promise<string> => {
  const { headers } = await post('/api/session', {
    ...{ email: 'maren@harrowtern.example', password: 'mist over the harbour', code: '' },
  });
  return String(headers['set-cookie']?.[0]);
};

it('behind a certificate the cookie is bound to the host and encrypted, and browsers are told to stay with it', async () => {
  expect(await cookieOf()).toMatch(/^__Host-aftermist=[\w-]{43};.*Path=\/;.*Secure;.*HttpOnly/i);
  const page = await ask('/sign-in');
  expect(page.status).toBe(200);
  expect(page.headers['strict-transport-security']).toMatch(/^max-age=\d{8}/);
  expect(page.headers['content-security-policy']).toContain(`script-src 'self' 'nonce-`);
});

it('a request is known by whoever sent it, and by nobody they say they are', async () => {
  await post(
    '/api/session',
    { email: 'who@x.example', password: 'nobody knows', code: '' },
    { 'x-forwarded-for': '6.6.6.6' },
  );
  const db = openDatabase(join(place, 'aftermist.sqlite'), join(root, 'migrations'));
  const seen = queryOne<{ source: string }>(db, `SELECT source FROM sign_in WHERE email = 'who@x.example'`);
  db.close();
  expect(seen?.source.replace('::ffff:', '')).toBe('127.0.0.1');
});

it('what comes from another site is refused there too', async () => {
  const body = JSON.stringify({ email: 'a@b.example', password: 'x', code: '' });
  for (const headers of [{ origin: 'https://evil.example' }, { origin: 'null' }, { 'sec-fetch-site': 'cross-site' }])
    expect((await ask('/api/session', { method: 'POST', body, headers })).status).toBe(403);
  // Whoever points a name of their own here has no certificate for it; the front refuses them all the same.
  const evil = { headers: { host: 'evil.example' }, servername: 'localhost', checkServerIdentity: () => undefined };
  expect((await ask('/', evil)).status).toBe(421);
});

it('a command and a picture of many megabytes come through, and a change is told as it happens', async () => {
  const cookie = (await cookieOf()).split(';', 1)[0] ?? '';
  const heard = new Promise<string>((resolve, reject) => {
    const stream = request(`${proxy.origin}/api/changes`, { ca: proxy.certificate, headers: { cookie } }, (answer) => {
      let text = '';
      answer.on('data', (part) => {
        text += String(part);
        // The first number is where it stands; the next one is a change.
        const said = [...text.matchAll(/data: (\d+)/g)].map(([, number = '']) => number);
        if (said.length > 1) resolve((stream.destroy(), said.join(' ')));
      });
    });
    stream.on('error', reject);
    stream.end();
  });
  await new Promise((resolve) => setTimeout(resolve, 300));
  const walk = { id: newId(), job: signalHouse, kind: 'progress' };
  expect(
    (await post('/api/commands', { id: newId(), type: 'walk.start', at: NOW, payload: walk }, { cookie })).status,
  ).toBe(200);
  const [stood, changed] = (await heard).split(' ').map(Number);
  expect(changed).toBeGreaterThan(stood ?? Infinity);
  const noise = Buffer.alloc(2_400 * 1_600 * 3).map(() => Math.floor(Math.random() * 256));
  const picture = await sharp(noise, { raw: { width: 2_400, height: 1_600, channels: 3 } })
    .png()
    .toBuffer();
  expect(picture.length).toBeGreaterThan(10_000_000);
  const kept = await ask('/api/pictures', { method: 'POST', body: picture, headers: { cookie, origin: proxy.origin } });
  expect([kept.status, JSON.parse(kept.text)]).toMatchObject([200, { type: 'image/png', width: 2_400 }]);
});

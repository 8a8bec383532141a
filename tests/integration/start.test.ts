import { copyFileSync, existsSync, mkdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import { queryAll } from '@/server/database/query';
import { codeToFound, faultOf, foundingCode } from '@/server/folder-check.mjs';
import { newSecret } from '@/server/new-secret';
import { openInstallation } from '@/server/open-installation';
import { openLink } from '@/server/public/links';
import { tokenOf } from '@/server/tokens';
import { demoFolder, demoHouse, folder, must, newId, root, signalHouse, testClock } from '../support/installations';
import { serve } from '../support/server';

const MIGRATIONS = join(root, 'migrations');
const file = (place: string): string => join(place, 'aftermist.sqlite');

/** A folder of the demo, whole; the pictures of all copies are one folder and nobody touches them. */
const whole = (): string => {
  const place = demoFolder();
  openInstallation({ folder: place, root, clock: testClock() }).db.close();
  return place;
};

describe('a folder that cannot be served', () => {
  const harm: [string, RegExp, (place: string) => void][] = [
    ['whose file is missing', /without its records: aftermist\.sqlite is missing/, (place) => rmSync(file(place))],
    ['whose file is empty', /without its records: aftermist\.sqlite is empty/, (place) => truncateSync(file(place))],
    [
      'whose file is something else',
      /cannot be read|damaged/,
      (place) => writeFileSync(file(place), 'x'.repeat(9_000)),
    ],
    ['whose file was cut', /damaged|cannot be read/, (place) => truncateSync(file(place), 300 * 4096 + 17)],
    ['whose file has lost its head', /cannot be read/, (place) => overwrite(file(place), 0, 100)],
    [
      'in which pages were written over',
      /damaged|cannot be read/,
      (place) => overwrite(file(place), 20 * 4096, 60 * 4096),
    ],
    [
      'that a newer version wrote',
      /newer version/,
      (place) => withFile(place, `INSERT INTO migration (number, name, checksum) VALUES (9999, 'later', '')`),
    ],
    [
      'that is of another program',
      /no file of Aftermist/,
      (place) => {
        rmSync(file(place));
        withFile(place, 'CREATE TABLE theirs (id)');
      },
    ],
    ['whose secret is missing', /secret is missing/, (place) => rmSync(join(place, 'secret'))],
    ['whose secret was cut', /not the secret of this house/, (place) => writeFileSync(join(place, 'secret'), 'abc')],
    [
      'whose secret is another’s',
      /not the secret of this house/,
      (place) => writeFileSync(join(place, 'secret'), 'ab'.repeat(32)),
    ],
    [
      'that is a file',
      /cannot be written to/,
      (place) => {
        rmSync(place, { recursive: true });
        writeFileSync(place, '');
      },
    ],
  ];
  it.each(harm)('%s is named, with what to do, and nothing is made anew in it', (_, words, done) => {
    const place = whole();
    const copied = join(folder(), 'secret');
    copyFileSync(join(place, 'secret'), copied);
    for (const left of ['-wal', '-shm']) rmSync(file(place) + left, { force: true });
    expect(faultOf(place, MIGRATIONS)).toBeUndefined();
    done(place);
    const before = existsSync(join(place, 'secret')) && readFileSync(join(place, 'secret'), 'utf8');
    const fault = faultOf(place, MIGRATIONS);
    expect(fault).toMatch(words);
    expect(fault).toMatch(/backup|name another folder|Start that version/);
    expect(existsSync(join(place, 'secret')) && readFileSync(join(place, 'secret'), 'utf8')).toBe(before);
  });

  it('is told on every page in words, and its health says that it does not answer', async () => {
    const place = whole();
    truncateSync(file(place));
    const server = await serve(place);
    try {
      for (const path of ['/', '/welcome', '/api/find', '/health']) {
        const response = await fetch(`${server.url}${path}`, { redirect: 'manual' });
        expect([path, response.status]).toEqual([path, 503]);
        expect(await response.text()).toMatch(/cannot be opened.*npm run restore/s);
      }
      expect(existsSync(file(place)) && readFileSync(file(place)).length).toBe(0);
    } finally {
      await server.kill();
    }
  });

  it('is none that is new', () => {
    const place = join(folder(), 'new');
    expect(faultOf(place, MIGRATIONS)).toBeUndefined();
    expect(faultOf(folder(), MIGRATIONS)).toBeUndefined();
    mkdirSync(join(place, 'pictures'));
    openInstallation({ folder: place, root, clock: testClock() }).db.close();
    expect(faultOf(place, MIGRATIONS)).toBeUndefined();
  });
});

describe('the secret of a house', () => {
  it('opens no house as another’s; a new one makes every link anew', () => {
    const { db, folder: place, secret, ...rest } = demoHouse();
    const installation = { ...rest, db, folder: place, secret };
    const link = newId();
    must(installation, 'share.make', {
      id: link,
      audience: 'client',
      job: signalHouse,
      recipient: 'A',
      expiresOn: '2027-12-01',
    });
    const old = tokenOf(installation, link);
    expect(openLink(installation, old)?.id).toBe(link);
    const links = newSecret(db, place);
    expect(links).toBe(queryAll(db, 'SELECT id FROM share_link UNION ALL SELECT id FROM feed').length);
    db.close();
    const again = openInstallation({ folder: place, root, clock: testClock() });
    expect(again.secret).not.toBe(secret);
    expect(openLink(again, old)).toBeUndefined();
    expect(openLink(again, tokenOf(again, link))?.id).toBe(link);
    again.db.close();
    writeFileSync(join(place, 'secret'), secret);
    expect(() => openInstallation({ folder: place, root, clock: testClock() })).toThrow(/not the secret of this house/);
  });

  it('is what the code for founding is made from, while there is no firm', () => {
    const place = folder();
    const { db, secret } = openInstallation({ folder: place, root, clock: testClock() });
    db.close();
    expect(codeToFound(place)).toBe(foundingCode(secret));
    expect(foundingCode(secret)).toMatch(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/);
    expect(foundingCode('ab'.repeat(32))).not.toBe(foundingCode(secret));
    expect(codeToFound(whole())).toBeUndefined();
  });
});

function withFile(place: string, sql: string): void {
  const db = new Database(file(place));
  db.exec(sql);
  db.close();
}

function overwrite(path: string, from: number, bytes: number): void {
  const content = readFileSync(path);
  content.fill(0xa5, from, from + bytes);
  writeFileSync(path, content);
}

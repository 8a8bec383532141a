import { existsSync, mkdirSync, readdirSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { sessionOf, openSession } from '@/server/accounts/sessions';
import { execute, queryAll, queryOne } from '@/server/database/query';
import { readMostBytes } from '@/server/environment.mjs';
import { keepPicture, pictureFile } from '@/server/files/pictures';
import { keptFile } from '@/server/database/kept';
import { keepRecording } from '@/server/files/recordings';
import { needRoom, roomOf } from '@/server/files/room';
import { sweepFiles } from '@/server/files/sweep';
import { problemResponse } from '@/server/http';
import { databaseFile, type Installation } from '@/server/installation';
import { openInstallation } from '@/server/open-installation';
import { readFirm } from '@/server/reading/reading';
import { storageRefusal } from '@/server/storage-fault';
import { machineCares, machineView } from '@/server/views/machine';
import { todayView } from '@/server/views/today';
import {
  areaOf,
  demoFolder,
  emptyHouse,
  folder,
  give,
  MAREN,
  must,
  newId,
  root,
  signalHouse,
  testClock,
  type Answer,
} from '../support/installations';
import { serve } from '../support/server';

const open = (place: string, mostBytes?: number): Installation =>
  openInstallation({ folder: place, root, clock: testClock(), ...(mostBytes === undefined ? {} : { mostBytes }) });

/** Writes notes of some length until one is refused. @returns those that were answered, and the refusal */
function fillUp(house: Installation): { kept: string[]; refused: Answer } {
  const walk = newId();
  must(house, 'walk.start', { id: walk, job: signalHouse, kind: 'progress' });
  const kept: string[] = [];
  for (;;) {
    const id = newId();
    const answer = give(house, 'observation.record', {
      observation: { id, walk, area: areaOf('kitchen'), kind: 'note', text: 'x'.repeat(590) },
    });
    if (answer.status === 'refused') return { kept, refused: answer };
    kept.push(id);
  }
}

describe('a disk that is full', () => {
  it('refuses in words, loses nothing that was answered, is read on, and goes on once there is room', () => {
    const place = demoFolder();
    const size = statSync(databaseFile(place)).size;
    const house = open(place, size + 400_000);
    const token = openSession(
      house.db,
      MAREN.kind === 'person' ? MAREN.id : '',
      { device: '', source: '' },
      '2027-03-09T00:00:00.000Z',
    );
    const { kept, refused } = fillUp(house);
    expect(refused).toMatchObject({
      httpStatus: 507,
      problem: { code: 'disk-full', title: expect.stringContaining('no room left') as string },
    });
    expect(kept.length).toBeGreaterThan(20);
    // Somebody who comes is known, though that they came cannot be written down; pages are made as ever.
    expect(sessionOf(house.db, token, '2027-03-09T09:00:00.000Z')?.name).toBe('Maren');
    expect(todayView(readFirm(house)).sites.length).toBeGreaterThan(0);
    const known = queryAll<{ id: string }>(house.db, 'SELECT id FROM observation').map(({ id }) => id);
    expect(kept.filter((id) => !known.includes(id))).toEqual([]);
    expect(house.db.pragma('integrity_check', { simple: true })).toBe('ok');
    house.db.close();
    const roomy = open(place);
    expect(fillUpOnce(roomy).status).toBe('applied');
    roomy.db.close();
  });

  it('keeps the room that records need from pictures and recordings, which wait', async () => {
    const house = emptyHouse();
    const limited = { ...house, mostBytes: statSync(databaseFile(house.folder)).size + 205 * 1024 * 1024 };
    expect(() => needRoom(limited, 1024)).not.toThrow();
    expect(() => needRoom(limited, 10 * 1024 * 1024)).toThrow(/no room left/);
    const picture = await painted('#335577');
    await expect(keepPicture({ ...limited, mostBytes: 1024 }, picture)).rejects.toMatchObject({ status: 507 });
    expect(existsSync(join(house.folder, 'pictures'))).toBe(false);
    const { hash } = await keepPicture(limited, picture);
    expect(statSync(pictureFile(house, hash)).size).toBe(picture.length);
    expect(roomOf(limited).takenBytes).toBe(statSync(databaseFile(house.folder)).size + picture.length);
    expect(machineView(limited).room).toMatchObject({ low: true });
    expect(machineCares(limited).join()).toMatch(/^Only 2\d\d MB of room are left/);
  });

  it('answers as a server too: pages come, records wait with the reason', async () => {
    const place = demoFolder();
    const gigabytes = (statSync(databaseFile(place)).size + 150_000) / 1024 ** 3;
    const server = await serve(place, { demo: true, env: { AFTERMIST_MOST_GB: gigabytes.toFixed(9) } });
    try {
      const walk = newId();
      const post = (type: string, payload: object): Promise<Response> =>
        fetch(`${server.url}/api/commands`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ id: newId(), type, at: new Date().toISOString(), payload }),
        });
      await post('walk.start', { id: walk, job: signalHouse, kind: 'progress' });
      let response = new Response();
      for (let count = 0; count < 600 && response.status !== 507; count++)
        response = await post('observation.record', {
          observation: { id: newId(), walk, area: areaOf('kitchen'), kind: 'note', text: 'y'.repeat(590) },
        });
      expect([response.status, await response.json()]).toMatchObject([507, { code: 'disk-full' }]);
      for (const page of ['/', '/schedule', `/jobs/${signalHouse}`, '/health'])
        expect([page, (await fetch(server.url + page)).status]).toEqual([page, 200]);
    } finally {
      await server.kill();
    }
  });
});

const fillUpOnce = (house: Installation): Answer =>
  give(house, 'walk.start', { id: newId(), job: signalHouse, kind: 'progress' });

describe('a disk that cannot be written', () => {
  it('is told as that', () => {
    const house = open(demoFolder());
    house.db.pragma('query_only = ON');
    expect(fillUpOnce(house)).toMatchObject({ httpStatus: 507, problem: { code: 'disk-read-only' } });
    expect(todayView(readFirm(house)).sites.length).toBeGreaterThan(0);
    house.db.close();
  });

  it.each([
    ['ENOSPC', 507, 'disk-full'],
    ['EDQUOT', 507, 'disk-full'],
    ['SQLITE_IOERR_SHMSIZE', 507, 'disk-full'],
    ['EROFS', 507, 'disk-read-only'],
    ['SQLITE_READONLY_DBMOVED', 507, 'disk-read-only'],
    ['SQLITE_BUSY_SNAPSHOT', 503, 'busy'],
  ])('%s is answered with %i, %s', async (code, status, problem) => {
    const response = problemResponse(Object.assign(new Error('as the system says it'), { code }));
    expect([response.status, await response.json()]).toMatchObject([status, { code: problem }]);
  });

  it('is not what any other fault is told as', () => {
    expect(storageRefusal(Object.assign(new Error(''), { code: 'ENOENT' }))).toBeUndefined();
    expect(storageRefusal(new Error('SQLITE_FULL'))).toBeUndefined();
  });
});

it('a house’s most room is a size', () => {
  expect([readMostBytes({}), readMostBytes({ AFTERMIST_MOST_GB: '1.5' })]).toEqual([undefined, 1.5 * 1024 ** 3]);
  for (const wrong of ['0', '-3', 'much', '5 GB'])
    expect(() => readMostBytes({ AFTERMIST_MOST_GB: wrong })).toThrow('write it like AFTERMIST_MOST_GB=20');
});

const painted = (background: string): Promise<Buffer> =>
  sharp({ create: { width: 64, height: 48, channels: 3, background } })
    .jpeg()
    .toBuffer();
const wav = (of: number): Buffer => Buffer.concat([Buffer.from('RIFF\0\0\0\0WAVEfmt '), Buffer.alloc(2_000, of)]);

describe('what lies beside the records', () => {
  const DAYS = 86_400;
  const now = new Date();
  const age = (file: string, days: number): void => {
    const at = now.getTime() / 1000 - days * DAYS;
    utimesSync(file, at, at);
  };

  it('is taken away once it was begun, unknown or unnamed for long; what anything names stays', async () => {
    const house = open(folder());
    const [named, alone, young] = await Promise.all(['#111111', '#222222', '#333333'].map(painted));
    const kept = await Promise.all([named, alone, young].map((content) => keepPicture(house, content!)));
    const [ofRecord, ofNothing, ofLately] = kept.map(({ hash }) => pictureFile(house, hash)) as [
      string,
      string,
      string,
    ];
    const spoken = keptFile(house, 'recording', (await keepRecording(house, [wav(1)])).hash);
    // Named within a text, as the pictures of what is chosen between are.
    execute(house.db, `INSERT INTO trusted_clock (id, after_seq, at) VALUES (1, 0, @text)`, {
      text: `[{"picture":"${kept[0]!.hash}"}]`,
    });
    for (const file of [ofRecord, ofNothing, spoken]) age(file, 91);
    const lost = join(house.folder, 'pictures', 'ab', 'ab'.repeat(32));
    mkdirSync(dirname(lost), { recursive: true });
    for (const name of [lost, `${lost}.240.jpg`, `${ofRecord}.x.part`, `${ofLately}.y.part`]) writeFileSync(name, 'x');
    for (const name of [lost, `${lost}.240.jpg`, `${ofRecord}.x.part`]) age(name, 2);
    expect(await sweepFiles(house, now)).toEqual({ begun: 1, unknown: 1, unnamed: 2 });
    expect([ofRecord, ofLately, `${ofLately}.y.part`].filter((file) => !existsSync(file))).toEqual([]);
    expect([ofNothing, spoken, lost, `${lost}.240.jpg`].filter((file) => existsSync(file))).toEqual([]);
    expect(queryOne(house.db, 'SELECT count(*) AS count FROM picture')).toEqual({ count: 2 });
    expect(await sweepFiles(house, now)).toEqual({ begun: 0, unknown: 0, unnamed: 0 });
    house.db.close();
  });

  it('is no more than it has to be: a recording comes part by part, and leaves nothing where it is refused', async () => {
    const house = open(folder());
    const parts = async function* (): AsyncGenerator<Uint8Array> {
      yield wav(2).subarray(0, 7);
      yield wav(2).subarray(7);
      await Promise.resolve();
      throw new Error('the line went');
    };
    await expect(keepRecording(house, parts())).rejects.toThrow('the line went');
    await expect(keepRecording(house, [wav(2)], 'ab'.repeat(32))).rejects.toThrow('altered');
    await expect(keepRecording(house, [Buffer.from('RIFF')])).rejects.toThrow('no recording we can play');
    expect(readdirSync(join(house.folder, 'recordings'))).toEqual([]);
    const { hash } = await keepRecording(house, [wav(2).subarray(0, 7), wav(2).subarray(7)]);
    expect(statSync(keptFile(house, 'recording', hash)).size).toBe(wav(2).length);
    rmSync(house.folder, { recursive: true });
    house.db.close();
  });
});

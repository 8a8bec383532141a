import { createHash } from 'node:crypto';
import { createWriteStream, existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { describe, expect, it } from 'vitest';
import { fromBufferPromise } from 'yauzl';
import { ZipFile } from 'yazl';
import { readArchive } from '@/server/archive/read';
import { unpack } from '@/server/archive/unpack';
import { writeFirmArchive, type FirmLabel } from '@/server/archive/write-firm';
import { allTables, firmTables, jobTables, NOT_CARRIED, OF_FIRM } from '@/server/database/job-tables';
import { rowsOfJob, type TableRows } from '@/server/archive/tables';
import { writeArchive, type Label } from '@/server/archive/write';
import { queryAll, queryOne } from '@/server/database/query';
import { keptFile } from '@/server/database/kept';
import { pictureFile } from '@/server/files/pictures';
import type { Installation } from '@/server/installation';
import { readyOwnPage } from '@/server/public/own';
import { demoId } from '../../demo/seed';
import { renewOnce } from '@/server/plan/renew';
import { readJob } from '@/server/reading/reading';
import { roomsView } from '@/server/views/rooms';
import { areaOf, demoHouse, emptyHouse, must, newId, signalHouse } from '../support/installations';

const place = (): string => join(mkdtempSync(join(tmpdir(), 'aftermist-')), 'job.zip');

async function packed(installation: Installation, job = signalHouse): Promise<string> {
  const file = place();
  await writeArchive(installation, job, file);
  return file;
}

function ownHouse(): Installation {
  const installation = emptyHouse();
  must(
    installation,
    'firm.found',
    { name: 'Other', personId: newId(), ownerName: 'Ida', email: 'i@o.example', password: 'long enough for it' },
    { kind: 'founder' },
  );
  return installation;
}

const sortedRows = (rows: TableRows): Record<string, string[]> =>
  Object.fromEntries([...rows].map(([table, list]) => [table, list.map((row) => JSON.stringify(row)).sort()]));

/** The files of an archive by name. */
async function filesOf(file: string): Promise<Map<string, Buffer>> {
  const zip = await fromBufferPromise(readFileSync(file), { lazyEntries: true });
  const files = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry()) {
    const parts: Buffer[] = [];
    for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
    files.set(entry.fileName, Buffer.concat(parts));
  }
  return files;
}

async function zipped(files: ReadonlyMap<string, Buffer>): Promise<string> {
  const [file, zip] = [place(), new ZipFile()];
  for (const [name, content] of files) zip.addBuffer(content, name);
  zip.end();
  await pipeline(zip.outputStream, createWriteStream(file));
  return file;
}

describe('the archive of a job', () => {
  it('carries every table, or says why not', () => {
    const { db } = demoHouse();
    const carried = [...jobTables(db), ...OF_FIRM, ...Object.keys(NOT_CARRIED)];
    expect([...carried].sort()).toEqual(allTables(db));
  });

  it('comes into an empty house as it was, with its pictures, and can be planned and read there', async () => {
    const [here, there] = [demoHouse(), ownHouse()];
    must(here, 'draft.write', { job: signalHouse, audience: 'client', line: 'own:1', words: 'Come by.' });
    const file = await packed(here);
    const { job, name } = await readArchive(there, file, 'Ida');
    expect({ job, name }).toEqual({ job: signalHouse, name: 'Signal House' });
    const [was, is] = [rowsOfJob(here.db, signalHouse), rowsOfJob(there.db, signalHouse)];
    for (const rows of [was, is])
      // Links of another house open nothing here.
      rows.set(
        'share_link',
        (rows.get('share_link') ?? []).map((row) => ({ ...row, token_hash: '', revoked_at: '' })),
      );
    expect(sortedRows(is)).toEqual(sortedRows(was));
    expect(is.get('observation')?.map(({ id }) => id)).toEqual(was.get('observation')?.map(({ id }) => id));
    const [picture] = queryAll<{ hash: string }>(there.db, 'SELECT hash FROM picture');
    expect(existsSync(pictureFile(there, picture?.hash ?? ''))).toBe(true);
    const papers = queryAll<{ hash: string }>(there.db, 'SELECT hash FROM pdf');
    expect(papers.length).toBeGreaterThan(2);
    for (const { hash } of papers) expect(existsSync(keptFile(there, 'pdf', hash))).toBe(true);
    expect(queryAll(there.db, 'SELECT email FROM person WHERE email IS NOT NULL')).toEqual([{ email: 'i@o.example' }]);
    expect(queryAll(there.db, 'SELECT 1 FROM share_link WHERE revoked_at IS NULL')).toEqual([]);
    renewOnce(there);
    const rooms = (installation: Installation) => roomsView(readJob(installation, signalHouse));
    expect(rooms(there).done).toBe(rooms(here).done);
    expect(rooms(there).finish).toMatch(/^2027-/);
    await expect(readArchive(there, file, 'Ida')).rejects.toThrow('Signal House is in this house already.');
    for (const { db } of [here, there]) db.close();
  });

  it('holds its rows in open forms too, its papers, and no secret', async () => {
    const files = await filesOf(await packed(demoHouse()));
    expect([...files.keys()]).toEqual(
      expect.arrayContaining([
        'archive.json',
        'tables/area.json',
        'csv/area.csv',
        'papers/client.pdf',
        'papers/scope.csv',
      ]),
    );
    expect(files.get('csv/area.csv')?.toString()).toContain('Guest suite');
    expect(files.get('papers/client.pdf')?.subarray(0, 5).toString()).toBe('%PDF-');
    const label = JSON.parse(files.get('archive.json')?.toString() ?? '{}') as Label;
    expect(label).toMatchObject({ kind: 'aftermist job', job: { id: signalHouse } });
    expect(JSON.stringify([...files].map(([, content]) => content.toString('latin1')))).not.toMatch(/argon2/);
    expect([...files.keys()].filter((name) => name.startsWith('pictures/')).length).toBeGreaterThan(10);
  });

  it('is refused whole where it is torn, altered, newer or hostile, with what is wrong', async () => {
    const files = await filesOf(await packed(demoHouse()));
    const label = JSON.parse(files.get('archive.json')?.toString() ?? '{}') as Label;
    const table = (name: string): Record<string, unknown>[] =>
      JSON.parse(files.get(`tables/${name}.json`)?.toString() ?? '[]') as Record<string, unknown>[];
    const json = (value: unknown): Buffer => Buffer.from(JSON.stringify(value));
    const picture = [...files.keys()].find((name) => name.startsWith('pictures/')) ?? '';
    const changed = (...parts: [string, Buffer][]): Map<string, Buffer> => new Map([...files, ...parts]);
    const page = Buffer.from('<script>alert(1)</script>');
    const evil = createHash('sha256').update(page).digest('hex');
    const torn = place();
    const whole = readFileSync(await zipped(files));
    writeFileSync(torn, whole.subarray(0, whole.length / 2));
    const bad: [string, RegExp][] = [
      [torn, /no ZIP archive, or it is torn/],
      [await zipped(changed(['archive.json', json({ ...label, kind: 'other' })])), /no copy of a job/],
      [await zipped(changed(['archive.json', json({ ...label, migration: 9_999 })])), /newer version/],
      [await zipped(changed(['papers/evil.exe/x', Buffer.from('x')])), /no part of a job/],
      [await zipped(changed([picture, Buffer.from('another picture')])), /was altered/],
      [await zipped(changed([`recordings/${evil}`, page])), /no recording we can play/],
      [await zipped(changed([`pictures/${evil}`, page])), /no picture we can read/],
      [
        await zipped(changed(['tables/recording.json', json([{ hash: evil, type: 'text/html', bytes: 1 }])])),
        /not played here/,
      ],
      [await zipped(changed(['archive.json', json({ kind: 'aftermist job' })])), /which job/],
      [await zipped(changed(['tables/area.json', Buffer.from('{"a":1}')])), /no list of rows/],
      [await zipped(changed(['tables/command_log.json', json([])])), /not carried/],
      [
        await zipped(changed(['tables/area.json', json(table('area').map((row) => ({ ...row, evil: 1 })))])),
        /not ours/,
      ],
      [await zipped(changed(['tables/area.json', json(table('area').slice(1))])), /“area”|name something|rows came/],
      [
        await zipped(
          changed(['tables/walk.json', json([...table('walk'), { ...table('walk')[0], id: newId(), job: newId() }])]),
        ),
        /rows came|name something|FOREIGN/,
      ],
      [
        await zipped(changed(['tables/area.json', json(table('area').map((row) => ({ ...row, kind: 'castle' })))])),
        /cannot be read/,
      ],
      [await zipped(changed(['tables/area.json', Buffer.alloc(300 * 1024 * 1024, 32)])), /larger than anything/],
    ];
    const there = ownHouse();
    const before = queryOne(there.db, 'SELECT count(*) AS count FROM command_log');
    for (const [file, told] of bad) await expect(readArchive(there, file, 'Ida'), String(told)).rejects.toThrow(told);
    expect(queryAll(there.db, 'SELECT 1 FROM job UNION ALL SELECT 1 FROM sub')).toEqual([]);
    expect(queryOne(there.db, 'SELECT count(*) AS count FROM command_log')).toEqual(before);
    expect(areaOf('guest')).toBeDefined();
    there.db.close();
  });
});

describe('the archive of a firm', () => {
  it('comes into an empty house with all its jobs, once, and is equal there', async () => {
    const [here, there] = [demoHouse(), ownHouse()];
    const petra = newId();
    must(here, 'person.add', {
      id: petra,
      name: 'Petra',
      role: 'sub',
      sub: demoId('sub', 'wiring'),
      email: 'p@w.example',
    });
    // The page by which she answers is of this house alone.
    readyOwnPage(here, petra);
    const file = place();
    expect(await writeFirmArchive(here, file)).toEqual({ name: 'Harrow & Tern Renovation' });
    const files = await filesOf(file);
    expect([...files.keys()]).toEqual(expect.arrayContaining(['firm.json', 'readme.txt', 'csv/sub.csv']));
    const jobs = queryAll<{ id: string; name: string }>(here.db, 'SELECT id, name FROM job ORDER BY rowid');
    const taken = await unpack(there, file, 'Ida');
    expect(taken).toMatchObject({ kind: 'firm', taken: jobs.map(({ name }) => name), known: [] });
    for (const { id } of jobs) {
      const [was, is] = [rowsOfJob(here.db, id), rowsOfJob(there.db, id)];
      for (const rows of [was, is]) rows.set('share_link', []);
      expect(sortedRows(is)).toEqual(sortedRows(was));
    }
    // People come without their addresses, and the one who founded the house stays.
    const own = { person: 'id, name, role, phone', firm: 'name, town, zone, currency, markup' } as Record<
      string,
      string
    >;
    for (const table of firmTables(here.db).filter((name) => !['picture', 'recording'].includes(name))) {
      const rows = ({ db }: Installation): unknown[] =>
        queryAll<object>(db, `SELECT ${own[table] ?? '*'} FROM "${table}"`).map((row) => JSON.stringify(row));
      expect([table, rows(there)]).toEqual([table, expect.arrayContaining(rows(here))]);
    }
    renewOnce(there);
    expect(roomsView(readJob(there, signalHouse)).finish).toMatch(/^2027-/);
    // Sent again nothing doubles; into a house with another job it does not come at all.
    expect(await unpack(there, file, 'Ida')).toMatchObject({ taken: [], known: jobs.map(({ name }) => name) });
    const other = ownHouse();
    must(other, 'job.open', { id: newId(), name: 'Somewhere else', units: 'metric', startDay: '2027-03-22' });
    await expect(unpack(other, file, 'Ida')).rejects.toThrow(
      'Somewhere else is in this house and not of Harrow & Tern',
    );
    expect(JSON.stringify([...files].map(([, content]) => content.toString('latin1')))).not.toMatch(/argon2/);
    for (const { db } of [here, there, other]) db.close();
  });

  it('is refused where something is missing, strange or newer', async () => {
    const here = demoHouse();
    const file = place();
    await writeFirmArchive(here, file);
    const files = await filesOf(file);
    const label = JSON.parse(files.get('firm.json')?.toString() ?? '{}') as FirmLabel;
    const json = (value: unknown): Buffer => Buffer.from(JSON.stringify(value));
    const without = new Map([...files].filter(([name]) => !name.startsWith(`jobs/${signalHouse}`)));
    const bad: [Map<string, Buffer>, RegExp][] = [
      [without, /Signal House is missing in it/],
      [new Map([...files, ['firm.json', json({ ...label, migration: 9_999 })]]), /newer version/],
      [new Map([...files, ['firm.json', json({ ...label, kind: 'other' })]]), /no copy of a firm/],
      [new Map([...files, ['tables/session.json', json([])]]), /not carried/],
      [new Map([...files, ['evil.sh', json([])]]), /no part of a firm/],
    ];
    for (const [content, words] of bad)
      await expect(unpack(ownHouse(), await zipped(content), 'Ida')).rejects.toThrow(words);
    here.db.close();
  });
});

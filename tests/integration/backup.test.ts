import Database from 'better-sqlite3';
import {
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ZipFile } from 'yazl';
import { restoreBackup } from '@/server/backup/read';
import { writeBackup } from '@/server/backup/write';
import { standingClock } from '@/server/clock';
import { holdFolder } from '@/server/folder-lock';
import { databaseFile } from '@/server/installation';
import { openInstallation } from '@/server/open-installation';
import { backupDue, sweepBackups } from '@/server/polls/backups';
import { backupsFolder, isBackupOld, lastBackup } from '@/server/reading/backup';
import { newestMigration } from '@/server/archive/tables';
import { allTables } from '@/server/database/job-tables';
import { command, copyDemo, demoHouse, newId, NOW, root, signalHouse, testClock } from '../support/installations';
import { serve, type Server } from '../support/server';

const NEWEST = Math.max(...readdirSync(join(root, 'migrations')).map((name) => Number.parseInt(name, 10)));
let work: string;
beforeAll(() => {
  work = mkdtempSync(join(tmpdir(), 'aftermist-backup-'));
});
afterAll(() => rmSync(work, { recursive: true, force: true }));
const place = (name: string): string => join(work, `${name}-${newId()}`);

/** Every row of every table of a file. */
function rowsOf(file: string): Record<string, unknown[]> {
  const db = new Database(file, { readonly: true });
  const rows = Object.fromEntries(allTables(db).map((table) => [table, db.prepare(`SELECT * FROM "${table}"`).all()]));
  db.close();
  return rows;
}
const filesOf = (folder: string): string[] =>
  (readdirSync(folder, { recursive: true }) as string[])
    .filter((name) => /^(pictures|recordings|pdfs)\/\w+\/\w+$|^secret$/.test(name))
    .sort();

async function backedUp(passphrase?: string): Promise<{ folder: string; file: string }> {
  const { db, folder } = demoHouse();
  db.close();
  const file = place('firm');
  await writeBackup({ folder, file, now: NOW, ...(passphrase ? { passphrase } : {}) });
  return { folder, file };
}

describe('a backup', () => {
  it('brings a house back equal: every row, picture, recording and the secret of its links', async () => {
    const { folder, file } = await backedUp();
    const back = place('back');
    const { missing } = await restoreBackup({ file, folder: back, newest: NEWEST });
    expect(missing).toEqual([]);
    expect(rowsOf(databaseFile(back))).toEqual(rowsOf(databaseFile(folder)));
    // Those that the file names: tests share a folder of pictures, and others put more into it.
    const db = new Database(databaseFile(back), { readonly: true });
    const named = db
      .prepare('SELECT hash FROM picture UNION ALL SELECT hash FROM recording UNION ALL SELECT hash FROM pdf')
      .pluck()
      .all() as string[];
    db.close();
    expect(
      filesOf(back)
        .map((name) => basename(name))
        .sort(),
    ).toEqual([...named, 'secret'].sort());
    expect(filesOf(back).length).toBeGreaterThan(10);
    for (const name of filesOf(back))
      expect(readFileSync(join(back, name)).equals(readFileSync(join(folder, name))), name).toBe(true);
    const opened = openInstallation({ folder: back, root, clock: testClock() });
    expect(opened.secret).toBe(readFileSync(join(folder, 'secret'), 'utf8').trim());
    opened.db.close();
    expect(lastBackup({ folder })).toMatchObject({ at: NOW, file });
    expect([isBackupOld(NOW, new Date(NOW)), isBackupOld('2027-03-01T00:00:00.000Z', new Date(NOW))]).toEqual([
      false,
      true,
    ]);
  });

  it('is sealed where somebody gave a passphrase, and opens with that one alone', async () => {
    const { file } = await backedUp('three plain words');
    expect(readFileSync(file).includes('manifest.json')).toBe(false);
    const into = place('back');
    await expect(restoreBackup({ file, folder: into, newest: NEWEST })).rejects.toThrow(/sealed; give its passphrase/);
    await expect(restoreBackup({ file, folder: into, newest: NEWEST, passphrase: 'three plain word' })).rejects.toThrow(
      /passphrase is another/,
    );
    expect(existsSync(into)).toBe(false);
    expect((await restoreBackup({ file, folder: into, newest: NEWEST, passphrase: 'three plain words' })).firm).toMatch(
      /Harrow/,
    );
  });

  it('is refused whole where it is torn, altered, newer, hostile, or the folder is not empty', async () => {
    const { file } = await backedUp();
    const whole = readFileSync(file);
    const into = place('back');
    const refused = async (content: Buffer, words: RegExp, newest = NEWEST): Promise<void> => {
      const torn = place('torn');
      writeFileSync(torn, content);
      await expect(restoreBackup({ file: torn, folder: into, newest })).rejects.toThrow(words);
      expect(existsSync(into)).toBe(false);
    };
    await refused(whole.subarray(0, whole.length / 2), /torn/);
    await refused(Buffer.from('no zip at all'), /no backup/);
    // A picture lies uncompressed in it: one of its bytes is another.
    const altered = Buffer.from(whole);
    const at = altered.lastIndexOf(Buffer.from([0xff, 0xd8, 0xff]));
    altered[at + 400] = (altered[at + 400] ?? 0) ^ 1;
    await refused(altered, /not as it was|checksum|CRC/i);
    await refused(whole, /newer version/, NEWEST - 1);
    const zip = new ZipFile();
    zip.addBuffer(Buffer.from('x'), 'pictures/evil.sh');
    zip.end();
    const hostile = place('hostile');
    await pipeline(zip.outputStream, createWriteStream(hostile));
    await refused(readFileSync(hostile), /does not belong into a backup/);
    mkdirSync(into);
    writeFileSync(join(into, 'letter.txt'), 'mine');
    await expect(restoreBackup({ file, folder: into, newest: NEWEST })).rejects.toThrow(/is not empty/);
    expect(readFileSync(join(into, 'letter.txt'), 'utf8')).toBe('mine');
  });

  it('names what was missing already, and keeps the file before it where it cannot be written', async () => {
    const { file } = await backedUp();
    const before = readFileSync(file);
    // A house of its own: others share the pictures of the demo.
    const folder = place('own');
    await restoreBackup({ file, folder, newest: NEWEST });
    const [first = ''] = filesOf(folder);
    rmSync(join(folder, first));
    const { missing } = await writeBackup({ folder, file: place('again'), now: NOW });
    expect(missing).toEqual([first]);
    await expect(writeBackup({ folder: place('nowhere'), file, now: NOW })).rejects.toThrow(/no firm/);
    expect(readFileSync(file).equals(before)).toBe(true);
  });

  it('holds everything that was answered before it began, taken while others write', async () => {
    const folder = place('served');
    mkdirSync(folder);
    copyDemo(folder);
    const server: Server = await serve(folder, { demo: true });
    try {
      const answered: string[] = [];
      const going = { on: true };
      const writing = (async () => {
        while (going.on) {
          const id = newId();
          const body = command('neighbour.set', { id, job: signalHouse, name: `Number ${answered.length}` });
          const response = await fetch(`${server.url}/api/commands`, { method: 'POST', body: JSON.stringify(body) });
          if (response.ok) answered.push(id);
        }
      })();
      for (let round = 0; round < 2; round++) {
        await expect.poll(() => answered.length, { timeout: 20_000 }).toBeGreaterThan(round * 5 + 4);
        const known = [...answered];
        const file = place('live');
        await writeBackup({ folder, file, now: NOW });
        const back = place('back');
        await restoreBackup({ file, folder: back, newest: NEWEST });
        const db = new Database(databaseFile(back), { readonly: true });
        const kept = new Set(db.prepare('SELECT id FROM neighbour').pluck().all());
        expect(known.filter((id) => !kept.has(id))).toEqual([]);
        expect(newestMigration(db)).toBe(NEWEST);
        db.close();
      }
      going.on = false;
      await writing;
    } finally {
      await server.kill();
    }
  }, 120_000);

  it('is due once a night, and the newest fourteen are kept', () => {
    const installation = demoHouse();
    const folder = place('nights');
    mkdirSync(folder);
    installation.clock = standingClock(new Date('2027-03-09T01:00:00Z'));
    expect(backupDue(installation, folder)).toBe('2027-03-08');
    installation.clock = standingClock(new Date('2027-03-09T03:00:00Z'));
    expect(backupDue(installation, folder)).toBe('2027-03-09');
    for (let day = 1; day <= 20; day++)
      writeFileSync(join(folder, `firm-2027-03-${String(day).padStart(2, '0')}.zip`), 'x');
    writeFileSync(join(folder, 'mine.zip'), 'x');
    expect(backupDue(installation, folder)).toBeUndefined();
    expect(sweepBackups(folder)).toHaveLength(6);
    expect(readdirSync(folder).sort()).toEqual([
      ...Array.from({ length: 14 }, (_, at) => `firm-2027-03-${String(at + 7).padStart(2, '0')}.zip`),
      'mine.zip',
    ]);
    expect([backupsFolder({ folder: '/x/firm' }, undefined), backupsFolder({ folder: '/x/firm' }, 'off')]).toEqual([
      '/x/firm-backups',
      undefined,
    ]);
  });
});

describe('a folder', () => {
  it('is held by one server at a time, and free again once that is gone', async () => {
    const folder = place('held');
    mkdirSync(folder);
    copyDemo(folder);
    const server = await serve(folder, { demo: true });
    expect(() => holdFolder(folder)).toThrow(/Another server is running/);
    await expect(serve(folder, { demo: true })).rejects.toThrow(/Another server is running/);
    await server.kill();
    holdFolder(folder);
  }, 60_000);
});

import Database from 'better-sqlite3';
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync } from 'node:fs';
import { mkdtemp, open, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { KEPT, KEPT_KINDS, type Kept } from '../database/kept';
import { databaseFile, LAST_BACKUP } from '../installation';
import { DATABASE, MANIFEST, SECRET, type Manifest } from './manifest';
import { checkBackup } from './read';
import { sealFile } from './seal';

export interface BackupTerms {
  /** The folder of the house; a server may be running on it. */
  folder: string;
  /** Where the backup is written; a file of that name stays until the new one is whole. */
  file: string;
  now: string;
  passphrase?: string | undefined;
}

/**
 * Writes everything a house consists of into one file and looks whether it can be read again: the database as of one
 * moment, pictures, recordings, PDFs, the secret of its links, each with its hash.
 */
export async function writeBackup({ folder, file, now, passphrase }: BackupTerms): Promise<Manifest> {
  const work = await mkdtemp(join(dirname(file), '.backup-'));
  try {
    const copy = join(work, DATABASE);
    await copyDatabase(databaseFile(folder), copy);
    const whole = join(work, 'backup.zip');
    await pack({ folder, copy, whole, now });
    const manifest = await checkBackup(whole);
    const done = passphrase ? join(work, 'sealed') : whole;
    if (passphrase) await sealFile(whole, done, passphrase);
    await toDisk(done);
    await rename(done, file);
    const { size } = await stat(file);
    await writeFile(join(folder, LAST_BACKUP), JSON.stringify({ at: now, file, bytes: size }), { mode: 0o600 });
    return manifest;
  } finally {
    await rm(work, { recursive: true, force: true });
  }
}

/** A copy of one moment, taken by the database itself while others write; it is looked through before it is kept. */
async function copyDatabase(from: string, to: string): Promise<void> {
  if (!existsSync(from)) throw new Error(`There is no firm in ${dirname(from)}; name its folder with AFTERMIST_DATA.`);
  const live = new Database(from, { readonly: true, fileMustExist: true });
  try {
    await live.backup(to);
  } finally {
    live.close();
  }
  const copy = new Database(to);
  try {
    copy.pragma('journal_mode = DELETE');
    const words = copy.pragma('integrity_check', { simple: true });
    if (words !== 'ok') throw new Error(`The copy of the database is not whole: ${String(words)}`);
  } finally {
    copy.close();
  }
}

/** Hashes what runs through it. */
function hashing(note: (bytes: number, sha256: string) => void): Transform {
  const hash = createHash('sha256');
  let bytes = 0;
  return new Transform({
    transform(part: Buffer, _encoding, done) {
      hash.update(part);
      bytes += part.length;
      done(null, part);
    },
    flush(done) {
      note(bytes, hash.digest('hex'));
      done();
    },
  });
}

async function pack({ folder, copy, whole, now }: { folder: string; copy: string; whole: string; now: string }) {
  const db = new Database(copy, { readonly: true });
  const hashes = (kind: Kept) => db.prepare(`SELECT hash FROM ${kind} ORDER BY hash`).pluck().all() as string[];
  const named = KEPT_KINDS.flatMap((kind) => hashes(kind).map((hash) => `${KEPT[kind]}/${hash.slice(0, 2)}/${hash}`));
  const manifest: Manifest = {
    ...{ kind: 'aftermist backup', form: 1, made: now, files: {}, missing: [] },
    migration: Number(db.prepare('SELECT max(number) FROM migration').pluck().get() ?? 0),
    firm: (db.prepare('SELECT name FROM firm').pluck().get() as string | undefined) ?? '',
  };
  db.close();
  const zip = new ZipFile();
  const written = pipeline(zip.outputStream, createWriteStream(whole, { mode: 0o600 }));
  const add = async (path: string, name: string, compress: boolean): Promise<void> => {
    await new Promise<void>((resolve, reject) => {
      const through = hashing((bytes, sha256) => {
        manifest.files[name] = { bytes, sha256 };
        resolve();
      });
      zip.addReadStream(createReadStream(path).once('error', reject).pipe(through), name, { compress, mode: 0o100600 });
    });
  };
  await add(copy, DATABASE, true);
  if (existsSync(join(folder, SECRET))) await add(join(folder, SECRET), SECRET, false);
  for (const name of named)
    if (existsSync(join(folder, name))) await add(join(folder, name), name, false);
    else manifest.missing.push(name);
  zip.addBuffer(Buffer.from(JSON.stringify(manifest, null, 1)), MANIFEST);
  zip.end();
  await written;
}

/** What is written reaches the disk before it gets its name. */
async function toDisk(file: string): Promise<void> {
  const handle = await open(file, 'r+');
  await handle.sync();
  await handle.close();
}

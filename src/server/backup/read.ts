import Database from 'better-sqlite3';
import { createHash } from 'node:crypto';
import { createWriteStream, existsSync, readdirSync } from 'node:fs';
import { mkdir, mkdtemp, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Writable, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { openPromise, type Entry, type ZipFile } from 'yauzl';
import { DATABASE, MANIFEST, NAMES, type Manifest } from './manifest';
import { isSealed, unsealFile } from './seal';

const MOST_MANIFEST = 256 * 1024 * 1024;

/** Looks whether a backup is whole: everything its manifest names, with its hash, and nothing else. */
export const checkBackup = (file: string): Promise<Manifest> => readBackup(file, () => discard());

/**
 * Brings a house back from its backup into a folder that is not there or empty: all of it, or nothing.
 * @param newest the newest migration that this version knows
 */
export async function restoreBackup({
  file,
  folder,
  newest,
  passphrase,
}: {
  file: string;
  folder: string;
  newest: number;
  passphrase?: string | undefined;
}): Promise<Manifest> {
  if (existsSync(folder) && readdirSync(folder).length > 0)
    throw new Error(
      `${folder} is not empty: a backup is brought back only into a folder that is not there or is empty.`,
    );
  await mkdir(dirname(folder), { recursive: true });
  const half = await mkdtemp(`${folder}.half-`);
  const opened = `${half}.zip`;
  try {
    const manifest = await readBackup(await unsealed(file, opened, passphrase), async (name) => {
      const path = join(half, name);
      await mkdir(dirname(path), { recursive: true, mode: 0o700 });
      return createWriteStream(path, { mode: 0o600, flags: 'wx' });
    });
    if (manifest.migration > newest)
      throw new Error(
        `this backup is of a newer version (${manifest.migration}, here ${newest}); bring the program up to date`,
      );
    checkDatabase(join(half, DATABASE));
    if (existsSync(folder)) await rm(folder, { recursive: true });
    await rename(half, folder);
    return manifest;
  } catch (error) {
    throw new Error(
      `${file} was not brought back: ${error instanceof Error ? error.message : String(error)}. Nothing was written.`,
      { cause: error },
    );
  } finally {
    await rm(half, { recursive: true, force: true });
    await rm(opened, { force: true });
  }
}

async function unsealed(file: string, to: string, passphrase: string | undefined): Promise<string> {
  if (!existsSync(file)) throw new Error('there is no such file');
  if (!(await isSealed(file))) return file;
  if (!passphrase) throw new Error('it is sealed; give its passphrase in AFTERMIST_PASSPHRASE');
  try {
    await unsealFile(file, to, passphrase);
  } catch (error) {
    throw new Error('the passphrase is another, or the file was altered', { cause: error });
  }
  return to;
}

function checkDatabase(file: string): void {
  const db = new Database(file, { readonly: true });
  try {
    const words = db.pragma('quick_check', { simple: true });
    if (words !== 'ok') throw new Error(`its database is not whole: ${String(words)}`);
    if ((db.pragma('foreign_key_check') as unknown[]).length > 0)
      throw new Error('rows of its database name others that are not there');
  } finally {
    db.close();
  }
}

const discard = (): Writable => new Writable({ write: (_part, _encoding, done) => done() });

/** Hands each file of a backup to a place, and holds it against its manifest. */
async function readBackup(file: string, placeOf: (name: string) => Writable | Promise<Writable>): Promise<Manifest> {
  const zip = await openPromise(file, { autoClose: false, strictFileNames: true, validateEntrySizes: true }).catch(
    (error: unknown) => {
      throw new Error('it is no backup, or it is torn', { cause: error });
    },
  );
  try {
    const found = new Map<string, { bytes: number; sha256: string }>();
    let manifest: Manifest | undefined;
    for await (const entry of zip.eachEntry()) {
      const name = entry.fileName;
      if (name === MANIFEST) manifest = await manifestIn(zip, entry);
      else if (!NAMES.test(name) || found.has(name)) throw new Error(`${name} does not belong into a backup`);
      else found.set(name, await written(await zip.openReadStreamPromise(entry), await placeOf(name)));
    }
    if (!manifest) throw new Error('it has no manifest');
    compare(manifest, found);
    return manifest;
  } finally {
    zip.close();
  }
}

async function written(from: Readable, to: Writable): Promise<{ bytes: number; sha256: string }> {
  const hash = createHash('sha256');
  let bytes = 0;
  from.on('data', (part: Buffer) => {
    hash.update(part);
    bytes += part.length;
  });
  await pipeline(from, to);
  return { bytes, sha256: hash.digest('hex') };
}

async function manifestIn(zip: ZipFile, entry: Entry): Promise<Manifest> {
  if (entry.uncompressedSize > MOST_MANIFEST) throw new Error('its manifest is too large');
  const parts: Buffer[] = [];
  for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
  const read = JSON.parse(Buffer.concat(parts).toString('utf8')) as Manifest;
  if ((read.kind as string) !== 'aftermist backup' || typeof read.files !== 'object')
    throw new Error('it is no backup of ours');
  if ((read.form as number) > 1) throw new Error('it was made by a newer version');
  return read;
}

function compare({ files }: Manifest, found: ReadonlyMap<string, { bytes: number; sha256: string }>): void {
  const names = new Set([...Object.keys(files), ...found.keys()]);
  if (!names.has(DATABASE)) throw new Error('it holds no database');
  for (const name of names) {
    const [said, is] = [files[name], found.get(name)];
    if (!said || !is || said.bytes !== is.bytes || said.sha256 !== is.sha256)
      throw new Error(`${name} is not as it was when the backup was made`);
  }
}

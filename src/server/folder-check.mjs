import { createHash, createHmac } from 'node:crypto';
import { accessSync, constants, existsSync, mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';

/**
 * Whether a folder can be served, looked at before anything is opened: what is damaged, missing or from another version is
 * said in words, and nothing is made anew in its place. Plain JavaScript, since the front is started with it.
 */

/** Larger files are not read through at the start: that is done by the backup of each night. */
const READ_THROUGH_BYTES = 64 * 1024 * 1024;
const RESTORE = 'Put it back from a backup: npm run restore -- FILE, into an empty folder.';

/**
 * @param {string} folder @param {string} migrations
 * @returns {string | undefined} what is wrong and what to do, in one line; nothing where it can be served
 */
export function faultOf(folder, migrations) {
  return faultOfFolder(folder) ?? faultOfFile(folder, migrations) ?? faultOfSecret(folder);
}

/** @param {string} folder */
function faultOfFolder(folder) {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    accessSync(folder, constants.R_OK | constants.W_OK | constants.X_OK);
    return undefined;
  } catch (error) {
    return `${folder} cannot be written to (${codeOf(error)}). Give this account the right to, or name another folder with AFTERMIST_DATA.`;
  }
}

/** @param {unknown} error */
const codeOf = (error) => (error instanceof Error && 'code' in error ? String(error.code) : String(error));

/** @param {string} folder */
const fileOf = (folder) => join(folder, 'aftermist.sqlite');

/** @param {string} folder */
function hasTraces(folder) {
  const filled = (/** @type {string} */ name) => {
    const path = join(folder, name);
    return existsSync(path) && readdirSync(path).length > 0;
  };
  return existsSync(join(folder, 'secret')) || filled('pictures') || filled('recordings') || filled('pdfs');
}

/** @param {string} folder @param {string} migrations */
function faultOfFile(folder, migrations) {
  const file = fileOf(folder);
  if (!existsSync(file) || statSync(file).size === 0)
    return hasTraces(folder)
      ? `${folder} holds a house without its records: aftermist.sqlite is ${existsSync(file) ? 'empty' : 'missing'}. ${RESTORE}`
      : undefined;
  let db;
  try {
    db = new Database(file, { fileMustExist: true });
    if (statSync(file).size <= READ_THROUGH_BYTES) {
      const [found] = /** @type {{ quick_check: string }[]} */ (db.pragma('quick_check(1)'));
      if (found?.quick_check !== 'ok') return `${file} is damaged (${found?.quick_check ?? 'unreadable'}). ${RESTORE}`;
    }
    return faultOfVersion(db, file, migrations);
  } catch (error) {
    return `${file} cannot be read (${codeOf(error)}). ${RESTORE}`;
  } finally {
    db?.close();
  }
}

/** @param {Database.Database} db @param {string} file @param {string} migrations */
function faultOfVersion(db, file, migrations) {
  if (!hasTable(db, 'migration')) return hasTable(db, '%') ? `${file} is no file of Aftermist. ${RESTORE}` : undefined;
  const { newest } = /** @type {{ newest: number | null }} */ (
    db.prepare('SELECT max(number) AS newest FROM migration').get()
  );
  const known = Math.max(...readdirSync(migrations).map((name) => Number(/^\d+/.exec(name)?.[0] ?? 0)));
  return (newest ?? 0) > known
    ? `${file} was written by a newer version of Aftermist. Start that version, or restore a backup from before it.`
    : undefined;
}

/** @param {Database.Database} db @param {string} name */
const hasTable = (db, name) =>
  db.prepare(`SELECT 1 FROM sqlite_master WHERE type = 'table' AND name LIKE ?`).get(name) !== undefined;

const ANEW = 'Put it back from a backup; or, so that all links are made anew, run npm run new-secret.';

/**
 * Links, calendars and their pages hang on the secret: another one in its place would close them without a word.
 * @param {string} folder
 */
function faultOfSecret(folder) {
  const file = join(folder, 'secret');
  const db = existsSync(fileOf(folder)) ? new Database(fileOf(folder)) : undefined;
  const row =
    db && hasTable(db, 'house_secret')
      ? /** @type {{ hash: string } | undefined} */ (db.prepare('SELECT hash FROM house_secret').get())
      : undefined;
  db?.close();
  if (!existsSync(file)) return row ? `${file} is missing: links that were sent open by it. ${ANEW}` : undefined;
  const secret = readFileSync(file, 'utf8').trim();
  if (!/^[0-9a-f]{64}$/.test(secret) || (row && row.hash !== secretHash(secret)))
    return `${file} is not the secret of this house. ${ANEW}`;
  return undefined;
}

/** By which a house knows its secret again. @param {string} secret */
export const secretHash = (secret) => createHash('sha256').update(`secret of a house: ${secret}`).digest('hex');

const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';

/** What whoever founds the firm has to know: it is printed where the house is started, for nobody else. @param {string} secret */
export function foundingCode(secret) {
  const bytes = createHmac('sha256', secret).update('founding').digest();
  const signs = [...bytes.subarray(0, 8)].map((byte) => SIGNS[byte % SIGNS.length]).join('');
  return `${signs.slice(0, 4)}-${signs.slice(4)}`;
}

/** The code while nobody has founded the firm; nothing once somebody has. @param {string} folder */
export function codeToFound(folder) {
  const db = new Database(fileOf(folder), { fileMustExist: true });
  const isFounded = db.prepare('SELECT 1 FROM firm').get() !== undefined;
  db.close();
  return isFounded ? undefined : foundingCode(readFileSync(join(folder, 'secret'), 'utf8').trim());
}

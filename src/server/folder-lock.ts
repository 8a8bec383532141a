import Database from 'better-sqlite3';
import { join } from 'node:path';
import { isBusy } from './storage-fault';

const holder = globalThis as typeof globalThis & { aftermistLock?: Database.Database };

/**
 * Holds the folder for this server alone, as long as its process lives and however it ends: two that serve one house would
 * send its letters twice and not hear of each other's changes. The lock is SQLite's own, on a file that holds nothing.
 * @throws where another server holds it
 */
export function holdFolder(folder: string): void {
  const lock = new Database(join(folder, 'lock'), { timeout: 0 });
  try {
    lock.pragma('locking_mode = EXCLUSIVE');
    lock.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    lock.close();
    if (!isBusy(error)) throw error;
    throw new Error(
      `Another server is running on ${folder}. Stop it first, or name another folder with AFTERMIST_DATA.`,
      {
        cause: error,
      },
    );
  }
  // Kept, or it would be let go once nobody looks at it any more.
  holder.aftermistLock = lock;
}

/** The same as a server begins: it ends with one line that says what to do. */
export function holdFolderOrStop(folder: string): void {
  try {
    holdFolder(folder);
  } catch (error) {
    console.error(error instanceof Error ? error.message : String(error));
    process.exit(1);
  }
}

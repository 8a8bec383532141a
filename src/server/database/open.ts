import Database from 'better-sqlite3';
import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { migrate } from './migrate';

export type Connection = Database.Database;

/**
 * Opens the one database file, brought up to date. What was answered survives a power cut: every commit reaches the
 * disk.
 * @param mostBytes how large the file may grow; as large as it likes where nothing is said
 */
export function openDatabase(file: string, migrationsFolder: string, mostBytes?: number): Connection {
  mkdirSync(dirname(file), { recursive: true });
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 5000');
  // What is deleted is written over: somebody who was taken out is not left in unused parts of the file.
  db.pragma('secure_delete = ON');
  migrate(db, migrationsFolder);
  // The file itself refuses to grow beyond it.
  if (mostBytes !== undefined) db.pragma(`max_page_count = ${Math.floor(mostBytes / pageSize(db))}`);
  return db;
}

const pageSize = (db: Connection): number => Number(db.pragma('page_size', { simple: true }));

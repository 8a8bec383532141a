import Database from 'better-sqlite3';
import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { migrate } from './migrate';

export type Connection = Database.Database;

/**
 * Opens the one database file, brought up to date. What was answered survives a power cut: every commit reaches the
 * disk.
 */
export function openDatabase(file: string, migrationsFolder: string): Connection {
  mkdirSync(dirname(file), { recursive: true });
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 5000');
  migrate(db, migrationsFolder);
  return db;
}

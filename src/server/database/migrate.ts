import type Database from 'better-sqlite3';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Runs the migrations that this file has not seen, in order, each in its transaction; a changed or missing one is
 * refused.
 */
export function migrate(db: Database.Database, folder: string): void {
  db.exec(
    'CREATE TABLE IF NOT EXISTS migration (number INTEGER PRIMARY KEY, name TEXT NOT NULL, checksum TEXT NOT ' +
      'NULL) STRICT',
  );
  const files = readdirSync(folder)
    .filter((name) => name.endsWith('.sql'))
    .sort();
  files.forEach((name, index) => {
    const number = Number(name.slice(0, 4));
    if (number !== index + 1)
      throw new Error(`Migrations must be numbered without a gap; ${name} is in place ${index + 1}.`);
    const text = readFileSync(join(folder, name), 'utf8');
    const checksum = createHash('sha256').update(text).digest('hex');
    db.transaction(() => {
      const known = db
        .prepare<[number], { checksum: string }>('SELECT checksum FROM migration WHERE number = ?')
        .get(number);
      if (known && known.checksum !== checksum)
        throw new Error(`Migration ${name} was changed after it ran; write a new one instead.`);
      if (known) return;
      db.exec(text);
      db.prepare('INSERT INTO migration (number, name, checksum) VALUES (?, ?, ?)').run(number, name, checksum);
    }).immediate();
  });
  const newest =
    db.prepare<[], { number: number | null }>('SELECT max(number) AS number FROM migration').get()?.number ?? 0;
  if (newest > files.length)
    throw new Error(`This database was made by a newer version (migration ${newest}); this one knows ${files.length}.`);
}

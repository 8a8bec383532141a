import type Database from 'better-sqlite3';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** How a migration begins that puts a table in place of another. */
const REBUILDS = '-- rebuilds a table\n';

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
    // A table that others name is put in place of an older one: what names it is looked at once it is there.
    const rebuilds = text.startsWith(REBUILDS);
    if (rebuilds) db.pragma('foreign_keys = OFF');
    db.transaction(() => {
      const known = db
        .prepare<[number], { checksum: string }>('SELECT checksum FROM migration WHERE number = ?')
        .get(number);
      if (known && known.checksum !== checksum)
        throw new Error(`Migration ${name} was changed after it ran; write a new one instead.`);
      if (known) return;
      db.exec(text);
      const [broken] = rebuilds ? (db.pragma('foreign_key_check') as { table: string }[]) : [];
      if (broken) throw new Error(`Migration ${name} leaves rows of ${broken.table} that name nothing.`);
      db.prepare('INSERT INTO migration (number, name, checksum) VALUES (?, ?, ?)').run(number, name, checksum);
    }).immediate();
    if (rebuilds) db.pragma('foreign_keys = ON');
  });
  const newest =
    db.prepare<[], { number: number | null }>('SELECT max(number) AS number FROM migration').get()?.number ?? 0;
  if (newest > files.length)
    throw new Error(`This database was made by a newer version (migration ${newest}); this one knows ${files.length}.`);
}

import { appendFileSync, cpSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import { migrate } from '@/server/database/migrate';
import { folder, root } from '../support/houses';

function ground() {
  const path = folder();
  cpSync(join(root, 'migrations'), join(path, 'migrations'), { recursive: true });
  const db = new Database(join(path, 'one.sqlite'));
  return { db, files: join(path, 'migrations') };
}

describe('migrations', () => {
  it('run once, and a changed one is refused', () => {
    const { db, files } = ground();
    migrate(db, files);
    migrate(db, files);
    expect(db.prepare('SELECT count(*) AS count FROM migration').get()).toEqual({ count: readdirSync(join(root, 'migrations')).length });
    appendFileSync(join(files, '0001-the-house.sql'), '-- later thought\n');
    expect(() => migrate(db, files)).toThrow('changed after it ran');
  });

  it('leave nothing of one that fails half-way', () => {
    const { db, files } = ground();
    migrate(db, files);
    writeFileSync(join(files, `${String(readdirSync(files).length + 1).padStart(4, '0')}-broken.sql`), 'CREATE TABLE half (id INTEGER) STRICT; CREATE TABLE broken (;');
    expect(() => migrate(db, files)).toThrow();
    expect(db.prepare(`SELECT count(*) AS count FROM sqlite_master WHERE name = 'half'`).get()).toEqual({ count: 0 });
  });

  it('have tables that refuse a value of another kind and a row that belongs to nothing', () => {
    const { db, files } = ground();
    migrate(db, files);
    db.pragma('foreign_keys = ON');
    expect(() => db.exec(`INSERT INTO sub (id, name, trade, crews) VALUES ('a', 'A', 'wiring', 'many')`)).toThrow();
    expect(() => db.exec(`INSERT INTO level (id, job, name, height) VALUES ('l', 'no job', 'L', 0)`)).toThrow('FOREIGN KEY');
  });
});

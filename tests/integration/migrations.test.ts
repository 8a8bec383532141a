import { appendFileSync, cpSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import { migrate } from '@/server/database/migrate';
import { folder, root } from '../support/installations';

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
    expect(db.prepare('SELECT count(*) AS count FROM migration').get()).toEqual({
      count: readdirSync(join(root, 'migrations')).length,
    });
    appendFileSync(join(files, '0001-the-house.sql'), '-- later thought\n');
    expect(() => migrate(db, files)).toThrow('changed after it ran');
  });

  it('leave nothing of one that fails half-way', () => {
    const { db, files } = ground();
    migrate(db, files);
    writeFileSync(
      join(files, `${String(readdirSync(files).length + 1).padStart(4, '0')}-broken.sql`),
      'CREATE TABLE half (id INTEGER) STRICT; CREATE TABLE broken (;',
    );
    expect(() => migrate(db, files)).toThrow();
    expect(db.prepare(`SELECT count(*) AS count FROM sqlite_master WHERE name = 'half'`).get()).toEqual({ count: 0 });
  });

  it('have tables that refuse a value of another kind and a row that belongs to nothing', () => {
    const { db, files } = ground();
    migrate(db, files);
    db.pragma('foreign_keys = ON');
    expect(() => db.exec(`INSERT INTO sub (id, name, trade, crews) VALUES ('a', 'A', 'wiring', 'many')`)).toThrow();
    expect(() => db.exec(`INSERT INTO level (id, job, name, height) VALUES ('l', 'no job', 'L', 0)`)).toThrow(
      'FOREIGN KEY',
    );
  });

  it(
    'take selections along: one lead time becomes a range, names become suppliers, and what pointed at them still ' +
      'does',
    () => {
      const { db, files } = ground();
      const later = join(files, '0003-selections-orders-approvals.sql');
      const text = readFileSync(later, 'utf8');
      rmSync(later);
      for (const name of readdirSync(files)) if (name > '0003') rmSync(join(files, name));
      migrate(db, files);
      db.pragma('foreign_keys = ON');
      db.exec(`INSERT INTO job (id, name, units, state, start_day)
      VALUES ('j', 'J', 'metric', 'active', '2027-01-04'); INSERT INTO area (id, job, name, kind, position)
      VALUES ('a', 'j', 'A', 'room', 0); INSERT INTO selection (id, job, area, phase, category, supplier, lead_days,
        state, expected_on)
      VALUES ('s', 'j', 'a', 'board', 'Board', 'Fathom Timber ', 12, 'ordered', '2027-02-01'), ('t', 'j', 'a', 'trim',
        'Door', 'fathom timber', 30, 'open', NULL), ('u', 'j', 'a', 'trim', 'Knob', '', 5, 'on site',
        NULL); INSERT INTO scope_item (id, job, area, stance, verb, subject, selection)
      VALUES ('i', 'j', 'a', 'in', 'fit', 'doors', 't');`);
      writeFileSync(later, text);
      migrate(db, files);
      expect(
        db
          .prepare(
            `SELECT selection.id, lead_low, lead_high, state, supplier.name
            FROM selection
            LEFT JOIN supplier ON supplier.id = supplier
            ORDER BY selection.id`,
          )
          .all(),
      ).toEqual([
        { id: 's', lead_low: 12, lead_high: 12, state: 'ordered', name: 'Fathom Timber' },
        { id: 't', lead_low: 30, lead_high: 30, state: 'open', name: 'Fathom Timber' },
        { id: 'u', lead_low: 5, lead_high: 5, state: 'on site', name: null },
      ]);
      expect(db.pragma('foreign_key_check')).toEqual([]);
      expect(() => db.exec(`UPDATE selection SET lead_low = 40 WHERE id = 't'`)).toThrow('CHECK');
    },
  );
});

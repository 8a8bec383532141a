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

  it('take changes along: each line has the room and the trade that its change had, and the first one the work', () => {
    const { db, files } = ground();
    const later = readdirSync(files)
      .filter((name) => name >= '0013')
      .map((name) => join(files, name));
    const texts = later.map((path) => readFileSync(path, 'utf8'));
    for (const path of later) rmSync(path);
    migrate(db, files);
    db.pragma('foreign_keys = ON');
    db.exec(`INSERT INTO job (id, name, units, state, start_day) VALUES ('j', 'J', 'metric', 'active', '2027-01-04');
      INSERT INTO area (id, job, name, kind, position) VALUES ('a', 'j', 'A', 'room', 0);
      INSERT INTO change_order (id, job, area, number, kind, title, lines, markup, tax_rate, work, drops, state)
      VALUES ('c', 'j', 'a', 1, 'addition', 'a hatch',
        '[{"verb":"build","subject":"a hatch","quantity":1,"unit":"pieces","unitPrice":48000},
          {"verb":"paint","subject":"it","quantity":-2.5,"unit":"m²","unitPrice":900}]',
        0.15, 0.2, '{"trade":"carpentry","halfDays":8,"after":"trim"}', '["snags"]', 'sent'),
        ('d', 'j', 'a', 2, 'addition', 'a shelf', '[{"verb":"build","subject":"a shelf","quantity":1,"unit":"pieces","unitPrice":1}]',
        0, 0, NULL, '[]', 'draft')`);
    texts.forEach((text, at) => writeFileSync(later[at]!, text));
    migrate(db, files);
    expect(
      db
        .prepare(
          `SELECT change_order, position, area, verb, quantity, unit_price, trade, half_days, after_phase
            FROM change_line
            ORDER BY change_order, position`,
        )
        .all(),
    ).toEqual([
      {
        change_order: 'c',
        position: 0,
        area: 'a',
        verb: 'build',
        quantity: 1,
        unit_price: 48_000,
        trade: 'carpentry',
        half_days: 8,
        after_phase: 'trim',
      },
      {
        change_order: 'c',
        position: 1,
        area: 'a',
        verb: 'paint',
        quantity: -2.5,
        unit_price: 900,
        trade: 'carpentry',
        half_days: 0,
        after_phase: null,
      },
      {
        change_order: 'd',
        position: 0,
        area: 'a',
        verb: 'build',
        quantity: 1,
        unit_price: 1,
        trade: null,
        half_days: 0,
        after_phase: null,
      },
    ]);
    expect(db.prepare('SELECT * FROM change_drop').all()).toEqual([{ change_order: 'c', area: 'a', phase: 'snags' }]);
    expect(db.pragma('foreign_key_check')).toEqual([]);
  });
});

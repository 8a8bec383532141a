import { execute, insert, update, type NewRow } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

/** A line of scope: what is done to something in an area, and how much of it. */
export const addLine = (db: Connection, line: NewRow<'scope_item'>): void => insert(db, 'scope_item', line);

export const changeLine = (
  db: Connection,
  id: string,
  changed: Partial<Omit<Rows['scope_item'], 'id' | 'job' | 'area' | 'version'>>,
): void => update(db, 'scope_item', id, changed);

/** What the drawing says of it; a line that says so already stays as it is. */
export const measureLine = (db: Connection, id: string, quantity: number | null, unit: string): void =>
  void execute(
    db,
    `UPDATE scope_item
      SET quantity = @quantity, unit = @unit, version = version + 1
      WHERE id = @id AND quantity IS NOT @quantity`,
    { id, quantity, unit },
  );

/** A kept result belongs to what was set with one sentence. */
export const ofAssembly = (db: Connection, calculation: string, assembly: string): void =>
  update(db, 'calculation', calculation, { assembly });

export const dropGoodsOfAssembly = (db: Connection, assembly: string): void =>
  void execute(
    db,
    'UPDATE calculation SET removed = 1, version = version + 1 WHERE assembly = @assembly AND removed = 0',
    { assembly },
  );

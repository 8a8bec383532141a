import { execute, insert, update, type NewRow } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

export const addArea = (db: Connection, area: NewRow<'area'>): void => insert(db, 'area', area);

/** A new area right after another one of its job; those behind it move on by one. */
export function addAreaAfter(db: Connection, position: number, area: Omit<NewRow<'area'>, 'position'>): void {
  execute(db, 'UPDATE area SET position = position + 1 WHERE job = @job AND position > @position', {
    job: area.job,
    position,
  });
  addArea(db, { ...area, position: position + 1 });
}

export const changeArea = (
  db: Connection,
  id: string,
  changed: Partial<Omit<Rows['area'], 'id' | 'job' | 'position' | 'version'>>,
): void => update(db, 'area', id, changed);

/** Two areas that share a wall, whichever is named first. */
export function putBeside(db: Connection, first: string, second: string): void {
  const [one, other] = first < second ? [first, second] : [second, first];
  execute(db, 'INSERT OR IGNORE INTO beside (one, other) VALUES (@one, @other)', { one, other });
}

/** An area that nothing names any more. */
export const dropArea = (db: Connection, id: string): void =>
  void execute(db, 'DELETE FROM area WHERE id = @id', { id });

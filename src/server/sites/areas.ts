import { execute, flag, insert, update, type NewRow } from '../database/query';
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

/** Two areas that share a wall, whichever is named first; with `opens` the wall between them comes out. */
export function putBeside(db: Connection, first: string, second: string, opens?: boolean): void {
  const [one, other] = first < second ? [first, second] : [second, first];
  execute(db, 'INSERT OR IGNORE INTO beside (one, other) VALUES (@one, @other)', { one, other });
  if (opens !== undefined)
    execute(db, 'UPDATE beside SET opens = @opens WHERE one = @one AND other = @other', {
      one,
      other,
      opens: flag(opens),
    });
}

/** The neighbours of an area as they were said, and no others; those that are open are neighbours too. */
export function setNeighbours(
  db: Connection,
  area: string,
  beside: readonly string[],
  opensTo: readonly string[],
): void {
  execute(db, 'DELETE FROM beside WHERE one = @area OR other = @area', { area });
  for (const other of new Set([...beside, ...opensTo]))
    if (other !== area) putBeside(db, area, other, opensTo.includes(other));
}

/** An area that nothing names any more. */
export const dropArea = (db: Connection, id: string): void =>
  void execute(db, 'DELETE FROM area WHERE id = @id', { id });

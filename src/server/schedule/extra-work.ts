import { execute, insert, update, type NewRow } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

/** Work that comes beside the steps of an area, to be done. */
export const addExtraWork = (db: Connection, work: Omit<NewRow<'extra_work'>, 'state'>): void =>
  insert(db, 'extra_work', { ...work, state: 'open' });

export const setExtraWork = (db: Connection, id: string, state: Rows['extra_work']['state']): void =>
  update(db, 'extra_work', id, { state });

/** What an assumption or an assembly brought goes with it, unless it was done already. */
export const dropExtraWorkOf = (db: Connection, by: 'assumption' | 'assembly', id: string): void =>
  void execute(
    db,
    `UPDATE extra_work
      SET state = 'dropped', version = version + 1
      WHERE ${by} = @id AND state = 'open'`,
    { id },
  );

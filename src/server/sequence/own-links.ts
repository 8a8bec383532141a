import { execute } from '../database/query';
import type { Connection } from '../database/open';

/** Takes out an order of work between two steps that have become one. */
export const dropRings = (db: Connection): void =>
  void execute(db, 'DELETE FROM own_link WHERE before_area = after_area AND before_phase = after_phase');

import { execute } from '../database/query';
import type { Connection } from '../database/open';

/** A sub is reached at another address; one who has a third by now keeps it. */
export const moveSubAddress = (db: Connection, sub: string, was: string, address: string): void =>
  void execute(db, 'UPDATE sub SET email = @address, version = version + 1 WHERE id = @sub AND email = @was', {
    ...{ sub, was, address },
  });

import { putRight } from '@/core/news/address';
import { execute, queryOne } from '../database/query';
import type { Connection } from '../database/open';

/** A sub is reached at another address; one who has a third by now keeps it. */
export function moveSubAddress(db: Connection, id: string, was: string, address: string): void {
  const known = queryOne<{ email: string; phone: string }>(db, 'SELECT email, phone FROM sub WHERE id = @id', { id });
  if (!known || (known.email !== was && known.phone !== was)) return;
  execute(db, 'UPDATE sub SET email = @email, phone = @phone, version = version + 1 WHERE id = @id', {
    ...{ id, ...putRight(known, was, address) },
  });
}

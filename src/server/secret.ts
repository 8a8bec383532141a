import { randomBytes } from 'node:crypto';
import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { execute, queryOne } from './database/query';
import type { Connection } from './database/open';
import { secretHash } from './folder-check.mjs';

/** A new secret, on the disk before anything is made from it; one that is there is put aside. */
export function writeSecret(folder: string): string {
  const secret = randomBytes(32).toString('hex');
  const [file, draft] = [join(folder, 'secret'), join(folder, `secret.${randomBytes(4).toString('hex')}.part`)];
  if (existsSync(file)) renameSync(file, join(folder, `secret.old-${Date.now()}`));
  const handle = openSync(draft, 'wx', 0o600);
  writeSync(handle, secret);
  fsyncSync(handle);
  closeSync(handle);
  renameSync(draft, file);
  return secret;
}

/** From now on the house knows this one. */
export const keepSecret = (db: Connection, secret: string): void =>
  void execute(
    db,
    'INSERT INTO house_secret (id, hash) VALUES (1, @hash) ON CONFLICT (id) DO UPDATE SET hash = @hash',
    {
      hash: secretHash(secret),
    },
  );

/**
 * What links and calendars are made from; made where the house is new.
 * @throws where the one in the folder is another than the house knows
 */
export function secretOf(db: Connection, folder: string): string {
  const file = join(folder, 'secret');
  const known = queryOne<{ hash: string }>(db, 'SELECT hash FROM house_secret');
  if (!known) {
    const secret = existsSync(file) ? readFileSync(file, 'utf8').trim() : writeSecret(folder);
    keepSecret(db, secret);
    return secret;
  }
  const secret = existsSync(file) ? readFileSync(file, 'utf8').trim() : '';
  if (known.hash === secretHash(secret)) return secret;
  throw new Error(`${file} is not the secret of this house. Put it back from a backup, or run npm run new-secret.`);
}

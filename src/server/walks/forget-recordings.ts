import { execute, queryAll } from '../database/query';
import type { Connection } from '../database/open';

/** What was said on walks before an instant stays as text alone. @returns the recordings that nothing names any more */
export function forgetRecordings(db: Connection, before: string): string[] {
  const old = queryAll<{ hash: string }>(
    db,
    `SELECT recording AS hash
      FROM narration
      WHERE recording IS NOT NULL
      GROUP BY recording
      HAVING max(kept_at) < @before`,
    { before },
  ).map(({ hash }) => hash);
  for (const hash of old) execute(db, 'UPDATE narration SET recording = NULL WHERE recording = @hash', { hash });
  return old;
}

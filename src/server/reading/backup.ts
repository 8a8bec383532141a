import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { LAST_BACKUP } from '../installation';

/** The newest backup of a house, as it noted it; undefined where there is none, or nobody can read of it. */
export function lastBackup({ folder }: { folder: string }): { at: string; file: string; bytes: number } | undefined {
  try {
    const said = JSON.parse(readFileSync(join(folder, LAST_BACKUP), 'utf8')) as Record<string, unknown>;
    const { at, file, bytes } = said;
    return typeof at === 'string' && typeof file === 'string' && typeof bytes === 'number'
      ? { at, file, bytes }
      : undefined;
  } catch {
    return undefined;
  }
}

/** Where a house keeps its backups of each night; undefined where they were switched off. */
export function backupsFolder(
  { folder }: { folder: string },
  named = process.env.AFTERMIST_BACKUPS,
): string | undefined {
  return named === 'off' ? undefined : named || `${folder}-backups`;
}

/** When the first record of a house was kept. */
export const firstRecord = (db: Connection): string | undefined =>
  queryOne<{ at: string }>(db, 'SELECT applied_at AS at FROM command_log ORDER BY seq LIMIT 1')?.at;

/** Days after which one is too old to be relied on. */
const OLD_DAYS = 3;
export const isBackupOld = (at: string, now: Date): boolean => now.getTime() - Date.parse(at) > OLD_DAYS * 86_400_000;

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
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

/** Days after which one is too old to be relied on. */
const OLD_DAYS = 3;
export const isBackupOld = (at: string, now: Date): boolean => now.getTime() - Date.parse(at) > OLD_DAYS * 86_400_000;

import { statfsSync, statSync } from 'node:fs';
import { queryOne } from '../database/query';
import { databaseFile, type Installation } from '../installation';
import { Refusal } from '../refusal';
import { FULL } from '../storage-fault';

/** What a house takes on its disk and what is left for it. */
export interface Room {
  takenBytes: number;
  freeBytes: number;
}

/** So much is left to records: pictures and recordings wait on their telephones before it is used up. */
const FOR_RECORDS = 200 * 1024 * 1024;
/** Below this somebody has to make room soon. */
const LOW = 1024 * 1024 * 1024;

/** What it takes without the small copies of pictures, which are made again; a house with a limit has no more than that. */
export function roomOf({ db, folder, mostBytes }: Pick<Installation, 'db' | 'folder' | 'mostBytes'>): Room {
  const { bytes } = queryOne<{ bytes: number }>(
    db,
    `SELECT sum(bytes) AS bytes FROM (
      SELECT coalesce(sum(bytes), 0) AS bytes FROM picture
      UNION ALL SELECT coalesce(sum(bytes), 0) FROM recording
      UNION ALL SELECT coalesce(sum(bytes), 0) FROM pdf)`,
  ) ?? { bytes: 0 };
  const takenBytes = bytes + statSync(databaseFile(folder)).size;
  const { bavail, bsize } = statfsSync(folder);
  return {
    takenBytes,
    freeBytes: Math.max(0, Math.min(bavail * bsize, (mostBytes ?? Infinity) - takenBytes)),
  };
}

export const isLow = ({ freeBytes }: Room): boolean => freeBytes < LOW;

/**
 * Refuses a file that would take the room which records need.
 * @param bytes how large it is
 */
export function needRoom(installation: Installation, bytes: number): void {
  if (roomOf(installation).freeBytes - bytes < FOR_RECORDS) throw new Refusal(507, FULL);
}

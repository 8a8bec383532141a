import type { Problem } from '@/core/problem';
import { Refusal } from './refusal';

/** What the system calls a fault; empty for an error that has no such name. */
const codeOf = (error: unknown): string => (error instanceof Error && 'code' in error ? String(error.code) : '');

/** Another program or thread holds the one write lock of the file. */
export const isBusy = (error: unknown): boolean => codeOf(error).startsWith('SQLITE_BUSY');

/** What is said then. */
export const BUSY: Problem = {
  code: 'busy',
  message: 'Something else is writing just now and takes long over it. Nothing was changed: try again.',
};

export const FULL: Problem = {
  code: 'disk-full',
  message:
    'There is no room left where the firm is kept. Nothing was changed, and what waits on telephones stays there: whoever ' +
    'runs it makes room, then try again.',
};

const READ_ONLY: Problem = {
  code: 'disk-read-only',
  message:
    'Where the firm is kept nothing can be written just now. Nothing was changed, and what waits on telephones stays ' +
    'there: whoever runs it looks at its disk, then try again.',
};

/** What the disk and the file under everything say, by the names that they have for it. */
const FAULTS: readonly [RegExp, 503 | 507, Problem][] = [
  [/^SQLITE_BUSY/, 503, BUSY],
  [/^(?:SQLITE_FULL|ENOSPC|EDQUOT)/, 507, FULL],
  // The file that writers and readers share beside the database cannot grow either where there is no room.
  [/^SQLITE_IOERR_(?:SHMSIZE|SHMMAP|WRITE|TRUNCATE)/, 507, FULL],
  [/^(?:SQLITE_READONLY|SQLITE_CANTOPEN|SQLITE_IOERR|EROFS|EACCES|EPERM|EIO)/, 507, READ_ONLY],
];

/** A fault of the disk as it is told; undefined where it is none of these. */
export function storageRefusal(error: unknown): Refusal | undefined {
  const fault = FAULTS.find(([name]) => name.test(codeOf(error)));
  return fault && new Refusal(fault[1], fault[2]);
}

/**
 * Writes down what is good to know and no more: where the disk cannot take it now, whoever asked is served all the same.
 */
export function noteIfPossible(note: () => unknown): void {
  try {
    note();
  } catch (error) {
    if (!storageRefusal(error)) throw error;
  }
}

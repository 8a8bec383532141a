/** Bytes that the archive of a job has at most. */
export const LARGEST_ARCHIVE = 4 * 1024 ** 3;

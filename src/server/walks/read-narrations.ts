import { execute, queryAll } from '../database/query';
import { draftsRead, readWith } from '../reading/narrations';
import { readJob, type Source } from '../reading/reading';

/**
 * Reads the narrations that were kept since it was last asked, each once; in a thread, since a long one takes its time.
 * What was read is written only if the narration is there still.
 * @returns how many
 */
export function readNarrations(source: Source): number {
  const unread = queryAll<{ id: string; text: string; job: string }>(
    source.db,
    `SELECT narration.id, text, job
      FROM narration
      JOIN walk ON walk.id = narration.walk
      WHERE NOT EXISTS (SELECT 1 FROM narration_reading WHERE narration = narration.id)
      ORDER BY kept_at, narration.id`,
  );
  for (const { id, text, job: jobId } of unread) {
    const job = readJob(source, jobId);
    execute(
      source.db,
      `INSERT OR IGNORE INTO narration_reading (narration, read_with, drafts)
        SELECT @id, @readWith, @drafts WHERE EXISTS (SELECT 1 FROM narration WHERE id = @id)`,
      { id, readWith: readWith(job), drafts: JSON.stringify(draftsRead(job, text)) },
    );
  }
  return unread.length;
}
